import { isEmpty, latticeOf, type Options } from './lattice'
import { fitsAt, type Fit } from './patterns'
import type { Item, Language } from './sense'
import { knownWords, nearest } from './spelling'
import type { Word } from './words'

/** What a reading costs: an item, its words that say nothing or were spelt otherwise, and what is in no item. */
const ITEM = 1
const ARTICLE = 0.1
const RESPELT = 1.5
const TALK = 0.7
const MISSPELT_TALK = 3.2
const UNREAD = 6

/** A line as items, with its words that say something, and what was not read. */
export type Cover = { items: Item[]; words: Word[]; unread: { word: Word; near: string[] }[] }

/** The least that leads to a place: where its last step began, and what it is; `isUnread`: a word that fits nowhere. */
type Step = { cost: number; from: number; fit: Fit | null; isUnread: boolean }

/**
 * The cheapest way to cover a line with items: a shortest path over the places between its words. Ties go to the rule
 * that stands first. Cost: words times the rules that may begin there.
 */
export function itemsOf(words: readonly Word[], language: Language): Cover {
  const lattice = latticeOf(words, language)
  const best: Step[] = [{ cost: 0, from: -1, fit: null, isUnread: false }]
  for (let at = 0; at < words.length; at++) {
    const reached = best[at]!.cost
    const offer = (to: number, cost: number, fit: Fit | null) => {
      if (best[to] === undefined || reached + cost < best[to].cost - 1e-9)
        best[to] = { cost: reached + cost, from: at, fit, isUnread: fit === null && cost >= UNREAD }
    }
    for (const fit of fitsAt(at, lattice, language)) offer(fit.to, costOf(fit), fit)
    offer(at + 1, costOfRest(words[at]!, lattice.options[at]!, language), null)
  }
  const cover: Cover = { items: [], words: [], unread: [] }
  for (let end = words.length; end > 0; end = best[end]!.from) take(best[end]!, end, words, language, cover)
  return cover
}

function costOf({ rule, articles, meant }: Fit): number {
  return (rule.cost ?? ITEM) + articles * ARTICLE + meant.length * RESPELT
}

/** What a word costs that is in no item. */
function costOfRest({ text }: Word, options: Options[number], language: Language): number {
  if (!/[\p{L}\p{N}]/u.test(text)) return 0
  if (language.articles.has(text)) return ARTICLE
  if (isEmpty(text, language)) return TALK
  return options.some(({ meant }) => meant !== undefined && isEmpty(meant, language)) ? MISSPELT_TALK : UNREAD
}

/** A step of the cheapest way, from its end to its beginning. */
function take(
  { from, fit, isUnread }: Step,
  end: number,
  words: readonly Word[],
  language: Language,
  cover: Cover,
): void {
  const own = words.slice(from, end)
  const word = own[0]!
  const at = { at: from, end, words: own }
  if (fit) {
    cover.words.unshift(...own.filter(({ text }) => !language.articles.has(text)))
    const more = {
      ...(fit.meant.length > 0 && { meant: fit.meant }),
      ...(fit.which.length > 0 && { which: fit.which }),
    }
    cover.items.unshift(...fit.said.map((said) => ({ ...said, ...at, ...more })))
  } else if (language.ends.has(word.text)) cover.items.unshift({ is: 'end', sign: word.text, ...at })
  else if (isUnread) {
    cover.words.unshift(word)
    cover.unread.unshift({ word, near: nearest(word.text, language) })
    cover.items.unshift({ is: 'unread', isKnown: knownWords(language).has(word.text), ...at })
  }
}
