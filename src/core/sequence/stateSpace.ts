/* eslint-disable max-lines -- States and moves share the arrays that make the search fast. */
import { addTo } from './bits'
import { FAR, guardHolds, PlaceTables } from './placeTables'
import type { SearchProblem } from './problem'
import { factsOf, isDoneAtOnce, waitsForFree } from './rules'

// Taken once: a look-up of the global for each state would show.
const { clz32, min } = Math

/**
 * States and moves of a sequencing problem. A state is what is done, the tool carried and the place (station and
 * settings); whatever can be done at once without set-up, and can't take anything away later, is done, and what could
 * as well wait is taken back, so that states that cost the same from here on are one. A move is a change of tool, the
 * cheapest way to another place, and at least one operation there, so what is done always grows. docs/planner.md proves
 * that the cheapest order is among the orders these moves make.
 *
 * The operations must be numbered in an order that keeps the pairs. A state's done operations stand in `words` numbers,
 * 32 each. Children are written to the `child...` arrays, which the next call overwrites.
 */
export class StateSpace {
  readonly size: number
  readonly words: number
  readonly places: number
  readonly startPlace: number
  readonly tables: PlaceTables
  childWords: Int32Array
  childCost: Float64Array
  childTool: Int32Array
  childPlace: Int32Array
  /** The operation that had to be made by itself (one that takes a guard away), or -1. */
  childFirst: Int32Array
  childCount = 0
  private readonly combinations: number
  private readonly tool: Int32Array
  /** Per operation, the places where it may be done, as bits. */
  private readonly placesOf: Int32Array
  /** Operations that have to be made by themselves: what they take away may still be wanted. */
  private readonly alone: Uint8Array
  private readonly guarded: Uint8Array
  /** Per operation, the words of what must be done first. */
  private readonly first: Int32Array
  /** Per operation, the span of words in which it has predecessors, so that few are compared. */
  private readonly firstFrom: Int32Array
  private readonly firstTo: Int32Array
  private readonly last: Int32Array
  /** By carried tool and place, the words of what is done there at once, also with bare hands. */
  private readonly here: Int32Array
  private readonly ready: Int32Array
  private readonly toolMs: Float64Array
  private readonly tools: number
  /** Whether a guard of an operation turns on it: another may become possible by it. */
  private readonly turns: Uint8Array
  /** Per operation, the words of what comes right after it. */
  private readonly after: Int32Array
  /** The words of what may wait for free until any of its successors is done. */
  private readonly waiters: Int32Array
  /**
   * Of the state that is expanded: all that is done, what could be done now, and what something still to be done keeps
   * from it (as if what waits were done, and without).
   */
  private readonly whole: Int32Array
  private readonly readyNow: Int32Array
  private readonly blockedLater: Int32Array
  private readonly blockedNow: Int32Array
  /** What was just done in a child. */
  private readonly newly: Int32Array
  /**
   * Places as bits: where something is done at once with the tool in hand, where one comes for that, and where for what
   * is done by itself.
   */
  private readonly plain: Int32Array
  private readonly wantedPlain: Int32Array
  private readonly wantedAlone: Int32Array
  /** Per tool, whether something can be done with it now. */
  private readonly wanted: Uint8Array

