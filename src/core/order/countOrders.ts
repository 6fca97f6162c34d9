/**
 * How many valid orders there are, and how many states a job can be in (order ideals: sets closed under "before").
 *
 * Shapes: `before[i]` lists what must come before element i. Counts as bigint; null when more than `limit` ideals
 * would have to be visited. Cost: O(ideals x elements). Elements: any number.
 */
export function countOrders(
  before: readonly (readonly number[])[],
  limit = 200_000,
): { orders: bigint; ideals: number } | null {
  const n = before.length
  const need = before.map((list) => list.reduce((mask, i) => mask | (1n << BigInt(i)), 0n))
  let layer = new Map<bigint, bigint>([[0n, 1n]])
  let ideals = 1
  for (let size = 0; size < n; size++) {
    const next = new Map<bigint, bigint>()
    for (const [done, ways] of layer)
      for (let i = 0; i < n; i++) {
        const bit = 1n << BigInt(i)
        if (done & bit || (done & need[i]!) !== need[i]) continue
        next.set(done | bit, (next.get(done | bit) ?? 0n) + ways)
      }
    ideals += next.size
    if (ideals > limit) return null
    layer = next
  }
  return { orders: [...layer.values()][0] ?? 0n, ideals }
}

/**
 * The number of valid orders where it is no more than `most`, otherwise `exact` false and a number that is surely
 * passed: whatever is begun in an allowed way can be finished. Null when more than `limit` states would have to be
 * visited first.
 */
export function countOrdersUpTo(
  before: readonly (readonly number[])[],
  most: bigint,
  limit = 30_000,
): { orders: bigint; exact: boolean } | null {
  const need = before.map((list) => list.reduce((mask, i) => mask | (1n << BigInt(i)), 0n))
  let layer = new Map<bigint, bigint>([[0n, 1n]])
  let visited = 1
  for (let size = 0; size < before.length; size++) {
    const next = new Map<bigint, bigint>()
    for (const [done, ways] of layer)
      need.forEach((first, i) => {
        const bit = 1n << BigInt(i)
        if ((done & bit) === 0n && (done & first) === first) next.set(done | bit, (next.get(done | bit) ?? 0n) + ways)
      })
    const begun = [...next.values()].reduce((sum, ways) => sum + ways, 0n)
    if (begun > most) return { orders: most, exact: false }
    visited += next.size
    if (visited > limit) return null
    layer = next
  }
  return { orders: [...layer.values()][0] ?? 0n, exact: true }
}
