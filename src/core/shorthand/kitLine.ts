import type { Id } from '../base/id'
import { emptyDocument } from '../procedure/document'
import { applyEdits } from '../procedure/edit'
import { newPart } from '../procedure/part'
import { KitHolder, KitPart, KitPlug } from '../shop/kitThings'
import { factsToEdits } from './factsToEdits'
import { understand } from './understand'

/** What a line says is in the box. `unclear`: words of it that say nothing a kit can hold; the line is kept then. */
export type KitLine = { parts: KitPart[]; holders: KitHolder[]; plugs: KitPlug[]; unclear: string[] }

/** "2 x bracket", "2 brackets" is no count of the name: only a number with a cross before the name. */
const PIECES = /^\s*(\d{1,2})\s*[x×]\s+/i

/**
 * A line of a packing list: "2 x bracket: 2 PH2 M3x8", "display: 4 PH2, 6 clips; plug main, lever". Before the colon
 * stands the part, whatever it is called; after it what holds it and what it is plugged with, read like a line of a
 * strip. Of several pieces it is said whether fasteners are meant *each* or *in all*; nobody guesses. Never fails.
 * Cost: that of one line.
 */
export function readKitLine(line: string, newId: (prefix: string) => Id): KitLine {
  const colon = line.indexOf(':')
  const before = colon < 0 ? line : line.slice(0, colon)
  const after = colon < 0 ? '' : line.slice(colon + 1)
  const pieces = PIECES.exec(before)
  const name = before.replace(PIECES, '').trim().slice(0, 80)
  if (name === '') return { parts: [], holders: [], plugs: [], unclear: line.trim() === '' ? [] : [line.trim()] }
  const id = newId('part')
  const count = Math.max(1, Number(pieces?.[1] ?? 1))
  const part = KitPart.parse({ id, name, count })
  if (after.trim() === '') return { parts: [part], holders: [], plugs: [], unclear: [] }
  const each = EACH.test(after)
  const read = heldBy(part, after.replace(EACH, '').replace(IN_ALL, ''), newId)
  if (count === 1 || read.holders.length === 0) return read
  if (!each && !IN_ALL.test(after)) return { ...read, unclear: [...read.unclear, EACH_OR_IN_ALL] }
  return { ...read, holders: read.holders.map((holder) => ({ ...holder, count: holder.count * (each ? count : 1) })) }
}

const EACH = /[\s,]+each\b/i
const IN_ALL = /[\s,]+(in all|altogether)\b/i
const EACH_OR_IN_ALL = 'so many each, or in all?'

/** What holds a part and what it is plugged with, by the rest of its line. */
function heldBy(part: KitPart, said: string, newId: (prefix: string) => Id): KitLine {
  const document = { ...emptyDocument('kit'), parts: [newPart(part.id, part.name)] }
  const read = understand(said)
  const { edits, unplaced } = factsToEdits(document, read.facts, { partId: part.id }, newId)
  const applied = applyEdits(document, edits)
  const { holders, tethers, parts } = applied.ok ? applied.value.document : document
  const unclear = [
    ...read.notUnderstood.map(({ said: word }) => word),
    ...read.left.map(({ said: word }) => word),
    ...read.asks.map(({ from, to }) => said.slice(from, to)),
    ...unplaced.map(({ fact }) => fact.fact),
    ...parts.filter(({ id }) => id !== part.id).map(({ name }) => name),
  ]
  return {
    parts: [part],
    holders: holders.map((holder) => KitHolder.parse({ ...holder, holds: [part.id], when: {} })),
    plugs: tethers.map((tether) => KitPlug.parse({ ...tether, partId: part.id, when: {} })),
    unclear: [...new Set(unclear.map((word) => word.trim()).filter((word) => word !== ''))],
  }
}

/** Several lines, each for itself: what they add, and those that say something unclear, whole. */
export function readKitLines(
  text: string,
  newId: (prefix: string) => Id,
): Omit<KitLine, 'unclear'> & { kept: { line: string; unclear: string[] }[] } {
  const lines = text.split('\n').filter((line) => line.trim() !== '')
  const read = lines.map((line) => ({ line, ...readKitLine(line, newId) }))
  const clear = read.filter(({ unclear }) => unclear.length === 0)
  return {
    parts: clear.flatMap(({ parts }) => parts),
    holders: clear.flatMap(({ holders }) => holders),
    plugs: clear.flatMap(({ plugs }) => plugs),
    kept: read.filter(({ unclear }) => unclear.length > 0).map(({ line, unclear }) => ({ line, unclear })),
  }
}
