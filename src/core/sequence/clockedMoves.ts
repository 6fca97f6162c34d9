/* eslint-disable max-lines -- Every move with clocks, made and replayed: both have to agree, so they stand together. */
import { addTo, isEmpty, isIn } from './bits'
import { ClockStage } from './clockStage'
import type { Clocks } from './clock'
import type { At, Meanwhile } from './meanwhileSpace'
import { Memo } from './memo'
import { FAR, guardHolds } from './placeTables'
import type { Reduced } from './reduce'
import type { StateSpace } from './stateSpace'
import { sumOfDone, type States } from './states'

/**
 * Twice the number of the clock in turn before it is started for the last time, one more while it then runs; once what
 * waited for the last of them is begun, twice the number of clocks.
 */
export type ClockPhase = number

/**
 * To a place with a tool, where the operation `first` is done by itself (or -1), or by an act that starts the clock for
 * the last time (or -1).
 */
export type ClockedMove = { tool: number; place: number; first: number; act: number }

/**
 * A state by its number, with what set-up and waiting came to, and to what they come if the rest of the wait is idled
 * away;
 * -Infinity where there is no wait, or no more. `undecided`: of what is done, what may be taken as done before the
 * clock was started or while it runs; null where that does not matter (any more).
 */
export type ClockedState = {
  id: number
  phase: ClockPhase
  costMs: number
  overMs: number
  undecided: Int32Array | null
}

/**
 * The moves of a problem with clocks in turn. Before one is started for the last time everything that is free is done,
 * as without a clock; what of that may as well fill the wait is undecided then, and is taken to be done while the clock
 * runs where somebody comes by with the tool. Starting the clock for the last time is a move of its own, so that it is
 * known when that was: before, an act may start and stop it; after it, no more until what waits is begun.
 * docs/planner.md proves that the cheapest order is among the orders these moves make.
 */
export class ClockedMoves {
  readonly words: number
  readonly stages: readonly ClockStage[]
  /** How long each operation takes. */
  readonly workMs: Float64Array
  private readonly doneMsOf = new Memo()
  private readonly lost: Int32Array

  constructor(
    private readonly states: States,
    readonly reduced: Reduced,
    private readonly clocks: Clocks,
  ) {
    this.words = states.space.words
    this.lost = new Int32Array(this.words)
    this.stages = clocks.inTurn.map((clock, i) => new ClockStage(reduced, clock, i, clocks.workMs))
    this.workMs = Float64Array.from(reduced.members, (group) => group.reduce((sum, i) => sum + clocks.workMs[i]!, 0))
  }

  /** Where it begins: before the first clock, and, where that runs already, also as if it were not started again. */
  beginnings(): ClockedState[] {
    const { start } = this.reduced.problem
    const { clock } = this.stages[0]!
    const at = { tool: start.tool, place: this.states.space.startPlace }
    const before = this.plain(0, new Int32Array(this.words), at, 0)
    return clock.startedBy === null && clock.running[start.combination]
      ? [this.running(0, this.nothing(), at, 0, clock.leftMs, 0), before]
      : [before]
  }

  /** Nothing done and nothing undecided. */
  nothing(): Meanwhile {
    return { done: new Int32Array(this.words), undecided: new Int32Array(this.words) }
  }

  /** How long what is done in a state takes, of all operations. */
  doneMs(id: number): number {
    const known = this.doneMsOf.get(id)
    return known >= 0 ? known : this.doneMsOf.set(id, this.states.sumOfDone(id, this.workMs))
  }

  /** How long what is undecided in a state takes, or would be if its clock were started now. */
  undecidedMs({ id, phase, undecided }: ClockedState): number {
    const stage = this.stages[phase >> 1]
    if (!stage || isMeanwhile(phase)) return undecided ? this.msOf(undecided) : 0
    const known = stage.undecidedMs.get(id)
    return known >= 0 ? known : stage.undecidedMs.set(id, this.msOf(stage.meanwhile.undecidedOf(this.wordsOf(id))))
  }

  /** Of what is undecided in `b`, how long that takes which is not in `a`. */
  lostMs(a: ClockedState, b: ClockedState): number {
    if (!b.undecided) return 0
    if (!a.undecided) return this.msOf(b.undecided)
    const { lost } = this
    for (let word = 0; word < this.words; word++) lost[word] = b.undecided[word]! & ~a.undecided[word]!
    return this.msOf(lost)
  }

