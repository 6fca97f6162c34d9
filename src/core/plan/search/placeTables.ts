import type { Guard, SearchProblem } from './problem'

/** Out of reach. Larger than any plan, and small enough to be added to itself. */
export const FAR = 2 ** 40

/**
 * The cheapest ways between places (station and combination of settings) by walking and setting acts, one table for each
 * pattern of guards, made when it is first asked for. A place's number is station x combinations + combination.
 */
export class PlaceTables {
  readonly places: number
  /** Operations that turn a guard of an act over, and per such operation its word and bit in a state. */
  private readonly turners: number[]
  private readonly tables = new Map<string, Float64Array>()
  private readonly tableOfBits = new Map<number, Float64Array>()
  private readonly only: Float64Array | null

  constructor(private readonly problem: SearchProblem) {
    this.places = problem.walkMs.length * problem.combinations
    this.turners = [...new Set(problem.acts.flatMap((act) => act.guards.flatMap((guard) => guard.operations)))].sort((a, b) => a - b)
    this.only = this.turners.length === 0 ? this.build(() => false) : null
  }

  /** The table (rows from, columns to, flat) as what is done stands. `words`: done operations, 32 a word, from `offset`. */
  table(words: Int32Array, offset: number): Float64Array {
    if (this.only) return this.only
    // Up to 31 turners fit one number; beyond that their text is the key.
    if (this.turners.length > 31) return this.tableByText(words, offset)
    let bits = 0
    for (let i = 0; i < this.turners.length; i++) {
      const operation = this.turners[i]!
      if ((words[offset + (operation >> 5)]! >>> (operation & 31)) & 1) bits |= 1 << i
    }
    const known = this.tableOfBits.get(bits)
    if (known) return known
    const made = this.build((operation) => ((words[offset + (operation >> 5)]! >>> (operation & 31)) & 1) === 1)
    this.tableOfBits.set(bits, made)
    return made
  }

  /** The setting acts of a cheapest way between two places, by their numbers; of several, the one that begins with the lowest number. */
  actsOnTheWay(words: Int32Array, from: number, to: number): number[] {
    const table = this.table(words, 0)
    const { combinations, walkMs, acts } = this.problem
    const done = (operation: number) => ((words[operation >> 5]! >>> (operation & 31)) & 1) === 1
    const possible = [...acts.entries()].filter(([, act]) => act.guards.every((guard) => guardHolds(guard, done)))
    const found: number[] = []
    const seen = new Set<number>()
    for (let at = from; at % combinations !== to % combinations || table[at * this.places + to]! !== walkMs[Math.floor(at / combinations)]![Math.floor(to / combinations)]!; ) {
      seen.add(at)
      const station = Math.floor(at / combinations)
      const next = possible.find(([, act]) => {
        const then = act.station * combinations + act.to
        return act.from === at % combinations && !seen.has(then) && walkMs[station]![act.station]! + act.costMs + table[then * this.places + to]! === table[at * this.places + to]!
      })
      if (!next) throw new Error('A way of the table has no acts that make it.')
      found.push(next[0])
      at = next[1].station * combinations + next[1].to
    }
    return found
  }

  private tableByText(words: Int32Array, offset: number): Float64Array {
    const done = (operation: number) => ((words[offset + (operation >> 5)]! >>> (operation & 31)) & 1) === 1
    const name = this.turners.filter(done).join()
    const known = this.tables.get(name)
    if (known) return known
    const made = this.build(done)
    this.tables.set(name, made)
    return made
  }

  /** One shortest-way search from each place: Dijkstra 1959, without a heap, since places are few. */
  private build(done: (operation: number) => boolean): Float64Array {
    const { problem, places } = this
    const { combinations, walkMs } = problem
    const acts = problem.acts.filter((act) => act.guards.every((guard) => guardHolds(guard, done)))
    const table = new Float64Array(places * places).fill(FAR)
    const settled = new Uint8Array(places)
    for (let from = 0; from < places; from++) {
      const row = table.subarray(from * places, (from + 1) * places)
      row[from] = 0
      settled.fill(0)
      for (;;) {
        let at = -1
        for (let place = 0; place < places; place++) if (settled[place] === 0 && row[place]! < FAR && (at < 0 || row[place]! < row[at]!)) at = place
        if (at < 0) break
        settled[at] = 1
        const station = Math.floor(at / combinations)
        const combination = at % combinations
        walkMs[station]!.forEach((cost, to) => {
          const place = to * combinations + combination
          row[place] = Math.min(row[place]!, row[at]! + cost)
        })
        for (const act of acts)
          if (act.from === combination && act.station === station) {
            const place = station * combinations + act.to
            row[place] = Math.min(row[place]!, row[at]! + act.costMs)
          }
      }
    }
    return table
  }
}

/** Whether a guard holds, given what is done. */
export function guardHolds(guard: Guard, done: (operation: number) => boolean): boolean {
  let holds = guard.initially
  for (const operation of guard.operations) if (done(operation)) holds = !holds
  return holds === guard.wants
}
