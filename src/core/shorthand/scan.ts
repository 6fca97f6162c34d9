import { PHRASES, type TokenName } from './lexicon'
import { PART_ADJECTIVES } from './partNames'

/**
 * A phrase of a line: what it is, what it stands for, the words themselves, and where they stand in the line.
 * `choices`: the parts of the record that all are called so.
 */
export type Phrase = {
  token: TokenName
  value: string
  said: string
  from: number
  to: number
  choices?: readonly string[]
}

/** A part of the record: its name, and the other ways it is said. */
export type KnownPart = { name: string; said: readonly string[] }

/**
 * What is known besides the trade's words: the parts and plugs of a record, and the shop's own words, each with the
 * trade's.
 */
export type OwnWords = {
  parts?: readonly KnownPart[]
  plugs?: readonly string[]
  house?: Readonly<Record<string, string>>
}

const NUMBERS = [
  'zero',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
]
const TENS: Record<string, number> = {
  ten: 10,
  fifteen: 15,
  twenty: 20,
  twenties: 20,
  'twenty-five': 25,
  'twenty-fives': 25,
  'twenty-seven': 27,
  thirty: 30,
  thirties: 30,
  forty: 40,
  'forty-five': 45,
  fifty: 50,
  tens: 10,
  fifteens: 15,
}
const LONGEST_PHRASE = 7

type Word = { text: string; from: number; to: number }

/**
 * A line as phrases, the longest first that anything begins with. Words nobody knows are kept as such, and so are those
 * that dictation is known to hear wrongly, with what was probably said. The record's names go before the trade's own
 * words.
 */
export function scan(line: string, { parts = [], plugs = [], house = {} }: OwnWords = {}): Phrase[] {
  const words = wordsOf(line)
  const known: Known = {
    parts: new Map(),
    trade: new Map(),
    plugs: new Map(plugs.map((name) => [name.toLowerCase(), name])),
    house: houseOf(house),
  }
  for (const { name, said } of parts)
    for (const word of new Set([name, ...said].map((each) => each.toLowerCase())))
      known.parts.set(word, [...(known.parts.get(word) ?? []), name])
  for (const { name } of parts)
    for (const trade of tradeNames(name)) known.trade.set(trade, [...(known.trade.get(trade) ?? []), name])
  const phrases: Phrase[] = []
  for (let at = 0; at < words.length;) {
    const phrase = phraseAt(words, at, known)
    // "two people" is no count.
    const found = misheard(words, at, phrases) ?? (phrase.length > 1 ? phrase : (measure(words, at) ?? phrase))
    const [from, to] = [words[at]!.from, words[at + found.length - 1]!.to]
    const place = { said: line.slice(from, to), from, to }
    if (found.phrase) phrases.push({ ...inRecord(found.phrase, known), ...place })
    // A word that is the trade's own and also what another one sounds like is taken, and asked.
    if (found.also) phrases.push({ ...inRecord(found.also, known), ...place })
    at += found.length
  }
  return phrases
}

/** `trade`: the record's parts by what the trade calls such a part. */
type Known = {
  parts: Map<string, string[]>
  trade: Map<string, string[]>
  plugs: Map<string, string>
  house: Map<string, string>
}
type Said = { token: TokenName; value: string; choices?: readonly string[] }
/** `also`: taken beside the phrase, where that is a question about it. */
type Found = { length: number; phrase: Said | null; also?: Said }

/** A house word and its plural, which stands for the plural of what it means unless the shop says otherwise. */
function houseOf(house: Readonly<Record<string, string>>): Map<string, string> {
  const said = Object.entries(house).map(([word, trade]): [string, string] => [word.toLowerCase(), trade.toLowerCase()])
  return new Map([
    ...said.map(([word, trade]): [string, string] => [`${word}s`, PHRASES.has(`${trade}s`) ? `${trade}s` : trade]),
    ...said,
  ])
}

/** Words and separators. A count may be tied to what it counts ("4x"), a size to its letter ("T20"). */
function wordsOf(line: string): Word[] {
  const text = line.toLowerCase().replace(/[’‘]/g, "'").replace(/×/g, 'x')
  return [...text.matchAll(/x\d+|[a-z][a-z'-]*\d*(?:x\d+)?|\d+(?:\.\d+)?|[:,;.]/g)].map((match) => ({
    text: match[0],
    from: match.index,
    to: match.index + match[0].length,
  }))
}

