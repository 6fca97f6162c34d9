import 'server-only'
import { z } from 'zod'
import { isTooFarAhead } from '@/core/base/clock'
import { cleaned } from '@/core/base/cleanText'
import { JobEvent, StoredEvent } from '@/core/job/event'
import { HAPPENINGS, mayWrite } from '@/core/job/happenings'
import { idOf } from '@/core/job/readEvents'
import { upcast } from '@/core/job/upcast'
import { same } from '@/core/procedure/edit'
import { mayNotWriteWords, REFUSALS } from '@/words/refusals'
import type { ShopTransaction } from '../db/client'
import { lockJob, reopenFor, storeEvents } from './jobEvents'
import { inShop, type Crew } from './session'
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

/** `forGood`: it will never be taken as it is; otherwise somebody can mend what is in the way, and it is sent again. */
export type RefusedEvent = { eventId: string; sentence: string; forGood: boolean }
export type AppendOutcome = { status: 'kept'; stored: string[]; refused: RefusedEvent[] } | { status: 'unknown job' }

/**
 * Appends what a tablet's outbox sends, event by event: one that is refused is answered with its sentence and keeps
 * none of the others back. Idempotent: sent twice, an event is stored once. The job is locked, so that the numbers of
 * its events are given in the order in which they can be seen.
 */
export async function appendJobEvents(crew: Crew, jobId: string, sent: readonly unknown[]): Promise<AppendOutcome> {
  return inShop(crew, async (trx): Promise<AppendOutcome> => {
    const job = await lockJob(trx, jobId)
    if (!job) return { status: 'unknown job' }
    const { readable, refused } = readSent(sent)
    const judged = judge(readable, await storedAlready(trx, readable), await hands(crew, trx, jobId))
    const kept = judged.fresh.length > 0 ? await storeEvents(crew, trx, jobId, judged.fresh) : []
    const lost = judged.fresh
      .filter((event) => !kept.includes(event))
      .map(({ id }) => forGood(id, REFUSALS.storedOtherwise))
    if (kept.length > 0) {
      await foldBuild(trx, job.vehicle_id, kept)
      if (job.handed_over_at !== null) await reopenFor(crew, trx, jobId, kept)
      if (job.kind === 'strip') await growRecord(crew, trx, jobId, kept)
    }
    return {
      status: 'kept',
      stored: [...judged.known, ...kept.map((event) => event.id)],
      refused: [...refused, ...judged.refused, ...lost],
    }
  })
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

/** Who has acted on this tablet, and which of them lead; and the job that is written to. */
type Hands = { jobId: string; acted: ReadonlySet<string>; leads: ReadonlySet<string> }

async function hands(crew: Crew, trx: ShopTransaction, jobId: string): Promise<Hands> {
  const acting = await trx.selectFrom('acting').select('crew_id').where('session_id', '=', crew.sessionId).execute()
  const deciding = await trx.selectFrom('crew').select('id').where('role', 'in', ['lead', 'owner']).execute()
  return {
    jobId,
    acted: new Set([crew.signedIn.id, ...acting.map((row) => row.crew_id)]),
    leads: new Set(deciding.map((row) => row.id)),
  }
}

/** Which events are new, which the shop has already (by id), and which are refused and why. */
function judge(
  events: readonly JobEvent[],
  stored: ReadonlyMap<string, unknown>,
  by: Hands,
): { fresh: JobEvent[]; known: string[]; refused: RefusedEvent[] } {
  const fresh = new Map<string, JobEvent>()
  const known = new Set<string>()
  const refused: RefusedEvent[] = []
  for (const event of events) {
    const before = stored.has(event.id) ? upcast(stored.get(event.id)) : fresh.get(event.id)
    const refusal = before === undefined ? mayNot(event, by) : null
    if (before !== undefined && !same(before, event)) refused.push(forGood(event.id, REFUSALS.storedOtherwise))
    else if (refusal) refused.push(refusal)
    else if (before === undefined) fresh.set(event.id, event)
    else if (stored.has(event.id)) known.add(event.id)
  }
  return { fresh: [...fresh.values()], known: [...known], refused }
}

/** Why this event may not be written from this tablet; null when it may. */
function mayNot({ id, jobId, personId, at, what }: JobEvent, by: Hands): RefusedEvent | null {
  if (jobId !== by.jobId) return forGood(id, REFUSALS.eventOfAnotherJob)
  if (!mayWrite(what.kind, by.leads.has(personId))) return forGood(id, mayNotWriteWords(HAPPENINGS[what.kind].by))
  if (isTooFarAhead(at, Date.now())) return forGood(id, REFUSALS.clockAhead)
  if (!by.acted.has(personId)) return { eventId: id, sentence: REFUSALS.personHasNotActedHere, forGood: false }
  return null
}

/** Events that were stored before, by id. */
async function storedAlready(trx: ShopTransaction, events: readonly JobEvent[]): Promise<Map<string, unknown>> {
  if (events.length === 0) return new Map()
  const ids = events.map((event) => event.id)
  const rows = await trx.selectFrom('job_event').select(['id', 'body']).where('id', 'in', ids).execute()
  return new Map(rows.map((row) => [row.id, row.body]))
}
