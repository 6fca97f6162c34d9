import 'server-only'
import { z } from 'zod'
import { laterStamp, nextStamp } from '@/core/base/clock'
import type { Stamp } from '@/core/base/stamp'
import { foldJob } from '@/core/job/fold'
import { handoverBlocks, type HandoverBlock } from '@/core/job/handover'
import { termsOf } from '@/core/job/terms'
import { same } from '@/core/procedure/edit'
import { Build } from '@/core/procedure/when'
import { readJob, readJobIn } from './jobs'
import type { ShopTransaction } from '../db/client'
import { mayNotWriteWords, REFUSALS } from '@/words/refusals'
import { inShop, type Crew } from './session'
import { growRecord } from './strips'
import { EVENT_VERSION } from '@/core/job/eventVersion'
import { type Happening, JobEvent, StoredEvent } from '@/core/job/event'
import { upcast } from '@/core/job/upcast'
import { HAPPENINGS, mayWrite } from '@/core/job/happenings'

/** At most this many events in one post: an outbox sends the rest in the next. */
export const AppendRequest = z.object({ events: z.array(StoredEvent).min(1).max(500) })

export type AppendOutcome =
  | { status: 'kept'; stored: string[] }
  | { status: 'unknown job' }
  | { status: 'refused'; eventId: string; sentence: string }

/**
 * Appends events to a job: idempotent (an event sent twice is stored once), all or nothing. The person of an event must
 * have acted on this tablet's session. An event id that comes back with other contents is refused. A hand-over is not
 * an ordinary event: see handOver.
 */
export async function appendJobEvents(crew: Crew, jobId: string, events: readonly JobEvent[]): Promise<AppendOutcome> {
  return inShop(crew, async (trx): Promise<AppendOutcome> => {
    const job = await trx
      .selectFrom('job')
      .select(['id', 'kind', 'vehicle_id'])
      .where('id', '=', jobId)
      .executeTakeFirst()
    if (!job) return { status: 'unknown job' }
    const stored = await storedAlready(trx, events)
    const refusal = (await mayNotBeStored(crew, trx, jobId, events)) ?? storedOtherwise(stored, events)
    if (refusal) return refusal
    const fresh = events.filter((event) => !stored.has(event.id))
    if (fresh.length > 0) await storeEvents(crew, trx, jobId, fresh)
    await tellVehicle(trx, job.vehicle_id, fresh)
    if (job.kind === 'strip' && fresh.length > 0) await growRecord(crew, trx, jobId, fresh)
    return { status: 'kept', stored: events.map((event) => event.id) }
  })
}

type Refusal = Extract<AppendOutcome, { status: 'refused' }>

/** The first event that this crew may not write from this tablet, with the reason. */
async function mayNotBeStored(
  crew: Crew,
  trx: ShopTransaction,
  jobId: string,
  events: readonly JobEvent[],
): Promise<Refusal | null> {
  const acting = await trx.selectFrom('acting').select('crew_id').where('session_id', '=', crew.sessionId).execute()
  const acted = new Set([crew.signedIn.id, ...acting.map((row) => row.crew_id)])
  const deciding = await trx.selectFrom('crew').select('id').where('role', 'in', ['lead', 'owner']).execute()
  const leads = new Set(deciding.map((row) => row.id))
  for (const { id: eventId, jobId: ofJob, personId, what } of events) {
    const no = (sentence: string): Refusal => ({ status: 'refused', eventId, sentence })
    if (ofJob !== jobId) return no(REFUSALS.eventOfAnotherJob)
    if (!mayWrite(what.kind, leads.has(personId))) return no(mayNotWriteWords(HAPPENINGS[what.kind].by))
    if (!acted.has(personId)) return no(REFUSALS.personHasNotActedHere)
  }
  return null
}

/** Events that were stored before, by id. */
async function storedAlready(trx: ShopTransaction, events: readonly JobEvent[]): Promise<Map<string, unknown>> {
  const ids = events.map((event) => event.id)
  const rows = await trx.selectFrom('job_event').select(['id', 'body']).where('id', 'in', ids).execute()
  return new Map(rows.map((row) => [row.id, row.body]))
}

/** The first event whose id came before with other contents. */
function storedOtherwise(stored: ReadonlyMap<string, unknown>, events: readonly JobEvent[]): Refusal | null {
  const other = events.find((event) => stored.has(event.id) && !same(upcast(stored.get(event.id)), event))
  return other ? { status: 'refused', eventId: other.id, sentence: REFUSALS.storedOtherwise } : null
}

