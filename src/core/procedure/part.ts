import { z } from 'zod'
import { Id } from '../base/id'
import { Motion } from './direction'
import { Ending } from './end'
import { Station } from './station'
import { When } from './when'

export const REST_WAYS = ['hangs on its leads', 'on a cloth', 'hinged', 'swung aside', 'tucked'] as const
export const PART_TOOLS = ['hand', 'pry tool', 'slot driver', 'release key', 'hook'] as const
export const EFFORTS = ['light', 'firm', 'hard', 'sticky'] as const
/** What holds a part that has no fastener: said so, it is a fact and not a gap in the record. */
export const FIXINGS = ['fastened', 'press fit', 'rests'] as const

const Place = z.string().max(120)

/** Where a part may wait without coming off: level, how, and what to mind. */
export const Rest = z.object({ level: z.enum(['eased', 'free']), how: z.enum(REST_WAYS), note: Place.default('') })

/** The closed outline of a part on a view, in millimetres of that view. */
export const Outline = z.object({
  viewId: Id,
  points: z
    .array(z.tuple([z.number(), z.number()]))
    .min(3, 'An outline needs at least three corners.')
    .max(200),
})
export type Outline = z.infer<typeof Outline>

/** One operation made of motions in order. */
export const Release = z.object({
  start: Place.default(''),
  motions: z.array(Motion).max(8).default([]),
  tool: z.enum(PART_TOOLS).default('hand'),
  effort: z.enum(EFFORTS).default('light'),
  protect: Place.default(''),
  mustNot: z.string().max(200).default(''),
})

/** Some of its holders undone so that it gives: enough to tuck a lead or to clear a neighbour. */
export const Ease = z.object({
  holderIds: z.array(Id).min(1, 'Say which holders are undone.').max(20),
  gapMm: z.number().positive().max(500).nullable().default(null),
  mustNot: Place.default(''),
})

/** What differs from plain reversal on the way back. */
export const Refit = z.object({
  first: Place.default(''),
  last: Place.default(''),
  before: Place.default(''),
  align: Place.default(''),
  confirm: Place.default(''),
  /** Leads that must stay in front of it when it goes home. */
  keepInFront: z.array(Id).max(10).default([]),
  /** All its holders are started by hand, the part is adjusted, then they are made snug. */
  startAllFirst: z.boolean().default(false),
  /** Holder groups in the order in which they are made snug; those not named come after. */
  tightenOrder: z.array(Id).max(12).default([]),
  /** The last push can hardly be undone: what lies behind is tested first. */
  hardToUndo: z.boolean().default(false),
})

export const Part = z.object({
  id: Id,
  name: z.string().trim().min(1, 'A part needs a name.').max(80),
  synonyms: z.array(z.string().trim().min(1).max(80)).max(20).default([]),
  /** Ids of parts that turned out to be this one: what happened to them happened to it. */
  formerIds: z.array(Id).max(20).default([]),
  /** The part it was once taken for a piece of. */
  splitFrom: Id.nullable().default(null),
  zone: z.string().max(60).default(''),
  station: Station,
  persons: z.number().int().min(1).max(4).default(1),
  /** Where the second person stands when it takes two. */
  helperStation: Station.nullable().default(null),
  massKg: z.number().positive().max(500).nullable().default(null),
  pieces: z.number().int().min(1).max(20).default(1),
  fixing: z.enum(FIXINGS).default('fastened'),
  brittle: z.boolean().default(false),
  /** Exhaust, coolant, a lamp just switched off: wait before it is touched. */
  hot: z.boolean().default(false),
  /** A fuel tank, or what raises one. */
  fuel: z.boolean().default(false),
  painted: z.boolean().default(false),
  rests: z.array(Rest).max(2).default([]),
  ease: Ease.nullable().default(null),
  /** It comes along inside another part and is taken out of it at the bench. */
  carriedBy: Id.nullable().default(null),
  /** What usually becomes of it once it is off. */
  usualEnd: Ending.default('refitted'),
  outline: Outline.nullable().default(null),
  release: Release.default(() => Release.parse({})),
  refit: Refit.default(() => Refit.parse({})),
  note: z.string().max(1000).default(''),
  when: When.default({}),
})
export type Part = z.infer<typeof Part>

/** A part as somebody would begin to state it. */
export function newPart(id: Id, name: string): Part {
  return Part.parse({ id, name, station: 'centre' })
}
