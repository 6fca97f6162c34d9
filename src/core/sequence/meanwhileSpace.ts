import { addTo, isEmpty, isIn, removeFrom } from './bits'
import type { Clock } from './clock'
import { FAR, guardHolds, PlaceTables } from './placeTables'
import type { SearchProblem } from './problem'
import type { Reduced } from './reduce'
import { factsOf, isDecidedHere, isDoneAtOnce, isUndecided, settlesNothing } from './rules'

// Taken once: a look-up of the global for each state would show.
const { clz32 } = Math

/**
 * What is done, and of that what is undecided: it was possible before the clock was started, and may be taken as done
 * then or while it runs, whichever turns out better. What follows something undecided and is done is undecided as well.
 */
export type Meanwhile = { done: Int32Array; undecided: Int32Array }

/** Where somebody stands, and with what in hand. */
export type At = { tool: number; place: number }

/**
 * To a place with a tool; `first`: the operation that is chosen there (or -1, where all that is free there is done).
 */
export type MeanwhileMove = At & { first: number; costMs: number }

/**
 * States and moves while it has to be waited (StateSpace has those of a problem without a clock): here it counts as
 * well when something was done. docs/planner.md proves that the cheapest order is among those these moves make.
 */
export class MeanwhileSpace {
  readonly tables: PlaceTables
  private readonly problem: SearchProblem
  private readonly words: number
  private readonly size: number
  private readonly places: number
  /** What takes a guard away and what waits is only done by itself. */
  private readonly alone: Int32Array
  /** What a guard of an operation turns on: another may become possible by it. */
  private readonly turns: Int32Array
  private readonly mayBeUndecided: Uint8Array
  /**
   * Per operation, what comes right before it, right after it, and both; then all that must come before and after it.
   */
  private readonly before: Int32Array[]
  private readonly after: Int32Array[]
  private readonly beside: Int32Array[]
  private readonly ancestors: Int32Array[]
  private readonly descendants: Int32Array[]
  /** By tool and place, the words of what is done there with just that tool (0: bare hands). */
  private readonly withTool: Int32Array
  /**
   * Of one state at a time: what could be done, and of that what would be done at once; per place, that with a tool in
   * hand.
   */
  private readonly ready: Int32Array
  private readonly atOnce: Int32Array
  private readonly plain: Int32Array
  /** The places where that is anything, as bits. */
  private readonly plainPlaces: Int32Array
  private readonly set: Int32Array

  /** `clock`: which of the clocks in turn runs. */
  constructor({ problem, phases }: Reduced, { running }: Clock, clock: number) {
    this.problem = problem
    // Never made, and what it hangs on is minded all the same: it may be wanted later.
    const never = { operations: [], initially: false, wants: true }
    this.tables = new PlaceTables({
      ...problem,
      acts: problem.acts.map((act) =>
        running[act.from] === running[act.to] ? act : { ...act, guards: [...act.guards, never] },
      ),
    })
    const { operations, pairs, toolMs } = problem
    this.size = operations.length
    this.words = Math.max(1, Math.ceil(this.size / 32))
    this.places = this.tables.places
    const facts = factsOf(problem).map((fact, i) => ({ ...fact, phases: phases[i]! }))
    const [alone, turns] = [new Int32Array(this.words), new Int32Array(this.words)]
    facts.forEach((fact, i) => (!isDoneAtOnce(fact) || fact.phases[clock]!.waits) && addTo(alone, i))
    for (const operation of operations)
      for (const guard of operation.guards) for (const i of guard.operations) addTo(turns, i)
    this.alone = alone
    this.turns = turns
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
    for (const [first, then] of [...pairs].sort((a, b) => a[1] - b[1]))
      this.take(this.ancestors[then]!, first, this.ancestors[first]!)
    for (const [first, then] of [...pairs].sort((a, b) => b[0] - a[0]))
      this.take(this.descendants[first]!, then, this.descendants[then]!)
    this.withTool = new Int32Array(toolMs.length * this.places * this.words)
    operations.forEach(({ tool, station, allowed }, i) => {
      for (let combination = 0; combination < problem.combinations; combination++)
        if (allowed[combination])
          this.withTool[(tool * this.places + station * problem.combinations + combination) * this.words + (i >> 5)]! |=
            1 << (i & 31)
    })
    this.ready = new Int32Array(this.words)
    this.atOnce = new Int32Array(this.words)
    this.plain = new Int32Array(this.places * this.words)
    this.plainPlaces = new Int32Array(this.tables.placeWords)
    this.set = new Int32Array(this.words)
  }

