import { z } from 'zod'
import { Id } from '../base/id'
import { Access } from './access'
import { Station } from './station'
import { Position } from './view'
import { WAYPOINT_KINDS } from './wayWords'
import { When } from './when'

const someMm = z.number().min(0, 'A length can’t be below nothing.').max(20_000)

/** A named point where a lead can lie, end or turn. Shown as *point*. Lengths in mm. */
export const Waypoint = z.object({
  id: Id,
  name: z.string().trim().min(1, 'A point needs a name.').max(80),
  synonyms: z.array(z.string().trim().min(1).max(80)).max(20).default([]),
  kind: z.enum(WAYPOINT_KINDS).default('space'),
  station: Station,
  /** Rain, spray or wash water gets there. */
  wet: z.boolean().default(false),
  /** For a hand to begin or end a lead there; passing through is the ways' matter. */
  access: z.array(Access).max(8).default([]),
  /** What an end needs beyond the way: the unit comes forward again. Null: the house's value. */
  leaveMm: someMm.nullable().default(null),
  /** The tightest turn here, a radius; null = room enough. */
  bendMm: someMm.nullable().default(null),
  /** Room for what is left over of a lead, in millilitres. */
  roomMl: z.number().min(0).max(20_000).default(0),
  /** Where power is taken from, and what it is fused with there. */
  supply: z
    .object({
      from: z.enum(['battery', 'fuse box', 'spare fuse', 'switched']),
      fuseA: z.number().positive().max(500).nullable().default(null),
    })
    .nullable()
    .default(null),
  positions: z.array(Position).max(4).default([]),
  note: z.string().max(300).default(''),
  when: When.default({}),
})
export type Waypoint = z.infer<typeof Waypoint>

export function newWaypoint(id: Id, name: string, station: string): Waypoint {
  return Waypoint.parse({ id, name, station })
}
