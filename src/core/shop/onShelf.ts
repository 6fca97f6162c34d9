/** What was counted of a part number, and when: `StockItem` without its checks. */
type Counted = {
  partNumber: string
  name: string
  place: string
  counted: number
  countedAt: string
  orderAt: number | null
}

/** Taken from the shelf (below nothing) or brought back to it, by a job. */
export type StockMove = { partNumber: string; count: number; atMs: number }

/** What lies on the shelf by the last count and the jobs since. */
export type OnShelf = Omit<Counted, 'counted'> & { onHand: number }

/** A number is the same however it is typed. */
export function sameNumber(partNumber: string): string {
  return partNumber.trim().toLowerCase()
}

/**
 * How many lie there now. What was taken before the count is in the count. More taken than there were: none is there,
 * and the count was wrong. Cost: O(items + moves).
 */
export function onHand(stock: readonly Counted[], moves: readonly StockMove[]): OnShelf[] {
  const byNumber = new Map<string, StockMove[]>()
  for (const move of moves) {
    const number = sameNumber(move.partNumber)
    byNumber.set(number, [...(byNumber.get(number) ?? []), move])
  }
  return stock.map(({ partNumber, name, place, counted, countedAt, orderAt }) => {
    const since = Date.parse(countedAt)
    const moved = (byNumber.get(sameNumber(partNumber)) ?? []).filter(({ atMs }) => atMs > since)
    const left = moved.reduce((sum, { count }) => sum + count, counted)
    return { partNumber, name, place, countedAt, onHand: Math.max(0, left), orderAt }
  })
}

/** Lines of which few enough are left that more should be ordered. */
export function runningLow(shelf: readonly OnShelf[]): OnShelf[] {
  return shelf.filter(({ onHand: left, orderAt }) => orderAt !== null && left <= orderAt)
}
