import { nextStamp } from '../base/clock'
import type { Id } from '../base/id'
import type { JobDocument } from '../procedure/jobDocument'
import { allSteps, type PlanOnCards } from '../plan/show/planOnCards'
import type { JobEvent } from './event'
import { EVENT_VERSION } from './eventVersion'
import { foldJob } from './fold'
import type { JobState } from './jobState'
import { happeningsFor, isDone } from './progress'

const NOBODY = '00000000-0000-4000-8000-000000000000'

/**
 * How the vehicle would stand if everything before an act of the plan were done as written: nothing is recorded. Used
 * to ask a gate about a place the job has not come to. Cost: a fold for each step.
 */
export function standingAt(
  document: JobDocument,
  plan: PlanOnCards,
  state: JobState,
  key: string,
  nowMs: number,
): JobState {
  const steps = allSteps(plan)
  const until = steps.findIndex(({ operation }) => operation.key === key)
  const events: JobEvent[] = [...state.history]
  let at = events.at(-1)?.at ?? null
  let now = state
  for (const { operation } of until < 0 ? [] : steps.slice(0, until)) {
    if (isDone(now, operation)) continue
    for (const what of happeningsFor(now, operation, plan.job)) {
      at = nextStamp(at, nowMs)
      events.push({ ...envelope(events.length), at, what })
    }
    now = foldJob(document, events)
  }
  return now
}

function envelope(n: number): Omit<JobEvent, 'at' | 'what'> {
  const id: Id = `00000000-0000-4000-9000-${String(n).padStart(12, '0')}`
  return {
    id,
    jobId: NOBODY,
    v: EVENT_VERSION,
    deviceId: NOBODY,
    seq: n,
    personId: NOBODY,
    certainty: 'assumed',
    corrects: null,
  }
}
