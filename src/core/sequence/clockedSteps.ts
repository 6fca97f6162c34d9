import { isIn } from './bits'
import type { ClockedMove, ClockedMoves, ClockedState, ClockPhase } from './clockedMoves'
import type { SearchStep } from './moves'
import { FAR } from './placeTables'
import type { StateSpace } from './stateSpace'

/**
 * A setting act, or an operation that is done in one of the stretches between the first that waits for one clock and
 * for the next.
 */
type Event = { act: number } | { operation: number; stretch: number }

/**
 * The operations and setting acts that a row of moves stands for, in order, with the acts that leave the settings as
 * they are to be.
 */
export function clockedSteps(
  moves: ClockedMoves,
  plain: StateSpace,
  phaseAtStart: ClockPhase,
  path: readonly { move: ClockedMove; to: ClockedState }[],
): SearchStep[] {
  const { problem, members } = moves.reduced
  const events: Event[] = []
  const state = moves.nothing()
  const settled = (phase: ClockPhase, at: { tool: number; place: number }) => {
    const trace: number[] = []
    moves.settle(state, phase, at, trace)
    trace.forEach((operation) => events.push({ operation, stretch: phase >> 1 }))
  }
  let at = { tool: problem.start.tool, place: plain.startPlace }
  let phase = phaseAtStart
  settled(phase, at)
  // Per operation, the stretch by whose end it was done for good.
  const doneIn = new Map<number, number>()
  for (const { move, to } of path) {
    const stretch = phase >> 1
    const next = moves.replay(state, phase, at, move, (event) =>
      events.push('act' in event ? event : { ...event, stretch }),
    )
    if (!to.undecided) state.undecided.fill(0)
    if (next >> 1 !== stretch) {
      for (let i = 0; i < members.length; i++) if (isIn(state.done, i) && !doneIn.has(i)) doneIn.set(i, stretch)
      settled(next, move)
    }
    phase = next
    at = move
  }
  const table = plain.tables.table(state.done, 0)
  const homes = [...table.from(at.place).keys()].filter((place) => problem.finish[place % problem.combinations])
  const home = homes.reduce((a, b) => (table.from(at.place)[b]! < table.from(at.place)[a]! ? b : a))
  if (table.from(at.place)[home]! >= FAR) throw new Error('The moves end where the settings can’t be brought home.')
  table.actsOnTheWay(at.place, home).forEach((act) => events.push({ act }))
  return written(events, doneIn, moves.stages.length).flatMap((event): SearchStep[] =>
    'act' in event
      ? [{ kind: 'act', act: event.act }]
      : members[event.operation]!.map((operation) => ({ kind: 'operation', operation })),
  )
}

/**
 * Each operation once. What was done by the end of a wait stands where it was done last in that stretch, for only then
 * it was done for good: what was taken back, or undecided, would be lost for the wait. After the last wait it stands
 * where it was done first.
 */
function written(events: readonly Event[], doneIn: ReadonlyMap<number, number>, lastStretch: number): Event[] {
  const place = new Map<number, number>()
  events.forEach((event, i) => {
    if ('act' in event || event.stretch !== (doneIn.get(event.operation) ?? lastStretch)) return
    if (event.stretch < lastStretch || !place.has(event.operation)) place.set(event.operation, i)
  })
  return events.filter((event, i) => 'act' in event || place.get(event.operation) === i)
}
