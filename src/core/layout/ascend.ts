import { boundAt, Pool, slopeOf, step, type Bound } from './bound'
import type { Graphs } from './graphs'
import type { Shut } from './insertion'
import type { LeadRun } from './leadRun'
import type { Prices } from './prices'

/** Steps on the runs met before the graphs are asked again. */
const STEPS_ON_POOL = 60
/** Closer than this (ms) to what the runs met allow, more asking gains nothing. */
const CLOSE_MS = 250

/**
 * Raises the bound: prices are tuned on the runs met so far, which is cheap, and tried in the graphs half-way from the
 * best so far; what the graphs answer is met. Ends where `enough` is reached, where nothing more can be gained, or
 * after so many rounds. `seen`: told of each answer. Cost: `rounds` questions to each graph.
 */
export function ascend(
  graphs: Graphs,
  shut: Shut,
  start: Prices,
  { rounds, enough, target }: { rounds: number; enough: () => number; target: () => number },
  seen: (runs: readonly LeadRun[]) => void,
): Bound | { without: number } {
  const first = boundAt(graphs, shut, start)
  if ('without' in first) return first
  const pool = new Pool(graphs)
  pool.add(first.runs)
  seen(first.runs)
  let best = first
  for (let round = 0; round < rounds && best.sum <= enough(); round++) {
    const tuned = tunedOnPool(graphs, pool, best.prices, target())
    if (tuned.sum - best.sum < CLOSE_MS) break
    const trial = boundAt(graphs, shut, halfway(best.prices, tuned.prices))
    // The same runs are there at every price.
    if ('without' in trial) return trial
    pool.add(trial.runs)
    seen(trial.runs)
    if (trial.sum > best.sum) best = trial
  }
  return best
}

/** The best prices for the runs met, by steps whose length aims at the best layout (Polyak 1969, from memory). */
function tunedOnPool(graphs: Graphs, pool: Pool, start: Prices, target: number): { prices: Prices; sum: number } {
  const prices = copyOf(start)
  let at = pool.boundAt(prices)
  let best = { prices: start, sum: at.sum }
  let pace = 1
  for (let steps = 0; steps < STEPS_ON_POOL; steps++) {
    const slope = slopeOf(graphs, prices, at.runs)
    if (slope < 1e-9) break
    step(graphs, prices, at.runs, (pace * Math.max(target - at.sum, 1000)) / slope)
    at = pool.boundAt(prices)
    if (at.sum > best.sum) best = { prices: copyOf(prices), sum: at.sum }
    else pace *= 0.9
  }
  return best
}

function copyOf({ shares, tolls }: Prices): Prices {
  return { shares: shares.map((own) => Float64Array.from(own)), tolls: Float64Array.from(tolls) }
}

function halfway(a: Prices, b: Prices): Prices {
  const between = (x: Float64Array, y: Float64Array) => Float64Array.from(x, (value, i) => (value + y[i]!) / 2)
  return { shares: a.shares.map((own, lead) => between(own, b.shares[lead]!)), tolls: between(a.tolls, b.tolls) }
}
