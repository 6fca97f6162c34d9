import type { Item, Language, Placed, Rule, Said, Which } from './sense'
import { candidates, knownWords } from './spelling'
import { wordsOf, type Word } from './words'

const ITEM = 1
const ARTICLE = 0.1
const TALK = 0.7
const RESPELT = 1.5
const UNREAD = 6
const LONGEST_PHRASE = 6
const MOST_SPELLINGS = 8

/** A line as items, with its words that say something, and what was not read. */
export type Cover = { items: Item[]; words: Word[]; unread: { word: Word; near: string[] }[] }

type Edge = { to: number; cost: number; said: Said[]; meant: string[]; which: Which[] }
type Options = ReturnType<typeof optionsOf>
type Lattice = { words: readonly Word[]; options: Options; senses: readonly Placed[][] }
type Element = { one: string[] | null; is: string; may: boolean }

/**
 * The cheapest way to cover a line with items: a shortest path over the places between its words. Ties go to the rule
 * that stands first. Cost: words times rules.
 */
export function itemsOf(words: readonly Word[], language: Language, near: (text: string) => string[]): Cover {
  const options = optionsOf(words, language)
  const senses = sensesOf(words, options, language)
  const edges = words.map((_, at) => edgesAt(at, { words, options, senses }, language))
  const best: { cost: number; from: number; edge: Edge | null }[] = [{ cost: 0, from: -1, edge: null }]
  for (let at = 0; at < words.length; at++) {
    const reached = best[at]!
    const offer = (to: number, cost: number, edge: Edge | null) => {
      if (best[to] === undefined || reached.cost + cost < best[to].cost - 1e-9)
        best[to] = { cost: reached.cost + cost, from: at, edge }
    }
    for (const edge of edges[at]!) offer(edge.to, edge.cost, edge)
    const isTalk = options[at]!.some(({ meant }) => meant !== undefined && isEmpty(meant, language))
    offer(at + 1, isTalk ? TALK + RESPELT + 1 : costOfRest(words[at]!, language), null)
  }
  return read(words, options, best, language, near)
}

function costOfRest({ text }: Word, { talk, articles, ends }: Language): number {
  if (!/[\p{L}\p{N}]/u.test(text)) return 0
  return articles.has(text) ? ARTICLE : talk.has(text) || ends.has(text) ? TALK : UNREAD
}

function read(
  words: readonly Word[],
  options: Options,
  best: readonly { from: number; edge: Edge | null }[],
  language: Language,
  near: (text: string) => string[],
): Cover {
  const cover: Cover = { items: [], words: [], unread: [] }
  for (let end = words.length; end > 0; end = best[end]!.from) {
    const { from: at, edge } = best[end]!
    const own = words.slice(at, end)
    if (edge) {
      cover.words.unshift(...own.filter(({ text }) => !language.articles.has(text)))
      const more = {
        ...(edge.meant.length > 0 && { meant: edge.meant }),
        ...(edge.which.length > 0 && { which: edge.which }),
      }
      cover.items.unshift(...edge.said.map((said) => ({ ...said, at, end, words: own, ...more })))
      continue
    }
    const word = words[at]!
    const cost = costOfRest(word, language)
    if (language.ends.has(word.text)) cover.items.unshift({ is: 'end', sign: word.text, at, end, words: own })
    else if (cost < UNREAD || options[at]!.some(({ meant }) => meant !== undefined && isEmpty(meant, language)))
      continue
    else {
      cover.words.unshift(word)
      cover.unread.unshift({ word, near: near(word.text) })
      cover.items.unshift({ is: 'unread', isKnown: knownWords(language).has(word.text), at, end, words: own })
    }
  }
  return cover
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
        .slice(0, MOST_SPELLINGS)
      for (const { text, meant } of phrases)
        for (const sense of language.phrases.get(text) ?? [])
          found.push({ ...sense, at, end, ...(meant.length > 0 && { meant: meant.join(' ') }) })
    }
    const isNew =
      options[at]!.every(({ meant }) => meant === undefined) &&
      found.every(({ end }) => end > at + 1) &&
      (language.nouns.has(word.text) || !knownWords(language).has(word.text))
    return isNew && /^\p{L}{3,}$/u.test(word.text)
      ? [...found, { is: 'NEW', value: word.text, at, end: at + 1 }]
      : found
  })
}

/** A letter that is part of a name ("main b"), and no article: "main a" at the end of what it says. */
function isLetter(words: readonly Word[], at: number): boolean {
  const { text } = words[at]!
  if (!/^[a-z]$/.test(text) || text === 't' || text === 'x') return false
  return text !== 'a' || !/^[\p{L}\p{N}]/u.test(words[at + 1]?.text ?? '')
}

