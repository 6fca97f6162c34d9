import type { AskKind } from '../meaning'
import { BESIDE_OTHERS, clausesOf, settled, type Clause } from './clauses'
import { Draft, type Asking, type Group, type Made } from './draft'
import { finishGroup, GROUP_ITEMS } from './groups'
import { itemsOf, type Cover } from './items'
import { OTHER_ITEMS } from './others'
import { finishPlug, PLUG_ITEMS } from './plugs'
import { finishRelease, RELEASE_ITEMS } from './releases'
import { inNothing, saidOfNothing } from './saidOfNothing'
import type { Called, Item, Language, Which } from './sense'
import { wordsOf, type Word } from './words'

const MEANINGS: Record<string, (draft: Draft, item: Item) => void> = {
  ...GROUP_ITEMS,
  ...PLUG_ITEMS,
  ...RELEASE_ITEMS,
  ...OTHER_ITEMS,
}

/** Whether an item of this kind says something: in a meaning, or to what stands beside it. */
export function isMeant(is: string): boolean {
  return is in MEANINGS || BESIDE_OTHERS.has(is)
}

/** What was understood and states no fact: no screws, the part that something is not to be moved against. */
const STATES_NOTHING: ReadonlySet<string> = new Set(['nothing', 'aside'])

/** What a line says: facts with the words each came from, what is to be asked, what was not read. */
export type Read = {
  facts: { fact: Record<string, unknown>; words: Word[] }[]
  /** What has to be asked: of a fact by its place among them, or of words that are in none. */
  asks: { ask: AskKind; fact: number | null; words: Word[] }[]
  /** `isTrade`: a word of the trade that fits nowhere; else one nobody knows. */
  unread: { word: Word; near: string[]; isTrade: boolean }[]
  heard: { meant: string; words: Word[] }[]
  which: Which[]
  /** Words that are in no fact: the line's note. */
  left: Word[]
  clauses: Clause[]
  /** Parts that were called otherwise than they are. */
  called: Called[]
  /** It is so many instead, of what another line said. */
  corrects: { count: number; words: Word[] } | null
}

/** Reads a line. Never fails. Cost: words times rules. */
export function readLine(line: string, language: Language): Readings {
  const { best, others } = itemsOf(wordsOf(line), language)
  const read = readItems(best, line, language)
  const looked = new Set([itemsSaid(best)])
  for (const { cover, costsMore } of others) {
    // Most are the same items spelt or named otherwise.
    const said = itemsSaid(cover)
    if (looked.has(said)) continue
    looked.add(said)
    const other = readItems(cover, line, language)
    if (saysOtherwise(other, read)) return { read, other: { ...other, isTie: costsMore < SAME_COST } }
  }
  return { read, other: null }
}

/** What the items of a cover say, but for what parts are called. */
function itemsSaid({ items }: Cover): string {
  return items
    .map(
      ({ is, at, words: _, part: _name, which: _w, called: _c, meant: _m, ...said }) =>
        `${is} ${at} ${JSON.stringify(said)}`,
    )
    .join()
}

/** A line as it is read, and as it may be read as well. `isTie`: nothing speaks for the first. */
export type Readings = { read: Read; other: (Read & { isTie: boolean }) | null }
const SAME_COST = 1e-6

/**
 * Whether another reading is as good by what it leaves, and says something else. What a part is called is no other
 * meaning: the words stand beside it. Which of two parts it is about is one: then other words make the fact.
 */
function saysOtherwise(other: Read, read: Read): boolean {
  const inFacts = ({ facts }: Read) => new Set(facts.flatMap(({ words }) => words)).size
  return (
    other.asks.length <= read.asks.length &&
    other.unread.length <= read.unread.length &&
    other.facts.length > 0 &&
    inFacts(other) >= inFacts(read) &&
    (meaningOf(other, NAMES) !== meaningOf(read, NAMES) ||
      (meaningOf(other, []) !== meaningOf(read, []) && wordsOfFacts(other) !== wordsOfFacts(read)))
  )
}

const NAMES = ['of', 'holds', 'behind', 'name', 'part', 'by', 'align', 'protects']

function meaningOf({ facts }: Read, but: readonly string[]): string {
  const said = facts.map(({ fact }) =>
    JSON.stringify(
      Object.entries(fact)
        .filter(([field]) => !but.includes(field))
        .sort(([a], [b]) => (a < b ? -1 : 1)),
    ),
  )
  return said.sort().join()
}

/** Which words make which fact. */
function wordsOfFacts({ facts }: Read): string {
  return facts.map(({ words }) => words.map(({ from }) => from).sort((a, b) => a - b)).join(';')
}

