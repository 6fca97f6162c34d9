import { FAR } from './placeTables'
import type { ClockedMove, ClockedMoves, ClockPhase } from './clockedMoves'
import type { SearchStep } from './moves'
import type { StateSpace } from './stateSpace'

/** The operations and setting acts that a row of moves stands for, in order, with the acts that leave the settings as they are to be. */
export function clockedSteps(moves: ClockedMoves, plain: StateSpace, phaseAtStart: ClockPhase, path: readonly ClockedMove[]): SearchStep[] {
  const { problem, members } = moves.reduced
  const steps: SearchStep[] = []
  const written = new Set<number>()
  const words = new Int32Array(moves.words)
  // What was taken back is written when it is done for good: before the clock runs it would be lost for the wait.
  const write = (trace: readonly number[]) => {
    for (const operation of trace) {
      if (written.has(operation) || ((words[operation >> 5]! >>> (operation & 31)) & 1) === 0) continue
      written.add(operation)
      for (const member of members[operation]!) steps.push({ kind: 'operation', operation: member })
    }
  }
  let at = { tool: problem.start.tool, place: plain.startPlace }
  let phase = phaseAtStart
  const begin: number[] = []
  moves.settle(words, phase, at.tool, at.place, begin)
  write(begin)
  for (const move of path) {
    const [trace, acts]: [number[], number[]] = [[], []]
    phase = moves.replay(words, phase, at, move, trace, acts)
    steps.push(...acts.map((act): SearchStep => ({ kind: 'act', act })))
    write(trace)
    at = move
  }
  const table = plain.tables.table(words, 0)
  const homes = [...table.from(at.place).keys()].filter((place) => problem.finish[place % problem.combinations])
  const home = homes.reduce((a, b) => (table.from(at.place)[b]! < table.from(at.place)[a]! ? b : a))
  if (table.from(at.place)[home]! >= FAR) throw new Error('The moves end where the settings can’t be brought home.')
  steps.push(...table.actsOnTheWay(at.place, home).map((act): SearchStep => ({ kind: 'act', act })))
  return steps
}
