import 'server-only'
import { z } from 'zod'
import { isTooFarAhead } from '@/core/base/clock'
import { cleaned } from '@/core/base/cleanText'
import { JobEvent, StoredEvent, type Happening } from '@/core/job/event'
import { notWritten, type Hand } from '@/core/job/happenings'
import { idOf } from '@/core/job/readEvents'
import { upcast } from '@/core/job/upcast'
import { same } from '@/core/procedure/edit'
import { NOT_WRITTEN, REFUSALS } from '@/words/refusals'
import type { ShopTransaction } from '../db/client'
import { accessBy, writeAccess } from './accessLog'
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
    const by = await hands(crew, trx, jobId)
    const judged = judge(readable, await storedAlready(trx, readable), by)
    const [denied] = judged.denied
    if (denied) await writeAccess(trx, crew.shopId, accessBy(crew, 'refused', { detail: denied }))
    const hadLeft = (event: JobEvent) => (by.crew.get(event.personId)?.isHere === false ? 'had left' : null)
    const kept = judged.fresh.length > 0 ? await storeEvents(crew, trx, jobId, judged.fresh, hadLeft) : []
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

/** The crew as this device knows them, and the job that is written to. */
type Hands = { jobId: string; crew: ReadonlyMap<string, Hand & { name: string }> }

async function hands(crew: Crew, trx: ShopTransaction, jobId: string): Promise<Hands> {
  const acting = await trx.selectFrom('acting').select('crew_id').where('session_id', '=', crew.sessionId).execute()
  const acted = new Set([crew.signedIn.id, crew.acting.id, ...acting.map((row) => row.crew_id)])
  const people = await trx.selectFrom('crew').select(['id', 'name', 'role', 'active']).execute()
  return {
    jobId,
    crew: new Map(
      people.map(({ id, name, role, active }) => [
        id,
        { name, isLead: role !== 'installer', isHere: active, actsNow: crew.acting.id === id, hasActed: acted.has(id) },
      ]),
    ),
  }
}

/** Which events are new, which the shop has already (by id), and which are refused and why. */
function judge(
  events: readonly JobEvent[],
  stored: ReadonlyMap<string, unknown>,
  by: Hands,
): { fresh: JobEvent[]; known: string[]; refused: RefusedEvent[]; denied: Happening['kind'][] } {
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
  return isTooFarAhead(at, Date.now()) ? refuse(REFUSALS.clockAhead) : null
}

/** Events that were stored before, by id. */
async function storedAlready(trx: ShopTransaction, events: readonly JobEvent[]): Promise<Map<string, unknown>> {
  if (events.length === 0) return new Map()
  const ids = events.map((event) => event.id)
  const rows = await trx.selectFrom('job_event').select(['id', 'body']).where('id', 'in', ids).execute()
  return new Map(rows.map((row) => [row.id, row.body]))
}
