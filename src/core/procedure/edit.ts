import { z } from 'zod'
import { Id } from '../base/id'
import { fail, ok, type Result } from '../base/result'
import { COLLECTIONS, ITEM_SCHEMA, ProcedureDocument, type Collection } from './document'

/** What is said of the record as a whole. */
const ABOUT = ['name', 'synonyms', 'note', 'mirroredFrom'] as const
const Path = z.enum(COLLECTIONS)
const json = z.json()
/** The place before every item of a list: no id begins so. */
export const FIRST = '^first'
/** Where an item goes: behind another, before all, or (null, and where that other is gone) behind all. */
const Place = z.union([z.literal(FIRST), Id]).nullable()

/**
 * A change to a draft, small enough to merge: one field of one item with the value it was seen at, or an item
 * added or taken away. Two people who change different fields never meet; the second to change the same field is shown
 * both.
 */
export const Edit = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('field'),
    collection: Path,
    id: Id,
    field: z.string().min(1).max(40),
    from: json,
    to: json,
  }),
  z.object({ kind: z.literal('about'), field: z.enum(ABOUT), from: json, to: json }),
  z.object({
    kind: z.literal('add'),
    collection: Path,
    item: z.looseObject({ id: Id }),
    after: Place.default(null),
  }),
  z.object({ kind: z.literal('remove'), collection: Path, id: Id, item: z.looseObject({ id: Id }) }),
])
export type Edit = z.infer<typeof Edit>

export type Conflict = { edit: Edit; theirs: unknown; reason: 'changed' | 'removed' | 'changed-before-removal' }

export type EditError = { kind: 'invalid'; edit: Edit; sentence: string }

/**
 * Applies edits in order. What meets a newer value is left out and returned as a conflict with both values;
 * everything else goes in. An edit that would make an item invalid refuses the whole set, with a sentence.
 * Cost: O(edits x items of the list).
 */
export function applyEdits(
  document: ProcedureDocument,
  edits: readonly Edit[],
): Result<{ document: ProcedureDocument; conflicts: Conflict[] }, EditError> {
  const next: Record<string, unknown> = { ...document }
  const conflicts: Conflict[] = []
  for (const edit of edits) {
    const outcome = edit.kind === 'about' ? applyAbout(next, edit) : applyToList(next, edit)
    if (outcome === null) continue
    if ('sentence' in outcome) return fail(outcome)
    conflicts.push(outcome)
  }
  const whole = ProcedureDocument.safeParse(next)
  if (!whole.success) return fail({ kind: 'invalid', edit: edits[0]!, sentence: whole.error.issues[0]!.message })
  return ok({ document: whole.data, conflicts })
}

type Fields = Record<string, unknown>
/** What became of one edit: it went in (or was there already), met a newer value, or would make something invalid. */
type Outcome = Conflict | EditError | null

function applyAbout(next: Fields, edit: Extract<Edit, { kind: 'about' }>): Outcome {
  if (same(next[edit.field], edit.to)) return null
  if (!same(next[edit.field], edit.from)) return { edit, theirs: next[edit.field], reason: 'changed' }
  next[edit.field] = edit.to
  return null
}

function applyToList(next: Fields, edit: Exclude<Edit, { kind: 'about' }>): Outcome {
  const list = next[edit.collection] as Fields[]
  if (edit.kind === 'add') {
    const checked = ITEM_SCHEMA[edit.collection].safeParse(edit.item)
    if (!checked.success) return { kind: 'invalid', edit, sentence: checked.error.issues[0]!.message }
    if (!list.some((item) => item.id === edit.item.id))
      next[edit.collection] = list.toSpliced(placeIn(list, edit.after), 0, checked.data)
    return null
  }
  const index = list.findIndex((item) => item.id === edit.id)
  if (edit.kind === 'field') return applyField(next, list, index, edit)
  if (index < 0) return null
  if (!same(list[index], edit.item)) return { edit, theirs: list[index], reason: 'changed-before-removal' }
  next[edit.collection] = list.toSpliced(index, 1)
  return null
}

function applyField(next: Fields, list: Fields[], index: number, edit: Extract<Edit, { kind: 'field' }>): Outcome {
  const item = list[index]
  if (!item) return { edit, theirs: null, reason: 'removed' }
  if (same(item[edit.field], edit.to)) return null
  if (!same(item[edit.field], edit.from)) return { edit, theirs: item[edit.field], reason: 'changed' }
  const checked = ITEM_SCHEMA[edit.collection].safeParse({ ...item, [edit.field]: edit.to })
  if (!checked.success) return { kind: 'invalid', edit, sentence: checked.error.issues[0]!.message }
  next[edit.collection] = list.with(index, checked.data as Fields)
  return null
}

/**
 * Edits one after the other, whatever their values were seen at: the last one counts. What an edit is about may be
 * gone, and what it would make may be no item: then it changes nothing. For logs that must always fold. Cost: as
 * applyEdits.
 */
