import { withoutDetours, type SearchProblem } from './problem'

/**
 * The part of the walking that goes by what is left: every spot with something to do is visited, again where the order
 * forces somebody back, and every visit but the last ends by leaving, which costs at least the shortest way from there.
 * Proof of the split: docs/planner.md, "Lower bounds".
 */
export class Visits {
  /** The walking without what leaving takes, never below zero. */
  readonly restMs: number[][]
  private readonly leastMs: number[]
  private readonly spots: readonly Spot[]
  private readonly combinations: number

  constructor(problem: SearchProblem) {
    const { walkMs, operations, combinations } = problem
    this.combinations = combinations
    this.leastMs = walkMs.map((row, from) => Math.min(...row.filter((_, to) => to !== from)))
    this.restMs = withoutDetours(
      walkMs.map((row, from) => row.map((ms, to) => (from === to ? 0 : ms - this.leastMs[from]!))),
    )
    const returns = returnsForced(problem)
    const wordsOf = (station: number, first: boolean): Int32Array[] => {
      const most = Math.max(
        -1,
        ...operations.flatMap((operation, i) =>
          operation.station === station && Boolean(operation.first) === first ? [returns[i]!] : [],
        ),
      )
      return Array.from({ length: most + 1 }, (_, level) => {
        const words = new Int32Array(Math.ceil(operations.length / 32))
        operations.forEach(
          (operation, i) =>
            operation.station === station &&
            Boolean(operation.first) === first &&
            returns[i]! >= level &&
            (words[i >> 5]! |= 1 << (i & 31)),
        )
        return words
      })
    }
    this.spots = walkMs.map((_, station) => ({ first: wordsOf(station, true), second: wordsOf(station, false) }))
  }

  /** What leaving takes at least from here on. `words`: what is done. */
  value(words: Int32Array, offset: number, place: number): number {
    const at = Math.floor(place / this.combinations)
    let sum = 0
    let inFirst = false
    /** One visit may be both the end of the first part and the beginning of the second; the last of all is not left. */
    let shared = 0
    let lastOfFirst = 0
    let lastOfSecond = 0
    let hereInFirst = false
    let hereInSecond = false
    for (let station = 0; station < this.spots.length; station++) {
      const spot = this.spots[station]!
      const ms = this.leastMs[station]!
      const [first, second] = [visitsLeft(spot.first, words, offset), visitsLeft(spot.second, words, offset)]
      sum += (first + second) * ms
      if (first > 0) {
        inFirst = true
        if (ms > lastOfFirst) lastOfFirst = ms
        if (second > 0 && ms > shared) shared = ms
      }
      if (second > 0 && ms > lastOfSecond) lastOfSecond = ms
      if (station === at) {
        hereInFirst = first > 0
        hereInSecond = second > 0
      }
    }
    if (sum === 0) return 0
    const staysHere = inFirst ? hereInFirst : hereInSecond
    return sum + (staysHere ? 0 : this.leastMs[at]!) - shared - (lastOfSecond || lastOfFirst)
  }
}

/** Per number of returns, the words of the operations after which one has to come back so often at least. */
type Spot = { first: Int32Array[]; second: Int32Array[] }

/** How often a spot is visited at least for what is left of one part. */
function visitsLeft(levels: readonly Int32Array[], words: Int32Array, offset: number): number {
  for (let level = levels.length - 1; level >= 0; level--) {
    const wanted = levels[level]!
    for (let word = 0; word < wanted.length; word++)
      if ((wanted[word]! & ~words[offset + word]!) !== 0) return level + 1
  }
  return 0
}

/**
 * Per operation, how often its spot has to be come back to after it, within its part: something elsewhere comes after
 * it, and something here after that. Cost: O(operations^3 / 32) at worst.
 */
function returnsForced({ operations, pairs }: SearchProblem): number[] {
  const after = operations.map(() => new Set<number>())
  const before = operations.map((): number[] => [])
  for (const [first, then] of pairs)
    if (Boolean(operations[first]!.first) === Boolean(operations[then]!.first)) before[then]!.push(first)
  const order = sorted(operations.length, before)
  for (const then of order.toReversed())
    for (const first of before[then]!) for (const later of [then, ...after[then]!]) after[first]!.add(later)
  const returns = operations.map(() => 0)
  for (const i of order.toReversed()) {
    const { station } = operations[i]!
    for (const between of after[i]!)
      if (operations[between]!.station !== station)
        for (const back of after[between]!)
          if (operations[back]!.station === station) returns[i] = Math.max(returns[i]!, returns[back]! + 1)
  }
  return returns
}

/** Every operation after all that must come before it. */
function sorted(count: number, before: readonly (readonly number[])[]): number[] {
  const order: number[] = []
  const taken = new Set<number>()
  const take = (i: number): void => {
    if (taken.has(i)) return
    taken.add(i)
    for (const first of before[i]!) take(first)
    order.push(i)
  }
  for (let i = 0; i < count; i++) take(i)
  return order
}
