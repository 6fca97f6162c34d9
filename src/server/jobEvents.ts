import 'server-only'
import { setImmediate } from 'node:timers/promises'
import { sql } from 'kysely'
import { laterStamp, nextStamp } from '@/core/base/clock'
import type { Stamp } from '@/core/base/stamp'
import { JobEvent, type Happening } from '@/core/job/event'
import type { Mark } from '@/core/job/happenings'
import { EVENT_VERSION } from '@/core/job/eventVersion'
import { reopening } from '@/core/job/reopening'
import { readEvents, type ReadEvents } from '@/core/job/readEvents'
import type { ShopTransaction } from '../db/client'
import { database } from './database'
import { inShop, type Crew } from './whoAsks'

/**
 * A job, held until the transaction ends. Whoever writes into its log holds it first: the numbers of its events are
 * then given in the order in which they can be seen, and a hand-over sees all or none of a post.
 */
export async function lockJob(trx: ShopTransaction, jobId: string) {
  return trx
    .selectFrom('job')
    .select(['id', 'kind', 'vehicle_id', 'handed_over_at'])
    .where('id', '=', jobId)
    .forNoKeyUpdate()
    .executeTakeFirst()
}

const held = ((globalThis as { istruzioneHeld?: Map<string, number> }).istruzioneHeld ??= new Map<string, number>())
const MOST_COUNTED = 20_000

/** How many events a locked job has: counted once, and from then on as they are stored. One process serves a shop. */
export async function eventsHeld(trx: ShopTransaction, jobId: string): Promise<number> {
  const known = held.get(jobId)
  if (known !== undefined) return known
  const { n } = await trx
    .selectFrom('job_event')
    .select((eb) => eb.fn.countAll<string>().as('n'))
    .where('job_id', '=', jobId)
    .executeTakeFirstOrThrow()
  held.set(jobId, Number(n))
  if (held.size > MOST_COUNTED) held.delete(held.keys().next().value!)
  return Number(n)
}

/** It is counted anew: what was counted was not stored, or something was stored past the door. */
export const forgetHeld = (jobId: string) => held.delete(jobId)

/** Stores events of a locked job; those whose id another job took meanwhile are left out of the answer. */
export async function storeEvents(
  crew: Crew,
  trx: ShopTransaction,
  jobId: string,
  events: readonly JobEvent[],
  mark: (event: JobEvent) => Mark | null = () => null,
): Promise<JobEvent[]> {
  const rows = events.map((event) => ({
    id: event.id,
    shop_id: crew.shopId,
    job_id: jobId,
    person_id: event.personId,
    at: event.at,
    body: JSON.stringify(event),
    mark: mark(event),
  }))
  const stored = await trx
    .insertInto('job_event')
    .values(rows)
    .onConflict((conflict) => conflict.columns(['shop_id', 'id']).doNothing())
    .returning('id')
    .execute()
  const ids = new Set(stored.map((row) => row.id))
  if (held.has(jobId)) held.set(jobId, held.get(jobId)! + ids.size)
  return events.filter((event) => ids.has(event.id))
}

/** So many events are read at a stretch: other shops are answered in between. */
const READ_AT_ONCE = 500

async function readInTurns(values: readonly unknown[]): Promise<ReadEvents> {
  const read: ReadEvents = { events: [], notUnderstood: [] }
  for (let from = 0; from < values.length; from += READ_AT_ONCE) {
    if (from > 0) await setImmediate()
    const { events, notUnderstood } = readEvents(values.slice(from, from + READ_AT_ONCE))
    read.events.push(...events)
    read.notUnderstood.push(...notUnderstood)
  }
  return read
}

/** Every event of a job, in the order of arrival. */
export async function allEvents(trx: ShopTransaction, jobId: string): Promise<ReadEvents> {
  const rows = await trx
    .selectFrom('job_event')
    .select('body')
    .where('job_id', '=', jobId)
    .orderBy('received_seq')
    .execute()
  return readInTurns(rows.map((row) => row.body))
}

/** An event that is made here and not on a tablet: it comes after all that is known of the job. */
export function eventHere(crew: Crew, jobId: string, known: readonly JobEvent[], what: Happening): JobEvent {
  const last = known.reduce<Stamp | null>((latest, event) => laterStamp(latest, event.at), null)
  return JobEvent.parse({
    id: crypto.randomUUID(),
    jobId,
    v: EVENT_VERSION,
    deviceId: crypto.randomUUID(),
    seq: 0,
    at: nextStamp(last, Date.now()),
    personId: crew.acting.id,
    what,
  })
}

/**
 * Opens a job that was handed over again, where something arrived that those who signed had not seen, however early it
 * was done: it stands in the log, on Today, and on the sheet.
 */
export async function reopenFor(
  crew: Crew,
  trx: ShopTransaction,
  jobId: string,
  arrived: readonly JobEvent[],
): Promise<void> {
  const { events } = await allEvents(trx, jobId)
  const count = reopening(events, arrived)
  if (count === 0) return
  await storeEvents(crew, trx, jobId, [eventHere(crew, jobId, events, { kind: 'reopened', arrived: count })])
  await trx.updateTable('job').set({ handed_over_at: null }).where('id', '=', jobId).execute()
}

/** The number of the newest event of a job: one indexed look-up, in one question; 0 without any, null without a job. */
async function newestOf(shopId: string, jobId: string): Promise<number | null> {
  const found = await sql<{ seq: string | null }>`select newest_of_job(${shopId}, ${jobId}) as seq`.execute(database())
  const seq = found.rows[0]?.seq
  return seq === null || seq === undefined ? null : Number(seq)
}

/** What a tablet does not have yet of a job, and the place reached. Null when it is not this shop's. */
export async function eventsAfter(
  crew: Crew,
  jobId: string,
  after: number,
): Promise<(ReadEvents & { upTo: number }) | null> {
  if ((await newestOf(crew.shopId, jobId)) === after) return { events: [], notUnderstood: [], upTo: after }
  return inShop(crew, async (trx) => {
    const job = await trx.selectFrom('job').select('id').where('id', '=', jobId).executeTakeFirst()
    if (!job) return null
    const rows = await trx
      .selectFrom('job_event')
      .select(['body', 'received_seq'])
      .where('job_id', '=', jobId)
      .where('received_seq', '>', String(after))
      .orderBy('received_seq')
      .execute()
    return {
      ...(await readInTurns(rows.map((row) => row.body))),
      upTo: Math.max(after, Number(rows.at(-1)?.received_seq ?? 0)),
    }
  })
}
