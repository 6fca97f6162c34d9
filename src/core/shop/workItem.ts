import { z } from 'zod'
import { Id } from '../base/id'
import { Station } from '../procedure/station'

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
  tool: z.string().max(40).default('hand'),
  durationS: z.number().min(0).max(36_000).default(60),
  persons: z.number().int().min(1).max(4).default(1),
  /** Glue, cooling, drying, a first start: what waits for it waits so much longer, and nobody is held up. */
  unattendedS: z.number().min(0).max(172_800).default(0),
  /** Work items that come first. */
  afterWork: z.array(Id).max(12).default([]),
  note: z.string().max(300).default(''),
})
export type WorkItem = z.infer<typeof WorkItem>

export const LASTING_CHANGES = ['cut', 'file', 'drill'] as const

/** A change made for good, and what the customer was asked. */
export const LastingChange = z.object({
  id: Id,
  what: z.enum(LASTING_CHANGES),
  where: z.string().trim().min(1, 'Say where it is cut, filed or drilled.').max(120),
  how: z.string().max(120).default(''),
  consent: z.boolean().default(false),
  edgeTreated: z.boolean().default(false),
})
export type LastingChange = z.infer<typeof LastingChange>
