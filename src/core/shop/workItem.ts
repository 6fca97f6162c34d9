import { z } from 'zod'
import { Id } from '../base/id'
import { Station } from '../procedure/station'
import { When } from '../procedure/when'
import { Placing } from './placing'
import { WorkStep } from './workStep'

/** What is done with the vehicle open. The rules of safety know these kinds. */
export const WORK_KINDS = [
  'mount',
  'route a lead',
  'join',
  'cut',
  'file',
  'drill',
  'scrape',
  'solder',
  'glue',
  'set up',
  'first start',
  'inspect',
  'bypass a signal',
  'other',
] as const

/** One thing a kit does. What opens its access on a model stands in the kit's fit for that model. */
export const WorkItem = z.object({
  id: Id,
  name: z.string().trim().min(1, 'Say what is done.').max(80),
  kind: z.enum(WORK_KINDS).default('other'),
  station: Station.default('centre'),
  /** Where the second person stands, when it takes two. */
  helperStation: Station.nullable().default(null),
  /** In hand for most of it. */
  tool: z.string().max(40).default('hand'),
  /** What else it takes: on the bag list. */
  alsoTools: z.array(z.string().trim().min(1).max(40)).max(12).default([]),
  /** What it uses up that is no part of the kit (tape, cleaner): on the bag list. */
  consumables: z.array(z.string().trim().min(1).max(60)).max(12).default([]),
  durationS: z.number().min(0).max(36_000).default(60),
  persons: z.number().int().min(1).max(4).default(1),
  /** Glue, cooling, drying, a first start: what waits for it waits so much longer, and nobody is held up. */
  unattendedS: z.number().min(0).max(172_800).default(0),
  /** Work items and leads that come first. */
  afterWork: z.array(Id).max(60).default([]),
  note: z.string().max(300).default(''),
  /** Something is held meanwhile, by the other hand or by a second person. */
  heldMeanwhile: z.string().trim().max(80).default(''),
  photoId: z.uuid().nullable().default(null),
  /** It finds or takes a place that is judged before anything is fixed. */
  placing: Placing.nullable().default(null),
  /** What is done, tap by tap, in this order. Empty: the name says it all. */
  steps: z.array(WorkStep).max(60).default([]),
  when: When.default({}),
})
export type WorkItem = z.infer<typeof WorkItem>

/** `scrape`: paint off to bare metal, for a ground. */
export const LASTING_CHANGES = ['cut', 'file', 'drill', 'scrape'] as const

/** A change made for good, and what the customer was asked. */
export const LastingChange = z.object({
  id: Id,
  what: z.enum(LASTING_CHANGES),
  /** The kit's own plastic is cut without asking anybody. */
  on: z.enum(['vehicle', 'kit']).default('vehicle'),
  where: z.string().trim().min(1, 'Say where it is cut, filed, drilled or scraped.').max(120),
  how: z.string().max(120).default(''),
  consent: z.boolean().default(false),
  edgeTreated: z.boolean().default(false),
  when: When.default({}),
})
export type LastingChange = z.infer<typeof LastingChange>
