import { standingEvents } from '../job/fold'
import type { JobEvent } from '../job/event'
import { emptyDocument, type ProcedureDocument } from '../procedure/document'
import { replayEdits } from '../procedure/edit'
import { usualSettings } from '../procedure/usualSettings'
import { withoutDangling } from '../procedure/cutOff'

/** What a first strip begins with: nothing but the settings every vehicle has. */
export function blankModel(name: string): ProcedureDocument {
  return { ...emptyDocument(name), settings: Object.values(usualSettings()) }
}

/**
 * What a strip says of its vehicle: the fold of what was stated over what it began with. What was taken back leaves
 * nothing; the order of arrival and duplicates don't matter. Cost: O(statements x items of a list).
 */
export function stripDocument(base: ProcedureDocument, events: readonly JobEvent[]): ProcedureDocument {
  const edits = standingEvents(events).flatMap(({ what }) => (what.kind === 'stated' ? what.edits : []))
  return edits.length === 0 ? base : withoutDangling(replayEdits(base, edits))
}
