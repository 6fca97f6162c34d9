import type { Id } from '../base/id'
import type { ProcedureDocument } from './document'

/** Ids that parts had before they turned out to be one, each with the part it is now. */
export function formerIds(document: Pick<ProcedureDocument, 'parts'>): Map<Id, Id> {
  return new Map(document.parts.flatMap((part) => part.formerIds.map((id): [Id, Id] => [id, part.id])))
}

/**
 * Parts that were split off another one: what happened to that one happened to them, until they have a history of their
 * own.
 */
export function splitOff(document: Pick<ProcedureDocument, 'parts'>): Map<Id, Id[]> {
  const found = new Map<Id, Id[]>()
  for (const part of document.parts)
    if (part.splitFrom !== null) found.set(part.splitFrom, [...(found.get(part.splitFrom) ?? []), part.id])
  return found
}
