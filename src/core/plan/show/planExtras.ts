import type { ProcedureForBuild } from '../../procedure/forBuild'
import { modelOfRequest } from '../ask/modelOfRequest'
import { countOrdersUpTo } from '../../order/countOrders'
import type { Id } from '../../base/id'
import type { HouseValues } from '../../shop/houseValues'
import { decidesSupplies, type DecidesSupplies } from '../../shop/supplyBranches'
import type { Rule } from '../../vehicle/rule'
import { forecastOf, type Forecast } from './forecast'
import { facetsThatMatter } from '../derive/facetsThatMatter'
import { findPlan } from '../find/findPlan'
import { allGoals, goalOfRequest } from '../ask/jobGoal'
import { optionalOf, optionTakes, withOtherWish, type OptionTakes } from './optionTakes'
import type { PlanOnCards } from './planOnCards'
import type { PlanRequest } from '../ask/planRequest'
import { recordedOrderS, stripOrderS } from '../find/recordedOrder'

export type PlanExtras = {
  /**
   * Valid orders of the way in: their number up to a million, or that there are more. Null where they can't be counted.
   */
  orders: { count: number; exact: boolean } | null
  /** What the same job takes in the order of the record, top to bottom; null where that order ends nowhere. */
  recordedS: number | null
  /** What it takes in the order of each strip of the record that has all of it, the quickest first. */
  strips: { label: string; totalS: number }[]
  /**
   * Openings that were not asked for: what each adds while this is open, and what it takes by itself. Cheapest to add
   * first.
   */
  alsoNow: { cavityId: Id; extraS: number; aloneS: number }[]
  /** How long the whole job takes in half of such jobs and in four of five. */
  forecast: Forecast
  /**
   * The shortest and the longest of the jobs that the facets not told yet may turn it into; null where all are told or
   * there are too many.
   */
  untold: { leastS: number; mostS: number } | null
  /**
   * Facets not told yet that decide which parts are bought. `lookFirstS`: to the level where one is told for certain,
   * and back; null where it can be told from outside, or is on no way.
   */
  deciding: (DecidesSupplies & { lookFirstS: number | null })[]
  /** Functions the customer may do without: what each takes and costs in parts, while all else stays as it is asked. */
  options: OptionTakes[]
}

/** What is spent on each opening that nobody asked for. */
const GLANCE = { limits: { expandedStates: 1_500 } }
const MANY = 1_000_000n
const MOST_BUILDS = 8

/**
 * What is worth knowing beside a plan. Cost: two plans for each opening that was not asked for, one for each build not
 * told yet.
 */
export function planExtras(
  model: ProcedureForBuild,
  request: PlanRequest,
  house: HouseValues,
  rules: readonly Rule[] | undefined,
  plan: PlanOnCards,
): PlanExtras {
  const keys = [...plan.removal.operations.keys()]
  const number = new Map(keys.map((key, i) => [key, i]))
  const before = keys.map((): number[] => [])
  for (const edge of plan.removal.edges)
    if (number.has(edge.before) && number.has(edge.after))
      before[number.get(edge.after)!]!.push(number.get(edge.before)!)
  const counted = countOrdersUpTo(before, MANY)
  const asked = new Set(
    allGoals(goalOfRequest(request, model.build)).flatMap((goal) => (goal.kind === 'cavity' ? [goal.cavityId] : [])),
  )
  const alsoNow = [...model.cavities.keys()].flatMap((cavityId) => {
    if (asked.has(cavityId) || request.goals.length >= 12) return []
    const goal = { kind: 'cavity' as const, cavityId }
    const together = findPlan(model, { ...request, goals: [...request.goals, goal] }, house, rules, GLANCE)
    const alone = findPlan(model, { ...request, goals: [goal], kits: [] }, house, rules, GLANCE)
    return together.ok && alone.ok
      ? [{ cavityId, extraS: together.value.proof.totalS - plan.proof.totalS, aloneS: alone.value.proof.totalS }]
      : []
  })
  return {
    orders: counted && { count: Number(counted.orders), exact: counted.exact },
    recordedS: recordedOrderS(plan),
    strips: inStripOrder(model, plan),
    alsoNow: alsoNow.sort((a, b) => a.extraS - b.extraS),
    forecast: forecastOf(plan.found),
    untold: untoldRange(model, request, house, rules, plan),
    deciding: decidingParts(model, request, house, rules),
    options: optionsOf(model, request, house, rules, plan),
  }
}

function decidingParts(
  model: ProcedureForBuild,
  request: PlanRequest,
  house: HouseValues,
  rules: readonly Rule[] | undefined,
): PlanExtras['deciding'] {
  const { facets } = model.document
  const open = facets.filter(({ id }) => model.build[id] === undefined)
  return decidesSupplies(request.kits, model.build, open).map((found) => {
    const told = facets.find(({ id }) => id === found.facetId)!.toldFrom
    const goals = told ? [{ kind: 'part' as const, ...told }] : []
    const look = told ? findPlan(model, { ...request, goals, kits: [], endings: {} }, house, rules, GLANCE) : null
    return { ...found, lookFirstS: look?.ok ? look.value.proof.totalS : null }
  })
}

/** Each optional function with and without it. Cost: one plan each. */
function optionsOf(
  model: ProcedureForBuild,
  request: PlanRequest,
  house: HouseValues,
  rules: readonly Rule[] | undefined,
  plan: PlanOnCards,
): OptionTakes[] {
  return optionalOf(request).flatMap((item) => {
    const asked = withOtherWish(request, item)
    const found = findPlan(modelOfRequest(model.document, asked), asked, house, rules, GLANCE)
    return found.ok ? [optionTakes(model, request, item, plan.proof.totalS, found.value.proof.totalS)] : []
  })
}

function inStripOrder({ document }: ProcedureForBuild, plan: PlanOnCards): PlanExtras['strips'] {
  const timed = document.strips.flatMap(({ label, sequence, brokeRule }) => {
    const totalS = brokeRule ? null : stripOrderS(plan, sequence)
    return totalS === null ? [] : [{ label, totalS }]
  })
  return timed.sort((a, b) => a.totalS - b.totalS)
}

/**
 * A plan for every build that the facets not told yet may turn out to be: those told on the way, and those nobody knew
 * when it was asked.
 */
function untoldRange(
  { document, build }: ProcedureForBuild,
  request: PlanRequest,
  house: HouseValues,
  rules: readonly Rule[] | undefined,
  plan: PlanOnCards,
): PlanExtras['untold'] {
  const onTheWay = plan.job.decisions.map((decision) => decision.facetId)
  const matter = facetsThatMatter(document, request, {}).filter((id) => build[id] === undefined)
  const facets = document.facets.filter(({ id }) => onTheWay.includes(id) || matter.includes(id))
  const builds = facets.reduce(
    (known, facet) => known.flatMap((told) => facet.choices.map((choice) => ({ ...told, [facet.id]: choice.id }))),
    [build],
  )
  if (facets.length === 0 || builds.length > MOST_BUILDS) return null
  const totals = builds.flatMap((told) => {
    const found = findPlan(modelOfRequest(document, request, told), { ...request, build: told }, house, rules, GLANCE)
    return found.ok ? [found.value.proof.totalS] : []
  })
  return totals.length < builds.length ? null : { leastS: Math.min(...totals), mostS: Math.max(...totals) }
}
