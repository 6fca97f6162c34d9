import { z } from 'zod'
import { Id } from '../base/id'
import { CAUTION_ACTS } from './acts'
import { When } from './when'
import { SEVERITIES } from './severity'

/** A sentence, its severity, and the item and act it bites at. */
export const Caution = z.object({
  id: Id,
  severity: z.enum(SEVERITIES),
  sentence: z.string().trim().min(1, 'A caution needs a sentence.').max(300),
  at: z.object({ itemId: Id, act: z.enum(CAUTION_ACTS).default('any') }),
  when: When.default({}),
})
export type Caution = z.infer<typeof Caution>

export function newCaution(id: Id, itemId: Id, sentence: string): Caution {
  return Caution.parse({ id, severity: 'CAUTION', sentence, at: { itemId } })
}
