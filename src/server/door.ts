import 'server-only'
import type { z } from 'zod'
import { cleaned } from '@/core/base/cleanText'

/**
 * Parses what somebody sent, whatever it is: texts are cleaned first, so that nothing a form or a client holds is
 * refused only by the database.
 */
export function atDoor<T>(schema: z.ZodType<T>, input: unknown): z.ZodSafeParseResult<T> {
  return schema.safeParse(cleaned(input))
}

/** The JSON of a request, or null when it is none. */
export async function bodyOf(request: Request): Promise<unknown> {
  return request.json().catch(() => null) as Promise<unknown>
}
