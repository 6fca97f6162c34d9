import type { Result } from '@/core/base/result'
import { findPlan, type PlanError } from '@/core/plan/find/findPlan'
import type { FoundPlan } from '@/core/plan/find/foundPlan'
import type { PlanRequest } from '@/core/plan/ask/planRequest'
import type { ProcedureDocument } from '@/core/procedure/document'
import { forBuild } from '@/core/procedure/forBuild'
import type { SearchLimits } from '@/core/sequence/cheapestOrder'
import type { HouseValues } from '@/core/shop/houseValues'
import type { ShopRules } from '@/core/vehicle/rule'
import { rulesInForce } from '@/core/vehicle/rulesInForce'

/** Everything an order is worked out from, as plain data. */
export type ServerPlanning = {
  document: ProcedureDocument
  request: PlanRequest
  house: HouseValues
  rules: ShopRules
  limits?: SearchLimits
}

/** One question of the server's pool, on a thread of its own. Cost: that of findPlan. */
export default function plan({
  document,
  request,
  house,
  rules,
  limits,
}: ServerPlanning): Result<FoundPlan, PlanError> {
  const model = forBuild(document, request.build, request.heads)
  return findPlan(model, request, house, rulesInForce(rules), limits ? { limits } : {})
}
