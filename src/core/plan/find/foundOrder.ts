import { z } from 'zod'
import { Id } from '../../base/id'
import type { Kept } from '../../base/keptJson'
import { ALL_ACTS } from '../../procedure/acts'
import { Station } from '../../procedure/station'

const FoundOperation = z.object({
  key: z.string(),
  phase: z.enum(['in', 'work', 'test', 'out']),
  act: z.enum(ALL_ACTS),
  itemId: Id,
  partId: Id.nullable(),
  setting: z.object({ settingId: Id, from: z.string(), to: z.string(), methodId: Id }).nullable(),
  nth: z.number().int(),
  pulled: z.array(Id).optional(),
  ontoId: Id.optional(),
  tried: z
    .object({ warmUpS: z.number(), testWith: z.array(z.object({ role: z.string(), value: z.string() })) })
    .optional(),
  fresh: z.number().int().optional(),
  name: z.string().optional(),
  note: z.string().optional(),
})

/** How good an order is known to be. All seconds are house estimates. */
export const Proof = z.object({
  /** The whole job without the weights of a habit, less what a roomier opening saves of the work. */
  totalS: z.number(),
  /** Nothing better exists: quicker or, with a habit, better by its weights. */
  proven: z.boolean(),
  /** Otherwise: no order is better by more than this; where not all choices are bounded, none of those that are. */
  gapS: z.number(),
  /** Whole choices of openings and methods made ready, and whether every other is bounded too. */
  choices: z.number().int(),
  allChoices: z.boolean(),
  /** States the search went through, over all choices. */
  expanded: z.number().int(),
})
export type Proof = z.infer<typeof Proof>

/**
 * An order as it was found: what was chosen, the steps, and what is proved. Plain data, so that it can be worked out
 * once, on another thread or machine, and kept with the job.
 */
export const FoundOrder = z.object({
  choices: z.object({
    openings: z.record(Id, Id),
    methods: z.record(z.string(), Id),
    resting: z.enum(['rest', 'set aside']),
    insisted: z.record(z.string(), Id).optional(),
  }),
  steps: z.array(
    z.object({ operation: FoundOperation, station: Station, tool: z.string(), workS: z.number(), setUpS: z.number() }),
  ),
  /** Keys of operations that were done before it was found. */
  doneBefore: z.array(z.string()).default([]),
  /**
   * What was out already when it was found, whatever the plan is for: all of it goes back. Null = found from the
   * beginning.
   */
  from: z
    .object({
      levels: z.record(Id, z.enum(['eased', 'free', 'off'])),
      undone: z.array(Id),
      open: z.array(Id),
      byHand: z.array(z.object({ tetherId: Id, opened: z.number().int(), closed: z.number().int() })).optional(),
    })
    .nullable()
    .default(null),
  proof: Proof,
})
export type FoundOrder = z.infer<typeof FoundOrder>
/** 2: what is carried over, fresh fasteners, how a kit's test is made. */
export const KEPT_PLAN: Kept<FoundOrder> = { shape: FoundOrder, version: 2, steps: { 1: (raw) => raw } }