  /** `alone`: operations that have to be made by themselves beside those that take a guard away. */
  // eslint-disable-next-line max-lines-per-function, complexity -- Fills the tables of the search, one after the other.
  constructor(
    readonly problem: SearchProblem,
    alone: readonly boolean[] = [],
  ) {
    const { operations, pairs } = problem
    this.size = operations.length
    this.words = Math.max(1, Math.ceil(this.size / 32))
    this.combinations = problem.combinations
    this.tables = new PlaceTables(problem)
    this.places = this.tables.places
    this.tools = problem.toolMs.length
    this.toolMs = Float64Array.from(problem.toolMs.flat())
    this.startPlace = problem.start.station * this.combinations + problem.start.combination
    this.tool = Int32Array.from(operations, (operation) => operation.tool)
    this.alone = Uint8Array.from(factsOf(problem).map((facts, i) => Number(!isDoneAtOnce(facts) || alone[i] === true)))
    this.guarded = Uint8Array.from(operations, (operation) => (operation.guards.length > 0 ? 1 : 0))
    this.first = new Int32Array(this.size * this.words)
    for (const [before, after] of pairs) {
      if (before >= after)
        throw new Error(
          `Operation ${before} must be numbered before ${after}: number the problem in an order that keeps its pairs.`,
        )
      this.first[after * this.words + (before >> 5)]! |= 1 << (before & 31)
    }
    this.firstFrom = new Int32Array(this.size)
    this.firstTo = new Int32Array(this.size)
    for (let operation = 0; operation < this.size; operation++) {
      const filled = Array.from({ length: this.words }, (_, word) => word).filter(
        (word) => this.first[operation * this.words + word] !== 0,
      )
      this.firstFrom[operation] = filled[0] ?? 0
      this.firstTo[operation] = filled.length > 0 ? filled.at(-1)! + 1 : 0
    }
    // A full word is -1, also where it holds 32 operations: (1 << 32) - 1 would be 0.
    this.last = Int32Array.from({ length: this.words }, (_, word) =>
      this.size - word * 32 >= 32 ? -1 : (1 << (this.size - word * 32)) - 1,
    )
    this.here = new Int32Array(this.tools * this.places * this.words)
    for (let operation = 0; operation < this.size; operation++) {
      if (this.alone[operation] === 1) continue
      const { tool: needed, station, allowed } = operations[operation]!
      for (let combination = 0; combination < this.combinations; combination++) {
        if (!allowed[combination]) continue
        for (let tool = 0; tool < this.tools; tool++)
          if (needed === 0 || needed === tool)
            this.here[this.hereAt(tool, station * this.combinations + combination) + (operation >> 5)]! |=
              1 << (operation & 31)
      }
    }
    this.turns = new Uint8Array(this.size)
    for (const operation of operations)
      for (const guard of operation.guards) for (const i of guard.operations) this.turns[i] = 1
    const { waiters, after } = this.findWaiters()
    this.after = after
    this.waiters = waiters
    const words = () => new Int32Array(this.words)
    ;[this.whole, this.readyNow, this.blockedLater, this.blockedNow, this.newly] = [
      words(),
      words(),
      words(),
      words(),
      words(),
    ]
    const { placeWords } = this.tables
    this.placesOf = new Int32Array(this.size * placeWords)
    operations.forEach(({ station, allowed }, operation) =>
      allowed.forEach((may, combination) => {
        const place = station * this.combinations + combination
        if (may) this.placesOf[operation * placeWords + (place >> 5)]! |= 1 << (place & 31)
      }),
    )
    const placeBits = () => new Int32Array(placeWords)
    ;[this.plain, this.wantedPlain, this.wantedAlone] = [placeBits(), placeBits(), placeBits()]
    this.wanted = new Uint8Array(this.tools)
    this.ready = new Int32Array(this.size)
    const room = 64
    this.childWords = new Int32Array(room * this.words)
    this.childCost = new Float64Array(room)
    this.childTool = new Int32Array(room)
    this.childPlace = new Int32Array(room)
    this.childFirst = new Int32Array(room)
  }

  /**
   * Does at once whatever is free of set-up here and takes no guard away. Changes `state` in place, and adds what was
   * done to
   * `trace` in its order.
   */
  close(state: Int32Array, offset: number, tool: number, place: number, trace?: number[]): void {
    const here = this.hereAt(tool, place)
    // One pass is enough for plain operations, since they are numbered in an order that keeps the pairs; an operation
    // with a guard may become possible by a later one.
    for (let again = true; again;) {
      again = false
      for (let word = 0; word < this.words; word++)
        for (let left = this.here[here + word]! & ~state[offset + word]!; left !== 0; left &= left - 1) {
          const operation = word * 32 + 31 - clz32(left & -left)
          if (!this.isReady(state, offset, operation)) continue
          state[offset + word]! |= left & -left
          trace?.push(operation)
          if (this.turns[operation] === 1) again = true
        }
    }
  }

  /**
   * Takes back what could as well wait: an operation none of whose successors is done, and that is free wherever any of
   * them is done. States that differ by nothing else cost the same from here on, and become one. Changes `state` in
   * place.
   */
  standardise(state: Int32Array, offset: number): void {
    // The last first: what waits for it may then wait as well.
    for (let word = this.words - 1; word >= 0; word--)
      this.takeBack(state, offset, word, state[offset + word]! & this.waiters[word]!)
  }

