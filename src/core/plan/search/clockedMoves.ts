import type { Clock } from './clock'
import { Memo } from './memo'
import { FAR, guardHolds } from './placeTables'
import type { SearchAct, SearchProblem } from './problem'
import type { Reduced } from './reduce'
import { isMatterOfChoice, isTakenBackMeanwhile } from './rules'
import { StateSpace } from './stateSpace'
import { sumOfDone, type States } from './states'

/** Before the clock is started for the last time, while it then runs, and once what waited for it is begun. */
export type ClockPhase = 'before' | 'meanwhile' | 'after'

/** To a place with a tool, where the operation `first` is done by itself (or -1), or by an act that starts the clock for the last time (or -1). */
export type ClockedMove = { tool: number; place: number; first: number; act: number }

/**
 * A state by its number, with what set-up and waiting came to, and to what they come if the rest of the wait is idled away;
 * -Infinity where there is no wait, or no more.
 */
export type ClockedState = { id: number; phase: ClockPhase; costMs: number; overMs: number }

/**
 * The moves of a problem with a clock. Which orders may be left out depends on the phase, so each has a space of its own over
 * the same operations. Starting the clock for the last time is a move of its own, so that it is known when that was: before it
 * may be started and stopped, after it no more until what waits is begun.
 * docs/planner.md proves that the cheapest order is among the orders these moves make.
 */
export class ClockedMoves {
  readonly words: number
  private readonly spaces: Record<ClockPhase, StateSpace>
  /** Acts that start the clock, by number. */
  private readonly starts: [number, SearchAct][]
  /** How long each operation takes. */
  readonly workMs: Float64Array
  /** Of what waits, the part that is done in one go before the wait has to be over. */
  readonly leadMs: readonly number[]
  private readonly doneMsOf = new Memo()

  constructor(
    private readonly states: States,
    readonly reduced: Reduced,
    private readonly clock: Clock,
  ) {
    const { problem, members } = reduced
    const { running, waiting, workMs } = clock
    this.words = states.space.words
    this.starts = [...problem.acts.entries()].filter(([, { from, to }]) => !running[from] && running[to])
    this.spaces = { ...spacesFor(problem, reduced, running, states.space), after: states.space }
    this.workMs = Float64Array.from(members, (group) => group.reduce((sum, i) => sum + workMs[i]!, 0))
    this.leadMs = members.map((group) => group.slice(0, Math.max(0, group.findIndex((i) => waiting.has(i)))).reduce((sum, i) => sum + workMs[i]!, 0))
  }

  /** Where it begins: before, and, where the clock runs already, also as if it were not started again. */
  beginnings(): ClockedState[] {
    const { start } = this.reduced.problem
    const { startPlace } = this.states.space
    const at = (phase: ClockPhase, overMs: number): ClockedState => ({ id: this.idAt(new Int32Array(this.words), phase, start.tool, startPlace), phase, costMs: 0, overMs })
    if (!this.clock.running[start.combination]) return [at('before', -Infinity)]
    const running = at('meanwhile', 0)
    return [{ ...running, overMs: overAt(0, this.clock.leftMs - this.doneMs(running.id)) }, at('before', -Infinity)]
  }

  /** How long what is done in a state takes, of all operations. */
  doneMs(id: number): number {
    const known = this.doneMsOf.get(id)
    return known >= 0 ? known : this.doneMsOf.set(id, this.states.sumOfDone(id, this.workMs))
  }

  /** Every state a move leads to, in a fixed order. */
  expand(from: ClockedState, visit: (to: ClockedState, move: ClockedMove) => void): void {
    const { states, clock } = this
    const { problem, phases } = this.reduced
    const { phase, costMs } = from
    const leftMs = from.overMs - costMs
    const doneMs = this.doneMs(from.id)
    const space = this.spaces[phase]
    const words = this.wordsOf(from.id)
    const [tool, place] = [states.store.toolOf(from.id), states.store.placeOf(from.id)]
    space.expand(words, 0, tool, place)
    for (let i = 0; i < space.childCount; i++) {
      const move = { tool: space.childTool[i]!, place: space.childPlace[i]!, first: space.childFirst[i]!, act: -1 }
      const arrivedMs = costMs + space.childCost[i]!
      const spentMs = clock.spent && phase === 'meanwhile' ? space.tables.table(words, 0).spentOnTheWay(place, move.place, clock.spent.walkMs) + clock.spent.toolMs[tool]![move.tool]! : space.childCost[i]!
      if (phase !== 'after' && move.first >= 0 && phases[move.first]!.waits) {
        // What waits is done while the clock runs for the last time.
        if (phase === 'before') continue
        for (const end of this.waited(words, tool, place, move, arrivedMs, leftMs - spentMs + doneMs)) visit(end.to, end.move)
        continue
      }
      const id = states.store.intern(space.childWords, i * this.words, move.tool, move.place)
      visit({ id, phase, costMs: arrivedMs, overMs: phase === 'meanwhile' ? overAt(arrivedMs, leftMs - spentMs - (this.doneMs(id) - doneMs)) : -Infinity }, move)
    }
    if (phase !== 'before') return
    const ways = space.tables.table(words, 0).from(place)
    for (const [act, { from: begin, to, station, costMs: ms, guards }] of this.starts) {
      const way = ways[station * problem.combinations + begin]!
      if (way >= FAR || !guards.every((guard) => guardHolds(guard, (i) => isSet(words, i)))) continue
      const startedMs = costMs + way + ms
      const move = { tool, place: station * problem.combinations + to, first: -1, act }
      const id = this.idAt(words.slice(), 'meanwhile', tool, move.place)
      visit({ id, phase: 'meanwhile', costMs: startedMs, overMs: overAt(startedMs, clock.waitMs - (this.doneMs(id) - doneMs)) }, move)
    }
  }

