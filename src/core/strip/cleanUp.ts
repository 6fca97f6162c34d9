import type { Id } from '../base/id'
import type { JobEvent } from '../job/event'
import { foldJob } from '../job/fold'
import { proposalsOf, type Proposal } from '../job/proposals'
import type { ProcedureDocument } from '../procedure/document'
import { same, type Edit } from '../procedure/edit'
import { contradictionsOf, type Contradiction } from './toRecord'
import { stripDocument } from './stripDocument'

/**
 * A job of a model, as the desk looks back at it. `base`: what a strip began with; null for a job that followed a plan.
 */
export type LookedBack = { id: string; label: string; base: ProcedureDocument | null; events: readonly JobEvent[] }

export type OpenNote = {
  jobId: string
  label: string
  eventId: string
  itemId: Id | null
  text: string
  voice: { id: string; seconds: number } | null
  personId: Id
  at: string
}
export type OpenContradiction = Contradiction & { jobId: string; label: string; key: string }
export type CleanUp = {
  notes: OpenNote[]
  contradictions: OpenContradiction[]
  proposals: Proposal[]
  photos: { photoId: string; itemId: Id | null; label: string }[]
}

/**
 * What jobs have left for the desk: notes nobody has worked in, what strips found otherwise than the record has it,
 * what jobs propose, both as long as nobody has decided, and photos. `document`: the record as it is worked on now.
 * Cost: one fold a job.
 */
export function cleanUpOf(document: ProcedureDocument, jobs: readonly LookedBack[]): CleanUp {
  const found: CleanUp = { notes: [], contradictions: [], proposals: proposalsOf(document, jobs), photos: [] }
  for (const job of jobs) {
    const state = foldJob(document, job.events)
    for (const { settled, ...note } of state.notes)
      if (!settled) found.notes.push({ jobId: job.id, label: job.label, ...note })
    for (const { photoId, itemId } of state.photos) found.photos.push({ photoId, itemId, label: job.label })
    if (!job.base) continue
    for (const contradiction of contradictionsOf(job.base, stripDocument(job.base, job.events))) {
      const key = contradictionKey(contradiction)
      if (!state.declined.has(key) && edited(document, contradiction) !== null)
        found.contradictions.push({ ...contradiction, jobId: job.id, label: job.label, key })
    }
  }
  return found
}

function contradictionKey({ collection, itemId, field }: Contradiction): string {
  return `${collection}:${itemId}:${field}`
}

/**
 * The edit that takes a contradiction over into the record as it is now; null where the item is gone, or has that value
 * already.
 */
export function edited(document: ProcedureDocument, { collection, itemId, field, found }: Contradiction): Edit | null {
  const item = (document[collection] as { id: string }[]).find((other) => other.id === itemId) as
    Record<string, unknown> | undefined
  if (!item || same(item[field], found)) return null
  return { kind: 'field', collection, id: itemId, field, from: item[field] as never, to: found as never }
}
