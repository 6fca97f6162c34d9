import { isIn } from './bits'
import type { ClockedMove, ClockedMoves, ClockedState, ClockPhase } from './clockedMoves'
import type { SearchStep } from './moves'
import { FAR } from './placeTables'
import type { StateSpace } from './stateSpace'

/** A setting act, or an operation: up to the first that waits ("early"), or after it. */
type Event = { act: number } | { operation: number; isEarly: boolean }

/** The operations and setting acts that a row of moves stands for, in order, with the acts that leave the settings as they are to be. */
export function clockedSteps(moves: ClockedMoves, plain: StateSpace, phaseAtStart: ClockPhase, path: readonly { move: ClockedMove; to: ClockedState }[]): SearchStep[] {
  const { problem, members } = moves.reduced
  const events: Event[] = []
  const state = moves.nothing()
  const settled = (phase: ClockPhase, at: { tool: number; place: number }) => {
    const trace: number[] = []
    moves.settle(state, phase, at, trace)
    trace.forEach((operation) => events.push({ operation, isEarly: phase !== 'after' }))
  }
  let at = { tool: problem.start.tool, place: plain.startPlace }
  let phase = phaseAtStart
  settled(phase, at)
  const early = new Set<number>()
  for (const { move, to } of path) {
    const [trace, acts]: [number[], number[]] = [[], []]
    const next = moves.replay(state, phase, at, move, trace, acts)
    if (!to.undecided) state.undecided.fill(0)
    acts.forEach((act) => events.push({ act }))
    trace.forEach((operation) => events.push({ operation, isEarly: phase !== 'after' }))
    if (phase !== 'after' && next === 'after') {
      for (let i = 0; i < members.length; i++) if (isIn(state.done, i)) early.add(i)
      settled('after', move)
    }
    phase = next
    at = move
  }
  const table = plain.tables.table(state.done, 0)
  const homes = [...table.from(at.place).keys()].filter((place) => problem.finish[place % problem.combinations])
  const home = homes.reduce((a, b) => (table.from(at.place)[b]! < table.from(at.place)[a]! ? b : a))
  if (table.from(at.place)[home]! >= FAR) throw new Error('The moves end where the settings can’t be brought home.')
  table.actsOnTheWay(at.place, home).forEach((act) => events.push({ act }))
  return written(events, early).flatMap((event): SearchStep[] => ('act' in event ? [{ kind: 'act', act: event.act }] : members[event.operation]!.map((operation) => ({ kind: 'operation', operation }))))
}

/**
 * Each operation once. What was done by the first that waits stands where it was done last, for only then it was done for good:
 * what was taken back, or undecided, would be lost for the wait. Everything else stands where it was done first.
 */
function written(events: readonly Event[], early: ReadonlySet<number>): Event[] {
  const place = new Map<number, number>()
  events.forEach((event, i) => {
    if ('act' in event || event.isEarly !== early.has(event.operation)) return
    if (event.isEarly || !place.has(event.operation)) place.set(event.operation, i)
  })
  return events.filter((event, i) => 'act' in event || place.get(event.operation) === i)
}
