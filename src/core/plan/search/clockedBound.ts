import type { Clock } from './clock'
import type { ClockedMoves, ClockedState } from './clockedMoves'
import { Memo } from './memo'
import { FAR, PlaceTables } from './placeTables'
import type { SearchProblem } from './problem'
import type { Reduced } from './reduce'
import type { States } from './states'

/**
 * What an order takes at least where something waits by the clock, with what it took up to a state: the set-up that is still to
 * come, or, if that is more, the way until the clock runs, the wait, and all that can't be done meanwhile. Seconds of work are
 * left out, as everywhere in the search: all of them have to be worked anyway.
 */
export class ClockedBound {
  /** What the second part takes at least beyond its bound. */
  secondPartMs = 0
  /** Per operation, how long it takes where it can't be done while it has to be waited. */
  private readonly outsideMs: Float64Array
  private readonly outsideDoneMs = new Memo()
  private readonly allOutsideMs: number
  private readonly allMs: number
  private readonly mostLeadMs: number
  /** Per place, the least until the clock runs. */
  private readonly untilRunningMs: readonly number[]

  constructor(
    private readonly states: States,
    private readonly moves: ClockedMoves,
    { problem, phases }: Reduced,
    private readonly clock: Clock,
  ) {
    this.allMs = moves.workMs.reduce((sum, ms) => sum + ms, 0)
    this.outsideMs = moves.workMs.map((ms, i) => (phases[i]!.meanwhile ? 0 : ms))
    this.allOutsideMs = this.outsideMs.reduce((sum, ms) => sum + ms, 0)
    // What is done in one go with what waits is partly done while it still has to be waited.
    this.mostLeadMs = Math.max(0, ...moves.leadMs)
    this.untilRunningMs = untilRunning(problem, clock.running)
  }

  value(state: ClockedState): number {
    const { id, phase, costMs, overMs } = state
    const { states, moves, clock } = this
    const setUpMs = costMs + states.restOf(id) + (states.isInFirstPart(id) ? this.secondPartMs : 0)
    if (phase === 'after' || setUpMs >= FAR) return setUpMs
    const waitedMs = phase === 'meanwhile' ? overMs : costMs + this.untilRunningMs[states.store.placeOf(id)]! + clock.waitMs
    return Math.max(setUpMs, waitedMs + moves.doneMs(id) - moves.undecidedMs(state) - this.mostLeadMs + this.outsideLeftMs(id) + clock.afterMs - this.allMs)
  }

  private outsideLeftMs(id: number): number {
    const known = this.outsideDoneMs.get(id)
    return this.allOutsideMs - (known >= 0 ? known : this.outsideDoneMs.set(id, this.states.sumOfDone(id, this.outsideMs)))
  }
}

/** The least from each place until the clock runs, whatever is done on the way: guards are left out where anything turns them. */
function untilRunning(problem: SearchProblem, running: readonly boolean[]): number[] {
  const open = { ...problem, acts: problem.acts.map((act) => ({ ...act, guards: act.guards.filter(({ operations, initially, wants }) => operations.length === 0 && initially !== wants) })) }
  const tables = new PlaceTables(open)
  const table = tables.table(new Int32Array(Math.ceil(problem.operations.length / 32)), 0)
  const starts = problem.acts.filter(({ from, to }) => !running[from] && running[to])
  return Array.from({ length: tables.places }, (_, place) => Math.min(FAR, ...starts.map(({ station, from, costMs }) => table.from(place)[station * problem.combinations + from]! + costMs)))
}
