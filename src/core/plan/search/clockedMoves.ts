import { addTo, isEmpty, isIn } from './bits'
import type { Clock } from './clock'
import { MeanwhileSpace, type At, type Meanwhile } from './meanwhileSpace'
import { Memo } from './memo'
import { FAR, guardHolds } from './placeTables'
import type { SearchAct } from './problem'
import type { Reduced } from './reduce'
import { factsOf, isByChoice, type Facts } from './rules'
import { StateSpace } from './stateSpace'
import { sumOfDone, type States } from './states'

/** Before the clock is started for the last time, while it then runs, and once what waited for it is begun. */
export type ClockPhase = 'before' | 'meanwhile' | 'after'

/** To a place with a tool, where the operation `first` is done by itself (or -1), or by an act that starts the clock for the last time (or -1). */
export type ClockedMove = { tool: number; place: number; first: number; act: number }

/**
 * A state by its number, with what set-up and waiting came to, and to what they come if the rest of the wait is idled away;
 * -Infinity where there is no wait, or no more. `undecided`: of what is done, what may be taken as done before the clock was
 * started or while it runs; null where that does not matter (any more).
 */
export type ClockedState = { id: number; phase: ClockPhase; costMs: number; overMs: number; undecided: Int32Array | null }

/**
 * The moves of a problem with a clock. Before it is started for the last time everything that is free is done, as without a
 * clock; what of that may as well fill the wait is undecided then, and is taken to be done while the clock runs where somebody
 * comes by with the tool. Starting the clock for the last time is a move of its own, so that it is known when that was: before it
 * may be started and stopped, after it no more until what waits is begun.
 * docs/planner.md proves that the cheapest order is among the orders these moves make.
 */
export class ClockedMoves {
  readonly words: number
  private readonly before: StateSpace
  private readonly meanwhile: MeanwhileSpace
  /** Acts that start the clock, by number. */
  private readonly starts: [number, SearchAct][]
  /** How long each operation takes. */
  readonly workMs: Float64Array
  /** Of what waits, the part that is done in one go before the wait has to be over. */
  readonly leadMs: readonly number[]
  private readonly doneMsOf = new Memo()
  private readonly undecidedMsOf = new Memo()

  constructor(
    private readonly states: States,
    readonly reduced: Reduced,
    private readonly clock: Clock,
  ) {
    const { problem, members, phases } = reduced
    const { running, waiting, workMs } = clock
    this.words = states.space.words
    this.starts = [...problem.acts.entries()].filter(([, { from, to }]) => !running[from] && running[to])
    this.meanwhile = new MeanwhileSpace(reduced, clock)
    const facts = factsOf(problem).map((fact, i) => ({ ...fact, phases: phases[i]! }))
    const follows = facts.map((): Facts[] => [])
    for (const [first, then] of problem.pairs) follows[then]!.push(facts[first]!)
    this.before = new StateSpace(problem, facts.map((fact, i) => fact.phases.waits || isByChoice(fact, follows[i]!)))
    this.workMs = Float64Array.from(members, (group) => group.reduce((sum, i) => sum + workMs[i]!, 0))
    this.leadMs = members.map((group) => group.slice(0, Math.max(0, group.findIndex((i) => waiting.has(i)))).reduce((sum, i) => sum + workMs[i]!, 0))
  }

