import type { Language, Placed } from './sense'
import { candidates, knownWords } from './spelling'
import { wordsOf, type Word } from './words'

const LONGEST_PHRASE = 6
const MOST_SPELLINGS = 8

/** The words of a line with what each may be. */
export type Lattice = { words: readonly Word[]; options: Options; senses: readonly (readonly Placed[])[] }
export type Options = readonly (readonly { text: string; meant: string | undefined }[])[]

/** What every word of a line may be. Cost: words times the longest phrase. */
export function latticeOf(words: readonly Word[], language: Language): Lattice {
  const options = optionsOf(words, language)
  return { words, options, senses: sensesOf(words, options, language) }
}

/** What may begin at each word. */
function sensesOf(words: readonly Word[], options: Options, language: Language): Placed[][] {
  return withCompounds(words, simpleSenses(words, options, language), language)
}

/** What a word may be: itself, or where nobody knows it what it was probably meant for. */
function optionsOf(words: readonly Word[], language: Language): { text: string; meant: string | undefined }[][] {
  const known = knownWords(language)
  return words.map(({ text }) => {
    if (known.has(text) || language.byForm(text).length > 0) return [{ text, meant: undefined }]
    const near = candidates(text, language)
    return near.length > 0 ? near.map((meant) => ({ text: meant, meant })) : [{ text, meant: undefined }]
  })
}

function simpleSenses(words: readonly Word[], options: Options, language: Language): Placed[][] {
  const begun = beginningsOf(language.phrases)
  return words.map((word, at) => {
    const found: Placed[] = [
      ...language.byForm(word.text).map((sense) => ({ ...sense, at, end: at + 1 })),
      ...(isLetter(words, at) ? [{ is: 'LETTER', value: word.text, at, end: at + 1 }] : []),
    ]
    let phrases: { text: string; meant: string[] }[] = [{ text: '', meant: [] }]
    for (let end = at + 1; end <= Math.min(words.length, at + LONGEST_PHRASE); end++) {
      phrases = phrases
        .flatMap((phrase) =>
          options[end - 1]!.map(({ text, meant }) => ({
            text: phrase.text === '' ? text : `${phrase.text} ${text}`,
            meant: meant === undefined ? phrase.meant : [...phrase.meant, meant],
          })),
        )
        .filter(({ text }) => begun.has(text))
        .slice(0, MOST_SPELLINGS)
      if (phrases.length === 0) break
      for (const { text, meant } of phrases)
        for (const sense of language.phrases.get(text) ?? [])
          found.push({ ...sense, at, end, ...(meant.length > 0 && { meant: meant.join(' ') }) })
    }
    const isNew = found.every(({ end }) => end > at + 1) && mayBeAName(word.text, found, options[at]!, language)
    if (!isNew || !/^\p{L}{2,}$/u.test(word.text)) return found
    const name = { value: word.text, at, end: at + 1 }
    return [...found, { is: 'NEW', ...name }, ...(begins(words, at, language) ? [{ is: 'NEW_FIRST', ...name }] : [])]
  })
}

const beginnings = new WeakMap<Language['phrases'], ReadonlySet<string>>()
/** The beginnings of all phrases, word by word: whether it is worth looking on. */
function beginningsOf(phrases: Language['phrases']): ReadonlySet<string> {
  let found = beginnings.get(phrases)
  if (!found) {
    const all = [...phrases.keys()].flatMap((phrase) => {
      const words = phrase.split(' ')
      return words.map((_, i) => words.slice(0, i + 1).join(' '))
    })
    beginnings.set(phrases, (found = new Set(all)))
  }
  return found
}

/** Whether nothing but articles stands before a word in its clause. */
function begins(words: readonly Word[], at: number, { articles, ends }: Language): boolean {
  const before = words.slice(0, at).findLast(({ text }) => !articles.has(text))
  return before === undefined || ends.has(before.text)
}

