import type { OwnWords } from './reader/ownWords'
import { ENGLISH } from './reader/english'
import { knownWords, slips } from './reader/spelling'

const MOST_OFFERED = 3

/**
 * Words that an unknown one may have been meant for, the nearest first (optimal string alignment). Offered, never
 * taken. Cost: words known.
 */
export function nearestWords(said: string, { parts = [], house = {} }: OwnWords = {}): string[] {
  const word = said.toLowerCase()
  const allowed = word.length < 4 ? 0 : word.length < 7 ? 1 : 2
  const own = [...parts.flatMap(({ name, said: others }) => [name, ...others]), ...Object.keys(house)]
  return [...new Set([...own, ...knownWords(ENGLISH)])]
    .map((known) => ({ known, off: slips(word, known.toLowerCase(), allowed) }))
    .filter(({ off }) => off > 0 && off <= allowed)
    .sort((a, b) => a.off - b.off)
    .slice(0, MOST_OFFERED)
    .map(({ known }) => known)
}