  /** Where it begins: before, and, where the clock runs already, also as if it were not started again. */
  beginnings(): ClockedState[] {
    const { start } = this.reduced.problem
    const at = { tool: start.tool, place: this.states.space.startPlace }
    const before = this.plain('before', new Int32Array(this.words), at, 0)
    return this.clock.running[start.combination] ? [this.running(this.nothing(), at, 0, this.clock.leftMs, 0), before] : [before]
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

  /** How long what is undecided in a state takes, or would be if the clock were started now. */
  undecidedMs({ id, phase, undecided }: ClockedState): number {
    if (phase !== 'before') return undecided ? this.msOf(undecided) : 0
    const known = this.undecidedMsOf.get(id)
    return known >= 0 ? known : this.undecidedMsOf.set(id, this.msOf(this.meanwhile.undecidedOf(this.wordsOf(id))))
  }

  /** Of what is undecided in `b`, how long that takes which is not in `a`. */
  lostMs(a: ClockedState, b: ClockedState): number {
    return b.undecided ? this.msOf(b.undecided.map((bits, word) => bits & ~(a.undecided?.[word] ?? 0))) : 0
  }

  /** Every state a move leads to, in a fixed order. */
  expand(from: ClockedState, visit: (to: ClockedState, move: ClockedMove) => void): void {
    const { store } = this.states
    const words = this.wordsOf(from.id)
    const at = { tool: store.toolOf(from.id), place: store.placeOf(from.id) }
    if (from.phase === 'meanwhile') return this.expandMeanwhile(from, words, at, visit)
    const space = this.spaceOf(from.phase)
    space.expand(words, 0, at.tool, at.place)
    for (let i = 0; i < space.childCount; i++) {
      const move = { tool: space.childTool[i]!, place: space.childPlace[i]!, first: space.childFirst[i]!, act: -1 }
      // What waits is done while the clock runs for the last time.
      if (from.phase === 'before' && move.first >= 0 && this.reduced.phases[move.first]!.waits) continue
      const id = store.intern(space.childWords, i * this.words, move.tool, move.place)
      visit({ id, phase: from.phase, costMs: from.costMs + space.childCost[i]!, overMs: -Infinity, undecided: null }, move)
    }
    if (from.phase === 'before') this.start(from, words, at, visit)
  }

  /** Makes a move in place. `trace` gets what is done on it, in order, also what is taken back again; `acts` the acts. Answers the phase it leads to. */
  replay(state: Meanwhile, phase: ClockPhase, from: At, move: ClockedMove, trace: number[], acts: number[]): ClockPhase {
    const { problem, phases } = this.reduced
    const { done } = state
    if (move.act >= 0) {
      const act = problem.acts[move.act]!
      acts.push(...this.before.tables.table(done, 0).actsOnTheWay(from.place, act.station * problem.combinations + act.from), move.act)
      state.undecided.set(this.meanwhile.undecidedOf(done))
      this.settle(state, 'meanwhile', move, trace)
      return 'meanwhile'
    }
    if (phase === 'meanwhile') {
      acts.push(...this.meanwhile.tables.table(done, 0).actsOnTheWay(from.place, move.place))
      this.meanwhile.make(state, move, trace)
      if (move.first >= 0 && phases[move.first]!.waits) return 'after'
      this.settle(state, 'meanwhile', move, trace)
      return 'meanwhile'
    }
    const space = this.spaceOf(phase)
    space.close(done, 0, from.tool, from.place, trace)
    acts.push(...space.tables.table(done, 0).actsOnTheWay(from.place, move.place))
    space.close(done, 0, move.tool, move.place, trace)
    if (move.first >= 0) {
      addTo(done, move.first)
      trace.push(move.first)
    }
    this.settle(state, phase, move, trace)
    return phase
  }

  /** Does what is free at a place, in place; where it does not matter when something is done, takes back what could wait. */
  settle(state: Meanwhile, phase: ClockPhase, at: At, trace?: number[]): void {
    if (phase === 'meanwhile') this.meanwhile.close(state, at, trace)
    else this.settlePlain(state.done, phase, at, trace)
  }

  private settlePlain(done: Int32Array, phase: 'before' | 'after', { tool, place }: At, trace?: number[]): void {
    const space = this.spaceOf(phase)
    space.close(done, 0, tool, place, trace)
    space.standardise(done, 0)
  }

  private spaceOf(phase: 'before' | 'after'): StateSpace {
    return phase === 'before' ? this.before : this.states.space
  }

  /** The clock is started for the last time, by each act that does. */
  private start(from: ClockedState, done: Int32Array, { tool, place }: At, visit: (to: ClockedState, move: ClockedMove) => void): void {
    const { combinations } = this.reduced.problem
    const ways = this.before.tables.table(done, 0).from(place)
    for (const [act, { from: begin, to, station, costMs: ms, guards }] of this.starts) {
      const way = ways[station * combinations + begin]!
      if (way >= FAR || !guards.every((guard) => guardHolds(guard, (i) => isIn(done, i)))) continue
      const move = { tool, place: station * combinations + to, first: -1, act }
      const state = { done: done.slice(), undecided: this.meanwhile.undecidedOf(done) }
      visit(this.running(state, move, from.costMs + way + ms, this.clock.waitMs, this.decidedMs(state)), move)
    }
  }

  private expandMeanwhile(from: ClockedState, done: Int32Array, at: At, visit: (to: ClockedState, move: ClockedMove) => void): void {
    const { meanwhile, clock } = this
    const undecided = from.undecided ?? new Int32Array(this.words)
    const leftMs = from.overMs - from.costMs
    const decidedMs = this.decidedMs({ done, undecided })
    const table = meanwhile.tables.table(done, 0)
    for (const { costMs: wayMs, ...to } of meanwhile.moves({ done, undecided }, at)) {
      const move: ClockedMove = { ...to, act: -1 }
      const costMs = from.costMs + wayMs
      const spentMs = clock.spent ? table.spentOnTheWay(at.place, to.place, clock.spent.walkMs) + clock.spent.toolMs[at.tool]![to.tool]! : wayMs
      const state = { done: done.slice(), undecided: undecided.slice() }
      const earlier = meanwhile.make(state, move)
      if (to.first >= 0 && this.reduced.phases[to.first]!.waits) for (const end of this.waited(state.done, move, costMs, leftMs - spentMs)) visit(end.to, end.move)
      else visit(this.running(state, move, costMs, leftMs - spentMs, decidedMs + this.msOf(earlier)), move)
    }
  }

  /** A state while it has to be waited: what is free is done. `leftMs`: of the wait, as long as no more was decided than takes `decidedMs`. */
  private running(state: Meanwhile, at: At, costMs: number, leftMs: number, decidedMs: number): ClockedState {
    this.settle(state, 'meanwhile', at)
    const stillMs = leftMs - (this.decidedMs(state) - decidedMs)
    const { done, undecided } = state
    // Once all of it has been waited it does not matter any more when that began, nor what could fill it.
    const isOver = stillMs <= 0
    return { id: this.states.store.intern(done, 0, at.tool, at.place), phase: 'meanwhile', costMs, overMs: isOver ? -Infinity : costMs + stillMs, undecided: isOver || isEmpty(undecided) ? null : undecided }
  }

  /** What waits is done, as soon as the wait is over. `leftMs`: of the wait, on arrival. Who waits with bare hands takes up any tool meanwhile. */
  private waited(done: Int32Array, move: ClockedMove, arrivedMs: number, leftMs: number): { to: ClockedState; move: ClockedMove }[] {
    const { operations, toolMs } = this.reduced.problem
    const takingMs = this.clock.spent?.toolMs ?? toolMs
    const idleMs = leftMs - this.leadMs[move.first]!
    const tools = operations[move.first]!.tool === 0 && idleMs > 0 ? [...toolMs.keys()].filter((other) => other === move.tool || other !== 0) : [move.tool]
    return tools.map((tool) => {
      const costMs = arrivedMs + toolMs[move.tool]![tool]! + Math.max(0, idleMs - takingMs[move.tool]![tool]!)
      return { to: this.plain('after', done.slice(), { tool, place: move.place }, costMs), move: { ...move, tool } }
    })
  }

  private plain(phase: 'before' | 'after', done: Int32Array, at: At, costMs: number): ClockedState {
    this.settlePlain(done, phase, at)
    return { id: this.states.store.intern(done, 0, at.tool, at.place), phase, costMs, overMs: -Infinity, undecided: null }
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
