import { addTo, isEmpty, isIn, removeFrom } from './bits'
import type { Clock } from './clock'
import { FAR, guardHolds, PlaceTables, type PlaceTable } from './placeTables'
import type { SearchProblem } from './problem'
import type { Reduced } from './reduce'
import { factsOf, isDecidedHere, isDoneAtOnce, isUndecided, settlesNothing } from './rules'

// Taken once: a look-up of the global for each state would show.
const { floor } = Math

/**
 * What is done, and of that what is undecided: it was possible before the clock was started, and may be taken as done then or
 * while it runs, whichever turns out better. What follows something undecided and is done is undecided as well.
 */
export type Meanwhile = { done: Int32Array; undecided: Int32Array }

/** Where somebody stands, and with what in hand. */
export type At = { tool: number; place: number }

/** To a place with a tool; `first`: the operation that is chosen there (or -1, where all that is free there is done). */
export type MeanwhileMove = At & { first: number; costMs: number }

/**
 * States and moves while it has to be waited (StateSpace has those of a problem without a clock): here it counts as well when
 * something was done. docs/planner.md proves that the cheapest order is among those these moves make.
 */
export class MeanwhileSpace {
  readonly tables: PlaceTables
  private readonly problem: SearchProblem
  private readonly words: number
  private readonly size: number
  private readonly tool: Int32Array
  private readonly station: Int32Array
  private readonly allowed: Uint8Array
  /** What takes a guard away and what waits is only done by itself. */
  private readonly alone: Uint8Array
  private readonly anyGuarded: boolean
  private readonly mayBeUndecided: Uint8Array
  /** Per operation, what comes right before it, right after it, and both; then all that must come before and after it. */
  private readonly before: Int32Array[]
  private readonly after: Int32Array[]
  private readonly beside: Int32Array[]
  private readonly ancestors: Int32Array[]
  private readonly descendants: Int32Array[]
  /** Operations by carried tool and station, bare-handed ones among them, in their order. */
  private readonly here: Int32Array[]
  /** Per place, what is done there at once; written anew for each move. */
  private readonly plain: Int32Array[]
  private readonly set: Int32Array

  /** `clock`: which of the clocks in turn runs. */
  constructor({ problem, phases }: Reduced, { running }: Clock, clock: number) {
    this.problem = problem
    // Never made, and what it hangs on is minded all the same: it may be wanted later.
    const never = { operations: [], initially: false, wants: true }
    this.tables = new PlaceTables({ ...problem, acts: problem.acts.map((act) => (running[act.from] === running[act.to] ? act : { ...act, guards: [...act.guards, never] })) })
    const { operations, pairs, toolMs, walkMs } = problem
    this.size = operations.length
    this.words = Math.max(1, Math.ceil(this.size / 32))
    this.tool = Int32Array.from(operations, (operation) => operation.tool)
    this.station = Int32Array.from(operations, (operation) => operation.station)
    this.allowed = Uint8Array.from(operations.flatMap((operation) => operation.allowed.map(Number)))
    const facts = factsOf(problem).map((fact, i) => ({ ...fact, phases: phases[i]! }))
    this.alone = Uint8Array.from(facts, (fact) => Number(!isDoneAtOnce(fact) || fact.phases[clock]!.waits))
    this.anyGuarded = operations.some((operation) => operation.guards.length > 0)
    this.mayBeUndecided = Uint8Array.from(facts, (fact) => Number(isUndecided(fact, clock)))
    const none = () => operations.map(() => new Int32Array(this.words))
    ;[this.before, this.after, this.beside, this.ancestors, this.descendants] = [none(), none(), none(), none(), none()]
    for (const [first, then] of pairs) {
      addTo(this.before[then]!, first)
      addTo(this.after[first]!, then)
      addTo(this.beside[then]!, first)
      addTo(this.beside[first]!, then)
    }
    // Operations are numbered in an order that keeps the pairs.
    for (const [first, then] of [...pairs].sort((a, b) => a[1] - b[1])) this.take(this.ancestors[then]!, first, this.ancestors[first]!)
    for (const [first, then] of [...pairs].sort((a, b) => b[0] - a[0])) this.take(this.descendants[first]!, then, this.descendants[then]!)
    this.set = new Int32Array(this.words)
    this.plain = Array.from({ length: this.tables.places }, () => new Int32Array(this.words))
    this.here = Array.from({ length: toolMs.length * walkMs.length }, (_, at) => {
      const [tool, station] = [floor(at / walkMs.length), at % walkMs.length]
      return Int32Array.from(operations.keys()).filter((i) => operations[i]!.station === station && (operations[i]!.tool === 0 || operations[i]!.tool === tool))
    })
  }

