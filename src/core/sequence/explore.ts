import type { Move } from './moves'
import { OpenList } from './openList'
import type { States } from './states'

export type Exploring = {
  /** States expanded at most. */
  most: number
  /** Only an end cheaper than this is looked for; asked again after each. */
  worst: () => number
  /** What is added to the bound of a state. */
  extraMs: (id: number) => number
  /** An end was reached that is cheaper than `worst`; the moves to it from its source. */
  found: (costMs: number, moves: () => Move[]) => void
  /** Called for every state that is expanded. */
  expanding: () => void
}

/**
 * A* (Hart, Nilsson and Raphael 1968) with reopening from some states, each of which has cost something already.
 * Answers what every end costs at least, as far as it was proved: `worst` when nothing cheaper is left.
 */
export function explore(
  states: States,
  sources: readonly { id: number; costMs: number }[],
  { most, worst, extraMs, found, expanding }: Exploring,
): number {
  const open = new OpenList()
  const costs: number[] = []
  const parents: number[] = []
  const moves: (Move | null)[] = []
  const closed = new Set<number>()
  const leastOf = (id: number) => states.restOf(id) + extraMs(id)
  for (const { id, costMs } of sources) {
    costs[id] = costMs
    moves[id] = null
    if (!states.isFinished(id)) open.push(id, costMs + leastOf(id), 0)
    else if (costMs + states.restOf(id) < worst()) found(costMs + states.restOf(id), () => [])
  }
  // The bounds may fall on the way (a relaxation that has grown too large says less): what was once proved stays
  // proved.
  let provedMs = open.least
  for (let expanded = 0; open.least < worst() && provedMs < worst();) {
    if (expanded >= most) return provedMs
    const { id: from } = open.pop()!
    if (closed.has(from)) continue
    closed.add(from)
    expanded += 1
    expanding()
    const children: [number, number, Move][] = []
    // The bound of a child may expand states of its own only once these children have been read.
    states.expand(from, (id, ms, move) => children.push([id, costs[from]! + ms, move]))
    for (const [id, costMs, move] of children) {
      if (costMs >= (costs[id] ?? Infinity) || costMs + leastOf(id) >= worst()) continue
      costs[id] = costMs
      parents[id] = from
      moves[id] = move
      if (!states.isFinished(id)) {
        closed.delete(id)
        open.push(id, costMs + leastOf(id), states.depth(id))
        continue
      }
      found(costMs + states.restOf(id), () => {
        const path: Move[] = []
        for (let at = id; moves[at]; at = parents[at]!) path.unshift(moves[at]!)
        return path
      })
    }
    provedMs = Math.max(provedMs, Math.min(open.least, worst()))
  }
  return worst()
}