  /** Every state a move leads to, in a fixed order. */
  expand(from: ClockedState, visit: (to: ClockedState, move: ClockedMove) => void): void {
    const { store } = this.states
    const words = this.wordsOf(from.id)
    const at = { tool: store.toolOf(from.id), place: store.placeOf(from.id) }
    if (isMeanwhile(from.phase)) return this.expandMeanwhile(from, words, at, visit)
    const stage = this.stages[from.phase >> 1]
    const space = this.spaceOf(from.phase)
    space.expand(words, 0, at.tool, at.place)
    for (let i = 0; i < space.childCount; i++) {
      const move = { tool: space.childTool[i]!, place: space.childPlace[i]!, first: space.childFirst[i]!, act: -1 }
      const costMs = from.costMs + space.childCost[i]!
      const phases = stage && move.first >= 0 ? this.reduced.phases[move.first]![from.phase >> 1]! : null
      // What waits is done while the clock runs for the last time.
      if (phases?.waits) continue
      if (phases?.starts) {
        visit(this.started(from.phase, this.madeBefore(words.slice(), from.phase, at, move), move, costMs), move)
        continue
      }
      const id = store.intern(space.childWords, i * this.words, move.tool, move.place)
      visit({ id, phase: from.phase, costMs, overMs: -Infinity, undecided: null }, move)
    }
    if (stage) this.startByAct(from, stage, words, at, visit)
  }

  /**
   * Makes a move in place. `tell` gets what is done on it, in order, also what is taken back again, and the acts.
   * Answers the phase it leads to.
   */
  replay(
    state: Meanwhile,
    phase: ClockPhase,
    from: At,
    move: ClockedMove,
    tell: (event: { act: number } | { operation: number }) => void,
  ): ClockPhase {
    const { problem, phases } = this.reduced
    const stage = this.stages[phase >> 1]
    const { done } = state
    const tables = isMeanwhile(phase) ? stage!.meanwhile.tables : this.spaceOf(phase).tables
    const trace: number[] = []
    const tellTrace = () => trace.splice(0).forEach((operation) => tell({ operation }))
    const go = (to: number) => {
      tellTrace()
      for (const act of tables.table(done, 0).actsOnTheWay(from.place, to)) tell({ act })
    }
    let next = phase
    if (isMeanwhile(phase)) {
      go(move.place)
      stage!.meanwhile.make(state, move, trace)
      if (move.first >= 0 && phases[move.first]![phase >> 1]!.waits) next = phase + 1
    } else {
      if (move.act >= 0) {
        const act = problem.acts[move.act]!
        go(act.station * problem.combinations + act.from)
        tell({ act: move.act })
      } else {
        this.spaceOf(phase).close(done, 0, from.tool, from.place, trace)
        go(move.place)
        this.madeBefore(done, phase, from, move, trace)
      }
      if (move.act >= 0 || (move.first >= 0 && move.first === stage?.startedBy)) {
        state.undecided.set(stage!.meanwhile.undecidedOf(done))
        next = phase + 1
      }
    }
    // What waited is done: before the next stretch begins somebody looks at what is done by then.
    if (!isMeanwhile(phase) || next === phase) this.settle(state, next, move, trace)
    tellTrace()
    return next
  }

  /**
   * Does what is free at a place, in place; where it does not matter when something is done, takes back what could
   * wait.
   */
  settle(state: Meanwhile, phase: ClockPhase, at: At, trace?: number[]): void {
    if (isMeanwhile(phase)) this.stages[phase >> 1]!.meanwhile.close(state, at, trace)
    else this.settlePlain(state.done, phase, at, trace)
  }

  private settlePlain(done: Int32Array, phase: ClockPhase, { tool, place }: At, trace?: number[]): void {
    const space = this.spaceOf(phase)
    space.close(done, 0, tool, place, trace)
    space.standardise(done, 0)
  }

  /** The space of the states between two waits. */
  private spaceOf(phase: ClockPhase): StateSpace {
    return this.stages[phase >> 1]?.before ?? this.states.space
  }

  /** A move between two waits, in place, as far as the operation it is made for. */
  private madeBefore(done: Int32Array, phase: ClockPhase, from: At, move: ClockedMove, trace?: number[]): Int32Array {
    const space = this.spaceOf(phase)
    space.close(done, 0, from.tool, from.place, trace)
    space.close(done, 0, move.tool, move.place, trace)
    if (move.first >= 0) {
      addTo(done, move.first)
      trace?.push(move.first)
    }
    return done
  }

  /** The clock is started for the last time, by each act that does. */
  private startByAct(
    from: ClockedState,
    { clock, before, startingActs }: ClockStage,
    done: Int32Array,
    { tool, place }: At,
    visit: (to: ClockedState, move: ClockedMove) => void,
  ): void {
    if (clock.startedBy !== null) return
    const { combinations } = this.reduced.problem
    const ways = before.tables.table(done, 0).from(place)
    for (const [act, { from: begin, to, station, costMs: ms, guards }] of startingActs) {
      const way = ways[station * combinations + begin]!
      if (way >= FAR || !guards.every((guard) => guardHolds(guard, (i) => isIn(done, i)))) continue
      const move = { tool, place: station * combinations + to, first: -1, act }
      visit(this.started(from.phase, done.slice(), move, from.costMs + way + ms), move)
    }
  }

