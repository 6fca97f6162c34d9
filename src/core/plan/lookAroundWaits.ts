import { shortestAroundWaits } from './aroundWait'
import { fillTheWait } from './fillTheWait'
import { cheapestOrder, type SearchLimits } from './search/cheapestOrder'
import type { SearchStep } from './search/moves'
import { waitReadings } from './waitReadings'
import type { JobWaits } from './waits'

/** What is known without the clock: no order takes less, the order that takes just that but for its waiting, and what is to be beaten with it. */
export type WithoutClock = { atLeastS: number; steps: readonly SearchStep[]; belowS: number }

/** Each search beside the first may go so far. */
const MOST_PER_SEARCH = 2_000
const ROUNDING_S = 1e-6

/**
 * Where the cheapest order has to wait by the clock: orders that do more meanwhile, and what no order takes less than.
 * `look` is given each order and answers the seconds, waiting and all, that are to be beaten.
 * Cost: up to some fifty searches of the job or of what comes after the wait.
 */
export function lookAroundWaits(waits: JobWaits, known: WithoutClock, most: SearchLimits, look: (steps: readonly SearchStep[]) => number): { atLeastS: number; expanded: number } {
  const limits = { ...most, expandedStates: Math.min(most.expandedStates, MOST_PER_SEARCH) }
  let { belowS } = known
  let expanded = 0
  const around = shortestAroundWaits(waits, limits, known.atLeastS)
  const atLeastS = Math.max(known.atLeastS, around.atLeastS)
  const isSettled = () => belowS <= atLeastS + ROUNDING_S
  if (isSettled()) return { atLeastS, expanded }
  const order = around.order()
  if (order) belowS = look(order)
  for (const reading of waitReadings(waits)) {
    if (isSettled()) break
    const answer = cheapestOrder(reading, waits.sequenced.wholes, limits)
    expanded += answer.expanded
    if (answer.kind === 'order') belowS = look(answer.steps)
  }
  if (isSettled() || waits.waits.some((wait) => !wait.isPlug)) return { atLeastS, expanded }
  const filled = fillTheWait(waits, { ...known, atLeastS, belowS, outsideS: around.outsideS }, limits, look)
  return { atLeastS: Math.max(atLeastS, filled.atLeastS), expanded: expanded + filled.expanded }
}
