import { LowerBound } from './lowerBound'
import type { SearchProblem } from './problem'
import { reduce } from './reduce'

/**
 * The least set-up still to come right after operation `last`, once at least `done` is done: standing where it is done, under
 * any settings that allow it, whatever is in hand. Never too much: with all
 * guards left out, what was done besides only makes the rest cheaper.
 */
export function leastAfterMs(problem: SearchProblem, done: ReadonlySet<number>, last: number): number {
  const { station, allowed } = problem.operations[last]!
  // A guard may hold before something is done and not after it: kept, it could make the bound of a state with more done too large.
  const unguarded = { ...problem, operations: problem.operations.map((operation) => ({ ...operation, guards: [] })), acts: problem.acts.map((act) => ({ ...act, guards: [] })) }
  const { problem: reduced, members } = reduce(unguarded)
  const words = new Int32Array(Math.max(1, Math.ceil(members.length / 32)))
  // Of operations done one right after the other, one that is done counts for all.
  members.forEach((group, i) => group.some((member) => done.has(member)) && (words[i >> 5]! |= 1 << (i & 31)))
  // Where most of the walking is for a setting (to the battery and back), the settings had better have it.
  return Math.max(...[0.2, 0.6, 1].map((withSettings) => leastBy(new LowerBound(reduced, withSettings), reduced, words, station, allowed)))
}

function leastBy(bound: LowerBound, reduced: SearchProblem, words: Int32Array, station: number, allowed: readonly boolean[]): number {
  let least = Infinity
  for (let tool = 0; tool < reduced.toolMs.length; tool++)
    for (let combination = 0; combination < reduced.combinations; combination++) if (allowed[combination]) least = Math.min(least, bound.value(words, 0, tool, station * reduced.combinations + combination))
  return least
}