/** Longer names made of a name and what stands before it: "upper trim", "cluster surround", "sunglasses holder". */
const DEEPEST_NAME = 3
const BEFORE_A_NAME = ['ADJ', 'PART', 'PNAME', 'NEW', 'SETTING', 'COLOUR']
function withCompounds(words: readonly Word[], senses: readonly Placed[][], { articles }: Language): Placed[][] {
  const compounds = (at: number, depth: number): { value: string; end: number; meant: string[] }[] =>
    (senses[at] ?? []).flatMap((sense) => {
      const meant = sense.meant === undefined ? [] : [sense.meant]
      // A misspelt word is no head of a longer name: too many words are near it.
      const isHead = (sense.is === 'PART' || sense.is === 'HEAD') && (depth === DEEPEST_NAME || meant.length === 0)
      const typed = depth < DEEPEST_NAME && sense.end === at + 1 ? words[at]!.text : sense.value
      const alone = isHead ? [{ value: typed, end: sense.end, meant }] : []
      if (depth === 0 || !BEFORE_A_NAME.includes(sense.is) || articles.has(words[sense.end]?.text ?? '')) return alone
      const own = sense.end === at + 1 ? words[at]!.text : sense.value
      const longer = compounds(sense.end, depth - 1).map((rest) => ({
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

function isEmpty(text: string, { articles, talk, ends }: Language): boolean {
  return articles.has(text) || talk.has(text) || ends.has(text)
}

/** Every item that may begin at a word. */
function edgesAt(at: number, { words, options, senses }: Lattice, language: Language): Edge[] {
  const edges: Edge[] = []
  for (const rule of language.rules)
    follow(elementsOf(rule), 0, at, { values: [], meant: [], which: [], articles: 0 }, (to, passed) => {
      if (to === at) return
      const said = rule.make(...passed.values)
      if (said === null) return
      const cost = (rule.cost ?? ITEM) + passed.articles * ARTICLE + passed.meant.length * RESPELT
      edges.push({ to, cost, said: [said].flat(), meant: passed.meant, which: passed.which })
    })
  return edges

  function follow(
    elements: readonly Element[],
    n: number,
    place: number,
    passed: Passed,
    found: (to: number, passed: Passed) => void,
  ): void {
    const element = elements[n]
    if (!element) return found(place, passed)
    if (element.may)
      follow(elements, n + 1, place, element.one ? passed : { ...passed, values: [...passed.values, null] }, found)
    const word = words[place]
    if (!word) return
    if (element.one) {
      for (const { text, meant } of options[place]!)
        if (element.one.includes(text)) follow(elements, n + 1, place + 1, spelt(passed, meant), found)
    } else
      for (const sense of senses[place]!)
        if (sense.is === element.is) follow(elements, n + 1, sense.end, took(passed, sense, words), found)
    if (n > 0 && place > at && language.articles.has(word.text))
      follow(elements, n, place + 1, { ...passed, articles: passed.articles + 1 }, found)
  }
}

/** What a pattern has gone through so far. */
type Passed = { values: readonly (string | null)[]; meant: string[]; which: Which[]; articles: number }

function spelt(passed: Passed, meant: string | undefined): Passed {
  return meant === undefined ? passed : { ...passed, meant: [...passed.meant, meant] }
}

function took(passed: Passed, { value, meant, choices, at, end }: Placed, words: readonly Word[]): Passed {
  const which = choices ? [...passed.which, { choices, from: words[at]!.from, to: words[end - 1]!.to }] : passed.which
  return { ...spelt(passed, meant), values: [...passed.values, value], which }
}

const made = new WeakMap<Rule, readonly Element[]>()
function elementsOf(rule: Rule): readonly Element[] {
  let elements = made.get(rule)
  if (!elements) {
    elements = rule.pattern.split(' ').map((text): Element => {
      const may = text.endsWith('?')
      const name = may ? text.slice(0, -1) : text
      return /^[A-Z_]+$/.test(name) ? { one: null, is: name, may } : { one: name.split('/'), is: '', may }
    })
    made.set(rule, elements)
  }
  return elements
}

/** What the trade calls a thing of this name, with its adjectives and without: "Rubber liner" is a liner. */
export function sensesOfName(name: string, language: Language): Set<string> {
  const words = wordsOf(name)
  const senses = sensesOf(words, optionsOf(words, language), language)
  return new Set(senses.flat().flatMap(({ is, value, end }) => (is === 'PART' && end === words.length ? [value] : [])))
}
