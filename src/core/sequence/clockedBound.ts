import type { ClockStage } from './clockStage'
import { isMeanwhile, type ClockedMoves, type ClockedState } from './clockedMoves'
import { addTo } from './bits'
import { LowerBound } from './lowerBound'
import { Memo } from './memo'
import { partOf } from './partOf'
import { FAR, PlaceTables } from './placeTables'
import type { SearchProblem } from './problem'
import type { Reduced } from './reduce'
import type { States } from './states'

/**
 * What an order takes at least where something waits by a clock, with what it took up to a state: the set-up that is
 * still to come, or, if that is more, for each clock the way until it runs, the wait, and all that can't be done
 * meanwhile. Seconds of work are left out, as everywhere in the search: all of them have to be worked anyway.
 */
export class ClockedBound {
  /** What the second part takes at least beyond its bound. */
  secondPartMs = 0
  private readonly waits: readonly WaitBound[]

  constructor(
    private readonly states: States,
    moves: ClockedMoves,
    reduced: Reduced,
  ) {
    this.waits = moves.stages.map((stage, i) => new WaitBound(states, moves, reduced, stage, i))
  }

  value(state: ClockedState): number {
    const { states } = this
    let leastMs = state.costMs + states.restOf(state.id) + (states.isInFirstPart(state.id) ? this.secondPartMs : 0)
    for (let number = state.phase >> 1; number < this.waits.length && leastMs < FAR; number++)
      leastMs = Math.max(leastMs, this.waits[number]!.value(state))
    return leastMs
  }
}

/** What an order takes at least because of one of the waits, as long as that is not over. */
class WaitBound {
  /** Per operation, how long it takes where it can't be done while it has to be waited. */
  private readonly outsideMs: Float64Array
  private readonly outsideDoneMs = new Memo()
  private readonly allOutsideMs: number
  private readonly allMs: number
  private readonly mostLeadMs: number
  private readonly untilRunning: (id: number) => number

  constructor(
    private readonly states: States,
    private readonly moves: ClockedMoves,
    { problem, phases }: Reduced,
    private readonly stage: ClockStage,
    private readonly number: number,
  ) {
    this.allMs = moves.workMs.reduce((sum, ms) => sum + ms, 0)
    this.outsideMs = moves.workMs.map((ms, i) => (phases[i]![number]!.meanwhile ? 0 : ms))
    this.allOutsideMs = this.outsideMs.reduce((sum, ms) => sum + ms, 0)
    // What is done in one go with what waits is partly done while it still has to be waited.
    this.mostLeadMs = Math.max(0, ...stage.leadMs)
    this.untilRunning =
      stage.startedBy >= 0
        ? untilDone(problem, stage.startedBy, states)
        : untilSet(problem, stage.clock.running, states)
  }

  value(state: ClockedState): number {
    const { id, phase, costMs, overMs } = state
    const { moves, number } = this
    const { waitMs, afterMs } = this.stage.clock
    const isRunning = isMeanwhile(phase) && phase >> 1 === number
    const waitedMs = isRunning ? overMs : costMs + this.untilRunning(id) + waitMs
    // What could fill the wait of a later clock is not done yet.
    const undecidedMs = phase >> 1 === number ? moves.undecidedMs(state) : 0
    return waitedMs + moves.doneMs(id) - undecidedMs - this.mostLeadMs + this.outsideLeftMs(id) + afterMs - this.allMs
  }

  private outsideLeftMs(id: number): number {
    const known = this.outsideDoneMs.get(id)
    return (
      this.allOutsideMs - (known >= 0 ? known : this.outsideDoneMs.set(id, this.states.sumOfDone(id, this.outsideMs)))
    )
  }
}

/**
 * The least from each state until the settings run the clock, whatever is done on the way: guards are left out where
 * anything turns them.
 */
function untilSet(problem: SearchProblem, running: readonly boolean[], { store }: States): (id: number) => number {
  const open = {
    ...problem,
    acts: problem.acts.map((act) => ({
      ...act,
      guards: act.guards.filter(({ operations, initially, wants }) => operations.length === 0 && initially !== wants),
    })),
  }
  const tables = new PlaceTables(open)
  const table = tables.table(new Int32Array(Math.ceil(problem.operations.length / 32)), 0)
  const starts = problem.acts.filter(({ from, to }) => !running[from] && running[to])
  const leastMs = Array.from({ length: tables.places }, (_, place) =>
    Math.min(
      FAR,
      ...starts.map(({ station, from, costMs }) => table.from(place)[station * problem.combinations + from]! + costMs),
    ),
  )
  return (id) => leastMs[store.placeOf(id)]!
}

/** The least from each state until an operation is done with all that must come before it. */
function untilDone(problem: SearchProblem, operation: number, { store }: States): (id: number) => number {
  const kept = new Set([operation])
  // Operations are numbered in an order that keeps the pairs.
  for (const [first, then] of [...problem.pairs].sort((a, b) => b[1] - a[1])) if (kept.has(then)) kept.add(first)
  const { problem: part, numbers } = partOf(
    problem,
    [],
    kept,
    new Set(),
    problem.start,
    problem.finish.map(() => true),
  )
  const bound = LowerBound.bestFor(part)
  const words = new Int32Array(Math.max(1, Math.ceil(numbers.length / 32)))
  const known = new Memo()
  return (id) => {
    const before = known.get(id)
    if (before >= 0) return before
    words.fill(0)
    const at = id * store.stride
    numbers.forEach((number, i) => {
      if (((store.data[at + (number >> 5)]! >>> (number & 31)) & 1) === 1) addTo(words, i)
    })
    return known.set(id, bound.value(words, 0, store.toolOf(id), store.placeOf(id)))
  }
}