export function replayEdits(document: ProcedureDocument, edits: readonly Edit[]): ProcedureDocument {
  const next: Record<string, unknown> = { ...document }
  for (const edit of edits) {
    if (edit.kind === 'about') {
      next[edit.field] = edit.to
      continue
    }
    const list = next[edit.collection] as Record<string, unknown>[]
    const index = list.findIndex((item) => item.id === (edit.kind === 'add' ? edit.item.id : edit.id))
    if (edit.kind === 'remove') next[edit.collection] = index < 0 ? list : list.toSpliced(index, 1)
    else if (edit.kind === 'add' ? index >= 0 : index < 0) continue
    else {
      const checked = ITEM_SCHEMA[edit.collection].safeParse(
        edit.kind === 'add' ? edit.item : { ...list[index], [edit.field]: edit.to },
      )
      if (checked.success)
        next[edit.collection] =
          edit.kind === 'add'
            ? list.toSpliced(placeIn(list, edit.after), 0, checked.data as Record<string, unknown>)
            : list.with(index, checked.data as Record<string, unknown>)
    }
  }
  const whole = ProcedureDocument.safeParse(next)
  return whole.success ? whole.data : document
}

/**
 * The edits that bring `from` to `to`, field by field: what a form sends, and its own undo when called the other way
 * round.
 */
export function editsBetween(from: ProcedureDocument, to: ProcedureDocument): Edit[] {
  const edits: Edit[] = []
  for (const field of ABOUT)
    if (!same(from[field], to[field])) edits.push({ kind: 'about', field, from: from[field], to: to[field] })
  for (const collection of COLLECTIONS) {
    const before = new Map(from[collection].map((item) => [item.id, item as Record<string, unknown>]))
    const after = new Map(to[collection].map((item) => [item.id, item as Record<string, unknown>]))
    for (const [id, item] of before)
      if (!after.has(id)) edits.push({ kind: 'remove', collection, id, item: item as { id: Id } })
    let previous: Id = FIRST
    for (const [id, item] of after) {
      const old = before.get(id)
      if (!old) edits.push({ kind: 'add', collection, item: item as { id: Id }, after: previous })
      else
        for (const field of Object.keys(item))
          if (!same(old[field], item[field]))
            edits.push({ kind: 'field', collection, id, field, from: old[field] as never, to: item[field] as never })
      previous = id
    }
  }
  return edits
}

/** Equality of plain data, whatever the order of its keys. */
export function same(a: unknown, b: unknown): boolean {
  if (a === b) return true
  if (Array.isArray(a) || Array.isArray(b))
    return Array.isArray(a) && Array.isArray(b) && a.length === b.length && a.every((item, i) => same(item, b[i]))
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false
  const keys = Object.keys(a)
  return keys.length === Object.keys(b).length && keys.every((key) => same((a as never)[key], (b as never)[key]))
}

/** Where in a list an added item goes. */
function placeIn(list: readonly { id?: unknown }[], after: Id | null): number {
  if (after === FIRST) return 0
  const at = after === null ? -1 : list.findIndex((item) => item.id === after)
  return at < 0 ? list.length : at + 1
}

/**
 * The edits that take these back, last first: what undo sends. `before`: the record they were made in; what they
 * took away goes back to its place there, since the order of a list means something. Cost: O(edits x items).
 */
export function inverseOf(edits: readonly Edit[], before: ProcedureDocument): Edit[] {
  const lists = new Map(COLLECTIONS.map((name) => [name, (before[name] as { id: Id }[]).map(({ id }) => ({ id }))]))
  const inverse = edits.map((edit): Edit => {
    if (edit.kind === 'field' || edit.kind === 'about') return { ...edit, from: edit.to, to: edit.from }
    const { collection, item } = edit
    const list = lists.get(collection)!
    if (edit.kind === 'add') {
      list.splice(placeIn(list, edit.after), 0, { id: item.id })
      return { kind: 'remove', collection, id: item.id, item }
    }
    const at = list.findIndex(({ id }) => id === edit.id)
    const after = at < 0 ? null : at === 0 ? FIRST : list[at - 1]!.id
    if (at >= 0) list.splice(at, 1)
    return { kind: 'add', collection, item, after }
  })
  return inverse.reverse()
}

/** What settles a conflict: nothing where theirs stays or the thing is gone, else the edit as it meets their value. */
export function settledBy({ edit, theirs }: Conflict, keep: 'mine' | 'theirs'): Edit[] {
  if (keep === 'theirs' || theirs === null || edit.kind === 'add') return []
  return [edit.kind === 'remove' ? { ...edit, item: theirs as never } : { ...edit, from: theirs as never }]
}

/** The edits that change one item's fields; empty when nothing changed. */
export function fieldEdits(collection: Collection, before: { id: Id }, after: { id: Id }): Edit[] {
  return Object.keys(after).flatMap((field): Edit[] => {
    const [from, to] = [(before as never)[field], (after as never)[field]]
    return same(from, to) ? [] : [{ kind: 'field', collection, id: before.id, field, from, to }]
  })
}
