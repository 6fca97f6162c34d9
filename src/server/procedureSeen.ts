import 'server-only'
import { confirmationsOf, stripsOf } from '@/core/job/strips'
import type { Entry } from '@/core/job/evidence'
import type { JobEvent } from '@/core/job/event'
import { readEvents } from '@/core/job/readEvents'
import type { Strip } from '@/core/order/learntOrder'
import type { Confirmations } from '@/core/plan/check/checkRecord'
import { ProcedureDocument } from '@/core/procedure/document'
import { readDocument } from '@/core/procedure/documentMigrations'
import type { LookedBack } from '@/core/strip/cleanUp'
import { whilePlanning, type Circumstances } from '@/core/vehicle/circumstances'
import { rulesInForce } from '@/core/vehicle/rulesInForce'
import type { ShopTransaction } from '../db/client'
import { readRevision } from './revisions'
import type { Crew } from './whoAsks'

/** The shop's own rules and figures are judged by as well as the built-in ones. */
export function circumstancesOf(crew: Crew): Circumstances {
  return whilePlanning(crew.house, rulesInForce(crew.rules))
}

/** What the jobs on this model have shown so far: the order of each strip, and which facts it bore out. */
export async function seenOn(
  trx: ShopTransaction,
  procedureId: string,
  document: ProcedureDocument,
  circumstances: Circumstances,
): Promise<{ strips: Strip[]; confirmations: Confirmations | null; jobs: LookedBack[] }> {
  const ofModel = await trx
    .selectFrom('job')
    .innerJoin('vehicle', 'vehicle.id', 'job.vehicle_id')
    .select(['job.id', 'job.kind', 'job.draft_document', 'job.revision_id', 'vehicle.label'])
    .where('job.procedure_id', '=', procedureId)
    .execute()
  const jobs = new Map<string, LookedBack & { events: JobEvent[] }>()
  const rows = await trx
    .selectFrom('job_event')
    .innerJoin('job', 'job.id', 'job_event.job_id')
    .select(['job_event.body', 'job_event.job_id'])
    .where('job.procedure_id', '=', procedureId)
    .orderBy('job_event.received_seq')
    .execute()
  for (const row of rows) {
    const { events } = readEvents([row.body])
    const job = jobs.get(row.job_id)
    if (job) job.events.push(...events)
    else {
      const { id, label, ...origin } = ofModel.find((item) => item.id === row.job_id)!
      jobs.set(id, { id, label, base: await baseOf(trx, origin), events })
    }
  }
  const all = [...jobs.values()]
  return {
    strips: stripsOf(document, all, circumstances),
    confirmations: all.length > 0 ? confirmationsOf(document, all) : null,
    jobs: all,
  }
}

/** What a strip began with; a job that followed a plan states nothing. */
async function baseOf(
  trx: ShopTransaction,
  job: { kind: 'job' | 'strip'; revision_id: string | null; draft_document: unknown },
): Promise<ProcedureDocument | null> {
  if (job.kind !== 'strip') return null
  const revision = job.revision_id ? await readRevision(trx, job.revision_id) : null
  return revision?.document ?? readDocument(job.draft_document)
}

/** Who entered what at the desk, and from which source. */
export async function entriesOf(trx: ShopTransaction, procedureId: string): Promise<Entry[]> {
  const rows = await trx
    .selectFrom('evidence')
    .select(['item_id', 'person_id', 'made_at', 'source', 'words'])
    .where('procedure_id', '=', procedureId)
    .orderBy('made_at')
    .execute()
  return rows.map((row) => ({
    itemId: row.item_id,
    personId: row.person_id,
    atMs: row.made_at.getTime(),
    source: { kind: row.source, words: row.words },
  }))
}
