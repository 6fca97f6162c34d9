/** Plain precedence: one key before another. */
export type Pair = { before: string; after: string }

/** What follows each key directly. */
export function successors(edges: readonly Pair[]): Map<string, string[]> {
  const then = new Map<string, string[]>()
  for (const { before, after } of edges) {
    const list = then.get(before)
    if (list) list.push(after)
    else then.set(before, [after])
  }
  return then
}

/** Everything that can be reached along `then` from a key, without the key itself unless a loop leads back to it. */
export function reachedFrom(then: ReadonlyMap<string, readonly string[]>, key: string): Set<string> {
  const found = new Set<string>()
  const stack = [...(then.get(key) ?? [])]
  for (let at = stack.pop(); at !== undefined; at = stack.pop()) {
    if (found.has(at)) continue
    found.add(at)
    for (const next of then.get(at) ?? []) stack.push(next)
  }
  return found
}

/**
 * The number of the loop-group each key is in: two keys have the same number exactly when each has to come before the
 * other (strongly connected components). Tarjan 1972, without recursion. Cost: O(keys + edges).
 */
// eslint-disable-next-line complexity -- One algorithm out of a book, in one piece as the book has it.
export function loopGroups(keys: readonly string[], edges: readonly Pair[]): Map<string, number> {
  const number = new Map(keys.map((key, i) => [key, i]))
  const then: number[][] = keys.map(() => [])
  for (const { before, after } of edges) {
    const [from, to] = [number.get(before), number.get(after)]
    if (from !== undefined && to !== undefined) then[from]!.push(to)
  }
  const size = keys.length
  const index = new Int32Array(size).fill(-1)
  const low = new Int32Array(size)
  const group = new Int32Array(size).fill(-1)
  const next = new Int32Array(size)
  const path: number[] = []
  let seen = 0
  let groups = 0
  for (let root = 0; root < size; root++) {
    if (index[root] !== -1) continue
    const work = [root]
    while (work.length > 0) {
      const at = work.at(-1)!
      if (index[at] === -1) {
        index[at] = low[at] = seen++
        path.push(at)
      }
      const list = then[at]!
      let deeper = -1
      while (next[at]! < list.length && deeper < 0) {
        const to = list[next[at]!]!
        next[at]! += 1
        if (index[to] === -1) deeper = to
        else if (group[to] === -1) low[at] = Math.min(low[at]!, index[to]!)
      }
      if (deeper >= 0) {
        work.push(deeper)
        continue
      }
      if (low[at] === index[at]) {
        let member: number
        do {
          member = path.pop()!
          group[member] = groups
        } while (member !== at)
        groups += 1
      }
      work.pop()
      const above = work.at(-1)
      if (above !== undefined) low[above] = Math.min(low[above]!, low[at]!)
    }
  }
  return new Map(keys.map((key, i) => [key, group[i]!]))
}

/**
 * The fewest pairs with the same before-and-after: a pair that follows from others is left out (transitive reduction of
 * an order without loops). Pairs that appear twice are kept once. Cost: O(keys x edges).
 */
export function fewestPairs<P extends Pair>(pairs: readonly P[]): P[] {
  const once = [...new Map(pairs.map((pair) => [`${pair.before}>${pair.after}`, pair])).values()]
  const then = successors(once)
  // Longest way from a key, so that only what can lie between is looked at.
  const reach = new Map<string, Set<string>>()
  const reachOf = (key: string) => {
    const known = reach.get(key)
    if (known) return known
    const found = reachedFrom(then, key)
    reach.set(key, found)
    return found
  }
  return once.filter(
    ({ before, after }) =>
      !(then.get(before) ?? []).some((between) => between !== after && reachOf(between).has(after)),
  )
}