function numberOf(word: Word | undefined): number | null {
  if (!word) return null
  if (/^\d+$/.test(word.text)) return Number(word.text)
  const at = NUMBERS.indexOf(word.text)
  return at > 0 ? at : word.text === 'dozen' ? 12 : null
}

/** Numbers, sizes and threads. */
function measure(words: readonly Word[], at: number): Found | null {
  const [word, next, then, last] = [words[at]!, words[at + 1], words[at + 2], words[at + 3]]
  if (/^[:,;.]$/.test(word.text)) return { length: 1, phrase: { token: 'Separator', value: word.text } }
  const whole = /^m(\d+)x(\d+)$/.exec(word.text)
  if (whole) return { length: 1, phrase: { token: 'Thread', value: `M${whole[1]}x${whole[2]}` } }
  const diameter = /^m(\d+)$/.exec(word.text)?.[1] ?? (word.text === 'm' ? numberOf(next)?.toString() : undefined)
  if (diameter) {
    const skip = word.text === 'm' ? 1 : 0
    const [by, length] = skip ? [then, last] : [next, then]
    if (by && (by.text === 'x' || by.text === 'by') && numberOf(length) !== null)
      return { length: 3 + skip, phrase: { token: 'Thread', value: `M${diameter}x${numberOf(length)}` } }
  }
  const lobes = /^t-?(\d+)s?$/.exec(word.text)?.[1]
  if (lobes) return { length: 1, phrase: { token: 'Size', value: `T${lobes}` } }
  if ((word.text === 't' || word.text === 't-') && next) {
    const size = /^\d+$/.test(next.text) ? Number(next.text) : TENS[next.text]
    if (size) return { length: 2, phrase: { token: 'Size', value: `T${size}` } }
  }
  const cross = /^p([hz])(\d)$/.exec(word.text)
  if (cross) return { length: 1, phrase: { token: 'Size', value: `P${cross[1]!.toUpperCase()}${cross[2]}` } }
  const fraction = /^\d+\.\d+$/.test(word.text) && /^(mil|mm|millimetres?)$/.test(next?.text ?? '')
  if (fraction) return { length: 1, phrase: { token: 'Num', value: word.text } }
  const tied = /^x(\d+)$/.exec(word.text)?.[1]
  if (tied) return { length: 1, phrase: { token: 'CountOf', value: tied } }
  const number = numberOf(word)
  // "one" after a word for which or what kind is no number: "the lower one", "a stubborn one".
  if (
    number === null ||
    (word.text === 'one' && at > 0 && /^(lower|upper|other|stubborn|small|big|this|that)$/.test(words[at - 1]!.text))
  )
    return null
  const times = next?.text === 'x' ? 1 : 0
  // "hex screws, three of them": never a size.
  if (next?.text === 'of' && /^(them|those|these)$/.test(then?.text ?? ''))
    return { length: 3, phrase: { token: 'CountOf', value: `${number}` } }
  return { length: 1 + times, phrase: { token: 'Num', value: `${number}` } }
}

/** What dictation hears wrongly before or after something that tells: offered, never taken. */
function misheard(words: readonly Word[], at: number, before: readonly Phrase[]): Found | null {
  const [word, next] = [words[at]!, words[at + 1]]
  const heard = (meant: string, length: number): Found => ({ length, phrase: { token: 'Heard', value: meant } })
  const follows =
    next &&
    (measure(words, at + 1)?.phrase?.token === 'Size' || ['screws', 'clips', 'bolts', 'nuts'].includes(next.text))
  if (follows && (word.text === 'for' || word.text === 'fore')) return heard('4', 1)
  if (follows && (word.text === 'to' || word.text === 'too') && before.length === 0) return heard('2', 1)
  if ((word.text === 'tea' || word.text === 'tee') && next && TENS[next.text]) return heard(`T${TENS[next.text]}`, 2)
  if (word.text === 'em' && numberOf(next) !== null) return heard(`M${numberOf(next)}`, 2)
  if (word.text === 'try' && next?.text === 'tool') return heard('pry tool', 2)
  if (word.text === 'push' && next?.text === 'pen') return heard('push-pin', 2)
  if (word.text === 'ceiling') return { ...heard('seal', 1), also: { token: 'Part', value: 'headliner' } }
  if (word.text === 'sealing')
    return { ...heard('ceiling', next?.text === 'strip' ? 2 : 1), also: { token: 'Part', value: 'seal' } }
  if (word.text === 'radiator') return heard('radio', 1)
  if (/^clicks?$/.test(word.text) && before.at(-1)?.token === 'Num') return heard('clip', 1)
  if (word.text === 'x' && numberOf(next) !== null && before.at(-1)?.token !== 'Num')
    return heard(`hex ${numberOf(next)}`, 2)
  return null
}

