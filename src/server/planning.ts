import 'server-only'
import type { Result } from '@/core/base/result'
import type { PlanRequest } from '@/core/plan/ask/planRequest'
import type { DeriveError } from '@/core/plan/derive/derivedJob'
import type { PlanError } from '@/core/plan/find/findPlan'
import type { FoundOrder } from '@/core/plan/find/foundOrder'
import type { ServerPlanning } from '@/workers/asked'
import { REFUSALS } from '@/words/refusals'
import { onThread, type Threaded } from './threads'

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
  return planned.kind === 'answer' ? planned : notPlanned(planned)
}

/** The leads of a request laid anew, on a thread; an answer of null: there is no way for them. */
export async function layOnThread(
  shopId: string,
  question: () => ServerPlanning,
  signal?: AbortSignal,
): Promise<
  { kind: 'answer'; answer: Result<PlanRequest | null, DeriveError> } | { kind: 'not answered'; sentence: string }
> {
  const laid = await onThread<Result<PlanRequest | null, DeriveError>>('leads', shopId, question, { signal })
  return laid.kind === 'answer' ? laid : notPlanned(laid)
}

function notPlanned({ why, deadlineS }: Extract<Threaded<unknown>, { kind: 'not answered' }>) {
  const sentences = {
    'too many wait': REFUSALS.manyPlansAsked,
    'nobody waits': REFUSALS.nobodyWaits,
    'too slow': REFUSALS.planTookTooLong(deadlineS),
    'too large': REFUSALS.planTooLarge,
  }
  return { kind: 'not answered' as const, sentence: sentences[why] }
}
