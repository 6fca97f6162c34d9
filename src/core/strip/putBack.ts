import type { Id } from '../base/id'
import type { JobEvent } from '../job/event'
import { foldJob, levelNow, standingEvents } from '../job/fold'
import type { JobState } from '../job/jobState'
import type { ProcedureDocument } from '../procedure/document'
import { Need } from '../procedure/need'
import { mayRestFree } from '../procedure/resting'
import { firstTimes, withoutReason } from './looseEnds'

/**
 * The record of a strip as its own vehicle goes back by it. Where nobody has said why a part came off first, or
 * somebody has called it *just so*, it goes back after everything that came off later: not knowing better, the safe way
 * back is the way it came. These orders are assumed for this vehicle alone and never stated. Cost: O(parts^2) for the
 * parts without a reason.
 */
export function forPuttingBack(document: ProcedureDocument, events: readonly JobEvent[]): ProcedureDocument {
  const standing = standingEvents(events)
  const adopted = standing.findLastIndex(({ what }) => what.kind === 'plan adopted')
  if (adopted < 0) return document
  // As it stood when the way back began: what goes back since then changes no order.
  const state = foldJob(document, standing.slice(0, adopted + 1))
  const assumed = withoutReason(document, state).flatMap((id) => afterLaterOnes(document, state, id))
  return assumed.length === 0 ? document : { ...document, needs: [...document.needs, ...assumed] }
}

function afterLaterOnes(document: ProcedureDocument, state: JobState, coverId: Id): Need[] {
  const order = firstTimes(state)
  const at = order.get(coverId) ?? Infinity
  const cover = document.parts.find((part) => part.id === coverId)!
  const later = document.parts.filter(
    (part) =>
      part.id !== coverId &&
      (order.get(part.id) ?? -1) > at &&
      levelNow(state, part.id) !== 'in place' &&
      part.carriedBy === null,
  )
  const needs = {
    kind: 'part' as const,
    partId: coverId,
    level: mayRestFree(cover) ? ('free' as const) : ('off' as const),
  }
  return later.map((part) =>
    Need.parse({
      id: `assumed-${coverId}-${part.id}`.slice(0, 64),
      dependent: { act: 'release', id: part.id },
      needs,
      reason: 'traps',
      note: 'nobody has said why it came off first',
    }),
  )
}
