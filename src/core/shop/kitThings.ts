import { z } from 'zod'
import { Id } from '../base/id'
import { Holder } from '../procedure/holder'
import { Part } from '../procedure/part'
import { Tether } from '../procedure/tether'
import { When } from '../procedure/when'
import { Supply } from './supply'

/*
 * The things of a kit: the vehicle's own records without what means nothing before a thing is on a vehicle. A change of
 * a record is a change of both.
 */

const supply = Supply.default(() => Supply.parse({}))

/** A thing that is fitted: a unit, a bracket, an adapter lead, an antenna. */
export const KitPart = Part.pick({
  id: true,
  name: true,
  synonyms: true,
  persons: true,
  massKg: true,
  brittle: true,
  painted: true,
  note: true,
  when: true,
}).extend({
  /** Pieces in the box. */
  count: z.number().int('A count is a whole number.').min(1).max(99).default(1),
  photoId: z.uuid().nullable().default(null),
  supply,
})
export type KitPart = z.infer<typeof KitPart>

/** Fasteners that come with the kit: `count` in the box, `holds` its parts. */
export const KitHolder = Holder.pick({
  id: true,
  kind: true,
  drives: true,
  count: true,
  holds: true,
  stack: true,
  tell: true,
  thread: true,
  torqueNm: true,
  reuse: true,
  positions: true,
  note: true,
  when: true,
}).extend({ supply })
export type KitHolder = z.infer<typeof KitHolder>

/** A plug of one of its parts: closed and tried before what hides it goes home. */
export const KitPlug = Tether.pick({
  id: true,
  name: true,
  partId: true,
  kind: true,
  latch: true,
  tabSide: true,
  pressAt: true,
  colour: true,
  circuit: true,
  tell: true,
  leadThrough: true,
  tool: true,
  beforePlugging: true,
  positions: true,
  note: true,
  when: true,
}).extend({
  /** What it goes into, in words: a socket of the unit, the vehicle's plug. */
  into: z.string().trim().max(80).default(''),
})
export type KitPlug = z.infer<typeof KitPlug>

export const KIT_SETTING_KINDS = [
  'switches',
  'rotary',
  'program',
  'menu',
  'taught',
  'paired',
  'address',
  'other',
] as const

/**
 * How a module is to stand: switch positions, a program, a taught button. Done before what hides it goes home. No
 * setting of the vehicle's: no rule of safety reads it, and its values may be as many as eight switches make.
 */
export const KitSetting = z.object({
  id: Id,
  name: z.string().trim().min(1, 'A setting needs a name.').max(60),
  /** The part it is set on. */
  partId: Id.nullable().default(null),
  kind: z.enum(KIT_SETTING_KINDS).default('other'),
  /** What can be chosen; empty = it is written down ("0110 1000"). */
  values: z.array(z.string().trim().min(1).max(40)).max(20).default([]),
  /** What it should be, by build; print and experience may disagree, and both are kept. */
  expected: z
    .array(
      z.object({
        id: Id,
        value: z.string().trim().min(1).max(40),
        source: z.enum(['print', 'experience']).default('print'),
        when: When.default({}),
      }),
    )
    .max(40)
    .default([]),
  note: z.string().max(300).default(''),
  when: When.default({}),
})
export type KitSetting = z.infer<typeof KitSetting>
