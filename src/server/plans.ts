import 'server-only'
import { modelOfRequest } from '@/core/plan/ask/modelOfRequest'
import { z } from 'zod'
import { planOnCards, type PlanOnCards } from '@/core/plan/show/planOnCards'
import type { PlanError } from '@/core/plan/find/findPlan'
import { PlanRequest } from '@/core/plan/ask/planRequest'
import { ProcedureDocument } from '@/core/procedure/document'
import { readDocument } from '@/core/procedure/documentMigrations'
import { rulesInForce } from '@/core/vehicle/rulesInForce'
import { planOnThread } from './planning'
import { newestRevision } from './revisions'
import { inShop, type Crew } from './whoAsks'

export const PlanQuestion = z.object({
  procedureId: z.uuid('Give the id of a procedure of your shop.'),
  request: PlanRequest,
})
export type PlanQuestion = z.infer<typeof PlanQuestion>

/** What one question may cost the server; where that is not enough the answer says that it is not proven. */
const LIMITS = { expandedStates: 20_000 }

export type PlanAnswer =
  | { status: 'planned'; plan: PlanOnCards }
  | { status: 'no plan'; error: PlanError; document: ProcedureDocument }
  | { status: 'not answered'; sentence: string }
  | { status: 'unknown procedure' }

/**
 * The plan of a job on the newest published revision, under the shop's own rules and figures. Nothing is kept.
 * `signal`: whoever asked has left.
 */
export async function planFor(
  crew: Crew,
  { procedureId, request }: PlanQuestion,
  signal?: AbortSignal,
): Promise<PlanAnswer> {
  const revision = await inShop(crew, (trx) => newestRevision(trx, procedureId))
  if (!revision) return { status: 'unknown procedure' }
  const { house, rules } = crew
  // Read once, when its turn comes: a record is large, and a shop may ask for many at once.
  const read = lazily(() => readDocument(revision.document))
  const question = () => ({ document: read(), request, house, rules, limits: LIMITS })
  const planned = await planOnThread(crew.shopId, question, signal)
  if (planned.kind === 'not answered') return { status: 'not answered', sentence: planned.sentence }
  const document = read()
  if (!planned.answer.ok) return { status: 'no plan', error: planned.answer.error, document }
  const model = modelOfRequest(document, request)
  const plan = planOnCards(model, request, house, rulesInForce(rules), planned.answer.value)
  if (!plan.ok) throw new Error('A plan just found does not fit its own record.')
  return { status: 'planned', plan: plan.value }
}

/** Makes a thing when it is first asked for. */
function lazily<T>(make: () => T): () => T {
  let made: { it: T } | null = null
  return () => (made ??= { it: make() }).it
}
