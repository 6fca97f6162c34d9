import type { Unresolved } from './unresolved'
import type { Stamp } from '../base/stamp'
import type { Id } from '../base/id'
import { suppliedIn, type JobDocument } from '../procedure/jobDocument'
import type { Level } from '../procedure/level'
import { splitOff } from '../procedure/formerParts'
import { openAccount, type HolderCounts } from './account'
import type { Hand, Happening, JobEvent } from './event'
import type { IntakePoint } from './intakePoints'

export type TestResult = { result: 'passed' | 'failed'; reading: string; note: string; at: Stamp; personId: Id }
export type Stray = { strayId: Id; head: string; where: string; settled: boolean }
export type Signature = { as: 'installer' | 'checker' | 'second pass'; name: string; personId: Id; at: Stamp }

/** How many of a kit's thing there are. `box` null: nobody has counted it. */
export type Supplied = { box: number | null; stock: number; ordered: number; arrived: number }
export const NOT_COUNTED: Supplied = { box: null, stock: 0, ordered: 0, arrived: 0 }
type ByWhom = { at: Stamp; personId: Id }

export type PlaceSaid = Omit<Extract<Happening, { kind: 'place judged' }>, 'kind' | 'workId'> & ByWhom
export type ShownToCustomer = Omit<Extract<Happening, { kind: 'shown to the customer' }>, 'kind'> & ByWhom

export type Intake = { value: string; at: Stamp; personId: Id }
export type ChangeMade = Omit<Extract<Happening, { kind: 'changed for good' }>, 'kind'> & { at: Stamp; personId: Id }
export type Trouble = Omit<Extract<Happening, { kind: 'trouble found' }>, 'kind'> & {
  eventId: string
  at: Stamp
  personId: Id
}

/** Where a job stands: the fold of its events, the same in the browser and on the server. */
export type JobState = {
  holders: Map<Id, HolderCounts>
  /** Groups nobody had counted before: as many are owed as came out. */
  uncounted: ReadonlySet<Id>
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
  /** Of a kit: how many of each thing there are, which taps of its work ("work/step") are done, how modules stand. */
  supplies: Map<Id, Supplied>
  /** Counted at the end, of a kit's things. */
  leftOver: Map<Id, number>
  stepsDone: Map<string, { reading: string; note: string } & ByWhom>
  adjusted: Map<Id, { value: string; how: 'entered' | 'read back' } & ByWhom>
  /** By facet: tells that were looked for, and whether they were seen. */
  tells: Map<Id, ReadonlyMap<Id, boolean>>
  /** By work: how its place was judged. */
  places: Map<Id, PlaceSaid>
  /** Functions that somebody went on without, once what they need was about to be closed over. */
  givenUp: Set<Id>
  /** What is left for another day, and what the customer was shown and signed for. */
  leftForLater: { eventId: string; text: string }[]
  shown: ShownToCustomer | null
  /** When each part went home last. */
  homeAt: Map<Id, Stamp>
  /** Plugs that were tried after they were closed for the last time. */
  plugsTried: Set<Id>
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
  notes: {
    eventId: string
    itemId: Id | null
    text: string
    voice: { id: string; seconds: number } | null
    settled: boolean
    personId: Id
    at: Stamp
  }[]
  photos: { photoId: string; itemId: Id | null; personId: Id; at: Stamp }[]
  /** Of a strip: what had been undone before, what gives no order, and what came off before what the log says. */
  alreadyOff: Set<Id>
  orderless: Set<Id>
  putRight: { itemId: Id; otherId: Id }[]
  questionsPutOff: Set<string>
  /** "collection:item:field" of what a strip found otherwise, where a lead has decided that the record stays. */
  declined: Set<string>
  /** Before the first screw: what was looked at, and which functions worked. */
  intake: Map<IntakePoint, Intake>
  restored: Set<IntakePoint>
  workedBefore: Map<Id, { works: boolean; note: string }>
  /**
   * Who is on it, where several are, and whom each operation was given to, by the lanes or taken over, in the order of
   * the lanes.
   */
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
  /** The hand-over that came before and no longer holds: its sheet is superseded. */
  handedOverBefore: { at: Stamp; personId: Id } | null
  assumed: Set<string>
  /** By kind and id: what happened to things that the record does not have. */
  unresolved: Map<string, Unresolved>
  /** The events that count, in order: duplicates and what was taken back are gone. */
  history: JobEvent[]
}

/**
 * A job before anything happened: settings as the record finds them, every fastener where it belongs. Of what comes
 * with a kit nothing stands yet: its parts have an account like fasteners.
 */
export function beginning(document: JobDocument, history: JobEvent[]): JobState {
  const supplied = suppliedIn(document)
  const parts = document.parts.filter(({ id }) => supplied.has(id)).map(({ id }) => ({ id, count: 0 }))
  return {
    holders: new Map(
      [...document.holders, ...parts].map(({ id, count }) => [id, openAccount(supplied.has(id) ? 0 : count)]),
    ),
    uncounted: new Set(document.holders.filter(({ howMany }) => howMany !== 'counted').map(({ id }) => id)),
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
    ...nothingOfKits(),
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
    declined: new Set(),
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
    homeAt: new Map(),
    accepted: new Map(),
    settledNotes: new Set(),
    deviations: [],
    signatures: [],
    paused: null,
    handedOver: null,
    handedOverBefore: null,
    assumed: new Set(),
    unresolved: new Map(),
    history,
  }
}

type OfKits = Pick<
  JobState,
  | 'supplies'
  | 'leftOver'
  | 'stepsDone'
  | 'adjusted'
  | 'tells'
  | 'plugsTried'
  | 'places'
  | 'givenUp'
  | 'leftForLater'
  | 'shown'
>

function nothingOfKits(): OfKits {
  return {
    supplies: new Map(),
    leftOver: new Map(),
    stepsDone: new Map(),
    adjusted: new Map(),
    tells: new Map(),
    plugsTried: new Set(),
    places: new Map(),
    givenUp: new Set(),
    leftForLater: [],
    shown: null,
  }
}
