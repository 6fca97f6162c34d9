import { FAR, guardHolds } from './placeTables'
import type { SearchProblem } from './problem'
import { reduce } from './reduce'
import { Relaxation } from './relaxation'
import { StateSpace } from './stateSpace'

/**
 * The set-up of doing always the lowest-numbered operation that is possible, with the settings it needs by the cheapest
 * way: what comes of following a list from top to bottom. `wholes` are done in one go. Null where that ends nowhere.
 */
// eslint-disable-next-line complexity -- One greedy walk with its look ahead; its parts make no sense alone.
export function setUpAsRecorded(problem: SearchProblem, wholes: readonly (readonly number[])[]): number | null {
  // Only what is done in one go is joined: no rule reorders anything here.
  const { problem: joined, members } = reduce(problem, wholes, { joining: false })
  const { tables } = new StateSpace(joined)
  const { combinations } = joined
  const words = new Int32Array(Math.max(1, Math.ceil(joined.operations.length / 32)))
  const done = (i: number) => ((words[i >> 5]! >>> (i & 31)) & 1) === 1
  const first = joined.operations.map((): number[] => [])
  for (const [before, after] of joined.pairs) first[after]!.push(before)
  const listed = [...joined.operations.keys()].sort((a, b) => Math.min(...members[a]!) - Math.min(...members[b]!))
  // A list read by somebody who looks ahead: nothing is done after which the rest can't be done any more.
  const settings =
    joined.combinations > 1 ? new Relaxation(joined, { tools: [], walkMs: joined.walkMs, settings: true }) : null
  const leavesAWay = (i: number, at: number) => {
    if (!settings) return true
    words[i >> 5]! |= 1 << (i & 31)
    const restMs = settings.value(words, 0, tool, at)
    words[i >> 5]! &= ~(1 << (i & 31))
    return restMs < FAR
  }
  let { tool } = joined.start
  let place = joined.start.station * combinations + joined.start.combination
  let costMs = 0
  for (let left = listed.length; left > 0; left--) {
    const ways = tables.table(words, 0).from(place)
    let next = -1
    let to = -1
    for (const i of listed) {
      if (done(i) || !first[i]!.every(done) || !joined.operations[i]!.guards.every((guard) => guardHolds(guard, done)))
        continue
      for (let c = 0; c < combinations; c++) {
        const at = joined.operations[i]!.station * combinations + c
        if (
          joined.operations[i]!.allowed[c] &&
          ways[at]! < FAR &&
          (to < 0 || ways[at]! < ways[to]!) &&
          leavesAWay(i, at)
        )
          to = at
      }
      if (to >= 0) {
        next = i
        break
      }
    }
    if (next < 0) return null
    const needed = joined.operations[next]!.tool
    costMs += ways[to]! + (needed === 0 ? 0 : joined.toolMs[tool]![needed]!)
    if (needed !== 0) tool = needed
    place = to
    words[next >> 5]! |= 1 << (next & 31)
  }
  const ways = tables.table(words, 0).from(place)
  const home = joined.finish.reduce((best, may, c) => {
    if (!may) return best
    return Math.min(best, ...joined.walkMs.map((_, station) => ways[station * combinations + c]!))
  }, FAR)
  return home >= FAR ? null : costMs + home
}