/** The longest phrase that begins here: of the record, with its adjective, or of the trade. */
function phraseAt(words: readonly Word[], at: number, known: Known): Found {
  for (let length = Math.min(LONGEST_PHRASE, words.length - at); length > 0; length--) {
    const text = words
      .slice(at, at + length)
      .map((word) => word.text)
      .join(' ')
    const own = ownPhrase(text, known)
    if (own) return { length, phrase: own }
    const entry = PHRASES.get(text)
    // A plug is known by its whole name; a word that means something in the trade goes on meaning it.
    const plug = entry === undefined || length > 1 ? known.plugs.get(text) : undefined
    if (plug !== undefined) return { length, phrase: { token: 'PlugName', value: plug } }
    const adjective =
      length > 1 && PART_ADJECTIVES.includes(words[at]!.text) ? partAfter(words.slice(at + 1, at + length)) : null
    if (adjective && entry === undefined)
      return { length, phrase: { token: 'Part', value: `${words[at]!.text} ${adjective}` } }
    const described = length > 1 ? partBefore(words.slice(at, at + length)) : null
    if (described && entry === undefined) return { length, phrase: { token: 'Part', value: described } }
    if (entry !== undefined) return { length, phrase: entry }
  }
  return { length: 1, phrase: { token: 'Unknown', value: words[at]!.text } }
}

/** A name of the record, or a word of the shop that stands for one or for a phrase of the trade. */
function ownPhrase(text: string, { parts, house }: Known): Said | null {
  const trade = house.get(text) ?? text
  const names = parts.get(trade)
  if (names) return { token: 'Part', value: names[0]!, ...(names.length > 1 && { choices: names }) }
  return trade === text ? null : (PHRASES.get(trade) ?? { token: 'Part', value: trade })
}

/**
 * A part said in the trade's words is the one of the record that is called so; of several one is asked. A name of the
 * record itself is clear.
 */
function inRecord(said: Said, { parts, trade }: Known): Said {
  const names = said.token === 'Part' && !parts.has(said.value.toLowerCase()) ? trade.get(said.value) : undefined
  return names ? { token: 'Part', value: names[0]!, ...(names.length > 1 && { choices: names }) } : said
}

/** What the trade calls a part of this name, with its adjectives and without: "Rubber liner" is a liner. */
function tradeNames(name: string): Set<string> {
  const words = wordsOf(name)
  const none: Known = { parts: new Map(), trade: new Map(), plugs: new Map(), house: new Map() }
  const found = new Set<string>()
  for (let from = 0; from < words.length; from++) {
    const { length, phrase } = phraseAt(words, from, none)
    if (phrase?.token === 'Part' && from + length === words.length) found.add(phrase.value)
  }
  return found
}

function partAfter(words: readonly Word[]): string | null {
  const entry = PHRASES.get(words.map((word) => word.text).join(' '))
  return entry?.token === 'Part' ? entry.value : null
}

/** "cluster surround": a part that is named after another one. */
function partBefore(words: readonly Word[]): string | null {
  for (let split = 1; split < words.length; split++) {
    const [first, second] = [partAfter(words.slice(0, split)), partAfter(words.slice(split))]
    if (first && second && ['surround', 'trim', 'cover', 'panel', 'cap', 'caps'].includes(second))
      return `${first} ${second}`
  }
  return null
}
