import type { Result } from '@/core/base/result'
import { modelOfRequest } from '@/core/plan/ask/modelOfRequest'
import { findPlan, type PlanError } from '@/core/plan/find/findPlan'
import type { FoundOrder } from '@/core/plan/find/foundOrder'
import { rulesInForce } from '@/core/vehicle/rulesInForce'
import { ServerPlanning } from './asked'

/** One question of the server's pool, on a thread of its own. Cost: that of findPlan. */
export default function plan(asked: unknown): Result<FoundOrder, PlanError> {
  const { document, request, house, rules, limits } = ServerPlanning.parse(asked)
  const model = modelOfRequest(document, request)
  return findPlan(model, request, house, rulesInForce(rules), limits ? { limits } : {})
}
