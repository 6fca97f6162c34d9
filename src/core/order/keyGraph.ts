import type { Pair } from './graph'

/** What was reached, asked by key. */
export type Reached = { has(key: string): boolean; keys(): string[] }

/**
 * Precedence that grows and is asked often, both ways: keys are numbered once, so that a question costs array steps and
 * no text. For a single question the functions of graph.ts are enough.
 */
export class KeyGraph {
  private readonly number = new Map<string, number>()
  private readonly names: string[] = []
  private readonly then: number[][] = []
  private readonly first: number[][] = []

  constructor(pairs: readonly Pair[]) {
    for (const pair of pairs) this.add(pair)
  }

  add({ before, after }: Pair): void {
    const [from, to] = [this.numberOf(before), this.numberOf(after)]
    this.then[from]!.push(to)
    this.first[to]!.push(from)
  }

  /** Everything that comes after any of these keys. Cost: O(what is reached). */
  after(keys: Iterable<string>): Reached {
    return this.reach(keys, this.then)
  }

  /** Everything that comes before any of these keys. */
  before(keys: Iterable<string>): Reached {
    return this.reach(keys, this.first)
  }

  /** Whether some keys wait for each other in a loop. Cost: O(keys + pairs). */
  hasLoop(): boolean {
    const waiting = this.first.map((list) => list.length)
    const ready: number[] = []
    waiting.forEach((count, at) => count === 0 && ready.push(at))
    let done = 0
    for (let at = ready.pop(); at !== undefined; at = ready.pop()) {
      done += 1
      for (const to of this.then[at]!) if (--waiting[to]! === 0) ready.push(to)
    }
    return done < this.names.length
  }

  private reach(keys: Iterable<string>, next: readonly (readonly number[])[]): Reached {
    const seen = new Uint8Array(this.names.length)
    const found: number[] = []
    const stack: number[] = []
    for (const key of keys) {
      const at = this.number.get(key)
      if (at !== undefined) for (const to of next[at]!) stack.push(to)
    }
    for (let at = stack.pop(); at !== undefined; at = stack.pop()) {
      if (seen[at] === 1) continue
      seen[at] = 1
      found.push(at)
      for (const to of next[at]!) if (seen[to] === 0) stack.push(to)
    }
    return {
      has: (key) => seen[this.number.get(key) ?? -1] === 1,
      // In the order the graph met them, so that every machine lists them alike.
      keys: () => found.sort((a, b) => a - b).map((at) => this.names[at]!),
    }
  }

  private numberOf(key: string): number {
    const known = this.number.get(key)
    if (known !== undefined) return known
    this.number.set(key, this.names.length)
    this.names.push(key)
    this.then.push([])
    this.first.push([])
    return this.names.length - 1
  }
}
