import { expose } from 'comlink'
import { findPlan, type PlanError, type PlanProgress } from '@/core/plan/findPlan'
import type { FoundPlan } from '@/core/plan/foundPlan'
import { planFrom } from '@/core/plan/jobPlan'
import { lanesOf } from '@/core/plan/lanes/lanesOf'
import { planExtras, type PlanExtras } from '@/core/plan/planExtras'
import type { PlanRequest } from '@/core/plan/planRequest'
import type { JobEvent } from '@/core/job/event'
import { dearOrders } from '@/core/strip/dearOrders'
import type { Question } from '@/core/strip/questions'
import type { Result } from '@/core/base/result'
import type { ProcedureDocument } from '@/core/procedure/document'
import { forBuild } from '@/core/procedure/forBuild'
import type { Station } from '@/core/procedure/station'
import type { HouseValues } from '@/core/shop/houseValues'
import type { ShopRules } from '@/core/vehicle/rule'
import { rulesInForce } from '@/core/vehicle/rulesInForce'

/** Everything an order is worked out from, as plain data. */
export type PlanningInput = { document: ProcedureDocument; request: PlanRequest; house: HouseValues; rules: ShopRules }

async function find({ document, request, house, rules }: PlanningInput, onProgress: (progress: PlanProgress) => void): Promise<Result<FoundPlan, PlanError>> {
  return findPlan(forBuild(document, request.build), request, house, rulesInForce(rules), { onProgress })
}

/** What is worth knowing beside the plan that was found. */
async function extras({ document, request, house, rules }: PlanningInput, found: FoundPlan): Promise<PlanExtras | null> {
  const model = forBuild(document, request.build)
  const plan = planFrom(model, request, house, rulesInForce(rules), found)
  return plan.ok ? planExtras(model, request, house, rulesInForce(rules), plan.value) : null
}

/** The plan shared out. `starts`: where each person stands; `singleTools`: those the shop has one of. */
async function lanes({ document, request, house, rules }: PlanningInput, found: FoundPlan, starts: Station[], singleTools: string[]): Promise<ReturnType<typeof lanesOf> | null> {
  const plan = planFrom(forBuild(document, request.build), request, house, rulesInForce(rules), found)
  return plan.ok ? lanesOf(plan.value, starts, singleTools) : null
}

/** The orders of a strip that cost time and that nobody has explained. */
async function dear(document: ProcedureDocument, events: JobEvent[], house: HouseValues, rules: ShopRules): Promise<Question[]> {
  return dearOrders(document, events, house, rulesInForce(rules))
}

export type PlannerApi = { find: typeof find; extras: typeof extras; lanes: typeof lanes; dear: typeof dear }
expose({ find, extras, lanes, dear } satisfies PlannerApi)
