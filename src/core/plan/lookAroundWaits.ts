import { shortestAroundWaits } from './aroundWait'
import { batteryClock } from './batteryClock'
import { cheapestOrder, type SearchLimits } from './search/cheapestOrder'
import { clockedOrder } from './search/clockedOrder'
import type { SearchStep } from './search/moves'
import { waitReadings } from './waitReadings'
import type { JobWaits } from './waits'

/** What is known without the clock: no order takes less, and what is to be beaten with it. */
export type WithoutClock = { atLeastS: number; belowS: number }

/** Each search beside the first may go so far. */
const MOST_PER_SEARCH = 2_000
const ROUNDING_S = 1e-6

/**
 * Where the cheapest order has to wait by the clock: the order that is cheapest with the wait after battery off, then, for
 * what sets or cools, orders that do more meanwhile, and what no order takes less than.
 * `look` is given each order and answers the seconds, waiting and all, that are to be beaten.
 * Cost: a search with the clock; where something sets, some ten searches of the job or of what comes after the wait.
 */
export function lookAroundWaits(waits: JobWaits, known: WithoutClock, most: SearchLimits, look: (steps: readonly SearchStep[]) => number): { atLeastS: number; expanded: number } {
  let { atLeastS, belowS } = known
  let expanded = 0
  const { sequenced } = waits
  const clock = batteryClock(waits)
  if (clock) {
    // What sets or cools is left out here, which only makes less of it.
    const workS = waits.workS.reduce((sum, s) => sum + s, 0)
    const answer = clockedOrder(sequenced.problem, sequenced.wholes, clock, most, Math.round((belowS - workS) * 1000), Math.round((atLeastS - workS) * 1000))
    expanded += answer.expanded
    atLeastS = Math.max(atLeastS, workS + answer.boundMs / 1000)
    if (answer.steps) belowS = look(answer.steps)
  }
  const isSettled = () => belowS <= atLeastS + ROUNDING_S
  if (isSettled() || waits.waits.every((wait) => wait.isPlug)) return { atLeastS, expanded }
  const limits = { ...most, expandedStates: Math.min(most.expandedStates, MOST_PER_SEARCH) }
  const around = shortestAroundWaits(waits, limits, atLeastS)
  atLeastS = Math.max(atLeastS, around.atLeastS)
  const order = isSettled() ? null : around.order()
  if (order) belowS = look(order)
  for (const reading of waitReadings(waits)) {
    if (isSettled()) break
    const answer = cheapestOrder(reading, sequenced.wholes, limits)
    expanded += answer.expanded
    if (answer.kind === 'order') belowS = look(answer.steps)
  }
  return { atLeastS, expanded }
}
