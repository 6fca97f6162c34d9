'use client'
import { useEffect, useMemo, useState, useSyncExternalStore } from 'react'
import { JobLog, type LogSnapshot } from '@/client/jobLog'
import { JobStore } from '@/client/jobStore'
import { sendTo } from '@/client/sendEvents'
import { withKits } from '@/core/shop/withKits'
import { balanceOf, type Balance } from '@/core/job/balance'
import type { Overlay } from '@/core/job/overlay'
import type { Happening, JobEvent } from '@/core/job/event'
import { foldJob } from '@/core/job/fold'
import type { JobState } from '@/core/job/jobState'
import { stockMovesOf } from '@/core/job/stockMoves'
import { adoptedPlan, termsOf, type JobTerms } from '@/core/job/terms'
import type { PlanError } from '@/core/plan/find/findPlan'
import type { FoundOrder } from '@/core/plan/find/foundOrder'
import type { PlanOnCards } from '@/core/plan/show/planOnCards'
import type { PlanRequest } from '@/core/plan/ask/planRequest'
import { liveCircumstances, liveVehicle } from '@/core/job/liveVehicle'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { Circumstances } from '@/core/vehicle/circumstances'
import type { ShopRules } from '@/core/vehicle/rule'
import { rulesInForce } from '@/core/vehicle/rulesInForce'
import type { VehicleState } from '@/core/vehicle/vehicleState'
import { modelNow } from '@/core/job/modelNow'
import type { ProcedureForBuild } from '@/core/procedure/forBuild'
import { onHand, type OnShelf, type StockMove } from '@/core/shop/onShelf'
import type { Stock } from '@/core/shop/stock'
import type { HouseWord } from '@/core/shop/houseWord'
import type { HouseValues } from '@/core/shop/houseValues'
import { goalWords } from '@/words/modelNames'
import { usePlan } from './usePlan'
import { useSync } from './useSync'
import { newUuid } from '@/client/newId'

/** What the server hands to every job screen. */
export type JobData = {
  shopId: string
  id: string
  title: string
  bay: string
  vehicle: { id: string; label: string; plate: string; customer: string }
  revisionNumber: number | null
  kind: 'job' | 'strip'
  request: PlanRequest | null
  /** The order it was opened with. */
  found: FoundOrder | null
  /** What it was opened with; of a strip, what it began with. LiveJob.document is how it stands. */
  base: ProcedureDocument
  house: HouseValues
  rules: ShopRules
  /** The shop's own words, for lines of shorthand. */
  words: HouseWord[]
  events: JobEvent[]
  /** Ids of what a newer program wrote into its log. */
  notUnderstood: string[]
  acting: { id: string; name: string; role: string; authorised: string[] }
  crew: { id: string; name: string; role: string }[]
  handedOver: boolean
  shopHasOthers: boolean
  /** What other jobs have shown of this vehicle. */
  known: Overlay
  /** Tools the shop has one of. */
  singleTools: string[]
  /** What the shelves hold of what its kits use, as counted, and what other jobs took since. */
  stock: { items: Stock; moves: StockMove[] }
  theme: 'bay' | 'desk'
  /** When the server read it. The first picture is of that moment, there and here alike. */
  readAtMs: number
}

export type LiveJob = {
  document: ProcedureDocument
  model: ProcedureForBuild
  request: PlanRequest | null
  /**
   * Null for a strip whose vehicle does not go back together yet, or whose record is too rough to be planned
   * (`planError`).
   */
  plan: PlanOnCards | null
  planError: PlanError | null
  /** An order is being looked for. */
  working: boolean
  state: JobState
  terms: JobTerms
  balance: Balance
  /** What lies on the shelves now, by what this job has taken too. */
  shelf: OnShelf[]
  /** The vehicle as the rules of safety see it now, and what they are judged by. */
  vehicle: VehicleState
  circumstances: Circumstances
  nowMs: number
  log: LogSnapshot
  /**
   * Keeps what happened; as counted, unless it is only assumed. `assumedBefore`: what must have happened first; taken
   * back with it.
   */
  record: (
    happenings: readonly Happening[],
    certainty?: JobEvent['certainty'],
    assumedBefore?: readonly Happening[],
  ) => JobEvent[]
  /** The last thing this person did here, and when; null when there is nothing to take back. */
  lastAct: { eventIds: string[]; atMs: number } | null
  takeBack: () => JobEvent[]
  /** Leaves nothing of these events, however long ago they were. */
  takeBackEvents: (eventIds: readonly string[]) => JobEvent[]
  /** Leaves nothing of what the shop refused for good; `asNote`: but a note that says what it was. */
  letGo: (eventIds: readonly string[], asNote?: (event: JobEvent) => string) => void
}

