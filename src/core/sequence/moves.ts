import { FAR } from './placeTables'
import type { SearchProblem } from './problem'
import type { Reduced } from './reduce'
import type { StateSpace } from './stateSpace'

/** One move of a search: the tool and place it leads to, and the operation that had to be made by itself, or -1. */
export type Move = { tool: number; place: number; first: number }

/** An operation or a setting act of the problem that was given, by its number. */
export type SearchStep = { kind: 'operation'; operation: number } | { kind: 'act'; act: number }

/**
 * The operations and setting acts that a row of moves stands for, in order, with the acts that leave the settings as
 * they are to be.
 */
export function stepsOf(space: StateSpace, { problem, members }: Reduced, moves: readonly Move[]): SearchStep[] {
  const steps: SearchStep[] = []
  const written = new Set<number>()
  // What could wait was taken back in the states of the search; here it is written once, when it is first done.
  const write = (done: readonly number[]) => {
    for (const operation of done)
      if (!written.has(operation)) {
        written.add(operation)
        for (const member of members[operation]!) steps.push({ kind: 'operation', operation: member })
      }
  }
  const state = new Int32Array(space.words)
  const close = (tool: number, place: number) => {
    const trace: number[] = []
    space.close(state, 0, tool, place, trace)
    write(trace)
  }
  const walk = (from: number, to: number) => {
    for (const act of space.tables.table(state, 0).actsOnTheWay(from, to)) steps.push({ kind: 'act', act })
  }
  let at: Move = { tool: problem.start.tool, place: space.startPlace, first: -1 }
  close(at.tool, at.place)
  space.standardise(state, 0)
  for (const move of moves) {
    close(at.tool, at.place)
    walk(at.place, move.place)
    close(move.tool, move.place)
    if (move.first >= 0) {
      state[move.first >> 5]! |= 1 << (move.first & 31)
      write([move.first])
      close(move.tool, move.place)
    }
    space.standardise(state, 0)
    at = move
  }
  const ways = space.tables.table(state, 0).from(at.place)
  let home = -1
  for (let to = 0; to < space.places; to++)
    if (problem.finish[to % problem.combinations] && (home < 0 || ways[to]! < ways[home]!)) home = to
  if (home < 0 || ways[home]! >= FAR) throw new Error('The moves end where the settings can’t be brought home.')
  walk(at.place, home)
  return steps
}

/** Walking, tool changes and acts of a row of steps, as the problem counts them. */
export function setUpMsOf(
  { operations, acts, walkMs, toolMs, start }: SearchProblem,
  steps: readonly SearchStep[],
): number {
  let { station, tool } = start
  let sum = 0
  for (const step of steps) {
    const { station: to } = step.kind === 'act' ? acts[step.act]! : operations[step.operation]!
    sum += walkMs[station]![to]! + (step.kind === 'act' ? acts[step.act]!.costMs : 0)
    station = to
    const needed = step.kind === 'act' ? 0 : operations[step.operation]!.tool
    if (needed !== 0) {
      sum += toolMs[tool]![needed]!
      tool = needed
    }
  }
  return sum
}
