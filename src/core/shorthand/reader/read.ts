import type { AskKind } from '../meaning'
import { BESIDE_OTHERS, settled } from './clauses'
import { Draft, type Group, type Made } from './draft'
import { finishGroup, GROUP_ITEMS } from './groups'
import { itemsOf } from './items'
import { OTHER_ITEMS } from './others'
import { finishPlug, PLUG_ITEMS } from './plugs'
import { finishRelease, RELEASE_ITEMS } from './releases'
import type { Item, Language, Which } from './sense'
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
  asks: AskKind[]
  /** `isTrade`: a word of the trade that fits nowhere; else one nobody knows. */
  unread: { word: Word; near: string[]; isTrade: boolean }[]
  heard: { meant: string; words: Word[] }[]
  which: Which[]
  /** Words that are in no fact: the line's note. */
  left: Word[]
}

/** Reads a line. Never fails. Cost: words times rules. */
export function readLine(line: string, language: Language): Read {
  const cover = itemsOf(wordsOf(line), language)
  const draft = new Draft()
  const items = settled(cover.items, line)
  for (const [i, item] of items.entries()) {
    if (draft.isOver) break
    draft.next = items[i + 1] ?? null
    backToOwner(draft, item)
    MEANINGS[item.is]!(draft, item)
    if (item.is !== 'end' && !STATES_NOTHING.has(item.is)) draft.keep(item)
    draft.last = item
  }
  // "Only with a second battery the fuse holder": that there is one.
  if (draft.made.length === 0 && draft.whenSaid !== null && draft.subject !== null)
    draft.add('part', { part: draft.subject, when: draft.whenSaid }, items[0]!)
  inTheirParts(draft)
  // A part and nothing else: it is named.
  if (draft.made.length === 0 && items.length > 0 && items.every(({ is }) => is === 'part' || is === 'end'))
    for (const item of items) if (item.is === 'part') draft.add('part', { part: item.part }, item)
  const whole = draft.made.filter((made) => finish(made, draft))
  const near = new Map(cover.unread.map((unread) => [unread.word, unread.near]))
  const unread = draft.unread.flatMap(({ is, words }) =>
    words.map((word) => ({ word, near: near.get(word) ?? [], isTrade: is !== 'unread' })),
  )
  const said = items.filter(({ is }) => is !== 'unread' && !STATES_NOTHING.has(is)).flatMap(({ words }) => words)
  const held = new Set([...said, ...draft.unread.filter((item) => item.is !== 'unread').flatMap(({ words }) => words)])
  const asked = unread.filter(holdsUp).map(({ word }) => word)
  return {
    facts: whole.map(({ fact, fields, items }) => ({
      fact: { fact, ...fields, ...insteadOf(fact, draft) },
      words: items.flatMap(({ words }) => words),
    })),
    asks: [...draft.asks],
    heard: draft.heard.map((item) => ({ meant: String(item.meant), words: item.words })),
    which: eachOnce(items.flatMap(({ which }) => which ?? [])),
    left: cover.words.filter((word) => !held.has(word) && !asked.includes(word)),
    unread: unread.filter(holdsUp).sort((a, b) => a.word.from - b.word.from),
  }
}

/** After what came off on the way, unless it goes on about that. */
function backToOwner(draft: Draft, { is }: Item): void {
  if (!draft.backToOwner || is === 'end' || is === 'behind it') return
  draft.backToOwner = false
  if (draft.before.behind === draft.subject) return
  draft.subject = draft.owner
  draft.isOnTheWay = false
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
    for (const part of parts) part.kind = whole.kind
    whole.left = 0
  }
}
