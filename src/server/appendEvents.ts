import 'server-only'
import { z } from 'zod'
import { isTooFarAhead } from '@/core/base/clock'
import { cleaned } from '@/core/base/cleanText'
import { JobEvent, StoredEvent, type Happening } from '@/core/job/event'
import { HAPPENINGS, markOf, notWritten, type Hand } from '@/core/job/happenings'
import { idOf } from '@/core/job/readEvents'
import { upcast } from '@/core/job/upcast'
import { countsAs } from '@/core/procedure/circuits'
import { same } from '@/core/procedure/edit'
import { AIRBAG_CIRCUITS } from '@/core/shop/rights'
import { stripDocument } from '@/core/strip/stripDocument'
import { NOT_WRITTEN, REFUSALS } from '@/words/refusals'
import type { ShopTransaction } from '../db/client'
import { accessBy, writeAccess } from './accessLog'
import { latestKnownMs } from './clockHere'
import { eventsHeld, forgetHeld, lockJob, reopenFor, storeEvents } from './jobEvents'
import { readJobIn } from './jobs'
import { inShop, type Crew } from './whoAsks'
import { growRecord } from './strips'
import { foldBuild } from './vehicleBuild'

/**
 * At most this many events in one post: an outbox sends the rest in the next. Each is read by itself. `each`: the
 * sender understands an answer event by event. A page that was opened before there was one takes anything but a
 * refusal of the whole for success, and would send what was refused again without a pause.
 */
export const AppendRequest = z.object({
  events: z.array(z.unknown()).min(1).max(500),
  each: z.boolean().default(false),
})

/**
 * No job has so many: a strip of a whole vehicle has some hundreds. Every screen of a job folds all of them, and Today
 * those of every open job.
 */
export const MOST_EVENTS = 10_000

/** `forGood`: it will never be taken as it is; otherwise somebody can mend what is in the way, and it is sent again. */
export type RefusedEvent = { eventId: string; sentence: string; forGood: boolean }
export type AppendOutcome = { status: 'kept'; stored: string[]; refused: RefusedEvent[] } | { status: 'unknown job' }

/**
 * Appends what a tablet's outbox sends, event by event: one that is refused is answered with its sentence and keeps
 * none of the others back. Idempotent: sent twice, an event is stored once. The job is locked, so that the numbers of
 * its events are given in the order in which they can be seen.
 */
export async function appendJobEvents(crew: Crew, jobId: string, sent: readonly unknown[]): Promise<AppendOutcome> {
  const appended = inShop(crew, async (trx): Promise<AppendOutcome> => {
    const job = await lockJob(trx, jobId)
    if (!job) return { status: 'unknown job' }
    const { readable, refused } = readSent(sent)
    const by = await hands(crew, trx, jobId, readable)
    const { judged, kept } = await storeWhatMay(crew, trx, readable, by)
    const [denied] = judged.denied
    if (denied) await writeAccess(trx, crew.shopId, accessBy(crew, 'refused', { detail: denied }))
    if (kept.length > 0) {
      await foldBuild(trx, job.vehicle_id, kept)
      if (job.handed_over_at !== null) await reopenFor(crew, trx, jobId, kept)
      if (job.kind === 'strip') await growRecord(crew, trx, jobId, kept)
    }
    return {
      status: 'kept',
      stored: [...new Set([...judged.known, ...kept.map((event) => event.id)])],
      refused: [...refused, ...judged.refused],
    }
  })
  // What was not stored after all is not counted either: a post that breaks is sent again and again.
  appended.catch(() => forgetHeld(jobId))
  return appended
}

/** Judges what was sent and stores what is new and may be written. */
async function storeWhatMay(
  crew: Crew,
  trx: ShopTransaction,
  events: readonly JobEvent[],
  by: Hands,
): Promise<{ judged: Judged; kept: JobEvent[] }> {
  const firing = await firingPlugs(trx, by, events)
  const mark = ({ what, personId }: JobEvent) => markOf(what, by.crew.get(personId)!, firing)
  const store = (fresh: readonly JobEvent[]) => storeEvents(crew, trx, by.jobId, fresh, mark)
  const isFull = async (fresh: number) => (await eventsHeld(trx, by.jobId)) + fresh > MOST_EVENTS
  // Nearly always all of it is new and may be written: then nothing has to be looked up before.
  const asNew = judge(events, new Map(), by)
  const first = asNew.refused.length > 0 || (await isFull(asNew.fresh.length)) ? [] : await store(asNew.fresh)
  if (asNew.refused.length === 0 && first.length === asNew.fresh.length) return { judged: asNew, kept: first }
  const judged = judge(events, await storedAlready(trx, events), by)
  const refuse = (fresh: readonly JobEvent[], sentence: string) =>
    judged.refused.push(...fresh.map(({ id }) => forGood(id, sentence)))
  if (judged.fresh.length === 0) return { judged, kept: first }
  if (await isFull(judged.fresh.length)) {
    refuse(judged.fresh, REFUSALS.jobIsFull(MOST_EVENTS))
    return { judged, kept: first }
  }
  const then = await store(judged.fresh)
  // What another job took meanwhile.
  refuse(
    judged.fresh.filter((event) => !then.includes(event)),
    REFUSALS.storedOtherwise,
  )
  return { judged, kept: [...first, ...then] }
}

const forGood = (eventId: string, sentence: string): RefusedEvent => ({ eventId, sentence, forGood: true })

