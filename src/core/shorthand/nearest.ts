import { distance } from 'fastest-levenshtein'
import { PHRASES } from './lexicon'
import type { OwnWords } from './scan'

/** Words of the trade, each by itself. */
const TRADE_WORDS: readonly string[] = [
  ...new Set([...PHRASES].flatMap(([phrase, entry]) => (entry === null ? [] : phrase.split(' ')))),
].filter((word) => word.length > 2)
const MOST_OFFERED = 3

/**
 * Words that an unknown one may have been meant for, the nearest first (edit distance, Levenshtein 1966). Offered,
 * never taken. Cost: words known.
 */
export function nearestWords(said: string, { parts = [], house = {} }: OwnWords = {}): string[] {
  const word = said.toLowerCase()
  const allowed = word.length < 4 ? 0 : word.length < 7 ? 1 : 2
  const own = [...parts.flatMap(({ name, said: others }) => [name, ...others]), ...Object.keys(house)]
  return [...new Set([...own, ...TRADE_WORDS])]
    .map((known) => ({ known, off: distance(word, known.toLowerCase()) }))
    .filter(({ off }) => off > 0 && off <= allowed)
    .sort((a, b) => a.off - b.off)
    .slice(0, MOST_OFFERED)
    .map(({ known }) => known)
}
