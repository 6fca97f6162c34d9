import 'server-only'
import { z } from 'zod'
import { planJob } from '@/core/plan/planJob'
import type { JobPlan } from '@/core/plan/show/jobPlan'
import type { PlanError } from '@/core/plan/find/findPlan'
import { PlanRequest } from '@/core/plan/ask/planRequest'
import { ProcedureDocument } from '@/core/procedure/document'
import { forBuild } from '@/core/procedure/forBuild'
import { rulesInForce } from '@/core/vehicle/rulesInForce'
import { newestRevision } from './revisions'
import { inShop, type Crew } from './session'

export const PlanQuestion = z.object({
  procedureId: z.uuid('Give the id of a procedure of your shop.'),
  request: PlanRequest,
})
export type PlanQuestion = z.infer<typeof PlanQuestion>

/** What one question may cost the server; where that is not enough the answer says that it is not proven. */
const LIMITS = { expandedStates: 20_000 }

export type PlanAnswer =
  | { status: 'planned'; plan: JobPlan }
  | { status: 'no plan'; error: PlanError; document: ProcedureDocument }
  | { status: 'unknown procedure' }

/** The plan of a job on the newest published revision, under the shop's own rules and figures. Nothing is kept. */
export async function planFor(crew: Crew, { procedureId, request }: PlanQuestion): Promise<PlanAnswer> {
  const revision = await inShop(crew, (trx) => newestRevision(trx, procedureId))
  if (!revision) return { status: 'unknown procedure' }
  const document = ProcedureDocument.parse(revision.document)
  const plan = planJob(
    forBuild(document, request.build, request.heads),
    request,
    crew.house,
    rulesInForce(crew.rules),
    { limits: LIMITS },
  )
  return plan.ok ? { status: 'planned', plan: plan.value } : { status: 'no plan', error: plan.error, document }
}