/** A job with a plan: every job, and a strip once its vehicle goes back together. */
export type PlannedJob = LiveJob & { plan: PlanOnCards; request: PlanRequest }

export function isPlanned(job: LiveJob): job is PlannedJob {
  return job.plan !== null && job.request !== null
}

/** What lies at the bottom of a job's U: what it is for; a strip is for the record. */
export function bottomWords(data: JobData, job: LiveJob): string[] {
  return data.kind === 'strip' || !job.request ? ['Recorded'] : goalWords(job.document, job.request)
}

const logs = new Map<string, JobLog>()

/**
 * The log of a job in this page. A screen that is mounted again goes on with the same one: two logs of one job would
 * number their events twice. On the server each rendering has its own.
 */
function logOf(data: JobData): JobLog {
  const make = () =>
    new JobLog(data.id, new JobStore(data.shopId), sendTo(data.id), () => Date.now(), newUuid(), data.events)
  if (typeof window === 'undefined') return make()
  const key = `${data.shopId} ${data.id}`
  const known = logs.get(key)
  if (known) known.receive(data.events, data.notUnderstood)
  const log = known ?? make()
  if (!known) log.receive([], data.notUnderstood)
  logs.set(key, log)
  return log
}

/**
 * The time, once a second while the page is seen: waits are counted by it. It begins with the time the server drew the
 * page at: a minute that ends on the way would make another picture here than there.
 */
function useClock(readAtMs: number): number {
  const [nowMs, setNow] = useState(readAtMs)
  useEffect(() => {
    const tick = () => {
      if (!window.document.hidden) setNow(Date.now())
    }
    const first = setTimeout(tick)
    const timer = setInterval(tick, 1000)
    return () => {
      clearTimeout(first)
      clearInterval(timer)
    }
  }, [])
  return nowMs
}

/**
 * What a job's events make of its record: nothing, or, of a strip, all of it. `byWhat`: the record its vehicle goes
 * back by.
 */
export type Folds = {
  document: (base: ProcedureDocument, events: readonly JobEvent[]) => ProcedureDocument
  byWhat: (document: ProcedureDocument, events: readonly JobEvent[]) => ProcedureDocument
}

const AS_RECORDED: Folds = { document: (base) => base, byWhat: (document) => document }

/**
 * A live job: the local log, its fold, the plan and the balance. Taps are applied at once and kept before they are
 * sent.
 */
export function useJob(data: JobData, folds: Folds = AS_RECORDED): LiveJob {
  const [log] = useState(() => logOf(data))
  const snapshot = useSyncExternalStore(log.subscribe, log.getSnapshot, log.getSnapshot)
  const isTogether = useMemo(() => (adoptedPlan(snapshot.events)?.people.length ?? 0) > 1, [snapshot.events])
  useSync(log, data.id, isTogether)
  const read = useReading(data, folds, snapshot.events)
  const { model, state, planned } = read
  // A record under way may be too rough for a plan: its vehicle goes back by the balance. A job was opened with one.
  if (planned && !planned.ok && data.kind === 'job')
    throw new Error('The plan this job was opened with no longer comes out of its record.')
  const nowMs = useClock(data.readAtMs)
  const vehicle = useMemo(() => liveVehicle(model, state, nowMs), [model, state, nowMs])
  const acts = useActs(log, data.acting.id)
  return {
    document: read.document,
    model,
    request: read.request,
    plan: planned?.ok ? planned.value : null,
    planError: planned && !planned.ok ? planned.error : null,
    working: read.working,
    state,
    terms: read.terms,
    balance: read.balance,
    shelf: read.shelf,
    vehicle,
    circumstances: read.circumstances,
    nowMs,
    log: snapshot,
    ...acts,
  }
}

