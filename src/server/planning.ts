import 'server-only'
import type { Result } from '@/core/base/result'
import type { PlanError } from '@/core/plan/find/findPlan'
import type { FoundOrder } from '@/core/plan/find/foundOrder'
import type { ServerPlanning } from '@/workers/asked'
import { REFUSALS } from '@/words/refusals'
import { onThread } from './threads'

export type Planned =
  { kind: 'answer'; answer: Result<FoundOrder, PlanError> } | { kind: 'not answered'; sentence: string }

/**
 * Has an order found on a thread, the question made when its turn comes; where there is no answer, a sentence says why.
 * The search itself knows no clock.
 */
export async function planOnThread(
  shopId: string,
  question: () => ServerPlanning,
  signal?: AbortSignal,
): Promise<Planned> {
  const planned = await onThread<Result<FoundOrder, PlanError>>('plan', shopId, question, { signal })
  if (planned.kind === 'answer') return planned
  const sentences = {
    'too many wait': REFUSALS.manyPlansAsked,
    'nobody waits': REFUSALS.nobodyWaits,
    'too slow': REFUSALS.planTookTooLong(planned.deadlineS),
    'too large': REFUSALS.planTooLarge,
  }
  return { kind: 'not answered', sentence: sentences[planned.why] }
}
