import type { Stamp } from '../base/clock'
import type { Id } from '../base/id'
import { unreachable } from '../base/result'
import type { ProcedureDocument } from '../procedure/document'
import type { Level } from '../procedure/level'
import { formerIds, splitOff } from '../procedure/onePart'
import { openAccount, type HolderCounts } from './account'
import { compareEvents, type Hand, type Happening, type IntakePoint, type JobEvent } from './event'

export type TestResult = { result: 'passed' | 'failed'; reading: string; note: string; at: Stamp; personId: Id }
export type Stray = { strayId: Id; head: string; where: string; settled: boolean }
export type Signature = { as: 'installer' | 'checker' | 'second pass'; name: string; personId: Id; at: Stamp }

export type Intake = { value: string; at: Stamp; personId: Id }
export type ChangeMade = Omit<Extract<Happening, { kind: 'changed for good' }>, 'kind'> & { at: Stamp; personId: Id }
export type Trouble = Omit<Extract<Happening, { kind: 'trouble found' }>, 'kind'> & { eventId: string; at: Stamp; personId: Id }

/** Where a job stands: the fold of its events, the same in the browser and on the server. */
export type JobState = {
  holders: Map<Id, HolderCounts>
  parts: Map<Id, Level>
  /** Parts split off others in the record, by the part they were taken for. */
  splitOff: ReadonlyMap<Id, Id[]>
  /** Parts that ever left their place. */
  moved: Set<Id>
  /** Parts that were ever set aside. */
  setAside: Set<Id>
  tethersOpen: Set<Id>
  tethersTouched: Set<Id>
  /** How often each tether was opened and closed: one plugged for a test is opened and closed twice. */
  tetherTimes: Map<Id, { opened: number; closed: number }>
  parked: Set<Id>
  /** When each work item was done, and its reading. */
  works: Map<Id, { reading: string; note: string; at: Stamp; personId: Id }>
  /** The last time each tether was closed: a test made before that does not count. */
  closedAt: Map<Id, Stamp>
  ledThrough: Set<Id>
  settings: Map<Id, string>
  /** How often each "setting=value" was brought about, and when each setting was last changed. */
  valuesReached: Map<string, number>
  settingChangedAt: Map<Id, Stamp>
  tests: Map<Id, TestResult>
  ends: Map<Id, { end: string; note: string }>
  strays: Map<Id, Stray>
  /** "person:caution". */
  cautionsRead: Set<string>
  cautionsReadAt: Map<string, Stamp>
  facets: Map<Id, Id>
  /** Written or spoken (`voice`); `settled`: worked into the record at the desk. */
  notes: { eventId: string; itemId: Id | null; text: string; voice: { id: string; seconds: number } | null; settled: boolean; personId: Id; at: Stamp }[]
  photos: { photoId: string; itemId: Id | null; personId: Id; at: Stamp }[]
  /** Of a strip: what had been undone before, what gives no order, and what came off before what the log says. */
  alreadyOff: Set<Id>
  orderless: Set<Id>
  putRight: { itemId: Id; otherId: Id }[]
  questionsPutOff: Set<string>
  /** Before the first screw: what was looked at, and which functions worked. */
  intake: Map<IntakePoint, Intake>
  restored: Set<IntakePoint>
  workedBefore: Map<Id, { works: boolean; note: string }>
  /** Who is on it, where several are, and whom each operation was given to, by the lanes or taken over, in the order of the lanes. */
  people: Hand[]
  givenTo: Map<string, Id>
  /** How often each tool was taken up and came back. */
  tools: Map<string, { out: number; back: number }>
  changes: Map<Id, ChangeMade>
  lossAccepted: { functionIds: readonly Id[]; by: string; at: Stamp } | null
  troubles: Trouble[]
  /** Wanted from the shop's shelf or a supplier, and not there yet. */
  awaited: Map<Id, number>
  leftOut: { holderId: Id; count: number; reason: string; personId: Id }[]
  /** "account:item" of a row that a lead lets stand open. */
  accepted: Map<string, { asItStood: string; reason: string; personId: Id }>
  /** Notes and found differences that the desk has dealt with. */
  settledNotes: Set<string>
  deviations: { eventId: string; itemId: Id; field: string; value: string; personId: Id; at: Stamp }[]
  signatures: Signature[]
  paused: { reason: string; until: string; at: Stamp; personId: Id } | null
  handedOver: { at: Stamp; personId: Id } | null
  assumed: Set<string>
  /** The events that count, in order: duplicates and what was taken back are gone. */
  history: JobEvent[]
}