  /** Makes a move in place. `trace` gets what is done on it, in order, also what is taken back again; `acts` the acts. Answers the phase it leads to. */
  replay(words: Int32Array, phase: ClockPhase, from: { tool: number; place: number }, move: ClockedMove, trace: number[], acts: number[]): ClockPhase {
    const { problem, phases } = this.reduced
    const space = this.spaces[phase]
    if (move.act >= 0) {
      const act = problem.acts[move.act]!
      acts.push(...space.tables.table(words, 0).actsOnTheWay(from.place, act.station * problem.combinations + act.from), move.act)
      this.settle(words, 'meanwhile', move.tool, move.place, trace)
      return 'meanwhile'
    }
    space.close(words, 0, from.tool, from.place, trace)
    acts.push(...space.tables.table(words, 0).actsOnTheWay(from.place, move.place))
    space.close(words, 0, move.tool, move.place, trace)
    if (move.first >= 0) {
      words[move.first >> 5]! |= 1 << (move.first & 31)
      trace.push(move.first)
    }
    const next: ClockPhase = phase !== 'after' && move.first >= 0 && phases[move.first]!.waits ? 'after' : phase
    this.settle(words, next, move.tool, move.place, trace)
    return next
  }

  /** Does what is free at a place and takes back what could wait, in place. */
  settle(words: Int32Array, phase: ClockPhase, tool: number, place: number, trace?: number[]): void {
    this.spaces[phase].close(words, 0, tool, place, trace)
    this.spaces[phase].standardise(words, 0)
  }

  /** What waits is done, as soon as the wait is over. `leftMs`: of the wait, without what is done in the end. Who waits with bare hands takes up any tool meanwhile. */
  private waited(words: Int32Array, tool: number, place: number, move: ClockedMove, arrivedMs: number, leftMs: number): { to: ClockedState; move: ClockedMove }[] {
    const { operations, toolMs } = this.reduced.problem
    const takingMs = this.clock.spent?.toolMs ?? toolMs
    const then = words.slice()
    const space = this.spaces.meanwhile
    space.close(then, 0, tool, place)
    space.close(then, 0, move.tool, move.place)
    const idleMs = leftMs - this.msOf(then) - this.leadMs[move.first]!
    then[move.first >> 5]! |= 1 << (move.first & 31)
    const tools = operations[move.first]!.tool === 0 && idleMs > 0 ? [...toolMs.keys()].filter((other) => other === move.tool || other !== 0) : [move.tool]
    return tools.map((taken) => {
      const costMs = arrivedMs + toolMs[move.tool]![taken]! + Math.max(0, idleMs - takingMs[move.tool]![taken]!)
      return { to: { id: this.idAt(then.slice(), 'after', taken, move.place), phase: 'after', costMs, overMs: -Infinity }, move: { ...move, tool: taken } }
    })
  }

  private idAt(words: Int32Array, phase: ClockPhase, tool: number, place: number): number {
    this.settle(words, phase, tool, place)
    return this.states.store.intern(words, 0, tool, place)
  }

  private wordsOf(id: number): Int32Array {
    const at = id * this.states.store.stride
    return this.states.store.data.slice(at, at + this.words)
  }

  private msOf(words: Int32Array): number {
    return sumOfDone(words, 0, this.words, this.workMs)
  }
}

/** Spaces before and while the clock runs for the last time. */
function spacesFor(problem: SearchProblem, { phases }: Reduced, running: readonly boolean[], plain: StateSpace): { before: StateSpace; meanwhile: StateSpace } {
  // Never made, and what it hangs on is minded all the same: it may be wanted later.
  // Never made, and what it hangs on is minded all the same: it may be wanted later.
  const never = { operations: [], initially: false, wants: true }
  const kept = { ...problem, acts: problem.acts.map((act) => (running[act.from] === running[act.to] ? act : { ...act, guards: [...act.guards, never] })) }
  // What could as well be done meanwhile is not done at once, nor what would take such a one with it.
  const optional = phases.map((phase) => isMatterOfChoice(phase!))
  const before = problem.operations.map((_, i) => phases[i]!.waits || (optional[i]! && !plain.mayBeTakenBack(i)))
  for (const [first, then] of problem.pairs) if (optional[first] && plain.mayBeTakenBack(first)) before[then] = true
  return {
    before: new StateSpace(problem, { alone: before }),
    // What is taken back here must come before what waits: its time counts for the wait all the same.
    meanwhile: new StateSpace(kept, { alone: phases.map((phase) => phase!.waits), mayBeTakenBack: (i) => isTakenBackMeanwhile(phases[i]!) }),
  }
}

/** Once all of it has been waited it does not matter any more when that began. */
function overAt(costMs: number, leftMs: number): number {
  return leftMs > 0 ? costMs + leftMs : -Infinity
}

function isSet(words: Int32Array, operation: number): boolean {
  return ((words[operation >> 5]! >>> (operation & 31)) & 1) === 1
}
