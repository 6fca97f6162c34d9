import type { Language, Sense } from './sense'
import { sensesOfName } from './lattice'

/** A part of the record: its name, and the other ways it is said. */
export type KnownPart = {
  name: string
  said: readonly string[]
  /** Worked on from somewhere that no seat faces. */
  isAway?: boolean
}

/**
 * What is known besides the trade's words: the parts and plugs of a record, and the shop's own words, each with the
 * trade's.
 */
export type OwnWords = {
  parts?: readonly KnownPart[]
  plugs?: readonly string[]
  house?: Readonly<Record<string, string>>
  /** The part in hand: what a line is about that names none. */
  inHand?: string | null
}

const made = new WeakMap<OwnWords, Language>()

/** A language with the names of a record and a shop's words, which go before the trade's. Cost: names, once. */
export function withOwnWords(language: Language, own: OwnWords): Language {
  let known = made.get(own)
  if (!known)
    made.set(own, (known = { ...language, phrases: phrasesWith(language, own), isAway: isAwayBy(language, own) }))
  return known
}

/** By what is known of the part, else by its name; on a vehicle with a fairing, say, nothing is faced from a seat. */
function isAwayBy(
  { away, seatless }: Language,
  { parts = [], inHand = null }: OwnWords,
): (part: string | null) => boolean {
  const isSaid = (name: string, words: ReadonlySet<string>) =>
    phraseOf(name)
      .split(' ')
      .some((word) => words.has(word))
  const isSeatless = parts.some(({ name }) => isSaid(name, seatless))
  return (said) => {
    const name = said ?? inHand
    if (name === null) return isSeatless
    const known = parts.find((part) => phraseOf(part.name) === phraseOf(name))
    return isSeatless || known?.isAway === true || isSaid(name, away)
  }
}

function phrasesWith(language: Language, { parts = [], plugs = [], house = {} }: OwnWords): Language['phrases'] {
  const phrases = new Map(language.phrases)
  inTradeWords(language, parts, phrases)
  for (const [word, things] of language.vague) {
    const isOne = ({ name }: KnownPart) =>
      phraseOf(name)
        .split(' ')
        .some((each) => things.includes(each))
    const names = parts.filter(isOne).map(({ name }) => name)
    if (names.length > 0) phrases.set(word, partsFirst(phrases.get(word), names))
  }
  for (const [phrase, names] of namesBySaying(parts)) phrases.set(phrase, partsFirst(phrases.get(phrase), names))
  for (const name of plugs) {
    const phrase = phraseOf(name)
    // A plug is known by its whole name; a word that means something in the trade goes on meaning it.
    const known = phrases.get(phrase) ?? []
    if (known.length === 0 || phrase.includes(' ')) phrases.set(phrase, [{ is: 'PNAME', value: name }, ...known])
  }
  for (const [word, trade] of Object.entries(house)) {
    const [said, means] = [phraseOf(word), phraseOf(trade)]
    const senses = phrases.get(means) ?? [{ is: 'PART', value: trade }]
    phrases.set(said, senses)
    if (!(`${said}s` in house)) phrases.set(`${said}s`, phrases.get(`${means}s`) ?? senses)
  }
  return phrases
}

/** As phrases are looked up: lower case, hyphens as blanks. */
export function phraseOf(text: string): string {
  return text
    .toLowerCase()
    .replace(/[\s-]+/g, ' ')
    .trim()
}

function namesBySaying(parts: readonly KnownPart[]): Map<string, string[]> {
  const found = new Map<string, string[]>()
  for (const { name, said } of parts)
    for (const phrase of new Set([name, ...said].map(phraseOf))) found.set(phrase, [...(found.get(phrase) ?? []), name])
  return found
}

function partsFirst(known: readonly Sense[] = [], names: readonly string[]): Sense[] {
  const own: Sense = { is: 'PART', value: names[0]!, ...(names.length > 1 && { choices: names }) }
  return [own, ...known.filter(({ is }) => is !== 'PART')]
}

/** A part said in the trade's words is the one of the record that is called so; of several one is asked. */
function inTradeWords(language: Language, parts: readonly KnownPart[], phrases: Map<string, readonly Sense[]>): void {
  const called = new Map<string, string[]>()
  for (const { name } of parts)
    for (const trade of sensesOfName(name, language)) called.set(trade, [...(called.get(trade) ?? []), name])
  for (const [phrase, senses] of language.phrases) {
    const names = senses.flatMap(({ is, value }) => (is === 'PART' ? (called.get(value) ?? []) : []))
    if (names.length > 0) phrases.set(phrase, partsFirst(senses, [...new Set(names)]))
  }
}
