import type { Id } from '../base/id'
import type { ProcedureDocument } from './document'

/**
 * The document a job goes by: the vehicle's record with its kits' things put in. `supplied`: the ids of those, of which
 * nothing stands on the vehicle before; `wishes`: functions the customer may do without, told like a facet. It is made
 * for a job and never stored.
 */
export type JobDocument = ProcedureDocument & { supplied?: ReadonlySet<Id>; wishes?: ReadonlySet<Id> }

const NONE: ReadonlySet<Id> = new Set()

/** Ids of the things that come with the kits of a job; none in a record by itself. */
export function suppliedIn(document: JobDocument): ReadonlySet<Id> {
  return document.supplied ?? NONE
}
