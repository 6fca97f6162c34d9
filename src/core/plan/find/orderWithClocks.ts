import { clocksOf } from './clocksOf'
import type { SearchLimits } from '../../sequence/cheapestOrder'
import { clockedOrder } from '../../sequence/clockedOrder'
import type { SearchStep } from '../../sequence/moves'
import type { JobWaits } from '../show/waits'

/**
 * Where the cheapest order has to wait by a clock: the order that is cheapest with the waits, null where nothing below
 * `belowS` was found, and what no order takes less than. Seconds are those of the operations, set-up and waiting. Cost:
 * a search with clocks.
 */
export function orderWithClocks(
  waits: JobWaits,
  { atLeastS, belowS }: { atLeastS: number; belowS: number },
  limits: SearchLimits,
): { steps: readonly SearchStep[] | null; atLeastS: number; expanded: number } {
  const clocks = clocksOf(waits)
  if (!clocks) return { steps: null, atLeastS, expanded: 0 }
  const { problem, wholes } = waits.sequenced
  const workS = waits.workS.reduce((sum, s) => sum + s, 0)
  const { steps, boundMs, expanded } = clockedOrder(
    problem,
    wholes,
    clocks,
    limits,
    Math.round((belowS - workS) * 1000),
    Math.round((atLeastS - workS) * 1000),
  )
  return { steps, atLeastS: Math.max(atLeastS, workS + boundMs / 1000), expanded }
}
