import type { Language } from './sense'

/** Optimal string alignment (Damerau 1964): letters left out, put in, changed or swapped with the next. */
export function slips(a: string, b: string, most: number): number {
  if (Math.abs(a.length - b.length) > most) return most + 1
  let [before, last]: [number[], number[]] = [[], Array.from({ length: b.length + 1 }, (_, j) => j)]
  for (let i = 1; i <= a.length; i++) {
    const row = [i]
    for (let j = 1; j <= b.length; j++) {
      const same = a[i - 1] === b[j - 1] ? 0 : 1
      let least = Math.min(last[j]! + 1, row[j - 1]! + 1, last[j - 1]! + same)
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1]) least = Math.min(least, before[j - 2]! + 1)
      row.push(least)
    }
    if (Math.min(...row) > most) return most + 1
    ;[before, last] = [last, row]
  }
  return last[b.length]!
}

const MOST_CANDIDATES = 4
const MOST_OFFERED = 3
const singles = new WeakMap<Language, ReadonlySet<string>>()

/** Every single word a language knows: of its phrases, its rules, and as talk. */
export function knownWords(language: Language): ReadonlySet<string> {
  let known = singles.get(language)
  if (!known) {
    const phrases = [...language.phrases.keys()].flatMap((phrase) => phrase.split(' '))
    const rules = language.rules.flatMap(({ pattern }) => pattern.split(/[ /?]+/).filter((word) => /^[a-z]/.test(word)))
    known = new Set([
      ...phrases,
      ...rules,
      ...language.talk,
      ...language.articles,
      ...language.ends.keys(),
      ...language.nouns,
    ])
    singles.set(language, known)
  }
  return known
}

/** Which letters a word has, as bits: two words that share too few are no slip of each other. */
function lettersOf(word: string): number {
  let letters = 0
  for (let i = 0; i < word.length; i++) letters |= 1 << (word.charCodeAt(i) & 31)
  return letters
}

function bits(number: number): number {
  let count = 0
  for (let left = number; left !== 0; left &= left - 1) count += 1
  return count
}

const lists = new WeakMap<ReadonlySet<string>, { word: string; letters: number }[]>()

/** Of some words those within so many slips of one, with how many. Cost: few comparisons a word that is like none. */
export function within(text: string, known: ReadonlySet<string>, allowed: number): { word: string; off: number }[] {
  let list = lists.get(known)
  if (!list) lists.set(known, (list = [...known].map((word) => ({ word, letters: lettersOf(word) }))))
  const letters = lettersOf(text)
  const found: { word: string; off: number }[] = []
  for (const { word, letters: others } of list) {
    if (Math.abs(word.length - text.length) > allowed || bits(letters ^ others) > 2 * allowed) continue
    const off = slips(text, word, allowed)
    if (off <= allowed) found.push({ word, off })
  }
  return found
}

/** How many slips are forgiven: none in two letters, one up to six, else two. */
function slipsAllowed(word: string): number {
  return word.length < 3 ? 0 : word.length < 7 ? 1 : 2
}

const beginsLike = (word: string, text: string) => word[0] === text[0] || (word[0] === text[1] && word[1] === text[0])

/** Of three letters none may be another: only left out, put in or swapped. */
function isOtherShort(word: string, text: string, off: number): boolean {
  const sorted = (letters: string) => [...letters].sort().join('')
  return text.length === 3 && word.length === 3 && off === 1 && sorted(word) !== sorted(text)
}

const consonants = (word: string) => word.replace(/[aeiouy]/g, '')

/**
 * The known words that one nobody knows may have been meant for, the nearest first: by slips, or where it has no vowel
 * by its consonants ("pnl"). A word of three letters may have one left out or two swapped. Cost: words known.
 */
export function candidates(text: string, language: Language): readonly string[] {
  let known = remembered.get(language)
  if (!known || known.size > MOST_REMEMBERED) remembered.set(language, (known = new Map()))
  let found = known.get(text)
  if (!found) known.set(text, (found = candidatesAnew(text, language)))
  return found
}

const MOST_REMEMBERED = 2_000
const remembered = new WeakMap<Language, Map<string, readonly string[]>>()

function candidatesAnew(text: string, language: Language): string[] {
  const allowed = slipsAllowed(text)
  if (allowed === 0 || !/^[\p{L}']+$/u.test(text)) return []
  const known = knownWords(language)
  const isLong = (word: string) => word.length > (text.length > 3 ? 3 : 2)
  const found = within(text, known, allowed).filter(
    ({ word, off }) => isLong(word) && beginsLike(word, text) && !isOtherShort(word, text, off),
  )
  if (consonants(text) === text)
    for (const word of known)
      if (isLong(word) && word[0] === text[0] && word.length <= text.length + 4 && consonants(word) === text)
        found.push({ word, off: 0.5 })
  const least = Math.min(...found.map(({ off }) => off))
  return found
    .filter(({ off }) => off <= least)
    .slice(0, MOST_CANDIDATES)
    .map(({ word }) => word)
}

/** Words that one in no item may have been meant for, the nearest first: offered, never taken. Cost: words known. */
export function nearest(text: string, language: Language): string[] {
  const known = knownWords(language)
  // Of three letters every second word is near.
  if (text.length < 4 || known.has(text)) return []
  return within(text, known, slipsAllowed(text))
    .sort((a, b) => a.off - b.off)
    .slice(0, MOST_OFFERED)
    .map(({ word }) => word)
}