/**
 * Folds events into a state. The order of arrival and duplicates don't matter; an event that `corrects` another takes its
 * place, and "taken back" leaves nothing. Settings begin as the record finds them.
 * Cost: O(events log events).
 */
export function foldJob(document: ProcedureDocument, events: readonly JobEvent[]): JobState {
  const standing = standingEvents(events)
  const now = formerIds(document)
  const history = now.size === 0 ? standing : standing.map((event) => nowMeaning(now, event))
  const state: JobState = {
    holders: new Map(document.holders.map((holder) => [holder.id, openAccount(holder.count)])),
    parts: new Map(),
    splitOff: splitOff(document),
    moved: new Set(),
    setAside: new Set(),
    tethersOpen: new Set(),
    tethersTouched: new Set(),
    closedAt: new Map(),
    tetherTimes: new Map(),
    parked: new Set(),
    works: new Map(),
    settingChangedAt: new Map(),
    ledThrough: new Set(),
    valuesReached: new Map(),
    settings: new Map(document.settings.map((setting) => [setting.id, setting.asFound])),
    tests: new Map(),
    ends: new Map(),
    strays: new Map(),
    cautionsRead: new Set(),
    cautionsReadAt: new Map(),
    facets: new Map(),
    notes: [],
    photos: [],
    alreadyOff: new Set(),
    orderless: new Set(),
    putRight: [],
    questionsPutOff: new Set(),
    intake: new Map(),
    restored: new Set(),
    workedBefore: new Map(),
    people: [],
    givenTo: new Map(),
    tools: new Map(),
    changes: new Map(),
    lossAccepted: null,
    troubles: [],
    awaited: new Map(),
    leftOut: [],
    accepted: new Map(),
    settledNotes: new Set(),
    deviations: [],
    signatures: [],
    paused: null,
    handedOver: null,
    assumed: new Set(),
    history,
  }
  for (const event of history) apply(state, event)
  return state
}

/** An event about a part that turned out to be another one, as one about that one. `now`: what each former id is now. */
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

function apply(state: JobState, event: JobEvent): void {
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
      state.valuesReached.set(`${what.settingId}=${what.value}`, (state.valuesReached.get(`${what.settingId}=${what.value}`) ?? 0) + 1)
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
      state.notes.push({ eventId: event.id, itemId: what.itemId, text: '', voice: { id: what.voiceId, seconds: what.seconds }, settled: false, ...by })
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
      state.tools.set(what.tool, what.kind === 'tool out' ? { ...tool, out: tool.out + 1 } : { ...tool, back: tool.back + 1 })
      return
    }
    case 'row accepted':
      state.accepted.set(`${what.account}:${what.itemId}`, { asItStood: what.asItStood, reason: what.reason, personId: event.personId })
      return
    case 'job opened':
    case 'stated':
    case 'taken back':
      return
    default:
      unreachable(what)
  }
}

const QUIET = new Set(['lead parked', 'countersigned', 'handed over', 'noted', 'caution read', 'job opened', 'plan adopted', 'taken back', 'different from the record', 'facet told', 'paused', 'resumed', 'stated', 'came before', 'order means nothing', 'already off', 'question put off', 'photographed', 'voice noted', 'note settled', 'card taken', 'checked in', 'restored', 'worked before', 'ordered', 'arrived', 'changed for good', 'loss accepted', 'trouble found', 'tool back', 'row accepted'])

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

/** The level of a part now: in place until something said otherwise. */
export function levelNow(state: JobState, partId: Id): Level {
  return state.parts.get(partId) ?? 'in place'
}