  /** Every move from a state, in a fixed order. */
  // eslint-disable-next-line complexity -- Made for every state: what can be done in place calls nothing.
  expand(from: Int32Array, fromOffset: number, tool: number, place: number): void {
    this.childCount = 0
    const state = this.whole
    const offset = 0
    for (let word = 0; word < this.words; word++) state[word] = from[fromOffset + word]!
    this.close(state, 0, tool, place)
    const table = this.tables.table(state, offset)
    const ways = table.from(place)
    const { tools, placesOf, plain, wanted, wantedPlain, wantedAlone } = this
    const { placeWords } = this.tables
    const readyCount = this.findReady(state)
    wanted.fill(0)
    for (let i = 0; i < readyCount; i++) wanted[this.tool[this.ready[i]!]!] = 1
    // What bare hands can do elsewhere is gone to with the tool in hand.
    if (wanted[0] === 1) wanted[tool] = 1
    for (let next = 0; next < tools; next++) {
      // The bare hand is no tool to change to.
      if (wanted[next] === 0 || (next === 0 && tool !== 0)) continue
      const change = this.toolMs[tool * tools + next]!
      for (let word = 0; word < placeWords; word++) plain[word] = wantedPlain[word] = wantedAlone[word] = 0
      for (let i = 0; i < readyCount; i++) {
        const operation = this.ready[i]!
        if (this.tool[operation] !== 0 && this.tool[operation] !== next) continue
        const [isAlone, isWanted] = [this.alone[operation] === 1, this.isWanted(operation, next, tool)]
        for (let word = 0; word < placeWords; word++) {
          const there = placesOf[operation * placeWords + word]!
          if (isAlone) wantedAlone[word]! |= isWanted ? there : 0
          else {
            plain[word]! |= there
            if (isWanted) wantedPlain[word]! |= there
          }
        }
      }
      for (let word = 0; word < placeWords; word++)
        for (let left = wantedPlain[word]! | wantedAlone[word]!; left !== 0; left &= left - 1) {
          const bit = left & -left
          const to = word * 32 + 31 - clz32(bit)
          if (ways[to]! >= FAR || table.passesAny(place, to, plain, next === tool)) continue
          if ((wantedPlain[word]! & bit) !== 0) this.addChild(from, fromOffset, change + ways[to]!, next, to, -1)
          else
            for (let i = 0; i < readyCount; i++) {
              const operation = this.ready[i]!
              if (
                this.alone[operation] === 1 &&
                this.isWanted(operation, next, tool) &&
                (placesOf[operation * placeWords + word]! & bit) !== 0
              )
                this.addChild(from, fromOffset, change + ways[to]!, next, to, operation)
            }
        }
    }
  }

  isFinished(state: Int32Array, offset: number): boolean {
    for (let word = 0; word < this.words; word++) if (state[offset + word] !== this.last[word]) return false
    return true
  }

  /**
   * What it still takes to leave the settings as they are to be, once everything is done; FAR when that can't be done.
   */
  endMs(state: Int32Array, offset: number, place: number): number {
    const ways = this.tables.table(state, offset).from(place)
    let best = FAR
    for (let to = 0; to < this.places; to++)
      if (this.problem.finish[to % this.combinations]) best = min(best, ways[to]!)
    return best
  }

  isReady(state: Int32Array, offset: number, operation: number): boolean {
    const begin = operation * this.words
    for (let word = this.firstFrom[operation]!; word < this.firstTo[operation]!; word++) {
      const wanted = this.first[begin + word]!
      if ((wanted & state[offset + word]!) !== wanted) return false
    }
    return this.guarded[operation] === 0 || this.guardsHold(state, offset, operation)
  }

  private guardsHold(state: Int32Array, offset: number, operation: number): boolean {
    const done = (other: number) => ((state[offset + (other >> 5)]! >>> (other & 31)) & 1) === 1
    return this.problem.operations[operation]!.guards.every((guard) => guardHolds(guard, done))
  }

  /**
   * Whether one comes to a place for it: a tool is taken up for an operation with it; what bare hands can do there is
   * done before or after.
   */
  private isWanted(operation: number, next: number, inHand: number): boolean {
    const needed = this.tool[operation]!
    return needed === next || (needed === 0 && next === inHand)
  }

  private addChild(
    from: Int32Array,
    fromOffset: number,
    cost: number,
    tool: number,
    place: number,
    first: number,
  ): void {
    const at = this.childCount
    if (at >= this.childCost.length) this.grow()
    const { words, childWords } = this
    const begin = at * words
    const { whole, newly } = this
    for (let word = 0; word < words; word++) {
      newly[word] = this.here[this.hereAt(tool, place) + word]! & this.readyNow[word]!
      childWords[begin + word] = whole[word]! | newly[word]!
    }
    this.closeAfter(childWords, begin, tool, place)
    if (first >= 0) {
      childWords[begin + (first >> 5)]! |= 1 << (first & 31)
      newly[first >> 5]! |= 1 << (first & 31)
      this.closeAfter(childWords, begin, tool, place)
    }
    // What was done before is followed by something: else it would have been taken back.
    for (let word = words - 1; word >= 0; word--)
      this.takeBack(
        childWords,
        begin,
        word,
        childWords[begin + word]! & ~from[fromOffset + word]! & this.waiters[word]!,
      )
    // A move for what could as well wait is none.
    let moved = false
    for (let word = 0; word < words && !moved; word++) moved = childWords[begin + word] !== from[fromOffset + word]
    if (!moved) return
    this.childCount = at + 1
    this.childCost[at] = cost
    this.childTool[at] = tool
    this.childPlace[at] = place
    this.childFirst[at] = first
  }

