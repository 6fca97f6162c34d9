import { z } from 'zod'

/** An id made by the client: unique in its document, never reused, kept across revisions and copies. */
export const Id = z
  .string()
  .min(1, 'An id is missing.')
  .max(64, 'An id is longer than 64 characters.')
  .regex(/^[A-Za-z0-9][A-Za-z0-9_.-]*$/, 'An id may hold letters, digits, dot, dash and underscore only.')
export type Id = z.infer<typeof Id>

/** A UUID (RFC 9562) in the one way of writing it that the database gives back: two spellings are not two things. */
export const uuid = (otherwise?: string) => z.uuid(otherwise).toLowerCase()