  private started(phase: ClockPhase, done: Int32Array, at: At, costMs: number): ClockedState {
    const { clock, meanwhile } = this.stages[phase >> 1]!
    const state = { done, undecided: meanwhile.undecidedOf(done) }
    return this.running(phase >> 1, state, at, costMs, clock.waitMs, this.decidedMs(state))
  }

  private expandMeanwhile(
    from: ClockedState,
    done: Int32Array,
    at: At,
    visit: (to: ClockedState, move: ClockedMove) => void,
  ): void {
    const { spent } = this.clocks
    const number = from.phase >> 1
    const { meanwhile } = this.stages[number]!
    const undecided = from.undecided ?? new Int32Array(this.words)
    const leftMs = from.overMs - from.costMs
    const decidedMs = this.decidedMs({ done, undecided })
    const table = meanwhile.tables.table(done, 0)
    for (const to of meanwhile.moves({ done, undecided }, at)) {
      const move: ClockedMove = { tool: to.tool, place: to.place, first: to.first, act: -1 }
      const costMs = from.costMs + to.costMs
      const spentMs = spent
        ? table.spentOnTheWay(at.place, to.place, spent.walkMs) + spent.toolMs[at.tool]![to.tool]!
        : to.costMs
      const state = { done: done.slice(), undecided: undecided.slice() }
      const beforeMs = decidedMs + this.msOf(meanwhile.make(state, move))
      if (to.first >= 0 && this.reduced.phases[to.first]![number]!.waits) {
        // What bare hands do there before what waits fills the wait as well.
        const filledMs = this.decidedMs(state) - this.workMs[to.first]! - beforeMs
        for (const end of this.waited(number, state.done, move, costMs, leftMs - spentMs - filledMs))
          visit(end.to, end.move)
      } else visit(this.running(number, state, move, costMs, leftMs - spentMs, beforeMs), move)
    }
  }

  /**
   * A state while it has to be waited: what is free is done. `leftMs`: of the wait, as long as no more was decided than
   * takes `decidedMs`.
   */
  private running(
    number: number,
    state: Meanwhile,
    at: At,
    costMs: number,
    leftMs: number,
    decidedMs: number,
  ): ClockedState {
    const phase = 2 * number + 1
    this.settle(state, phase, at)
    const stillMs = leftMs - (this.decidedMs(state) - decidedMs)
    const { done, undecided } = state
    // Once all of it has been waited it does not matter any more when that began, nor what could fill it.
    const isOver = stillMs <= 0
    return {
      id: this.states.store.intern(done, 0, at.tool, at.place),
      phase,
      costMs,
      overMs: isOver ? -Infinity : costMs + stillMs,
      undecided: isOver || isEmpty(undecided) ? null : undecided,
    }
  }

  /**
   * What waits is done, as soon as the wait is over. `leftMs`: of the wait, when nothing else is left to do there. Who
   * waits with bare hands takes up any tool meanwhile.
   */
  private waited(
    number: number,
    done: Int32Array,
    move: ClockedMove,
    arrivedMs: number,
    leftMs: number,
  ): { to: ClockedState; move: ClockedMove }[] {
    const { operations, toolMs } = this.reduced.problem
    const takingMs = this.clocks.spent?.toolMs ?? toolMs
    const idleMs = leftMs - this.stages[number]!.leadMs[move.first]!
    const tools =
      operations[move.first]!.tool === 0 && idleMs > 0
        ? [...toolMs.keys()].filter((other) => other === move.tool || other !== 0)
        : [move.tool]
    return tools.map((tool) => {
      const costMs = arrivedMs + toolMs[move.tool]![tool]! + Math.max(0, idleMs - takingMs[move.tool]![tool]!)
      return {
        to: this.plain(2 * number + 2, done.slice(), { tool, place: move.place }, costMs),
        move: { ...move, tool },
      }
    })
  }

  private plain(phase: ClockPhase, done: Int32Array, at: At, costMs: number): ClockedState {
    this.settlePlain(done, phase, at)
    return {
      id: this.states.store.intern(done, 0, at.tool, at.place),
      phase,
      costMs,
      overMs: -Infinity,
      undecided: null,
    }
  }

  /** How long that takes of which it is decided when it was done. */
  private decidedMs({ done, undecided }: Meanwhile): number {
    return this.msOf(done) - this.msOf(undecided)
  }

  private wordsOf(id: number): Int32Array {
    const at = id * this.states.store.stride
    return this.states.store.data.slice(at, at + this.words)
  }

  private msOf(words: Int32Array): number {
    return sumOfDone(words, 0, this.words, this.workMs)
  }
}

/** Whether a clock runs for the last time, and what waits for it is still to come. */
export function isMeanwhile(phase: ClockPhase): boolean {
  return (phase & 1) === 1
}