/** What the events come to: the record they make, its model and plan, the state and the balance. */
function useReading(data: JobData, folds: Folds, events: readonly JobEvent[]) {
  const stated = events
    .filter(({ what, corrects }) => what.kind === 'stated' || what.kind === 'plan adopted' || corrects !== null)
    .map(({ id }) => id)
    .join(' ')
  // Folded anew only when something was stated or taken back: taps on the way back leave the plan alone.
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const record = useMemo(() => folds.document(data.base, events), [folds, data.base, stated])
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const adopted = useMemo(() => adoptedPlan(events), [stated])
  const request = adopted?.request ?? data.request
  const document = useMemo(() => withKits(record, request?.kits ?? []), [record, request])
  const found = adopted?.found ?? data.found
  const state = useMemo(() => foldJob(document, events), [document, events])
  // What was told on the way counts for the rest of the plan.
  const told = JSON.stringify([[...state.facets], state.deviations.filter(({ field }) => field === 'head')])
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const byWhat = useMemo(() => folds.byWhat(document, events), [folds, document, stated])
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const modelOfNow = useMemo(() => modelNow(byWhat, request, state), [byWhat, request, told])
  const rules = useMemo(() => rulesInForce(data.rules), [data.rules])
  const { model, planned, working } = usePlan(modelOfNow, request, data.house, rules, found)
  const circumstances = useMemo(
    () => liveCircumstances(model, state, data.house, rules, data.acting),
    [model, state, data.house, rules, data.acting],
  )
  const terms = useMemo(() => termsOf(document, request, state), [document, request, state])
  const balance = useMemo(() => balanceOf(document, state, terms), [document, state, terms])
  const shelf = useMemo(
    () => onHand(data.stock.items, [...data.stock.moves, ...stockMovesOf(request?.kits ?? [], events)]),
    [data.stock, request, events],
  )
  return { document, model, request, planned, working, state, terms, balance, circumstances, shelf }
}

/** What is recorded here, and taken back act by act. */
function useActs(
  log: JobLog,
  actingId: string,
): Pick<LiveJob, 'record' | 'lastAct' | 'takeBack' | 'takeBackEvents' | 'letGo'> {
  const [acts, setActs] = useState<NonNullable<LiveJob['lastAct']>[]>([])
  const lastAct = acts.at(-1) ?? null
  const record: LiveJob['record'] = (happenings, certainty = 'counted', assumedBefore = []) => {
    const made = [
      ...log.append(actingId, assumedBefore, { certainty: 'assumed' }),
      ...log.append(actingId, happenings, { certainty }),
    ]
    if (made.length > 0) setActs((now) => [...now, { eventIds: made.map((event) => event.id), atMs: Date.now() }])
    return made
  }
  const takeBack = () => {
    if (!lastAct) return []
    setActs((now) => now.slice(0, -1))
    return log.takeBack(actingId, lastAct.eventIds)
  }
  const letGo: LiveJob['letGo'] = (eventIds, asNote) => {
    const gone = log.getSnapshot().events.filter((event) => eventIds.includes(event.id))
    void log.discard(eventIds)
    setActs((now) => now.filter((act) => !act.eventIds.some((id) => eventIds.includes(id))))
    if (asNote)
      log.append(
        actingId,
        gone.map((event) => ({ kind: 'noted', itemId: null, text: asNote(event) })),
      )
  }
  return { record, lastAct, takeBack, takeBackEvents: (eventIds) => log.takeBack(actingId, eventIds), letGo }
}
