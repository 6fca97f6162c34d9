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

/** Everything that has to come before a key, directly or through others. Cost: O(edges). */
export function ancestorsOf(edges: readonly Pair[], key: string): Set<string> {
  return reachedFrom(successors(edges.map(({ before, after }) => ({ before: after, after: before }))), key)
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
export function loopGroups(keys: readonly string[], edges: readonly Pair[]): Map<string, number> {
  const then = successors(edges)
  const index = new Map<string, number>()
  const low = new Map<string, number>()
  const group = new Map<string, number>()
  const path: string[] = []
  let groups = 0
  for (const root of keys) {
    if (index.has(root)) continue
    const work: { key: string; next: number }[] = [{ key: root, next: 0 }]
    while (work.length > 0) {
      const at = work.at(-1)!
      if (at.next === 0) {
        index.set(at.key, index.size)
        low.set(at.key, index.get(at.key)!)
        path.push(at.key)
      }
      const list = then.get(at.key) ?? []
      let deeper = false
      while (at.next < list.length) {
        const to = list[at.next++]!
        if (!index.has(to)) {
          work.push({ key: to, next: 0 })
          deeper = true
          break
        }
        if (!group.has(to)) low.set(at.key, Math.min(low.get(at.key)!, index.get(to)!))
      }
      if (deeper) continue
      // A key without successors is finished on its first visit; marking it visited keeps the loop above from repeating.
      at.next = Math.max(at.next, 1)
      if (low.get(at.key) === index.get(at.key)) {
        let member: string
        do {
          member = path.pop()!
          group.set(member, groups)
        } while (member !== at.key)
        groups += 1
      }
      work.pop()
      const above = work.at(-1)
      if (above) low.set(above.key, Math.min(low.get(above.key)!, low.get(at.key)!))
    }
  }
  return group
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
  return once.filter(({ before, after }) => !(then.get(before) ?? []).some((between) => between !== after && reachOf(between).has(after)))
}
