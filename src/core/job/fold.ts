import type { Id } from '../base/id'
import type { ProcedureDocument } from '../procedure/document'
import type { JobDocument } from '../procedure/jobDocument'
import type { Level } from '../procedure/level'
import { formerIds } from '../procedure/formerParts'
import { compareEvents } from './eventOrder'
import type { Happening, JobEvent } from './event'
import { desk } from './fold/desk'
import { holders } from './fold/holders'
import { kit } from './fold/kit'
import { parts } from './fold/parts'
import { people } from './fold/people'
import { settings } from './fold/settings'
import type { At, Slice } from './fold/slice'
import { tethers } from './fold/tethers'
import { HAPPENINGS } from './happenings'
import { beginning, type JobState } from './jobState'
import { thingOf } from './thingOf'
import { addUnresolved, knownIn, unresolvedIn, type Known } from './unresolved'

/**
 * Folds events into a state. The order of arrival and duplicates don't matter; an event that `corrects` another takes
 * its place, and "taken back" leaves nothing. Settings begin as the record finds them. Cost: O(events log events).
 */
export function foldJob(document: JobDocument, events: readonly JobEvent[]): JobState {
  const standing = standingEvents(events)
  const now = formerIds(document)
  const history = now.size === 0 ? standing : standing.map((event) => nowMeaning(now, event))
  const state = beginning(document, history)
  const known = knownIn(document)
  for (const event of history) apply(document, known, state, event)
  return state
}

/**
 * An event about a part that turned out to be another one, as one about that one. `now`: what each former id is now.
 */
function nowMeaning(now: ReadonlyMap<Id, Id>, event: JobEvent): JobEvent {
  const of = <T extends Id | null>(id: T): T => (now.get(id ?? '') as T | undefined) ?? id
  const { what } = event
  if ('partId' in what) return { ...event, what: { ...what, partId: of(what.partId) } }
  if ('otherId' in what) return { ...event, what: { ...what, itemId: of(what.itemId), otherId: of(what.otherId) } }
  return 'itemId' in what ? { ...event, what: { ...what, itemId: of(what.itemId) } as Happening } : event
}

/** One of each id, in order, without what was corrected. A correction of a correction brings the first back. */
export function standingEvents(events: readonly JobEvent[]): JobEvent[] {
  const unique = [...new Map(events.map((event) => [event.id, event])).values()]
  // A log is nearly always in order already; looking costs less than sorting.
  if (unique.some((event, i) => i > 0 && compareEvents(unique[i - 1]!, event) > 0)) unique.sort(compareEvents)
  const void_ = new Set<string>()
  for (let i = unique.length - 1; i >= 0; i--) {
    const event = unique[i]!
    if (event.corrects && !void_.has(event.id)) void_.add(event.corrects)
  }
  return void_.size === 0 ? unique : unique.filter((event) => !void_.has(event.id))
}

/** How every happening changes the state, account by account. */
const FOLDS: Slice<Happening['kind']> = { ...holders, ...parts, ...tethers, ...settings, ...kit, ...people, ...desk }

function apply(document: ProcedureDocument, known: Known, state: JobState, event: JobEvent): void {
  const { what } = event
  // What happens to a vehicle after it was signed for opens it again: signatures cover only what stood before them.
  if ((state.signatures.length > 0 || state.handedOver !== null) && HAPPENINGS[what.kind].reopens) {
    state.signatures = []
    state.handedOverBefore = state.handedOver ?? state.handedOverBefore
    state.handedOver = null
  }
  // What the record does not have is nobody's account: it is owed by itself, until somebody has looked.
  const unknown = unresolvedIn(known, what)
  if (unknown) return addUnresolved(state.unresolved, unknown, event)
  // What was once counted is not made doubtful by what is assumed to have followed.
  const thing = thingOf(what) ?? ''
  if (event.certainty === 'assumed' && !state.moved.has(thing)) state.assumed.add(thing)
  else if (event.certainty === 'counted' && state.assumed.size > 0) state.assumed.delete(thing)
  const at: At = { state, document, event, by: { personId: event.personId, at: event.at } }
  ;(FOLDS[what.kind] as (at: At, what: Happening) => void)(at, what)
}

/** The level of a part now: in place until something said otherwise. */
export function levelNow(state: JobState, partId: Id): Level {
  return state.parts.get(partId) ?? 'in place'
}
