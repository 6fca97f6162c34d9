import type { Guard, SearchProblem } from './problem'

/**
 * Some operations of a problem by themselves: `numbers[i]` is what operation i is called in the whole; acts keep their
 * numbers.
 */
export type PartOfProblem = { problem: SearchProblem; wholes: number[][]; numbers: readonly number[] }

/**
 * The operations `kept` by themselves, once `done` is done, from a place of its own to an end of its own. Guards that
 * turn on anything else are left out: with `done` no more than what is certainly done by then, no order of the whole
 * takes less for these operations than the optimum of the part. Cost: O(problem).
 */
export function partOf(
  problem: SearchProblem,
  wholes: readonly (readonly number[])[],
  kept: ReadonlySet<number>,
  done: ReadonlySet<number>,
  start: SearchProblem['start'],
  finish: readonly boolean[],
): PartOfProblem {
  const numbers = [...kept].sort((a, b) => a - b)
  const at = new Map(numbers.map((number, i) => [number, i]))
  const turned = (guard: Guard): Guard[] => {
    if (guard.operations.some((operation) => !kept.has(operation) && !done.has(operation))) return []
    const before = guard.operations.filter((operation) => done.has(operation)).length
    return [
      {
        operations: guard.operations.flatMap((operation) => at.get(operation) ?? []),
        initially: guard.initially !== (before % 2 === 1),
        wants: guard.wants,
      },
    ]
  }
  return {
    problem: {
      ...problem,
      operations: numbers.map((number) => ({
        ...problem.operations[number]!,
        guards: problem.operations[number]!.guards.flatMap(turned),
      })),
      pairs: problem.pairs.flatMap(([a, b]): [number, number][] =>
        kept.has(a) && kept.has(b) ? [[at.get(a)!, at.get(b)!]] : [],
      ),
      acts: problem.acts.map((act) => ({ ...act, guards: act.guards.flatMap(turned) })),
      start,
      finish,
    },
    wholes: wholes
      .filter((whole) => whole.every((operation) => kept.has(operation)))
      .map((whole) => whole.map((operation) => at.get(operation)!)),
    numbers,
  }
}
