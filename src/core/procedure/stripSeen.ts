import { z } from 'zod'
import { Id } from '../base/id'

/**
 * The order in which one example came apart, as its recorder counted it: keys of operations ("undo:h1"), first to last.
 */
export const StripSeen = z.object({
  id: Id,
  /** The vehicle, and who took it apart. */
  label: z.string().trim().min(1).max(80),
  sequence: z.array(z.string().max(80)).max(1000).default([]),
  /** The vehicle stood in a way that a rule of safety forbids: evidence for facts, never replayed. */
  brokeRule: z.boolean().default(false),
})
export type StripSeen = z.infer<typeof StripSeen>