/** What the items that a line is covered with come to. */
function readItems(cover: Cover, line: string, language: Language): Read {
  const draft = new Draft(language, line)
  const items = settled(cover.items, line)
  tell(draft, items)
  onlyNamed(draft, items)
  inTheirParts(draft)
  const nowhere = saidOfNothing(draft)
  const whole = draft.made.filter((made) => finish(made, draft))
  const near = new Map(cover.unread.map((unread) => [unread.word, unread.near]))
  const unread = draft.unread
    .flatMap(({ is, words }) => words.map((word) => ({ word, near: near.get(word) ?? [], isTrade: is !== 'unread' })))
    .filter(holdsUp)
  const { corrects } = draft
  return {
    facts: whole.map(({ fact, fields, items }) => ({
      fact: { fact, ...fields, ...insteadOf(fact, draft) },
      words: items.flatMap(({ words }) => words),
    })),
    asks: eachAsk(draft.asks, whole),
    heard: draft.heard.map((item) => ({ meant: String(item.meant), words: item.words })),
    which: eachOnce(items.flatMap(({ which }) => which ?? [])),
    left: leftOf(cover, items, draft, new Set([...nowhere, ...inNothing(draft, whole)]), unread),
    unread: unread.sort((a, b) => a.word.from - b.word.from),
    clauses: clausesOf(cover.items),
    called: items.flatMap(({ called }) => called ?? []),
    corrects: corrects && { count: corrects.count, words: corrects.items.flatMap(({ words }) => words) },
  }
}

/** Item after item into the draft. */
function tell(draft: Draft, items: readonly Item[]): void {
  for (const [i, item] of items.entries()) {
    if (draft.isOver) break
    draft.next = items[i + 1] ?? null
    backToOwner(draft, item)
    MEANINGS[item.is]!(draft, item)
    if (item.is !== 'end' && !STATES_NOTHING.has(item.is)) draft.keep(item)
    draft.last = item
  }
}

/** A part and nothing else: it is named. "Only with a second battery the fuse holder": that there is one. */
function onlyNamed(draft: Draft, items: readonly Item[]): void {
  if (draft.made.length > 0 || items.length === 0) return
  if (draft.whenSaid !== null && draft.subject !== null)
    draft.add('part', { part: draft.subject, when: draft.whenSaid }, items[0]!)
  else if (items.every(({ is }) => is === 'part' || is === 'end'))
    for (const item of items) if (item.is === 'part') draft.add('part', { part: item.part }, item)
}

/** Words in no fact and not asked about. `gone`: items that came to nothing. */
function leftOf(
  { words }: Cover,
  items: readonly Item[],
  draft: Draft,
  gone: ReadonlySet<Item>,
  asked: Read['unread'],
): Word[] {
  const said = items.filter((item) => item.is !== 'unread' && !gone.has(item) && !STATES_NOTHING.has(item.is))
  const stray = draft.unread.filter(({ is }) => is !== 'unread')
  const held = new Set([...said, ...stray].flatMap((item) => item.words))
  return words.filter((word) => !held.has(word) && !asked.some((unread) => unread.word === word))
}

/** After what came off on the way, unless it goes on about that. */
function backToOwner(draft: Draft, { is }: Item): void {
  if (!draft.backToOwner || is === 'end' || is === 'behind it') return
  draft.backToOwner = false
  if (draft.before.behind === draft.subject) return
  draft.subject = draft.owner
  draft.isOnTheWay = false
}

/** Each thing to ask of each fact once. */
function eachAsk(asks: readonly Asking[], facts: readonly Made[]): Read['asks'] {
  const found = new Map<string, Read['asks'][number]>()
  for (const { ask, made, items } of asks) {
    const at = made === null ? -1 : facts.indexOf(made)
    const words = items.flatMap((item) => item.words)
    const key = `${ask} ${at < 0 ? `at ${words[0]?.from}` : at}`
    if (!found.has(key)) found.set(key, { ask, fact: at < 0 ? null : at, words })
  }
  return [...found.values()]
}

/** A name that stands in two items of one place is asked about once. */
function eachOnce(which: readonly Which[]): Which[] {
  return [...new Map(which.map((each) => [each.from, each])).values()]
}

function finish(made: Made, draft: Draft): boolean {
  if (made.fact === 'holder') return finishGroup(made, draft)
  if (made.fact === 'plug') return finishPlug(made, draft)
  if (made.fact === 'release') {
    finishRelease(made, draft)
    return Object.keys(made.fields).some((field) => field !== 'of' && field !== 'when')
  }
  return true
}

/** A line that begins with a correction says what stands instead of what another line said. */
function insteadOf(fact: string, { instead, insteadOf: was }: Draft): { instead?: Record<string, unknown> } {
  return (instead || Object.keys(was).length > 0) && fact !== 'take back' ? { instead: was } : {}
}

/**
 * A word of the trade that fits nowhere, a number, a letter or a near miss can turn a fact; any other word that nobody
 * knows is its note.
 */
function holdsUp({ word, near, isTrade }: { word: Word; near: string[]; isTrade: boolean }): boolean {
  return isTrade || near.length > 0 || word.text.length < 2 || /\d/.test(word.text)
}

/** "Six screws, four T20 and two T25": so many in all, then each of them. */
function inTheirParts(draft: Draft): void {
  const groups = draft.made.filter(({ fact }) => fact === 'holder') as Group[]
  for (const [i, whole] of groups.entries()) {
    const parts = groups.slice(i + 1).filter(({ kind, drive }) => kind === undefined && (drive ?? null) !== null)
    const sum = parts.reduce((total, { count }) => total + (count ?? 0), 0)
    if (whole.drive !== undefined || whole.kind === undefined || parts.length < 2 || sum !== whole.count) continue
    for (const part of parts) {
      part.kind = whole.kind
      part.fields.where ??= whole.fields.where
    }
    whole.left = 0
  }
}