/** Whether a word that is nothing by itself may be the name of a part nobody has named yet, or the beginning of one. */
function mayBeAName(text: string, found: readonly Placed[], options: Options[number], language: Language): boolean {
  if (isEmpty(text, language)) return false
  const near = options.flatMap(({ meant }) => meant ?? [])
  // A misspelt word is what it was meant for, if that is anything here.
  if (near.length > 0) return found.length === 0 && !near.some((meant) => isEmpty(meant, language))
  return language.nouns.has(text) || !language.phrases.has(text)
}

/** A letter that is part of a name ("main b"), and no article: "main a" at the end of what it says. */
function isLetter(words: readonly Word[], at: number): boolean {
  const { text } = words[at]!
  if (!/^[a-z]$/.test(text) || text === 't' || text === 'x') return false
  return text !== 'a' || !/^[\p{L}\p{N}]/u.test(words[at + 1]?.text ?? '')
}

/** So many words before a name may be part of it. */
const DEEPEST_NAME = 3
const HEADS = ['PART', 'HEAD']
const BEFORE_A_NAME = ['ADJ', 'PART', 'PNAME', 'NEW', 'SETTING', 'COLOUR']
/** Longer names made of a name and what stands before it: "upper trim", "cluster surround", "sunglasses holder". */
function withCompounds(words: readonly Word[], senses: readonly Placed[][], { articles }: Language): Placed[][] {
  /** "Dash pad six bolts": a strange word between a part's name and a number or a colon goes on with the name. */
  const goesOn = ({ is, end }: Placed) =>
    is === 'NEW' && (words[end]?.text === ':' || (senses[end] ?? []).some((sense) => sense.is === 'NUM'))
  const compounds = (at: number, depth: number, after?: string): { value: string; end: number; meant: string[] }[] =>
    (senses[at] ?? []).flatMap((sense) => {
      const meant = sense.meant === undefined ? [] : [sense.meant]
      // A misspelt word is no head of a longer name: too many words are near it.
      const mayBeMisspelt = depth === DEEPEST_NAME || meant.length === 0
      const isHead = (HEADS.includes(sense.is) && mayBeMisspelt) || (after === 'PART' && goesOn(sense))
      const typed = depth < DEEPEST_NAME && sense.end === at + 1 ? words[at]!.text : sense.value
      const alone = isHead ? [{ value: typed, end: sense.end, meant }] : []
      if (depth === 0 || !BEFORE_A_NAME.includes(sense.is) || articles.has(words[sense.end]?.text ?? '')) return alone
      const own = sense.end === at + 1 ? words[at]!.text : sense.value
      const longer = compounds(sense.end, depth - 1, sense.is).map((rest) => ({
        value: `${sense.meant === undefined ? own : sense.value} ${rest.value}`,
        end: rest.end,
        meant: [...meant, ...rest.meant],
      }))
      return [...alone, ...longer]
    })
  return senses.map((own, at) => [
    ...own,
    ...compounds(at, DEEPEST_NAME)
      .filter(({ value }) => !own.some((sense) => sense.is === 'PART' && sense.value === value))
      .map(({ value, end, meant }): Placed => {
        const how = meant.length > 0 ? { meant: meant.join(' ') } : {}
        return { is: 'PART', value, at, end, ...how }
      }),
  ])
}

/** Whether a word says nothing. */
export function isEmpty(text: string, { articles, talk, ends }: Language): boolean {
  return articles.has(text) || talk.has(text) || ends.has(text)
}

/** What the trade calls a thing of this name, with its adjectives and without: "Rubber liner" is a liner. */
export function sensesOfName(name: string, language: Language): Set<string> {
  const words = wordsOf(name)
  const senses = sensesOf(words, optionsOf(words, language), language)
  return new Set(senses.flat().flatMap(({ is, value, end }) => (is === 'PART' && end === words.length ? [value] : [])))
}
