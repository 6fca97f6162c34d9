import { z } from 'zod'
import { Id } from '../base/id'

/** A tool the shop owns. A single one can't be in two hands: two people share it. */
export const Tool = z.object({
  id: Id,
  name: z.string().trim().min(1, 'A tool needs a name.').max(60),
  /** The head it drives ("hex 7"), as the facts name it; empty for tools without one. */
  head: z.string().trim().max(40).default(''),
  count: z.number().int('A count is a whole number.').min(0).max(99).default(1),
  kept: z.string().max(60).default(''),
})
export type Tool = z.infer<typeof Tool>
