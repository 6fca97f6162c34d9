import 'server-only'
import type { ProcedureDocument } from '@/core/procedure/document'
import { foldJob } from '@/core/job/fold'
import { handoverBlocks, type HandoverBlock } from '@/core/job/handover'
import { termsOf } from '@/core/job/terms'
import { eventHere, lockJob, storeEvents } from './jobEvents'
import { readJobIn } from './jobs'
import { inShop, type Crew } from './whoAsks'

export type HandOverOutcome =
  | { status: 'done' }
  | { status: 'blocked'; blocks: HandoverBlock[]; document: ProcedureDocument }
  | { status: 'unknown job' }

/**
 * Hands the vehicle over, if the gate is open by the shop's own record. Every device's events must have arrived before.
 * The job is locked while the gate is looked at: a post that is storing events holds it as well, so that either it is
 * seen here or it waits until this is through. Asked again, what is done is done: there is one hand-over.
 */
export async function handOver(crew: Crew, jobId: string): Promise<HandOverOutcome> {
  const hasOthers = await shopHasOthers(crew)
  return inShop(crew, async (trx): Promise<HandOverOutcome> => {
    const locked = await lockJob(trx, jobId)
    const job = locked && (await readJobIn(trx, jobId))
    if (!job) return { status: 'unknown job' }
    const { document } = job
    const state = foldJob(document, job.events)
    if (locked.handed_over_at !== null && state.handedOver !== null) return { status: 'done' }
    const blocks = handoverBlocks(document, state, hasOthers, termsOf(document, job.request, state))
    if (job.notUnderstood.length > 0) blocks.push({ kind: 'not understood', count: job.notUnderstood.length })
    if (blocks.length > 0) return { status: 'blocked', blocks, document }
    await storeEvents(crew, trx, jobId, [eventHere(crew, jobId, job.events, { kind: 'handed over' })])
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