/** What can be read of a post; the rest is refused by the id it was sent with. */
function readSent(sent: readonly unknown[]): { readable: JobEvent[]; refused: RefusedEvent[] } {
  const readable: JobEvent[] = []
  const refused: RefusedEvent[] = []
  for (const value of sent) {
    const parsed = StoredEvent.safeParse(cleaned(value))
    if (parsed.success) readable.push(parsed.data)
    else refused.push(forGood(idOf(value), REFUSALS.eventUnread(parsed.error.issues[0]!.message)))
  }
  return { readable, refused }
}

type Colleague = Hand & { name: string; authorised: readonly string[] }

/** The crew as this device knows them, the job that is written to, and the time that stamps are measured by. */
type Hands = { jobId: string; nowMs: number; crew: ReadonlyMap<string, Colleague> }

async function hands(crew: Crew, trx: ShopTransaction, jobId: string, sent: readonly JobEvent[]): Promise<Hands> {
  const nowMs = Date.now()
  // Where tablets seem to be ahead it may be this machine that is behind.
  const isAhead = sent.some(({ at }) => isTooFarAhead(at, nowMs))
  const people = await trx
    .selectFrom('crew')
    .leftJoin('acting', (join) =>
      join.onRef('acting.crew_id', '=', 'crew.id').on('acting.session_id', '=', crew.sessionId),
    )
    .select(['crew.id', 'crew.name', 'crew.role', 'crew.active', 'crew.authorised', 'acting.session_id as acted'])
    .execute()
  const here = [crew.signedIn.id, crew.acting.id]
  return {
    jobId,
    nowMs: isAhead ? await latestKnownMs(trx, jobId) : nowMs,
    crew: new Map(
      people.map(({ id, name, role, active, authorised, acted }) => [
        id,
        {
          ...{ name, authorised },
          isLead: role !== 'installer',
          isHere: active,
          actsNow: crew.acting.id === id,
          hasActed: acted !== null || here.includes(id),
        },
      ]),
    ),
  }
}

type Judged = { fresh: JobEvent[]; known: string[]; refused: RefusedEvent[]; denied: Happening['kind'][] }

/** Which events are new, which the shop has already (by id), and which are refused and why. */
function judge(events: readonly JobEvent[], stored: ReadonlyMap<string, unknown>, by: Hands): Judged {
  const denied: Happening['kind'][] = []
  const fresh = new Map<string, JobEvent>()
  const known = new Set<string>()
  const refused: RefusedEvent[] = []
  for (const event of events) {
    const before = stored.has(event.id) ? upcast(stored.get(event.id)) : fresh.get(event.id)
    const refusal = before === undefined ? mayNot(event, by) : null
    if (before !== undefined && !same(before, event)) refused.push(forGood(event.id, REFUSALS.storedOtherwise))
    else if (refusal) {
      refused.push(refusal.answer)
      if (refusal.isDenied) denied.push(event.what.kind)
    } else if (before === undefined) fresh.set(event.id, event)
    else if (stored.has(event.id)) known.add(event.id)
  }
  return { fresh: [...fresh.values()], known: [...known], refused, denied }
}

/** Why this event may not be written from this device; null when it may. */
function mayNot(event: JobEvent, by: Hands): { answer: RefusedEvent; isDenied: boolean } | null {
  const { id, jobId, personId, at, what } = event
  const refuse = (sentence: string) => ({ answer: forGood(id, sentence), isDenied: false })
  if (jobId !== by.jobId) return refuse(REFUSALS.eventOfAnotherJob)
  const hand = by.crew.get(personId)
  if (!hand) return refuse(REFUSALS.nobodyOfThisCrew)
  const why = notWritten(what.kind, hand)
  if (why) {
    const answer = { eventId: id, sentence: NOT_WRITTEN[why], forGood: !why.startsWith('held') }
    return { answer, isDenied: why === 'needs a lead' || why === 'the shop writes it' }
  }
  // A signature is its person's own, not the name somebody typed over it.
  if (what.kind === 'countersigned' && what.name !== hand.name) return refuse(REFUSALS.signedForAnother)
  return isTooFarAhead(at, by.nowMs) ? refuse(REFUSALS.clockAhead) : null
}

/** The plugs of a job that fire an airbag or a tensioner, where somebody not authorised for them touched any plug. */
async function firingPlugs(
  trx: ShopTransaction,
  { jobId, crew }: Hands,
  events: readonly JobEvent[],
): Promise<ReadonlySet<string>> {
  const isOdd = ({ personId, what }: JobEvent) =>
    HAPPENINGS[what.kind].onCircuit && !crew.get(personId)?.authorised.includes(AIRBAG_CIRCUITS)
  if (!events.some(isOdd)) return new Set()
  const job = await readJobIn(trx, jobId)
  // In a strip a plug is stated with the tap that opens it.
  const document = job?.kind === 'strip' ? stripDocument(job.base, [...job.events, ...events]) : job?.document
  const firing = document?.tethers.filter((tether) => countsAs(tether) === 'srs-firing') ?? []
  return new Set(firing.map(({ id }) => id))
}

/** Events that were stored before, by id. */
async function storedAlready(trx: ShopTransaction, events: readonly JobEvent[]): Promise<Map<string, unknown>> {
  if (events.length === 0) return new Map()
  const ids = events.map((event) => event.id)
  const rows = await trx.selectFrom('job_event').select(['id', 'body']).where('id', 'in', ids).execute()
  return new Map(rows.map((row) => [row.id, row.body]))
}
