import { z } from 'zod'
import { Id } from '../base/id'
import { Access } from './access'
import { Bore } from './bore'
import { Station } from './station'
import { Position } from './view'
import {
  HAZARDS,
  LAYING_KINDS,
  LENGTH_KNOWN,
  PASSAGE_EDGES,
  PASSAGE_KINDS,
  PASSAGES_THROUGH,
  PASSED_HOW,
  SEALS,
  TIED_TO,
} from './wayWords'
import { When } from './when'

const LONGEST_MM = 20_000
const someMm = z.number().min(0, 'A length can’t be below nothing.').max(LONGEST_MM)
const seconds = z.number().min(0).max(36_000).nullable().default(null)

/** Something a way goes by. A distance that nobody measured counts as none. */
export const Passed = z.object({
  kind: z.enum(HAZARDS),
  how: z.enum(PASSED_HOW).default('crosses'),
  distanceMm: someMm.nullable().default(null),
  /** The part, plug or setting it is, where the record has it. */
  itemId: Id.nullable().default(null),
  note: z.string().max(200).default(''),
})
export type Passed = z.infer<typeof Passed>

/**
 * One manner of getting a lead into a way: all of its access has to be open. Another opening that does as well is
 * another laying.
 */
export const Laying = z.object({
  id: Id,
  how: z.enum(LAYING_KINDS).default('laid in'),
  access: z.array(Access).max(8).default([]),
  /** Made ready once, whoever is laid there (a grommet slit, a draw string put in). */
  readyS: seconds,
  /** Null: the house's value for this manner. */
  perMetreS: seconds,
  tool: z.string().max(40).default('hand'),
  helperStation: Station.nullable().default(null),
  rodFrom: z.enum(['either', 'from', 'to']).default('either'),
  note: z.string().max(300).default(''),
})
export type Laying = z.infer<typeof Laying>

/** A wall on a way, with what seals it. */
export const Passage = z.object({
  through: z.enum(PASSAGES_THROUGH).default('bulkhead'),
  kind: z.enum(PASSAGE_KINDS).default('blank grommet'),
  edge: z.enum(PASSAGE_EDGES).default('metal'),
  seal: z.enum(SEALS).default('grommet'),
  dripLoop: z.boolean().default(false),
  drillMm: z.number().positive().max(100).nullable().default(null),
})
export type Passage = z.infer<typeof Passage>

/** A segment of space between two points, in which leads can lie. Lengths in mm, along the bed of the lead. */
export const Way = z
  .object({
    id: Id,
    name: z.string().trim().min(1, 'A way needs a name: “behind the cluster”.').max(80),
    from: Id,
    to: Id,
    station: Station,
    lengthMm: z
      .number()
      .positive('A way is longer than nothing.')
      .max(LONGEST_MM, 'A way is at most 20 m long: make two of it.'),
    lengthKnown: z.enum(LENGTH_KNOWN).default('estimated'),
    /** Null: room enough for anything, or nobody has said. */
    bore: Bore.nullable().default(null),
    bendMm: someMm.nullable().default(null),
    /** How far two leads can be kept from each other all along. */
    apartMm: someMm.default(0),
    /** More than its length, where something moves (door, seat, lid). */
    slackMm: someMm.default(0),
    passes: z.array(Passed).max(20).default([]),
    /** Somebody looked for what can hurt all along: the only way to say "none". */
    looked: z.boolean().default(false),
    passage: Passage.nullable().default(null),
    /** An aperture of this part: the lead first, then the part goes home. */
    throughPartId: Id.nullable().default(null),
    tiedTo: z.enum(TIED_TO).default('anchor'),
    tieEveryMm: z.number().positive().max(5000).nullable().default(null),
    layings: z.array(Laying).min(1, 'Say how a lead gets in there: laid in, tucked or threaded.').max(4),
    /** Why nobody lays a lead here; empty = nothing speaks against it. */
    never: z.string().trim().max(200).default(''),
    positions: z.array(Position).max(30).default([]),
    note: z.string().max(300).default(''),
    when: When.default({}),
  })
  .refine((way) => way.from !== way.to, { error: 'A way goes from one point to another.', path: ['to'] })
export type Way = z.infer<typeof Way>

export function newWay(id: Id, layingId: Id, name: string, ends: readonly [Id, Id], station: string): Way {
  return Way.parse({ id, name, from: ends[0], to: ends[1], station, lengthMm: 500, layings: [{ id: layingId }] })
}
