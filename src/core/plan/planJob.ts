import type { Result } from '../base/result'
import type { ProcedureForBuild } from '../procedure/forBuild'
import type { HouseValues } from '../shop/houseValues'
import type { Rule } from '../vehicle/rule'
import { findPlan, type PlanError, type PlanOptions } from './find/findPlan'
import { planOnCards, type PlanOnCards } from './show/planOnCards'
import type { PlanRequest } from './ask/planRequest'

/**
 * The quickest safe way in and out, from the search to the cards. See findPlan for what is promised, errors and cost.
 */
export function planJob(
  model: ProcedureForBuild,
  request: PlanRequest,
  house: HouseValues,
  rules?: readonly Rule[],
  options?: PlanOptions,
): Result<PlanOnCards, PlanError> {
  const found = findPlan(model, request, house, rules, options)
  if (!found.ok) return found
  const plan = planOnCards(model, request, house, rules, found.value)
  if (!plan.ok && plan.error.kind === 'stale')
    throw new Error(`A plan just found does not fit its own record at ${plan.error.key}.`)
  return plan as Result<PlanOnCards, PlanError>
}