  /**
   * Of what was done before the clock is started, what may as well be done while it runs, with all that followed it.
   */
  undecidedOf(done: Int32Array): Int32Array {
    const undecided = new Int32Array(this.words)
    for (let i = this.size - 1; i >= 0; i--) {
      if (this.mayBeUndecided[i] === 0 || !isIn(done, i)) continue
      let decided = false
      for (let word = 0; word < this.words; word++)
        if ((this.after[i]![word]! & done[word]! & ~undecided[word]!) !== 0) decided = true
      if (!decided) addTo(undecided, i)
    }
    return undecided
  }

  /**
   * Does at once what is free here, and takes what is undecided and free here as done now. Changes the state in place;
   * what is done is added to `trace`.
   */
  close({ done, undecided }: Meanwhile, { tool, place }: At, trace?: number[]): void {
    for (let again = true; again;) {
      again = false
      for (let word = 0; word < this.words; word++)
        for (
          let left = this.freeHere(tool, place, word) & ~done[word]! & ~this.alone[word]!;
          left !== 0;
          left &= left - 1
        ) {
          const i = word * 32 + 31 - clz32(left & -left)
          if (!this.isReady(i, done) || !settlesNothing(this.before[i]!, undecided)) continue
          addTo(done, i)
          trace?.push(i)
          // One pass is enough for plain operations; one with a guard may become possible by a later one.
          if (isIn(this.turns, i)) again = true
        }
      if (!this.findDecidable(undecided, tool, place)) continue
      for (let word = 0; word < this.words; word++) {
        undecided[word]! &= ~this.set[word]!
        if (trace)
          for (let left = this.set[word]!; left !== 0; left &= left - 1)
            trace.push(word * 32 + 31 - clz32(left & -left))
      }
      again = true
    }
  }

  /** Every move from a state in which what is free is done, in a fixed order. */
  moves({ done, undecided }: Meanwhile, { tool, place }: At): MeanwhileMove[] {
    const { toolMs } = this.problem
    const { places, ready } = this
    const table = this.tables.table(done, 0)
    const ways = table.from(place)
    this.findReady(done, undecided)
    const found: MeanwhileMove[] = []
    for (let next = 0; next < toolMs.length; next++) {
      // The bare hand is no tool to change to.
      if (next === 0 && tool !== 0) continue
      let isLookedAt = false
      for (let to = 0; to < places; to++) {
        if (ways[to]! >= FAR || !this.hasOwn(next, to, next === tool)) continue
        if (!isLookedAt) this.findPlain(undecided, next)
        isLookedAt = true
        if (table.passesAny(place, to, this.plainPlaces, next === tool)) continue
        const costMs = toolMs[tool]![next]! + ways[to]!
        if (this.hasOwn(next, to, next === tool, this.plain)) found.push({ tool: next, place: to, first: -1, costMs })
        else
          for (let word = 0; word < this.words; word++)
            for (let left = this.ownHere(next, to, next === tool, word) & ready[word]!; left !== 0; left &= left - 1)
              found.push({ tool: next, place: to, first: word * 32 + 31 - clz32(left & -left), costMs })
      }
    }
    return found
  }

