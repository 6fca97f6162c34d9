import { z } from 'zod'
import { Id } from '../base/id'
import { Position } from './view'
import { When } from './when'
import { CIRCUITS } from './circuits'
import { Reach } from './holder'
import { EFFORTS } from './part'

export const TETHER_KINDS = [
  'electrical',
  'coax',
  'optical',
  'ground',
  'hose',
  'duct',
  'control cable',
  'damper',
  'strap',
] as const
export const LATCHES = [
  'press tab',
  'squeeze two tabs',
  'lever',
  'sliding lock',
  'spring-loaded collar',
  'push-on',
  'threaded',
  'screw',
  'ground stud',
  'friction fit',
] as const
export const TAB_SIDES = ['top', 'bottom', 'driver side', 'passenger side', 'front', 'rear', 'both sides'] as const
export const LEAD_COLOURS = [
  'black',
  'white',
  'grey',
  'blue',
  'green',
  'brown',
  'violet',
  'pink',
  'natural',
  'yellow',
  'orange',
  'red',
] as const

/** Whatever ties a part to the vehicle. All are counted and closed again. */
export const Tether = z.object({
  id: Id,
  name: z.string().trim().min(1, 'A connector needs a name.').max(60),
  /** Null: a loose end of a strip, opened before anybody knows what it ties. */
  partId: Id.nullable(),
  kind: z.enum(TETHER_KINDS).default('electrical'),
  latch: z.enum(LATCHES).nullable().default(null),
  tabSide: z.enum(TAB_SIDES).nullable().default(null),
  pressAt: z.string().max(120).default(''),
  colour: z.enum(LEAD_COLOURS).nullable().default(null),
  circuit: z.enum(CIRCUITS).nullable().default(null),
  /** From which level the part can't go on with it plugged. A short lead must open before free. */
  mustOpenFor: z.enum(['free', 'off']).default('off'),
  reached: z.enum(['before the release', 'after the release']).default('after the release'),
  /** What can be confused with it, and how to tell. */
  mixups: z.array(Id).max(6).default([]),
  tell: z.string().max(200).default(''),
  functions: z.array(Id).max(10).default([]),
  /** An aperture its lead passes on the way back, before it is plugged; empty when there is none. */
  leadThrough: z.string().max(120).default(''),
  /** The part whose aperture that is; null = its own part's. */
  throughPartId: Id.nullable().default(null),
  /** What it takes to open it, where bare hands do not ("spanner 8 mm"). */
  tool: z.string().trim().max(40).default(''),
  effort: z.enum(EFFORTS).default('light'),
  reach: Reach.default(() => Reach.parse({})),
  /** What to do just before it is plugged ("lever fully open"). */
  beforePlugging: z.string().max(120).default(''),
  positions: z.array(Position).max(4).default([]),
  note: z.string().max(1000).default(''),
  when: When.default({}),
})
export type Tether = z.infer<typeof Tether>
/** A tether whose part is known: all a derivation ever sees. */
export type TyingTether = Tether & { partId: Id }

export function newTether(id: Id, partId: Id, name: string): Tether {
  return Tether.parse({ id, partId, name })
}
