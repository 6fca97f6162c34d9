import { ok, type Result } from '../base/result'
import type { ProcedureForBuild } from '../procedure/forBuild'
import type { HouseValues } from '../shop/houseValues'
import type { Rule } from '../vehicle/rule'
import type { PlanError } from './find/findPlan'
import type { FoundOrder } from './find/foundOrder'
import { planJob } from './planJob'
import { planOnCards, type PlanOnCards } from './show/planOnCards'
import { movedParts } from './derive/liveStart'
import type { PlanRequest } from './ask/planRequest'

/** What is spent on an order while somebody waits for a job's screen. */
const WHILE_WAITING = { limits: { expandedStates: 4_000 } }

/**
 * The plan a job goes on with: the order kept with it where that still fits the record, otherwise one found anew (a
 * facet was told on the way, or the job is older than kept orders). A rule added later may forbid every order: the job
 * goes on all the same, and the rule refuses the act when it comes.
 */
export function keptPlan(
  model: ProcedureForBuild,
  request: PlanRequest,
  house: HouseValues,
  rules: readonly Rule[],
  kept: FoundOrder | null,
): Result<PlanOnCards, PlanError> {
  const fits = kept && planOnCards(model, request, house, rules, kept)
  if (fits?.ok) return fits
  // What was out besides the goals when it was adopted still has to go back.
  const wanted = kept?.from ? { ...request, goals: [...request.goals, ...movedParts(kept.from)] } : request
  const planned = planJob(model, wanted, house, rules, WHILE_WAITING)
  const plan = planned.ok ? planned : planJob(model, wanted, house, undefined, WHILE_WAITING)
  return plan.ok && kept ? ok({ ...plan.value, anew: true }) : plan
}