  /** Of what was done before the clock is started, what may as well be done while it runs, with all that followed it. */
  undecidedOf(done: Int32Array): Int32Array {
    const undecided = new Int32Array(this.words)
    for (let i = this.size - 1; i >= 0; i--) {
      if (this.mayBeUndecided[i] === 0 || !isIn(done, i)) continue
      let decided = false
      for (let word = 0; word < this.words; word++) if ((this.after[i]![word]! & done[word]! & ~undecided[word]!) !== 0) decided = true
      if (!decided) addTo(undecided, i)
    }
    return undecided
  }

  /** Does at once what is free here, and takes what is undecided and free here as done now. Changes the state in place; what is done is added to `trace`. */
  close({ done, undecided }: Meanwhile, { tool, place }: At, trace?: number[]): void {
    const combination = place % this.problem.combinations
    const list = this.listAt(tool, place)
    for (let again = true; again; ) {
      again = false
      for (let at = 0; at < list.length; at++) {
        const i = list[at]!
        if (isIn(done, i) || this.alone[i] === 1 || !this.isAllowed(i, combination) || !this.isReady(i, done) || !settlesNothing(this.before[i]!, undecided)) continue
        addTo(done, i)
        trace?.push(i)
        // One pass is enough for plain operations; one with a guard may become possible by a later one.
        if (this.anyGuarded) again = true
      }
      if (isEmpty(undecided)) continue
      for (const i of this.decidable(undecided, list, combination)) {
        removeFrom(undecided, i)
        trace?.push(i)
        again = true
      }
    }
  }

  /** Every move from a state in which what is free is done, in a fixed order. */
  moves({ done, undecided }: Meanwhile, { tool, place }: At): MeanwhileMove[] {
    const { toolMs, combinations } = this.problem
    const table = this.tables.table(done, 0)
    const ways = table.from(place)
    const ready: number[] = []
    for (let i = 0; i < this.size; i++) if (isIn(done, i) ? isIn(undecided, i) : this.isReady(i, done)) ready.push(i)
    const found: MeanwhileMove[] = []
    for (let next = 0; next < toolMs.length; next++) {
      // The bare hand is no tool to change to.
      if (next === 0 && tool !== 0) continue
      // A tool is taken up for an operation with it; what bare hands can do there is done before or after.
      const isOwn = (i: number) => (next === tool ? this.tool[i] === 0 || this.tool[i] === tool : this.tool[i] === next)
      const own = ready.filter(isOwn)
      if (own.length === 0) continue
      const plainAt = this.plainAt(ready, undecided, next)
      for (let to = 0; to < ways.length; to++) {
        if (ways[to]! >= FAR || this.passesSomething(plainAt, table, place, to, next === tool)) continue
        const [station, combination] = [floor(to / combinations), to % combinations]
        const here = own.filter((i) => this.station[i] === station && this.isAllowed(i, combination))
        if (here.length === 0) continue
        const costMs = toolMs[tool]![next]! + ways[to]!
        if (here.some((i) => isIn(plainAt[to]!, i))) found.push({ tool: next, place: to, first: -1, costMs })
        else for (const first of here) found.push({ tool: next, place: to, first, costMs })
      }
    }
    return found
  }

