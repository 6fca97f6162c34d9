import { explore } from './explore'
import { FAR } from './placeTables'
import type { States } from './states'

/**
 * By how much the second part (the way out) exceeds its bound at least, from wherever it may be begun: one search from
 * all beginnings at once, each ahead by its bound. Every state of the first part has that still before it. FAR where it
 * can't be finished from anywhere.
 */
export function secondPartExcess(states: States, most: number, expanding: () => void): number {
  const { operations, toolMs } = states.problem
  if (operations.every((operation) => !operation.first) || operations.every((operation) => operation.first)) return 0
  const ids = new Set<number>()
  for (let tool = 0; tool < toolMs.length; tool++)
    for (let place = 0; place < states.space.places; place++) {
      const words = new Int32Array(states.space.words)
      operations.forEach((operation, i) => operation.first && (words[i >> 5]! |= 1 << (i & 31)))
      const id = states.at(words, tool, place)
      if (states.restOf(id) < FAR) ids.add(id)
    }
  const mostMs = Math.max(0, ...[...ids].map((id) => states.restOf(id)))
  let endMs = FAR
  const leastMs = explore(
    states,
    [...ids].map((id) => ({ id, costMs: mostMs - states.restOf(id) })),
    { most, worst: () => endMs, extraMs: () => 0, found: (ms) => (endMs = Math.min(endMs, ms)), expanding },
  )
  return leastMs >= FAR ? FAR : leastMs - mostMs
}
