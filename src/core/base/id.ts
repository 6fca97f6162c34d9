import { z } from 'zod'

/** An id made by the client: unique in its document, never reused, kept across revisions and copies. */
export const Id = z
  .string()
  .min(1, 'An id is missing.')
  .max(64, 'An id is longer than 64 characters.')
  .regex(/^[A-Za-z0-9][A-Za-z0-9_.-]*$/, 'An id may hold letters, digits, dot, dash and underscore only.')
export type Id = z.infer<typeof Id>

/** Order of texts that is the same on every machine (by code unit), for ties broken by id. */
export function compareText(a: string, b: string): number {
  return a < b ? -1 : a > b ? 1 : 0
}
