import 'server-only'
import { toKeep } from '@/core/base/keptJson'
import { KEPT_PLAN } from '@/core/plan/find/foundOrder'
import { z } from 'zod'
import type { FoundOrder } from '@/core/plan/find/foundOrder'
import { KEPT_REQUEST, PlanRequest } from '@/core/plan/ask/planRequest'
import type { PlanError } from '@/core/plan/find/findPlan'
import { ProcedureDocument } from '@/core/procedure/document'
import { REFUSALS } from '@/words/refusals'
import { leavesLeadsOut } from '@/words/leadsLaid'
import { layOnThread, planOnThread } from './planning'
import { recordOfVehicle, type RecordOfVehicle } from './recordOfVehicle'
import { inShop, type Crew, type Refused } from './whoAsks'
import { kitsApart } from '@/core/shop/kitsApart'
import { saidNow } from './vehicleBuild'

export const NewJob = z.object({
  vehicleId: z.uuid(),
  title: z.string().trim().min(1, 'Say in a few words what the job is for.').max(120),
  bay: z.string().trim().max(20).default(''),
  promisedAt: z.iso.datetime({ local: true, offset: true }).nullable().default(null),
  request: PlanRequest,
})
export type NewJob = z.infer<typeof NewJob>

export type OpenedJob =
  { status: 'done'; jobId: string } | Refused | { status: 'no plan'; error: PlanError; document: ProcedureDocument }

/**
 * Opens a job on what its vehicle's model is now. The plan must come out; it is looked for before anything is held, on
 * a thread of its own. Where the record has changed meanwhile it is looked for once more.
 */
export async function openJob(crew: Crew, job: NewJob): Promise<OpenedJob> {
  for (let tries = 0; tries < MOST_TRIES; tries++) {
    const base = await inShop(crew, (trx) => recordOfVehicle(trx, job.vehicleId))
    if ('status' in base) return base
    const { document } = base
    if (!kitsApart(job.request.kits, document)) return { status: 'refused', sentence: REFUSALS.kitsMeet }
    const { house, rules } = crew
    const request = await withItsLeads(crew, document, job.request)
    if ('status' in request) return request
    const planned = await planOnThread(crew.shopId, () => ({ document, request, house, rules }))
    if (planned.kind === 'not answered') return { status: 'refused', sentence: planned.sentence }
    if (!planned.answer.ok) return { status: 'no plan', error: planned.answer.error, document }
    const jobId = await write(crew, { ...job, request }, base, planned.answer.value)
    if (jobId) return { status: 'done', jobId }
  }
  return { status: 'refused', sentence: REFUSALS.recordChanges }
}

const MOST_TRIES = 3

/** No job is opened that says nothing of its kits' leads: where nobody has laid them out, that is done here. */
async function withItsLeads(
  crew: Crew,
  document: ProcedureDocument,
  request: PlanRequest,
): Promise<PlanRequest | Exclude<OpenedJob, { status: 'done' }>> {
  if (!leavesLeadsOut(request)) return request
  const { house, rules } = crew
  const laid = await layOnThread(crew.shopId, () => ({ document, request, house, rules }))
  if (laid.kind === 'not answered') return { status: 'refused', sentence: laid.sentence }
  if (!laid.answer.ok) return { status: 'no plan', error: laid.answer.error, document }
  return laid.answer.value ?? { status: 'refused', sentence: REFUSALS.noWayForLeads }
}

/** Writes the job, if its record is still the one that was planned with; null where it is not. */
async function write(crew: Crew, job: NewJob, base: RecordOfVehicle, found: FoundOrder): Promise<string | null> {
  return inShop(crew, async (trx) => {
    // Held: nobody publishes or edits between the look and the writing.
    await trx.selectFrom('procedure').select('id').where('id', '=', base.procedureId).forUpdate().executeTakeFirst()
    const now = await recordOfVehicle(trx, base.vehicleId)
    if ('status' in now || now.revisionId !== base.revisionId || now.draftVersion !== base.draftVersion) return null
    const id = crypto.randomUUID()
    await trx
      .insertInto('job')
      .values({
        id,
        shop_id: crew.shopId,
        vehicle_id: base.vehicleId,
        procedure_id: base.procedureId,
        revision_id: base.revisionId,
        draft_document: base.revisionId ? null : JSON.stringify(base.document),
        title: job.title,
        bay: job.bay,
        promised_at: job.promisedAt,
        request: toKeep(KEPT_REQUEST, job.request),
        found_plan: toKeep(KEPT_PLAN, found),
        created_by: crew.acting.id,
        handed_over_at: null,
      })
      .execute()
    await trx.updateTable('vehicle').set(saidNow(job.request.build)).where('id', '=', base.vehicleId).execute()
    return id
  })
}
