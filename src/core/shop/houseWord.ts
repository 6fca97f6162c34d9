import { z } from 'zod'

/**
 * A word this shop uses, and what it stands for in the trade's words or as a part's name ("wotsit" = "spring clip").
 */
export const HouseWord = z.object({
  word: z.string().trim().min(1, 'A house word needs its word.').max(40),
  means: z.string().trim().min(1, 'Say what the word stands for.').max(60),
})
export type HouseWord = z.infer<typeof HouseWord>

export const HouseWords = HouseWord.array()
  .max(200, 'A shop keeps at most 200 words of its own.')
  .refine(
    (words) => new Set(words.map(({ word }) => word.toLowerCase())).size === words.length,
    'A word stands twice in the list. Take one of them out.',
  )
