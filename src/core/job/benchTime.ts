import { wallMsOf } from '../base/clock'
import type { Id } from '../base/id'
import type { PlanRequest } from '../plan/ask/planRequest'
import { preparedS } from '../plan/derive/preparedWork'
import { goalOfRequest } from '../plan/ask/jobGoal'
import { BENCH } from '../procedure/stations'
import type { FoundOrder } from '../plan/find/foundOrder'
import type { JobState } from './jobState'

/** A gap longer than this is a break: nobody leaves a tablet untouched for so long while working. */
export const LONGEST_GAP_MS = 20 * 60_000

/** Work of a job's kits that is done at the bench. */
export function benchWorks(request: Pick<PlanRequest, 'kits'> | null): ReadonlySet<Id> {
  return new Set(
    (request?.kits ?? []).flatMap(({ kit, fit }) =>
      kit.works.filter(({ id, station }) => (fit.stations[id] ?? station) === BENCH).map(({ id }) => id),
    ),
  )
}

/** What the plan that was followed takes at the vehicle and at the bench, what is prepared there with it. */
export function forecastAt(request: PlanRequest, { steps }: FoundOrder): { vehicleS: number; benchS: number } {
  const at = { vehicleS: 0, benchS: preparedS(goalOfRequest(request, request.build), request.build) }
  for (const { operation, station, workS, setUpS } of steps) {
    const isBench = operation.act === 'work' && station === BENCH
    at[isBench ? 'benchS' : 'vehicleS'] += workS + setUpS
  }
  return at
}

/** Events of one tap lie this near. */
const ONE_TAP_MS = 2_000

/**
 * Of the minutes worked by the log, those at the bench: what passed before a tap of work that is done there. Cost:
 * O(events).
 */
export function benchMs({ history }: Pick<JobState, 'history'>, works: ReadonlySet<Id>): number {
  let bench = 0
  history.forEach(({ at, what }, i) => {
    const [before, now] = [history[i - 1], wallMsOf(at)]
    if (!before || before.what.kind === 'job opened' || what.kind === 'resumed') return
    const gap = now - wallMsOf(before.at)
    if (gap <= 0 || gap > LONGEST_GAP_MS) return
    for (let j = i; j < history.length && wallMsOf(history[j]!.at) - now <= ONE_TAP_MS; j++) {
      const later = history[j]!.what
      if (!('workId' in later)) continue
      if (works.has(later.workId)) bench += gap
      return
    }
  })
  return bench
}
