import { z } from 'zod'

/**
 * A part number on the shop's shelves: how many somebody counted there, when and where. What jobs took or brought back
 * since is added up from their logs (`onHand`), so that nobody writes a number over another's.
 */
export const StockItem = z.object({
  partNumber: z.string().trim().min(1, 'A shelf line needs its part number.').max(40),
  name: z.string().trim().min(1, 'Say what it is.').max(80),
  place: z.string().trim().max(60).default(''),
  counted: z.number().int('A count is a whole number.').min(0, 'A count is not below nothing.').max(99_999),
  countedAt: z.iso.datetime(),
  /** To be ordered once so many are left, or fewer. Null = nobody watches it. */
  orderAt: z.number().int('Order at a whole number.').min(0).max(9_999).nullable().default(null),
})
export type StockItem = z.infer<typeof StockItem>

export const Stock = StockItem.array()
  .max(1000, 'A shop keeps at most 1,000 lines of stock.')
  .refine(
    (items) => new Set(items.map(({ partNumber }) => sameNumber(partNumber))).size === items.length,
    'A part number stands twice in the list. Take one of them out.',
  )
export type Stock = z.infer<typeof Stock>

/** Taken from the shelf (below nothing) or brought back to it, by a job. */
export type StockMove = { partNumber: string; count: number; atMs: number }

/** What lies on the shelf by the last count and the jobs since. */
export type OnShelf = { partNumber: string; name: string; place: string; onHand: number; orderAt: number | null }

/** A number is the same however it is typed. */
export function sameNumber(partNumber: string): string {
  return partNumber.trim().toLowerCase()
}

/**
 * How many lie there now. What was taken before the count is in the count. More taken than there were: none is there,
 * and the count was wrong. Cost: O(items + moves).
 */
export function onHand(stock: readonly StockItem[], moves: readonly StockMove[]): OnShelf[] {
  const byNumber = new Map<string, StockMove[]>()
  for (const move of moves) {
    const number = sameNumber(move.partNumber)
    byNumber.set(number, [...(byNumber.get(number) ?? []), move])
  }
  return stock.map(({ partNumber, name, place, counted, countedAt, orderAt }) => {
    const since = Date.parse(countedAt)
    const moved = (byNumber.get(sameNumber(partNumber)) ?? []).filter(({ atMs }) => atMs > since)
    const left = moved.reduce((sum, { count }) => sum + count, counted)
    return { partNumber, name, place, onHand: Math.max(0, left), orderAt }
  })
}

/** Lines of which few enough are left that more should be ordered. */
export function runningLow(shelf: readonly OnShelf[]): OnShelf[] {
  return shelf.filter(({ onHand: left, orderAt }) => orderAt !== null && left <= orderAt)
}
