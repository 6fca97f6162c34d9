import { explore } from './explore'
import { FAR } from './placeTables'
import type { SearchProblem } from './problem'
import { reduce } from './reduce'
import { States } from './states'

/**
 * What an order takes at least that may begin at any of some places, with the tool and the settings told there: one
 * search from all of them at once, as far as `most` states go. FAR where it can't be finished from any.
 */
export function leastFromAny(
  problem: SearchProblem,
  wholes: readonly (readonly number[])[],
  starts: readonly SearchProblem['start'][],
  most: number,
): number {
  const states = new States(reduce(problem, wholes).problem)
  const ids = starts.map(({ tool, station, combination }) =>
    states.at(new Int32Array(states.space.words), tool, station * problem.combinations + combination),
  )
  let endMs = FAR
  const leastMs = explore(
    states,
    [...new Set(ids)].filter((id) => states.restOf(id) < FAR).map((id) => ({ id, costMs: 0 })),
    { most, worst: () => endMs, extraMs: () => 0, found: (ms) => (endMs = ms), expanding: () => undefined },
  )
  return Math.min(FAR, leastMs)
}