  /**
   * Makes a move in place. What is chosen is done now, what it follows was done before the clock was started, and what
   * was done after it then is not done yet. Answers what was so decided to have been done before.
   */
  make(state: Meanwhile, to: At & { first: number }, trace?: number[]): Int32Array {
    const { done, undecided } = state
    this.close(state, to, trace)
    const earlier = new Int32Array(this.words)
    const { first } = to
    // Once what is undecided before it was taken as done here, it may have been done at once.
    if (first < 0 || (isIn(done, first) && !isIn(undecided, first))) return earlier
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

  /** A word of what is free at a place with a tool in hand, also with bare hands. */
  private freeHere(tool: number, place: number, word: number): number {
    return this.withTool[place * this.words + word]! | this.withTool[(tool * this.places + place) * this.words + word]!
  }

  /**
   * A word of what one comes for: a tool is taken up for an operation with it; what bare hands can do there is done
   * before or after.
   */
  private ownHere(tool: number, place: number, isInHand: boolean, word: number): number {
    return isInHand
      ? this.freeHere(tool, place, word)
      : this.withTool[(tool * this.places + place) * this.words + word]!
  }

  /** Whether something that is ready is what one comes to a place for; `plain`: that would be done there at once. */
  private hasOwn(tool: number, place: number, isInHand: boolean, plain?: Int32Array): boolean {
    for (let word = 0; word < this.words; word++)
      if (
        (this.ownHere(tool, place, isInHand, word) &
          this.ready[word]! &
          (plain ? plain[place * this.words + word]! : -1)) !==
        0
      )
        return true
    return false
  }

  private isReady(i: number, done: Int32Array): boolean {
    const first = this.before[i]!
    for (let word = 0; word < this.words; word++) if ((first[word]! & ~done[word]!) !== 0) return false
    const { guards } = this.problem.operations[i]!
    return guards.length === 0 || guards.every((guard) => guardHolds(guard, (other) => isIn(done, other)))
  }

  /** What could be done now, or taken as done now; and of that what is not undecided and would be done at once. */
  private findReady(done: Int32Array, undecided: Int32Array): void {
    const { ready, atOnce } = this
    for (let word = 0; word < this.words; word++) {
      ready[word] = done[word]! & undecided[word]!
      atOnce[word] = 0
    }
    for (let i = 0; i < this.size; i++) {
      if (isIn(done, i) || !this.isReady(i, done)) continue
      addTo(ready, i)
      if (!isIn(this.alone, i) && settlesNothing(this.before[i]!, undecided)) addTo(atOnce, i)
    }
  }

  /**
   * Writes to `set` the undecided operations that are free here together with all undecided ones they hang together
   * with; false where there are none.
   */
  private findDecidable(undecided: Int32Array, tool: number, place: number): boolean {
    const { set } = this
    for (let word = 0; word < this.words; word++) set[word] = undecided[word]! & this.freeHere(tool, place, word)
    for (let dropped = true; dropped;) {
      dropped = false
      for (let word = 0; word < this.words; word++)
        for (let left = set[word]!; left !== 0; left &= left - 1) {
          const i = word * 32 + 31 - clz32(left & -left)
          if (isDecidedHere(this.beside[i]!, undecided, set)) continue
          removeFrom(set, i)
          dropped = true
        }
    }
    return !isEmpty(set)
  }

  /** For each place, what is done there at once with a tool in hand. */
  private findPlain(undecided: Int32Array, tool: number): void {
    const { plain, words } = this
    this.plainPlaces.fill(0)
    for (let place = 0; place < this.places; place++) {
      const anyDecidable = this.findDecidable(undecided, tool, place)
      let any = 0
      for (let word = 0; word < words; word++) {
        const here = (this.atOnce[word]! & this.freeHere(tool, place, word)) | (anyDecidable ? this.set[word]! : 0)
        plain[place * words + word] = here
        any |= here
      }
      if (any !== 0) addTo(this.plainPlaces, place)
    }
  }
}
