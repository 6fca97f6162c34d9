import { z } from 'zod'
import { Id } from '../base/id'
import { When } from '../procedure/when'

/** What a sub-step names, where it names a thing. */
export type StepThing = 'part' | 'holder' | 'plug' | 'setting' | 'nothing'

/** What is done in a sub-step, and to what. One table: words, forms and accounts read it. */
export const WORK_STEP_ACTS = {
  fit: { of: 'part' },
  fasten: { of: 'holder' },
  plug: { of: 'plug' },
  /** Nothing hangs on it here: its end is covered and tied back. */
  cap: { of: 'plug' },
  'lead through': { of: 'plug' },
  /** One leg of a lead. */
  lay: { of: 'nothing' },
  set: { of: 'setting' },
  read: { of: 'nothing' },
  'look at': { of: 'nothing' },
  do: { of: 'nothing' },
} as const satisfies Readonly<Record<string, { of: StepThing }>>
export type WorkStepAct = keyof typeof WORK_STEP_ACTS
const ACTS = Object.keys(WORK_STEP_ACTS) as [WorkStepAct, ...WorkStepAct[]]

/** A number that is read off, and where it has to lie. */
export const Expected = z
  .object({
    unit: z.string().trim().max(12).default(''),
    least: z.number().nullable().default(null),
    most: z.number().nullable().default(null),
  })
  .refine(
    ({ least, most }) => least === null || most === null || least <= most,
    'The least of a reading can’t be above the most.',
  )
export type Expected = z.infer<typeof Expected>

/** One tap of a piece of work: a thing, what is done to it, with what, how many. */
export const WorkStep = z.object({
  id: Id,
  act: z.enum(ACTS).default('do'),
  /** The kit's part, fastener, plug or setting; null where it is about none. */
  itemId: Id.nullable().default(null),
  /** Of fasteners and pieces; null = all there are. */
  count: z.number().int('A count is a whole number.').min(1).max(99).nullable().default(null),
  side: z.enum(['left', 'right', 'both']).nullable().default(null),
  /** How far fasteners are driven. What is only started or adjusted is made snug by a later step. */
  stage: z.enum(['started', 'adjusted', 'snug']).nullable().default(null),
  words: z.string().trim().max(160).default(''),
  tool: z.string().trim().max(40).default(''),
  caution: z.string().trim().max(200).default(''),
  photoId: z.uuid().nullable().default(null),
  reading: Expected.nullable().default(null),
  /** The way of the vehicle's record that a leg of a lead is laid along. */
  wayId: Id.nullable().default(null),
  when: When.default({}),
})

/** `fills`: on a job, the part of the vehicle whose place a fitted part takes, by the kit's fit; never stored. */
export type WorkStep = z.infer<typeof WorkStep> & { fills?: Id }
