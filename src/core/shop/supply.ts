import { z } from 'zod'

/** What a shop knows of a thing that it buys and fits. Money in whole minor units (cent, penny). */
export const Supply = z.object({
  /** The shop's own number or the article's: no maker's name in it. */
  partNumber: z.string().trim().max(40).default(''),
  /** Of one. Null = nobody has said. */
  priceMinor: z.number().int('A price is in whole cents.').min(0).max(100_000_000).nullable().default(null),
  /** How long a supplier takes. Null = nobody has said. */
  supplierDays: z.number().int().min(0).max(365).nullable().default(null),
  /** Where it lies in the stock. */
  place: z.string().trim().max(60).default(''),
  /** Used up (tape, sleeve, cleaner): bought and brought, and not counted back. */
  consumable: z.boolean().default(false),
})
export type Supply = z.infer<typeof Supply>
