import type { Id } from '../base/id'
import { COLLECTIONS, type Collection, type ProcedureDocument } from '../procedure/document'
import { editsBetween, type Edit } from '../procedure/edit'

/**
 * What goes into the draft of a model when its strip goes on from one state to the next. `published`: the strip lies on
 * top of a published record, whose facts it does not touch: what differs from them is a contradiction, and only new
 * things go in.
 */
export function editsForDraft(
  base: ProcedureDocument,
  published: boolean,
  before: ProcedureDocument,
  after: ProcedureDocument,
): Edit[] {
  const known = idsOf(base)
  return editsBetween(before, after).filter(
    (edit) => !published || edit.kind === 'add' || (edit.kind !== 'about' && !known.has(edit.id)),
  )
}

/** A fact of the record that a strip found otherwise. */
export type Contradiction = {
  collection: Collection
  itemId: Id
  field: string
  recorded: unknown
  found: unknown
  edit: Edit
}

/** What the record has and the strip states otherwise, field by field. */
export function contradictionsOf(base: ProcedureDocument, strip: ProcedureDocument): Contradiction[] {
  return editsBetween(base, strip).flatMap((edit): Contradiction[] =>
    edit.kind === 'field'
      ? [{ collection: edit.collection, itemId: edit.id, field: edit.field, recorded: edit.from, found: edit.to, edit }]
      : [],
  )
}

function idsOf(document: ProcedureDocument): Set<Id> {
  return new Set(COLLECTIONS.flatMap((name) => document[name].map((item) => item.id)))
}
