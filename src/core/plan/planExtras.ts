import { countOrdersUpTo } from '../order/countOrders'
import type { Id } from '../base/id'
import type { ProcedureForBuild } from '../procedure/forBuild'
import type { HouseValues } from '../shop/houseValues'
import type { Rule } from '../vehicle/rule'
import { allGoals } from './jobGoal'
import type { JobPlan } from './jobPlan'
import { findPlan } from './findPlan'
import { goalOfRequest, type PlanRequest } from './planRequest'
import { recordedOrderS } from './recordedOrder'

export type PlanExtras = {
  /** Valid orders of the way in: their number up to a million, or that there are more. Null where they can't be counted. */
  orders: { count: number; exact: boolean } | null
  /** What the same job takes in the order of the record, top to bottom; null where that order ends nowhere. */
  recordedS: number | null
  /** Openings that were not asked for: what each adds while this is open, and what it takes by itself. Cheapest to add first. */
  alsoNow: { cavityId: Id; extraS: number; aloneS: number }[]
}

/** What is spent on each opening that nobody asked for. */
const GLANCE = { limits: { expandedStates: 1_500 } }
const MANY = 1_000_000n

/** What is worth knowing beside a plan. Cost: two plans for each opening that was not asked for. */
export function planExtras(model: ProcedureForBuild, request: PlanRequest, house: HouseValues, rules: readonly Rule[] | undefined, plan: JobPlan): PlanExtras {
  const keys = [...plan.removal.operations.keys()]
  const number = new Map(keys.map((key, i) => [key, i]))
  const before = keys.map((): number[] => [])
  for (const edge of plan.removal.edges) if (number.has(edge.before) && number.has(edge.after)) before[number.get(edge.after)!]!.push(number.get(edge.before)!)
  const counted = countOrdersUpTo(before, MANY)
  const asked = new Set(allGoals(goalOfRequest(request)).flatMap((goal) => (goal.kind === 'cavity' ? [goal.cavityId] : [])))
  const alsoNow = [...model.cavities.keys()].flatMap((cavityId) => {
    if (asked.has(cavityId) || request.goals.length >= 12) return []
    const goal = { kind: 'cavity' as const, cavityId }
    const together = findPlan(model, { ...request, goals: [...request.goals, goal] }, house, rules, GLANCE)
    const alone = findPlan(model, { ...request, goals: [goal], kits: [] }, house, rules, GLANCE)
    return together.ok && alone.ok ? [{ cavityId, extraS: together.value.proof.totalS - plan.proof.totalS, aloneS: alone.value.proof.totalS }] : []
  })
  return {
    orders: counted && { count: Number(counted.orders), exact: counted.exact },
    recordedS: recordedOrderS(plan),
    alsoNow: alsoNow.sort((a, b) => a.extraS - b.extraS),
  }
}
