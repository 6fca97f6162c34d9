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
    const acted = new Set([
      crew.signedIn.id,
      ...(await trx.selectFrom('acting').select('crew_id').where('session_id', '=', crew.sessionId).execute()).map(
        (row) => row.crew_id,
      ),
    ])
    const leads = new Set(
      (await trx.selectFrom('crew').select('id').where('role', 'in', ['lead', 'owner']).execute()).map((row) => row.id),
    )
    for (const event of events) {
      if (event.jobId !== jobId)
        return { status: 'refused', eventId: event.id, sentence: 'This event belongs to another job.' }
      if (!mayWrite(event.what.kind, leads.has(event.personId)))
        return { status: 'refused', eventId: event.id, sentence: mayNotWords(HAPPENINGS[event.what.kind].by) }
      if (!acted.has(event.personId))
        return {
          status: 'refused',
          eventId: event.id,
          sentence:
            'The person who did this has not acted on this tablet since it was signed in. Tap the name and enter the PIN once, then it is sent.',
        }
    }
    const known = await trx
      .selectFrom('job_event')
      .select(['id', 'body'])
      .where(
        'id',
        'in',
        events.map((event) => event.id),
      )
      .execute()
    for (const row of known) {
      const event = events.find((item) => item.id === row.id)!
      if (!same(upcast(row.body), event))
        return {
          status: 'refused',
          eventId: event.id,
          sentence:
            'Something else was stored under this event’s number. It is kept on this device; tell whoever looks after the shop’s server.',
        }
    }
    const fresh = events.filter((event) => !known.some((row) => row.id === event.id))
    if (fresh.length > 0)
      await trx
        .insertInto('job_event')
        .values(
          fresh.map((event) => ({
            id: event.id,
            shop_id: crew.shopId,
            job_id: jobId,
            person_id: event.personId,
            at: event.at,
            body: JSON.stringify(event),
          })),
        )
        .onConflict((conflict) => conflict.columns(['shop_id', 'id']).doNothing())
        .execute()
    // What was told of this very vehicle is known for its next plan as well.
    const told = Object.fromEntries(
      fresh.flatMap(({ what }) => (what.kind === 'facet told' ? [[what.facetId, what.choiceId] as const] : [])),
    )
    if (Object.keys(told).length > 0) {
      const vehicle = await trx
        .selectFrom('vehicle')
        .select(['id', 'build'])
        .where('id', '=', job.vehicle_id)
        .executeTakeFirstOrThrow()
      await trx
        .updateTable('vehicle')
        .set({ build: JSON.stringify({ ...Build.parse(vehicle.build), ...told }) })
        .where('id', '=', vehicle.id)
        .execute()
    }
    if (job.kind === 'strip' && fresh.length > 0) await growRecord(crew, trx, jobId, fresh)
    return { status: 'kept', stored: events.map((event) => event.id) }
  })
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
  if (!job) return 'This job is not in your shop any more.'
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
  return outcome.status === 'kept'
    ? null
    : outcome.status === 'refused'
      ? outcome.sentence
      : 'This job is not in your shop any more.'
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
    const body = { ...event, personId: crew.acting.id }
    await trx
      .insertInto('job_event')
      .values({
        id: event.id,
        shop_id: crew.shopId,
        job_id: jobId,
        person_id: crew.acting.id,
        at: event.at,
        body: JSON.stringify(body),
      })
      .onConflict((conflict) => conflict.columns(['shop_id', 'id']).doNothing())
      .execute()
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

/** Why somebody may not write a happening themselves. */
function mayNotWords(by: 'anybody' | 'lead' | 'gate'): string {
  return by === 'gate'
    ? 'A vehicle is handed over from the hand-over page, where the gate is checked.'
    : 'Only a lead decides this. Tap the name at the top and change who acts.'
}