  /**
   * Makes a move in place. What is chosen is done now, what it follows was done before the clock was started, and what was done
   * after it then is not done yet. Answers what was so decided to have been done before.
   */
  make(state: Meanwhile, to: At & { first: number }, trace?: number[]): Int32Array {
    const { done, undecided } = state
    this.close(state, to, trace)
    const earlier = new Int32Array(this.words)
    const { first } = to
    if (first < 0) return earlier
    for (let word = 0; word < this.words; word++) {
      earlier[word] = this.ancestors[first]![word]! & undecided[word]!
      const undone = this.descendants[first]![word]! & undecided[word]!
      done[word]! &= ~undone
      undecided[word]! &= ~(earlier[word]! | undone)
    }
    removeFrom(undecided, first)
    addTo(done, first)
    trace?.push(first)
    return earlier
  }

  private take(into: Int32Array, own: number, all: Int32Array): void {
    for (let word = 0; word < this.words; word++) into[word]! |= all[word]!
    addTo(into, own)
  }

  private listAt(tool: number, place: number): Int32Array {
    return this.here[tool * this.problem.walkMs.length + floor(place / this.problem.combinations)]!
  }

  private isReady(i: number, done: Int32Array): boolean {
    const first = this.before[i]!
    for (let word = 0; word < this.words; word++) if ((first[word]! & ~done[word]!) !== 0) return false
    const { guards } = this.problem.operations[i]!
    return guards.length === 0 || guards.every((guard) => guardHolds(guard, (other) => isIn(done, other)))
  }

  /** Undecided operations that are free here together with all undecided ones they hang together with, in their order. */
  private decidable(undecided: Int32Array, list: Int32Array, combination: number): number[] {
    const set = this.set.fill(0)
    let found: number[] = []
    for (let at = 0; at < list.length; at++) {
      const i = list[at]!
      if (!isIn(undecided, i) || !this.isAllowed(i, combination)) continue
      found.push(i)
      addTo(set, i)
    }
    for (let dropped = true; dropped; ) {
      dropped = false
      found = found.filter((i) => {
        if (isDecidedHere(this.beside[i]!, undecided, set)) return true
        removeFrom(set, i)
        dropped = true
        return false
      })
    }
    return found
  }

  /** For each place, what of some ready operations is done there at once with a tool in hand. */
  private plainAt(ready: readonly number[], undecided: Int32Array, tool: number): Int32Array[] {
    const { combinations } = this.problem
    const plainAt = this.plain
    for (const plain of plainAt) plain.fill(0)
    const nothingUndecided = isEmpty(undecided)
    for (const i of ready) {
      if ((this.tool[i] !== 0 && this.tool[i] !== tool) || this.alone[i] === 1 || isIn(undecided, i) || !settlesNothing(this.before[i]!, undecided)) continue
      for (let combination = 0; combination < combinations; combination++) if (this.isAllowed(i, combination)) addTo(plainAt[this.station[i]! * combinations + combination]!, i)
    }
    if (!nothingUndecided) for (let place = 0; place < plainAt.length; place++) for (const i of this.decidable(undecided, this.listAt(tool, place), place % combinations)) addTo(plainAt[place]!, i)
    return plainAt
  }

  private isAllowed(i: number, combination: number): boolean {
    return this.allowed[i * this.problem.combinations + combination] === 1
  }

  /** Whether the cheapest way leads over a place where something could be done at once with the same tool: then that is its own move. */
  private passesSomething(plainAt: readonly Int32Array[], table: PlaceTable, from: number, to: number, sameTool: boolean): boolean {
    const ways = table.from(from)
    for (let via = 0; via < plainAt.length; via++) {
      // Here nothing is left for the tool in hand; with another one there may be.
      if (ways[via]! >= ways[to]! || (via === from && sameTool) || isEmpty(plainAt[via]!)) continue
      if (ways[via]! + table.from(via)[to]! === ways[to]!) return true
    }
    return false
  }
}