  private hereAt(tool: number, place: number): number {
    return (tool * this.places + place) * this.words
  }

  /**
   * Writes what could be done now to `readyNow`, and to `ready` what is not brought along by something else: for that,
   * what waits counts as done, since it is done on the way, at the same place. Answers how many are ready.
   */
  private findReady(state: Int32Array): number {
    const { words, after, readyNow, blockedLater, blockedNow } = this
    readyNow.fill(0)
    blockedLater.fill(0)
    blockedNow.fill(0)
    let count = 0
    // Whatever keeps something from being done has a lower number.
    for (let word = 0; word < words; word++)
      for (let left = this.last[word]! & ~state[word]!; left !== 0; left &= left - 1) {
        const bit = left & -left
        const operation = word * 32 + 31 - clz32(bit)
        const begin = operation * words
        for (let other = word; other < words; other++) blockedNow[other]! |= after[begin + other]!
        if (
          (blockedLater[word]! & bit) === 0 &&
          (this.guarded[operation] === 0 || this.guardsHold(state, 0, operation))
        ) {
          if ((blockedNow[word]! & bit) === 0) readyNow[word]! |= bit
          if ((this.waiters[word]! & bit) !== 0) continue
          this.ready[count++] = operation
        }
        for (let other = word; other < words; other++) blockedLater[other]! |= after[begin + other]!
      }
    return count
  }

  /** Does at once what became possible by what was just done (`newly`), in place. */
  private closeAfter(state: Int32Array, offset: number, tool: number, place: number): void {
    const { words, newly, after } = this
    const here = this.hereAt(tool, place)
    let isTurned = false
    for (let word = 0; word < words; word++)
      while (newly[word] !== 0) {
        const bit = newly[word]! & -newly[word]!
        const operation = word * 32 + 31 - clz32(bit)
        newly[word]! ^= bit
        if (this.turns[operation] === 1) isTurned = true
        // What comes after it has a higher number.
        for (let next = word; next < words; next++)
          for (
            let left = after[operation * words + next]! & this.here[here + next]! & ~state[offset + next]!;
            left !== 0;
            left &= left - 1
          ) {
            if (!this.isReady(state, offset, next * 32 + 31 - clz32(left & -left))) continue
            state[offset + next]! |= left & -left
            newly[next]! |= left & -left
          }
      }
    if (isTurned) this.close(state, offset, tool, place)
  }

  /** Takes back those of some operations of a word that none of their successors follows, the last first. */
  private takeBack(state: Int32Array, offset: number, word: number, waiters: number): void {
    const { words, after } = this
    for (let left = waiters; left !== 0;) {
      const at = 31 - clz32(left)
      left &= ~(1 << at)
      const begin = (word * 32 + at) * words
      let followed = false
      for (let other = word; other < words && !followed; other++)
        followed = (after[begin + other]! & state[offset + other]!) !== 0
      if (!followed) state[offset + word]! &= ~(1 << at)
    }
  }

  private findWaiters(): { waiters: Int32Array; after: Int32Array } {
    const facts = factsOf(this.problem)
    const [waiters, after] = [new Int32Array(this.words), new Int32Array(this.size * this.words)]
    const successors = facts.map((): number[] => [])
    for (const [before, then] of this.problem.pairs) {
      after[before * this.words + (then >> 5)]! |= 1 << (then & 31)
      successors[before]!.push(then)
    }
    // What is only done by itself is not brought along by what follows it.
    const canWait = (i: number) =>
      this.alone[i] === 0 &&
      successors[i]!.length > 0 &&
      successors[i]!.every((j) => waitsForFree(facts[i]!, facts[j]!))
    for (const i of facts.keys()) if (canWait(i)) addTo(waiters, i)
    return { waiters, after }
  }

  private grow(): void {
    const longer = <T extends Int32Array | Float64Array>(old: T, made: T): T => (made.set(old), made)
    this.childWords = longer(this.childWords, new Int32Array(this.childWords.length * 2))
    this.childCost = longer(this.childCost, new Float64Array(this.childCost.length * 2))
    this.childTool = longer(this.childTool, new Int32Array(this.childTool.length * 2))
    this.childPlace = longer(this.childPlace, new Int32Array(this.childPlace.length * 2))
    this.childFirst = longer(this.childFirst, new Int32Array(this.childFirst.length * 2))
  }
}
