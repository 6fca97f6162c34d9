import type { Id } from '../base/id'
import { unreachable } from '../base/result'
import { withDefaultTests } from '../procedure/defaultTests'
import type { ProcedureDocument } from '../procedure/document'
import type { Level } from '../procedure/level'
import { formerIds } from '../procedure/formerParts'
import { openAccount, type HolderCounts } from './account'
import { compareEvents } from './eventOrder'
import type { Happening, JobEvent } from './event'
import { beginning, type JobState } from './jobState'

/**
 * Folds events into a state. The order of arrival and duplicates don't matter; an event that `corrects` another takes
 * its place, and "taken back" leaves nothing. Settings begin as the record finds them. Cost: O(events log events).
 */
export function foldJob(document: ProcedureDocument, events: readonly JobEvent[]): JobState {
  const standing = standingEvents(events)
  const now = formerIds(document)
  const history = now.size === 0 ? standing : standing.map((event) => nowMeaning(now, event))
  const state = beginning(document, history)
  for (const event of history) apply(document, state, event)
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

function apply(document: ProcedureDocument, state: JobState, event: JobEvent): void {
  const what = event.what
  const by = { personId: event.personId, at: event.at }
  const account = (id: Id): HolderCounts => {
    const found = state.holders.get(id) ?? openAccount(0)
    state.holders.set(id, found)
    return found
  }
  // What happens to a vehicle after it was signed for opens it again: signatures cover only what stood before them.
  if ((state.signatures.length > 0 || state.handedOver !== null) && reopens(what.kind)) {
    state.signatures = []
    state.handedOver = null
  }
  // What was once counted is not made doubtful by what is assumed to have followed.
  if (event.certainty === 'assumed' && !state.moved.has(itemOf(event))) state.assumed.add(itemOf(event))
  else if (event.certainty === 'counted' && state.assumed.size > 0) state.assumed.delete(itemOf(event))
  switch (what.kind) {
    case 'as found':
      account(what.holderId)[what.what] += what.count
      return
    case 'undone':
      account(what.holderId).undone += what.count
      if (state.uncounted.has(what.holderId)) account(what.holderId).design = account(what.holderId).undone
      return
    case 'fastened':
      if (what.stage === 'final') account(what.holderId).fastenedOld += what.count
      else account(what.holderId).started += what.count
      return
    case 'new fitted': {
      const a = account(what.holderId)
      a.takenNew += what.count
      a.fittedNew += what.count
      if (what.insteadOf === 'missing') a.madeGood += what.count
      return
    }
    case 'broken': {
      const a = account(what.holderId)
      a.broken += what.count
      if (what.wasFitted === 'old') a.fastenedOld -= what.count
      if (what.wasFitted === 'new') a.fittedNew -= what.count
      return
    }
    case 'pieces recovered':
      account(what.holderId).piecesRecovered += what.count
      return
    case 'lost': {
      const a = account(what.holderId)
      a.lost += what.count
      if (what.from === 'stock') a.takenNew += what.count
      a.searchSigned = false
      return
    }
    case 'found again':
      account(what.holderId).lost -= what.count
      return
    case 'search signed':
      account(what.holderId).searchSigned = true
      return
    case 'ended':
      if (state.holders.has(what.itemId)) account(what.itemId).ended += what.count
      else state.ends.set(what.itemId, { end: what.end, note: what.note })
      return
    case 'part at':
      // What was once taken for a piece of it went with it.
      for (const partId of [what.partId, ...(state.splitOff.get(what.partId) ?? [])]) {
        state.parts.set(partId, what.level)
        if (what.level !== 'in place') state.moved.add(partId)
        if (what.level === 'off') state.setAside.add(partId)
      }
      return
    case 'opened':
      state.tethersOpen.add(what.tetherId)
      timesOf(state, what.tetherId).opened += 1
      state.parked.delete(what.tetherId)
      state.tethersTouched.add(what.tetherId)
      state.ends.delete(what.tetherId)
      return
    case 'closed':
      state.tethersOpen.delete(what.tetherId)
      timesOf(state, what.tetherId).closed += 1
      state.parked.delete(what.tetherId)
      state.tethersTouched.add(what.tetherId)
      state.closedAt.set(what.tetherId, event.at)
      state.ends.delete(what.tetherId)
      return
    case 'led through':
      state.ledThrough.add(what.tetherId)
      return
    case 'set':
      state.settings.set(what.settingId, what.value)
      state.valuesReached.set(
        `${what.settingId}=${what.value}`,
        (state.valuesReached.get(`${what.settingId}=${what.value}`) ?? 0) + 1,
      )
      state.settingChangedAt.set(what.settingId, event.at)
      return
    case 'lead parked':
      state.parked.add(what.tetherId)
      return
    case 'work done':
      state.works.set(what.workId, { reading: what.reading, note: what.note, ...by })
      return
    case 'tested':
      state.tests.set(what.functionId, { result: what.result, reading: what.reading, note: what.note, ...by })
      return
    case 'stray found':
      state.strays.set(what.strayId, { strayId: what.strayId, head: what.head, where: what.where, settled: false })
      return
    case 'stray settled': {
      const stray = state.strays.get(what.strayId)
      if (stray) state.strays.set(what.strayId, { ...stray, settled: true })
      // It belongs to a group the log called complete: that one was counted in by mistake and lies in hand.
      if (what.holderId) account(what.holderId).fastenedOld -= 1
      return
    }
    case 'facet told':
      state.facets.set(what.facetId, what.choiceId)
      return
    case 'caution read':
      state.cautionsRead.add(`${event.personId}:${what.cautionId}`)
      state.cautionsReadAt.set(`${event.personId}:${what.cautionId}`, event.at)
      return
    case 'noted':
      state.notes.push({ eventId: event.id, itemId: what.itemId, text: what.text, voice: null, settled: false, ...by })
      return
    case 'voice noted':
      state.notes.push({
        eventId: event.id,
        itemId: what.itemId,
        text: '',
        voice: { id: what.voiceId, seconds: what.seconds },
        settled: false,
        ...by,
      })
      return
    case 'note settled': {
      state.settledNotes.add(what.noteId)
      const note = state.notes.find((item) => item.eventId === what.noteId)
      if (note) note.settled = true
      return
    }
    case 'photographed':
      state.photos.push({ photoId: what.photoId, itemId: what.itemId, ...by })
      return
    case 'already off':
      state.alreadyOff.add(what.itemId)
      return
    case 'order means nothing':
      state.orderless.add(what.itemId)
      return
    case 'came before':
      state.putRight.push({ itemId: what.itemId, otherId: what.otherId })
      return
    case 'question put off':
      state.questionsPutOff.add(what.question)
      return
    case 'different from the record':
      state.deviations.push({ eventId: event.id, itemId: what.itemId, field: what.field, value: what.value, ...by })
      return
    case 'paused':
      state.paused = { reason: what.reason, until: what.until, ...by }
      return
    case 'resumed':
      state.paused = null
      return
    case 'countersigned':
      state.signatures.push({ as: what.as, name: what.name, ...by })
      return
    case 'handed over':
      state.handedOver = by
      return
    case 'plan adopted':
      state.people = what.people
      state.givenTo = new Map(what.lanes.map(({ key, personId }) => [key, personId]))
      return
    case 'card taken':
      for (const key of what.keys) state.givenTo.set(key, event.personId)
      return
    case 'checked in':
      state.intake.set(what.point, { value: what.value, ...by })
      return
    case 'restored':
      state.restored.add(what.point)
      return
    case 'worked before':
      // Before means before: once one of its plugs was touched, nobody can tell any more whose fault it is.
      if (!plugsTouched(document, state, what.functionId))
        state.workedBefore.set(what.functionId, { works: what.works, note: what.note })
      return
    case 'left out':
      account(what.holderId).leftOut += what.count
      state.leftOut.push({ holderId: what.holderId, count: what.count, reason: what.reason, personId: event.personId })
      return
    case 'ordered':
    case 'arrived': {
      const left = (state.awaited.get(what.holderId) ?? 0) + (what.kind === 'ordered' ? what.count : -what.count)
      if (left > 0) state.awaited.set(what.holderId, left)
      else state.awaited.delete(what.holderId)
      return
    }
    case 'changed for good': {
      const { kind: _, ...change } = what
      state.changes.set(what.changeId, { ...change, ...by })
      return
    }
    case 'loss accepted':
      state.lossAccepted = { functionIds: what.functionIds, by: what.by, at: event.at }
      return
    case 'trouble found': {
      const { kind: _, ...trouble } = what
      state.troubles.push({ ...trouble, eventId: event.id, ...by })
      return
    }
    case 'tool out':
    case 'tool back': {
      const tool = state.tools.get(what.tool) ?? { out: 0, back: 0 }
      state.tools.set(
        what.tool,
        what.kind === 'tool out' ? { ...tool, out: tool.out + 1 } : { ...tool, back: tool.back + 1 },
      )
      return
    }
    case 'row accepted':
      state.accepted.set(`${what.account}:${what.itemId}`, {
        asItStood: what.asItStood,
        reason: what.reason,
        personId: event.personId,
      })
      return
    case 'job opened':
    case 'stated':
    case 'taken back':
      return
    default:
      unreachable(what)
  }
}

const QUIET = new Set([
  'lead parked',
  'countersigned',
  'handed over',
  'noted',
  'caution read',
  'job opened',
  'plan adopted',
  'taken back',
  'different from the record',
  'facet told',
  'paused',
  'resumed',
  'stated',
  'came before',
  'order means nothing',
  'already off',
  'question put off',
  'photographed',
  'voice noted',
  'note settled',
  'card taken',
  'checked in',
  'restored',
  'worked before',
  'ordered',
  'arrived',
  'changed for good',
  'loss accepted',
  'trouble found',
  'tool back',
  'row accepted',
])

function reopens(kind: string): boolean {
  return !QUIET.has(kind)
}

function itemOf(event: JobEvent): string {
  const what = event.what
  if ('holderId' in what) return what.holderId ?? ''
  if ('partId' in what) return what.partId
  if ('tetherId' in what) return what.tetherId
  return 'settingId' in what ? what.settingId : ''
}

function timesOf(state: JobState, tetherId: Id): { opened: number; closed: number } {
  const times = state.tetherTimes.get(tetherId) ?? { opened: 0, closed: 0 }
  state.tetherTimes.set(tetherId, times)
  return times
}

/** Whether a plug that serves a function was opened or closed on this job. */
export function plugsTouched(
  document: ProcedureDocument,
  state: Pick<JobState, 'tethersTouched'>,
  functionId: Id,
): boolean {
  return withDefaultTests(document).tethers.some(
    (tether) => tether.functions.includes(functionId) && state.tethersTouched.has(tether.id),
  )
}

/** The level of a part now: in place until something said otherwise. */
export function levelNow(state: JobState, partId: Id): Level {
  return state.parts.get(partId) ?? 'in place'
}
