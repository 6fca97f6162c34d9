import type { OwnWords } from './reader/ownWords'
import { ENGLISH } from './reader/english'
import { knownWords, within } from './reader/spelling'

const MOST_OFFERED = 3

/**
 * Words that an unknown one may have been meant for, the nearest first (optimal string alignment). Offered, never
 * taken. Cost: words known.
 */
export function nearestWords(said: string, own: OwnWords = {}): string[] {
  const word = said.toLowerCase()
  const allowed = word.length < 4 ? 0 : word.length < 7 ? 1 : 2
  if (allowed === 0) return []
  const near = [...within(word, namesIn(own), allowed), ...within(word, knownWords(ENGLISH), allowed)]
  return [...new Set(near.sort((a, b) => a.off - b.off).map(({ word: known }) => known))].slice(0, MOST_OFFERED)
}

const names = new WeakMap<OwnWords, ReadonlySet<string>>()

function namesIn(own: OwnWords): ReadonlySet<string> {
  const { parts = [], house = {} } = own
  let found = names.get(own)
  if (!found) {
    found = new Set([...parts.flatMap(({ name, said }) => [name, ...said]), ...Object.keys(house)])
    names.set(own, found)
  }
  return found
}
