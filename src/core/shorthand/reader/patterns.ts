import type { Lattice } from './lattice'
import type { Called, Language, Placed, Rule, Said, Which } from './sense'
import type { Word } from './words'

/** So many words that say nothing may stand within one item. */
const MOST_ARTICLES = 3

/** A rule that fits from a word on. `to`: the word after it. */
export type Fit = {
  rule: Rule
  to: number
  said: Said[]
  meant: string[]
  which: Which[]
  called: Called[]
  articles: number
}

/** A rule with each of its optional elements there or not: `values` has null where one was left out. */
type Variant = { order: number; rule: Rule; values: readonly (number | null)[] }
/** Patterns that begin alike share their beginning. */
type Node = { classes: Map<string, Node>; literals: Map<string, Node>; variants: Variant[] }

/** What was gone through so far. */
type Passed = { values: readonly string[]; meant: string[]; which: Which[]; called: Called[]; articles: number }
const NOTHING: Passed = { values: [], meant: [], which: [], called: [], articles: 0 }

/** Every rule that fits from a word on, in the order of the language. */
export function fitsAt(at: number, lattice: Lattice, language: Language): Fit[] {
  const { words, options, senses } = lattice
  const found: (Fit & { order: number })[] = []
  const walk = (node: Node, place: number, passed: Passed): void => {
    for (const { order, rule, values } of node.variants) {
      const said = rule.make(...values.map((i) => (i === null ? null : passed.values[i]!)))
      const { meant, which, called, articles } = passed
      if (said !== null) found.push({ order, rule, to: place, said: [said].flat(), meant, which, called, articles })
    }
    const word = words[place]
    if (!word) return
    for (const { text, meant } of options[place]!) {
      const next = node.literals.get(text)
      if (next) walk(next, place + 1, spelt(passed, meant))
    }
    for (const sense of senses[place]!) {
      const next = node.classes.get(sense.is)
      if (next) walk(next, sense.end, took(passed, sense, words))
    }
    if (place > at && passed.articles < MOST_ARTICLES && language.articles.has(word.text) && goesOn(node))
      walk({ ...node, variants: [] }, place + 1, { ...passed, articles: passed.articles + 1 })
  }
  walk(treeOf(language.rules), at, NOTHING)
  return found.sort((a, b) => a.order - b.order)
}

const goesOn = ({ classes, literals }: Node) => classes.size + literals.size > 0

function spelt(passed: Passed, meant: string | undefined): Passed {
  return meant === undefined ? passed : { ...passed, meant: [...passed.meant, meant] }
}

function took(passed: Passed, { is, value, meant, choices, at, end }: Placed, words: readonly Word[]): Passed {
  const as = words
    .slice(at, end)
    .map(({ text }) => text)
    .join(' ')
  const isOther = is === 'PART' && meant === undefined && as !== value.toLowerCase()
  const called = isOther ? [...passed.called, { part: value, as }] : passed.called
  const which = choices ? [...passed.which, { choices, from: words[at]!.from, to: words[end - 1]!.to }] : passed.which
  return { ...spelt(passed, meant), values: [...passed.values, value], which, called }
}

const trees = new WeakMap<readonly Rule[], Node>()

function treeOf(rules: readonly Rule[]): Node {
  let tree = trees.get(rules)
  if (!tree) {
    const root = newNode()
    rules.forEach((rule, order) => add(root, elementsOf(rule.pattern), { order, rule, values: [] }, 0))
    trees.set(rules, (tree = root))
  }
  return tree
}

const newNode = (): Node => ({ classes: new Map(), literals: new Map(), variants: [] })

/** One element of a pattern: one of some words, or a class. */
type Element = { words: readonly string[]; is: string | null; may: boolean }

function elementsOf(pattern: string): Element[] {
  return pattern.split(' ').map((text) => {
    const may = text.length > 1 && text.endsWith('?')
    const name = may ? text.slice(0, -1) : text
    return /^[A-Z_]+$/.test(name) ? { words: [], is: name, may } : { words: name.split('/'), is: null, may }
  })
}

/** Puts a pattern into the tree, once for each way its optional elements may be there. `taken`: classes so far. */
function add(node: Node, [element, ...rest]: readonly Element[], variant: Variant, taken: number): void {
  if (!element) return void node.variants.push(variant)
  const { is, words, may } = element
  const without = is === null ? variant.values : [...variant.values, null]
  if (may) add(node, rest, { ...variant, values: without }, taken)
  if (is !== null) {
    const next = child(node.classes, is)
    add(next, rest, { ...variant, values: [...variant.values, taken] }, taken + 1)
  } else for (const word of words) add(child(node.literals, word), rest, variant, taken)
}

function child(children: Map<string, Node>, key: string): Node {
  let next = children.get(key)
  if (!next) children.set(key, (next = newNode()))
  return next
}
