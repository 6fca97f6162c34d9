import type { Item } from './sense'

/** Items that by themselves say that a clause is about a vehicle. */
const WEAK = new Set([
  'unread',
  'count',
  'where',
  'start or where',
  'to',
  'end',
  'note',
  'part',
  'on',
  'correct',
  'unsure',
  'no',
  'not',
  'plug name',
  'aside',
  'held',
  'colour',
  'behind it',
  'latch',
  'tab',
  'nothing',
  'caution',
])
const isStrong = ({ is }: Item) => !WEAK.has(is)
const HARD_ENDS = ['.', ';', '!']

/** Items that say how what stands beside them is meant; none is left when they are `settled`. */
export const BESIDE_OTHERS: ReadonlySet<string> = new Set([
  'note',
  'reason',
  'hypothesis',
  'condition',
  'compared',
  'not',
  'no',
  'forget',
])

/**
 * A stretch of a line between two signs or joining words. `sentence`: which of the line's, by its harder signs.
 * `turns`: it denies, corrects or makes conditional, and so may speak of what stands elsewhere.
 */
export type Clause = { from: number; to: number; sentence: number; turns: boolean }

const TURNING = [
  'not',
  'no',
  'forget',
  'correct',
  'condition',
  'hypothesis',
  'instead',
  'undo last',
  'take back',
  'when',
]

/** The clauses of a line as it was covered, in order; a sign belongs to the clause it ends. */
export function clausesOf(items: readonly Item[]): Clause[] {
  return partedAt(items, isHardEnd).flatMap((sentence, number) =>
    partedAt(sentence, isEnd).flatMap((clause) => {
      const words = clause.flatMap((item) => item.words)
      return words.length === 0
        ? []
        : [
            {
              from: Math.min(...words.map(({ from }) => from)),
              to: Math.max(...words.map(({ to }) => to)),
              sentence: number,
              turns: clause.some(({ is }) => TURNING.includes(is)),
            },
          ]
    }),
  )
}

/** The items with talk, negations and corrections told apart: what is left says something. */
export function settled(items: readonly Item[], line: string): Item[] {
  return denied(movingOther(forbidden(withoutTalk(withoutReasons(items)), line)))
}

/** Parts a list at its ends; each part keeps the end that closes it. */
function partedAt(items: readonly Item[], isEnd: (item: Item) => boolean): Item[][] {
  const parts: Item[][] = [[]]
  for (const item of items) {
    parts.at(-1)!.push(item)
    if (isEnd(item)) parts.push([])
  }
  return parts
}
const isEnd = ({ is }: Item) => is === 'end'
const isHardEnd = (item: Item) => isEnd(item) && HARD_ENDS.includes(item.sign as string)

/** Sentences that are a note, and clauses without a word of the trade: they hold nothing up. */
function withoutTalk(items: readonly Item[]): Item[] {
  return partedAt(items, isHardEnd).flatMap((sentence) => {
    if (sentence.some(({ is }) => is === 'note') && !sentence.some(isStrong)) return sentence.filter(isEnd)
    return partedAt(sentence, isEnd).flatMap((clause, i, all) => {
      if (!clause.some(isStrong) && isTalk(clause) && !goesOn(clause, statedBefore(all, i))) return clause.filter(isEnd)
      if (isStrange(clause) || clause.some(({ is }) => is === 'condition'))
        return clause.map((item) => (isEnd(item) ? item : { ...item, is: 'stray' }))
      return clause.filter(({ is }) => is !== 'note')
    })
  })
}

const isUnknown = ({ is, words }: Item) => is === 'unread' && words[0]!.text.length > 2
const SAYS_LITTLE = ['unread', 'count', 'end', 'to', 'where', 'part', 'on']

function isTalk(clause: readonly Item[]): boolean {
  if (clause.some(({ is }) => is === 'note')) return true
  const comesOff = clause.some(({ is, level }) => is === 'part' && level !== undefined)
  const onlyNames =
    clause.some(({ is }) => is === 'part') && clause.every(({ is }) => ['unread', 'part', 'end'].includes(is))
  return clause.some(isUnknown) && clause.every(({ is }) => SAYS_LITTLE.includes(is)) && !comesOff && !onlyNames
}

/** The clause before one that says anything. */
const statedBefore = (clauses: readonly Item[][], i: number) =>
  clauses.slice(0, i).findLast((clause) => clause.some((item) => !isEnd(item)))

