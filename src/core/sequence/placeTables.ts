import type { Guard, SearchAct, SearchProblem } from './problem'

// Taken once: a look-up of the global for each state would show.
const { clz32 } = Math

/** Out of reach. Larger than any plan, and small enough to be added to itself. */
export const FAR = 2 ** 40

/**
 * The cheapest ways between places (station and combination of settings) by walking and setting acts, one table for
 * each pattern of guards that hold. A place's number is station x combinations + combination.
 */
export class PlaceTables {
  readonly places: number
  /** A set of places takes so many numbers, 32 places each. */
  readonly placeWords: number
  private readonly guards: Guard[]
  /** Operations that turn a guard of an act over. */
  private readonly turners: number[]
  private readonly byTurned = new Map<number | string, PlaceTable>()
  private readonly byHeld = new Map<string, PlaceTable>()
  private readonly only: PlaceTable | null

  constructor(private readonly problem: SearchProblem) {
    this.places = problem.walkMs.length * problem.combinations
    this.placeWords = Math.ceil(this.places / 32)
    this.guards = [
      ...new Map(problem.acts.flatMap((act) => act.guards.map((guard) => [JSON.stringify(guard), guard]))).values(),
    ]
    this.turners = [...new Set(this.guards.flatMap((guard) => guard.operations))].sort((a, b) => a - b)
    this.only = this.turners.length === 0 ? this.tableFor(() => false) : null
  }

  /** The table as what is done stands. `words`: done operations, 32 a word, from `offset`. */
  table(words: Int32Array, offset: number): PlaceTable {
    if (this.only) return this.only
    const done = (operation: number) => ((words[offset + (operation >> 5)]! >>> (operation & 31)) & 1) === 1
    let turned: number | string = 0
    // Up to 31 turners fit one number; beyond that their text is the key.
    if (this.turners.length > 31) turned = this.turners.filter(done).join()
    else for (let i = 0; i < this.turners.length; i++) if (done(this.turners[i]!)) turned |= 1 << i
    const known = this.byTurned.get(turned)
    if (known) return known
    const made = this.tableFor(done)
    this.byTurned.set(turned, made)
    return made
  }

  /** Patterns in which the same guards hold share a table. */
  private tableFor(done: (operation: number) => boolean): PlaceTable {
    const held = this.guards.map((guard) => Number(guardHolds(guard, done))).join('')
    const known = this.byHeld.get(held)
    if (known) return known
    const made = new PlaceTable(this.problem, done)
    this.byHeld.set(held, made)
    return made
  }
}

/** The cheapest ways while the same guards hold. */
export class PlaceTable {
  private readonly places: number
  private readonly rows: (Float64Array | undefined)[]
  private readonly spent = new Map<number, number>()
  /** The acts that are possible, by number. */
  private readonly acts: [number, SearchAct][]

  constructor(
    private readonly problem: SearchProblem,
    done: (operation: number) => boolean,
  ) {
    this.places = problem.walkMs.length * problem.combinations
    this.rows = new Array<Float64Array | undefined>(this.places)
    this.acts = [...problem.acts.entries()].filter(([, act]) => act.guards.every((guard) => guardHolds(guard, done)))
  }

  /**
   * What it takes from a place to each other one; worked out once. Dijkstra 1959, without a heap, since places are few.
   */
  from(place: number): Float64Array {
    const known = this.rows[place]
    if (known) return known
    const { places } = this
    const { combinations, walkMs } = this.problem
    const row = new Float64Array(places).fill(FAR)
    const settled = new Uint8Array(places)
    row[place] = 0
    for (;;) {
      let at = -1
      for (let other = 0; other < places; other++)
        if (settled[other] === 0 && row[other]! < FAR && (at < 0 || row[other]! < row[at]!)) at = other
      if (at < 0) break
      settled[at] = 1
      const combination = at % combinations
      const station = (at - combination) / combinations
      const walks = walkMs[station]!
      for (let to = 0; to < walks.length; to++) {
        const next = to * combinations + combination
        if (row[at]! + walks[to]! < row[next]!) row[next] = row[at]! + walks[to]!
      }
      for (const [, act] of this.acts)
        if (act.from === combination && act.station === station) {
          const next = station * combinations + act.to
          if (row[at]! + act.costMs < row[next]!) row[next] = row[at]! + act.costMs
        }
    }
    this.rows[place] = row
    return row
  }

  /**
   * Whether a cheapest way leads over a place where something is done at once with the same tool: then that is a move
   * of its own.
   * `plain`: where that is so, as bits.
   */
  passesAny(from: number, to: number, plain: Int32Array, sameTool: boolean): boolean {
    const ways = this.from(from)
    const way = ways[to]!
    for (let word = 0; word < plain.length; word++)
      for (let left = plain[word]!; left !== 0; left &= left - 1) {
        const via = word * 32 + 31 - clz32(left & -left)
        // Here nothing is left for the tool in hand; with another one there may be.
        if (ways[via]! >= way || (sameTool && via === from)) continue
        if (ways[via]! + this.from(via)[to]! === way) return true
      }
    return false
  }

  /** What a cheapest way comes to where walking costs this instead. */
  spentOnTheWay(from: number, to: number, walkMs: readonly (readonly number[])[]): number {
    const name = from * this.places + to
    const known = this.spent.get(name)
    if (known !== undefined) return known
    const { combinations, acts } = this.problem
    let station = Math.floor(from / combinations)
    let sum = 0
    for (const number of this.actsOnTheWay(from, to)) {
      const act = acts[number]!
      sum += walkMs[station]![act.station]! + act.costMs
      station = act.station
    }
    sum += walkMs[station]![Math.floor(to / combinations)]!
    this.spent.set(name, sum)
    return sum
  }

  /** The setting acts of a cheapest way, by number; of several, the one that begins with the lowest. */
  actsOnTheWay(from: number, to: number): number[] {
    const { combinations, walkMs } = this.problem
    const stationOf = (place: number) => Math.floor(place / combinations)
    const leftMs = (place: number) => this.from(place)[to]!
    const found: number[] = []
    const seen = new Set<number>()
    for (
      let at = from;
      at % combinations !== to % combinations || leftMs(at) !== walkMs[stationOf(at)]![stationOf(to)]!;
    ) {
      seen.add(at)
      const next = this.acts.find(([, act]) => {
        const then = act.station * combinations + act.to
        return (
          act.from === at % combinations &&
          !seen.has(then) &&
          walkMs[stationOf(at)]![act.station]! + act.costMs + leftMs(then) === leftMs(at)
        )
      })
      if (!next) throw new Error('A way of the table has no acts that make it.')
      found.push(next[0])
      at = next[1].station * combinations + next[1].to
    }
    return found
  }
}

/** Whether a guard holds, given what is done. */
export function guardHolds(guard: Guard, done: (operation: number) => boolean): boolean {
  let holds = guard.initially
  for (const operation of guard.operations) if (done(operation)) holds = !holds
  return holds === guard.wants
}
