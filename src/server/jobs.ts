import 'server-only'
import { readKept } from '@/core/base/keptJson'
import { KEPT_PLAN, type FoundOrder } from '@/core/plan/find/foundOrder'
import { KEPT_REQUEST, type PlanRequest } from '@/core/plan/ask/planRequest'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { JobDocument } from '@/core/procedure/jobDocument'
import { withKits } from '@/core/shop/withKits'
import { readDocument } from '@/core/procedure/documentMigrations'
import { foldJob } from '@/core/job/fold'
import { overlayOf, type Overlay } from '@/core/job/overlay'
import { adoptedPlan } from '@/core/job/terms'
import { stripDocument } from '@/core/strip/stripDocument'
import type { ShopTransaction } from '../db/client'
import { allEvents } from './jobEvents'
import { readRevision } from './revisions'
import { inShop, type Crew, type Person } from './whoAsks'
import type { JobEvent } from '@/core/job/event'

export type JobRecord = {
  id: string
  title: string
  bay: string
  promisedAt: Date | null
  createdAt: Date
  handedOverAt: Date | null
  vehicle: { id: string; label: string; plate: string; customer: string }
  procedureId: string
  revisionNumber: number | null
  kind: 'job' | 'strip'
  /** Null for a strip whose vehicle does not go back together yet. */
  request: PlanRequest | null
  found: FoundOrder | null
  /** What it was opened with: the document of a job, what a strip began with. */
  base: ProcedureDocument
  /** As it stands, with its kits' things put in: of a strip, the fold of what was stated. */
  document: JobDocument
  events: JobEvent[]
  /** Ids of what a newer program wrote into its log. */
  notUnderstood: string[]
}

/** A job with its document and every event. Null when it is not this shop's. */
export async function readJob(crew: Crew, jobId: string): Promise<JobRecord | null> {
  return inShop(crew, (trx) => readJobIn(trx, jobId))
}

/** The same inside a transaction that goes on. */
export async function readJobIn(trx: ShopTransaction, jobId: string): Promise<JobRecord | null> {
  const job = await jobQuery(trx).where('job.id', '=', jobId).executeTakeFirst()
  return job ? recordOf(trx, job) : null
}

/** The jobs in the bays (not handed over), the latest few or the last sixty that were, or those of one vehicle. */
export async function listJobs(
  crew: Crew,
  which: 'open' | 'done' | 'handed over' | { vehicleId: string },
): Promise<JobRecord[]> {
  return inShop(crew, async (trx) => {
    let query = jobQuery(trx)
    if (which === 'open')
      query = query.where('job.handed_over_at', 'is', null).orderBy('job.bay').orderBy('job.created_at')
    else if (which === 'handed over')
      query = query.where('job.handed_over_at', 'is not', null).orderBy('job.handed_over_at', 'desc').limit(60)
    else if (which === 'done')
      query = query.where('job.handed_over_at', 'is not', null).orderBy('job.handed_over_at', 'desc').limit(6)
    else query = query.where('job.vehicle_id', '=', which.vehicleId).orderBy('job.created_at', 'desc')
    const rows = await query.execute()
    return Promise.all(rows.map((row) => recordOf(trx, row)))
  })
}

/** What the vehicle's jobs have shown of it, besides one of them. */
export async function vehicleOverlay(crew: Crew, vehicleId: string, exceptJobId: string | null): Promise<Overlay> {
  const jobs = await listJobs(crew, { vehicleId })
  const before = jobs
    .filter((job) => job.id !== exceptJobId && job.events.length > 0)
    .sort((a, b) => a.createdAt.getTime() - b.createdAt.getTime())
  return overlayOf(before.map((job) => foldJob(job.document, job.events)))
}

function jobQuery(trx: ShopTransaction) {
  return trx
    .selectFrom('job')
    .innerJoin('vehicle', 'vehicle.id', 'job.vehicle_id')
    .selectAll('job')
    .select([
      'vehicle.label as vehicle_label',
      'vehicle.plate as vehicle_plate',
      'vehicle.customer as vehicle_customer',
    ])
}
type JobRow = Awaited<ReturnType<ReturnType<typeof jobQuery>['executeTakeFirstOrThrow']>>

async function recordOf(trx: ShopTransaction, job: JobRow): Promise<JobRecord> {
  const revision = job.revision_id ? await readRevision(trx, job.revision_id) : null
  const { events, notUnderstood } = await allEvents(trx, job.id)
  // A strip on top of a published record keeps what it began with, as every other job keeps its revision.
  const base = revision?.document ?? readDocument(job.draft_document)
  const adopted = adoptedPlan(events)
  const request = adopted?.request ?? readKept(KEPT_REQUEST, job.request)
  return {
    id: job.id,
    title: job.title,
    bay: job.bay,
    promisedAt: job.promised_at,
    createdAt: job.created_at,
    handedOverAt: job.handed_over_at,
    vehicle: { id: job.vehicle_id, label: job.vehicle_label, plate: job.vehicle_plate, customer: job.vehicle_customer },
    procedureId: job.procedure_id,
    revisionNumber: revision?.number ?? null,
    kind: job.kind,
    request,
    // An order that can't be read any more is worked out anew, as for jobs older than kept orders.
    found: adopted?.found ?? readKept(KEPT_PLAN, job.found_plan),
    base,
    document: withKits(job.kind === 'strip' ? stripDocument(base, events) : base, request?.kits ?? []),
    events,
    notUnderstood: request === null && job.request !== null ? [...notUnderstood, 'request'] : notUnderstood,
  }
}

export async function crewNames(crew: Crew): Promise<Person[]> {
  return inShop(crew, (trx) =>
    trx
      .selectFrom('crew')
      .select(['id', 'name', 'role', 'authorised'])
      .where('active', '=', true)
      .orderBy('name')
      .execute(),
  )
}

/** Everybody who ever was in the shop: what is on paper names them also after they left. */
export async function everybody(crew: Crew): Promise<{ id: string; name: string }[]> {
  return inShop(crew, (trx) => trx.selectFrom('crew').select(['id', 'name']).execute())
}

/** The model of a job's vehicle; empty where it is no job of this shop. */
export async function procedureOfJob(crew: Crew, jobId: string): Promise<string> {
  const row = await inShop(crew, (trx) =>
    trx.selectFrom('job').select('procedure_id').where('id', '=', jobId).executeTakeFirst(),
  )
  return row?.procedure_id ?? ''
}
