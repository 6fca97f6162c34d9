import { isEmpty, latticeOf, type Options } from './lattice'
import { fitsAt, type Fit } from './patterns'
import type { Item, Language, Rule } from './sense'
import { knownWords, nearest } from './spelling'
import type { Word } from './words'

/** What a reading costs: an item, its words that say nothing or were spelt otherwise, and what is in no item. */
const ITEM = 1
const ARTICLE = 0.1
const RESPELT = 1.5
/** The same letters in another order: a slip of the hand, and likelier than a wrong letter. */
const TRANSPOSED = 1.4
const TALK = 0.7
const MISSPELT_TALK = 3.2
const UNREAD = 6

/** A line as items, with its words that say something, what was not read, and the rules that made the items. */
export type Cover = { items: Item[]; words: Word[]; unread: { word: Word; near: string[] }[]; rules: Rule[] }

/** One step over a line: by a rule, or past a word that is in no item. `isUnread`: one that says something. */
type Step = { from: number; to: number; cost: number; fit: Fit | null; isUnread: boolean }

/** As far as a way may cost more than the cheapest to be worth a look, and so many are looked at. */
const NEARLY = 0.3
const MOST_OTHERS = 8
/** Of a longer line nobody compares two readings. */
const MOST_WORDS_COMPARED = 60
const SAME = 1e-9

/** The cheapest cover of a line, and the next ones that cost hardly more. */
export type Covers = { best: Cover; others: { cover: Cover; costsMore: number }[] }

/**
 * The cheapest way to cover a line with items: a shortest path over the places between its words. Of two that cost the
 * same the rules that stand first are taken. The others: of each step that is not on it the cheapest way through it,
 * where that costs hardly more (the second shortest path leaves the shortest by one such step). Cost: words times the
 * rules that may begin there.
 */
export function itemsOf(words: readonly Word[], language: Language): Covers {
  const steps = stepsOf(words, language)
  const until = cheapest(words.length, steps)
  const best = wayTo(words.length, until)
  if (words.length > MOST_WORDS_COMPARED) return { best: coverOf(best, words, language), others: [] }
  const least = until[words.length]?.cost ?? 0
  const after = cheapestBack(words.length, steps)
  const onBest = new Set(best)
  const others = steps
    .flat()
    .filter((step) => !onBest.has(step))
    .map((step) => ({ step, costsMore: until[step.from]!.cost + step.cost + after[step.to]!.cost - least }))
    .filter(({ costsMore }) => costsMore <= NEARLY + SAME)
    .sort((a, b) => a.costsMore - b.costsMore)
    .slice(0, MOST_OTHERS)
    .map(({ step, costsMore }) => ({
      cover: coverOf([...wayTo(step.from, until), step, ...wayFrom(step.to, after)], words, language),
      costsMore,
    }))
  return { best: coverOf(best, words, language), others }
}

/** Every step that may be taken, by the word it begins at. */
function stepsOf(words: readonly Word[], language: Language): Step[][] {
  const lattice = latticeOf(words, language)
  return words.map((word, at) => {
    const rest = costOfRest(word, lattice.options[at]!, language)
    return [
      ...fitsAt(at, lattice, language).map((fit): Step => ({
        from: at,
        to: fit.to,
        cost: costOf(fit, words.slice(at, fit.to)),
        fit,
        isUnread: false,
      })),
      { from: at, to: at + 1, cost: rest, fit: null, isUnread: rest >= UNREAD },
    ]
  })
}

/** The least that leads to each place, with its last step; from each place to the end, with its first one. */
type Way = { cost: number; step: Step | null }

function cheapest(end: number, steps: readonly Step[][]): Way[] {
  const until: Way[] = [{ cost: 0, step: null }]
  for (let at = 0; at < end; at++)
    for (const step of steps[at]!) {
      const cost = until[at]!.cost + step.cost
      const known = until[step.to]
      if (known === undefined || cost < known.cost - SAME) until[step.to] = { cost, step }
    }
  return until
}

function cheapestBack(end: number, steps: readonly Step[][]): Way[] {
  const after: Way[] = []
  after[end] = { cost: 0, step: null }
  for (let at = end - 1; at >= 0; at--)
    for (const step of steps[at]!) {
      const cost = step.cost + after[step.to]!.cost
      const known = after[at]
      if (known === undefined || cost < known.cost - SAME) after[at] = { cost, step }
    }
  return after
}

function wayTo(end: number, until: readonly Way[]): Step[] {
  const way: Step[] = []
  for (let step = until[end]?.step ?? null; step; step = until[step.from]!.step) way.unshift(step)
  return way
}

function wayFrom(begin: number, after: readonly Way[]): Step[] {
  const way: Step[] = []
  for (let step = after[begin]?.step ?? null; step; step = after[step.to]!.step) way.push(step)
  return way
}

function coverOf(way: readonly Step[], words: readonly Word[], language: Language): Cover {
  const cover: Cover = { items: [], words: [], unread: [], rules: [] }
  for (const step of way) take(step, words, language, cover)
  return cover
}

function costOf({ rule, articles, meant }: Fit, words: readonly Word[]): number {
  const typed = meant.length === 0 ? null : new Set(words.map(({ text }) => lettersOf(text)))
  const respelt = meant.reduce((sum, word) => sum + (typed!.has(lettersOf(word)) ? TRANSPOSED : RESPELT), 0)
  return (rule.cost ?? ITEM) + articles * ARTICLE + respelt
}

const lettersOf = (word: string) => [...word].sort().join('')

/** What a word costs that is in no item. */
function costOfRest({ text }: Word, options: Options[number], language: Language): number {
  if (!/[\p{L}\p{N}]/u.test(text)) return 0
  if (language.articles.has(text)) return ARTICLE
  if (isEmpty(text, language)) return TALK
  return options.some(({ meant }) => meant !== undefined && isEmpty(meant, language)) ? MISSPELT_TALK : UNREAD
}

/** A step of a way, after those before it. */
function take({ from, to, fit, isUnread }: Step, words: readonly Word[], language: Language, cover: Cover): void {
  const own = words.slice(from, to)
  const word = own[0]!
  const at = { at: from, end: to, words: own }
  if (fit) {
    cover.rules.push(fit.rule)
    cover.words.push(...own.filter(({ text }) => !language.articles.has(text)))
    const more = {
      ...(fit.meant.length > 0 && { meant: fit.meant }),
      ...(fit.which.length > 0 && { which: fit.which }),
      ...(fit.called.length > 0 && { called: fit.called }),
    }
    cover.items.push(...fit.said.map((said) => ({ ...said, ...at, ...more })))
  } else if (language.ends.has(word.text)) cover.items.push({ is: 'end', sign: language.ends.get(word.text), ...at })
  else if (isUnread) {
    cover.words.push(word)
    cover.unread.push({ word, near: nearest(word.text, language) })
    cover.items.push({ is: 'unread', isKnown: knownWords(language).has(word.text), ...at })
  }
}
