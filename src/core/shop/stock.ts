import { z } from 'zod'
import { sameNumber } from './onShelf'

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