async function storeEvents(
  crew: Crew,
  trx: ShopTransaction,
  jobId: string,
  events: readonly JobEvent[],
): Promise<void> {
  const rows = events.map((event) => ({
    id: event.id,
    shop_id: crew.shopId,
    job_id: jobId,
    person_id: event.personId,
    at: event.at,
    body: JSON.stringify(event),
  }))
  await trx
    .insertInto('job_event')
    .values(rows)
    .onConflict((conflict) => conflict.columns(['shop_id', 'id']).doNothing())
    .execute()
}

/** What was told of this very vehicle is known for its next plan as well. */
async function tellVehicle(trx: ShopTransaction, vehicleId: string, events: readonly JobEvent[]): Promise<void> {
  const told = events.flatMap(({ what }) =>
    what.kind === 'facet told' ? [[what.facetId, what.choiceId] as const] : [],
  )
  if (told.length === 0) return
  const { build } = await trx
    .selectFrom('vehicle')
    .select('build')
    .where('id', '=', vehicleId)
    .executeTakeFirstOrThrow()
  await trx
    .updateTable('vehicle')
    .set({ build: JSON.stringify({ ...Build.parse(build), ...Object.fromEntries(told) }) })
    .where('id', '=', vehicleId)
    .execute()
}

/** An event that was numbered earlier may be stored later: so many before the place are told again. */
const TOLD_AGAIN = 100

/** The events of a job that arrived after a place, and the place reached. Null when it is not this shop's. */
export async function eventsAfter(
  crew: Crew,
  jobId: string,
  after: number,
): Promise<{ events: JobEvent[]; upTo: number } | null> {
  return inShop(crew, async (trx) => {
    const job = await trx.selectFrom('job').select('id').where('id', '=', jobId).executeTakeFirst()
    if (!job) return null
    const rows = await trx
      .selectFrom('job_event')
      .select(['body', 'received_seq'])
      .where('job_id', '=', jobId)
      .where('received_seq', '>', String(after - TOLD_AGAIN))
      .orderBy('received_seq')
      .execute()
    return {
      events: rows.map((row) => StoredEvent.parse(row.body)),
      upTo: Math.max(after, Number(rows.at(-1)?.received_seq ?? 0)),
    }
  })
}

/**
 * Adds an event at the desk, by who acts there: a note worked in, a contradiction declined. Null when it is done, else
 * why not.
 */
export async function addFromDesk(crew: Crew, jobId: string, what: Happening): Promise<string | null> {
  const job = await readJob(crew, jobId)
  if (!job) return REFUSALS.jobGone
  const last = job.events.reduce<Stamp | null>((latest, event) => laterStamp(latest, event.at), null)
  const event = JobEvent.parse({
    id: crypto.randomUUID(),
    jobId,
    v: EVENT_VERSION,
    deviceId: crypto.randomUUID(),
    seq: 0,
    at: nextStamp(last, Date.now()),
    personId: crew.acting.id,
    what,
  })
  const outcome = await appendJobEvents(crew, jobId, [event])
  return outcome.status === 'kept' ? null : outcome.status === 'refused' ? outcome.sentence : REFUSALS.jobGone
}

export type HandOverOutcome =
  { status: 'done' } | { status: 'blocked'; blocks: HandoverBlock[] } | { status: 'unknown job' }

/**
 * Hands the vehicle over, if the gate is open by the shop's own record. Every device's events must have arrived before.
 * The job is locked while the gate is looked at: a post that is storing events holds the job's row by their foreign
 * key, so that either it is seen here or it waits until this is through.
 */
export async function handOver(crew: Crew, jobId: string, event: JobEvent): Promise<HandOverOutcome> {
  const hasOthers = await shopHasOthers(crew)
  return inShop(crew, async (trx): Promise<HandOverOutcome> => {
    await trx.selectFrom('job').select('id').where('id', '=', jobId).forUpdate().executeTakeFirst()
    const job = await readJobIn(trx, jobId)
    if (!job) return { status: 'unknown job' }
    const state = foldJob(job.document, job.events)
    const blocks = handoverBlocks(job.document, state, hasOthers, termsOf(job.document, job.request))
    if (blocks.length > 0) return { status: 'blocked', blocks }
    await storeEvents(crew, trx, jobId, [{ ...event, personId: crew.acting.id }])
    await trx.updateTable('job').set({ handed_over_at: new Date() }).where('id', '=', jobId).execute()
    return { status: 'done' }
  })
}

/** Whether the shop has somebody else who could check. */
export async function shopHasOthers(crew: Crew): Promise<boolean> {
  const row = await inShop(crew, (trx) =>
    trx
      .selectFrom('crew')
      .select((e) => e.fn.countAll<string>().as('count'))
      .where('active', '=', true)
      .executeTakeFirstOrThrow(),
  )
  return Number(row.count) > 1
}
