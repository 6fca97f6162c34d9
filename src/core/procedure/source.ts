import { z } from 'zod'

/** Where somebody who enters a fact at the desk has it from. `not said` is told as such. */
export const SOURCES = ['not said', 'own work', 'printed', 'hearsay'] as const

/** `words`: which print and page, or who said it. */
export const Source = z.object({ kind: z.enum(SOURCES), words: z.string().trim().max(120).default('') })
export type Source = z.infer<typeof Source>

export const NOT_SAID: Source = { kind: 'not said', words: '' }