/** "And one in the cup", "then up": of what the clause before counts or moves, whatever else is in it. */
function goesOn(clause: readonly Item[], before: readonly Item[] = []): boolean {
  const has = (items: readonly Item[], ...kinds: string[]) => items.some(({ is }) => kinds.includes(is))
  const counts = clause.some(({ is, ofThem }) => is === 'count' && ofThem !== true)
  return (counts && has(before, 'kind', 'drive')) || (has(clause, 'to') && has(before, 'move'))
}

/** More words that nobody knows than items: whatever they say, it is not what the few known ones say alone. */
function isStrange(clause: readonly Item[]): boolean {
  const unknown = clause.filter((item) => isUnknown(item) && item.isKnown !== true).length
  if (clause.some(({ is, harms }) => is === 'not' && harms === true)) return false
  return unknown > 1 && unknown > clause.filter(isStrong).length
}

/** Reasons, to the end of their clause, and what may happen, to the end of its sentence: nothing of it is stated. */
function withoutReasons(items: readonly Item[]): Item[] {
  return partedAt(items, isHardEnd).flatMap((sentence) => {
    if (sentence.find((item) => !isEnd(item))?.is === 'hypothesis' && !sentence.some(({ is }) => is === 'kind'))
      return sentence.filter(isEnd)
    return partedAt(sentence, isEnd).flatMap((clause) => {
      // "The outer two are longer than the others": how many there are was said, or will be.
      if (clause.some(({ is }) => is === 'compared')) return clause.filter(isEnd)
      const at = clause.findIndex(({ is }) => is === 'reason' || is === 'hypothesis')
      // "Two clips if the trim is old": on a condition that nobody knows.
      if (clause[at]?.isCondition === true && clause.slice(0, at).some(isStrong))
        return [...clause.slice(0, at), { ...clause[at]!, is: 'condition' }, ...clause.slice(at + 1)]
      return at < 0 ? clause : [...clause.slice(0, at), ...clause.filter(isEnd)]
    })
  })
}

/** "Never lever against the glass": to the end of the clause it is one thing that must not be done. */
function forbidden(items: readonly Item[], line: string): Item[] {
  const out: Item[] = []
  for (let i = 0; i < items.length; i++) {
    const item = items[i]!
    if (item.is !== 'not') {
      out.push(item)
      continue
    }
    let end = i + 1
    while (end < items.length && !isEnd(items[end]!)) end += 1
    const harm = item.harms === true ? item.words.slice(-1) : []
    const words = [...harm, ...items.slice(i + 1, end).flatMap((each) => each.words)]
    // "Don't,": what was just said is not so.
    if (words.length === 0) {
      out.push({ ...item, is: 'correct' })
      continue
    }
    const parts = items.slice(i + 1, end).flatMap(({ part }) => (typeof part === 'string' ? [part] : []))
    const what = line.slice(words[0]!.from, words.at(-1)!.to)
    out.push({
      ...item,
      is: 'must not',
      what,
      about: parts.at(-1) ?? null,
      at: item.at,
      end: items[end - 1]!.end,
      words: [...item.words, ...words],
    })
    i = end - 1
  }
  return out
}

/** What a hand moves besides parts: of these a motion tells nothing of how a part comes off. */
const OTHER_THINGS = ['setting', 'latch', 'tab', 'plug name', 'plug', 'held', 'kind', 'colour', 'unread', 'value']

/** "Turn the ignition off", "squeeze the grey tab", "pull the fuse": no part comes off by that. */
function movingOther(items: readonly Item[]): Item[] {
  return items.filter((item, i) => {
    const isBare = item.is === 'move' ? item.to === null && !item.part : item.is === 'turn' && !item.turn && !item.part
    return !isBare || !OTHER_THINGS.includes(items[i + 1]?.is ?? '')
  })
}

/** "No" before a sign, or before what was said otherwise already, corrects; before anything else it denies that. */
function denied(items: readonly Item[]): Item[] {
  const out: Item[] = []
  for (let i = 0; i < items.length; i++) {
    const item = items[i]!
    const next = items[i + 1]
    if (item.is === 'forget') {
      i += 1
      continue
    }
    if (item.is !== 'no') {
      out.push(item)
      continue
    }
    const saidBefore = next && items.slice(0, i).some(({ is }) => is === next.is)
    // "No leave it": that it stays plugged is never denied away.
    if (i === 0 || !next || isEnd(next) || saidBefore || next.is === 'leave' || next.is === 'not so')
      out.push({ ...item, is: 'correct' })
    else {
      // "Must not be unplugged": that is said of the plug, whatever its name is read to be.
      if (next.is === 'unplug') out.push({ ...item, is: 'leave', forbids: true })
      i += 1
    }
  }
  return out
}
