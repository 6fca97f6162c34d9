import { z } from 'zod'
import { compareText, Id } from '../base/id'
import { fail, ok, type Result } from '../base/result'
import type { Operation } from '../order/operation'
import { deriveRefit, type Refit } from '../order/refit'
import { deriveRemoval, type Choices, type Goal, type Removal, type RemovalError } from '../order/removal'
import { methodsTo } from '../order/settingAct'
import type { ProcedureForBuild } from '../procedure/forBuild'
import { Build } from '../procedure/when'
import { Station } from '../procedure/station'
import type { HouseValues } from '../shop/houseValues'
import { schedule, type Standing, type Step, type Wish } from './schedule'

export const GoalShape = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('cavity'), cavityId: Id }),
  z.object({ kind: z.literal('part'), partId: Id, level: z.enum(['free', 'off']) }),
])

/** The habits a crew picks. Permissions and weights, never safety. `methods` fixes a method per "settingId=value". */
export const Policy = z.object({
  resting: z.enum(['rest', 'set aside']).default('rest'),
  habit: z.enum(['panel by panel', 'tool in hand']).default('panel by panel'),
  methods: z.record(z.string(), Id).default({}),
})
export type Policy = z.infer<typeof Policy>

/** What a plan is computed from: stored with the job, so that the same plan comes out again on every machine. */
export const PlanRequest = z.object({
  goals: z.array(GoalShape).min(1, 'Choose what to open.').max(12),
  build: Build,
  policy: Policy.default(() => Policy.parse({})),
  start: Station.default('driver side'),
})
export type PlanRequest = z.infer<typeof PlanRequest>

/** One panel (or one setting) on its way: the steps that follow one another on it. */
export type Card = { id: string; phase: 'in' | 'out'; partId: Id | null; settingId: Id | null; steps: Step[] }

export type JobPlan = {
  request: PlanRequest
  removal: Removal
  refit: Refit
  wayIn: Card[]
  wayOut: Card[]
  wayInS: number
  wayOutS: number
  /** How many combinations of openings and methods were compared; this is the cheapest of the orders made, not proven cheapest of all. */
  compared: number
}

export type PlanError = RemovalError & { tried?: number }

/** Beyond this many combinations the rest is left out, and `compared` says how many were looked at. */
const MOST_COMBINATIONS = 48

/**
 * A valid way in and way out for the goals on this build: the cheapest of the deterministic orders made for each choice
 * of opening and method. Seconds come from the house estimate.
 * Errors: returned; the first choice's own reason when no choice works. Cost: combinations x operations^2.
 */
export function planJob(model: ProcedureForBuild, request: PlanRequest, house: HouseValues): Result<JobPlan, PlanError> {
  let best: JobPlan | null = null
  let firstError: PlanError | null = null
  const combinations = choicesFor(model, request)
  for (const choices of combinations) {
    const removal = deriveRemoval(model, request.goals, choices)
    const refit = removal.ok ? deriveRefit(removal.value) : removal
    if (!removal.ok || !refit.ok) {
      firstError ??= (removal.ok ? (refit as { error: PlanError }).error : removal.error)
      continue
    }
    const plan = orderBothWays(model, request, house, removal.value, refit.value, combinations.length)
    if (!best || plan.wayInS + plan.wayOutS < best.wayInS + best.wayOutS) best = plan
  }
  return best ? ok(best) : fail(firstError!)
}

function orderBothWays(model: ProcedureForBuild, request: PlanRequest, house: HouseValues, removal: Removal, refit: Refit, compared: number): JobPlan {
  const start: Standing = { station: request.start, tool: null }
  const wishIn = request.policy.habit === 'panel by panel' ? panelByPanel : toolInHand
  const wayIn = schedule(model, house, removal, start, wishIn)
  const turned = new Map<string, number>()
  wayIn.steps.forEach((step, index) => turned.set(mirrorName(step.operation), index))
  const wayOut = schedule(model, house, refit, wayIn.end, mirrorOf(turned))
  const secondsOf = (steps: readonly Step[]) => steps.reduce((sum, step) => sum + step.workS + step.setUpS, 0)
  return {
    request,
    removal,
    refit,
    wayIn: cardsOf(wayIn.steps),
    wayOut: cardsOf(wayOut.steps),
    wayInS: secondsOf(wayIn.steps),
    wayOutS: secondsOf(wayOut.steps),
    compared,
  }
}

const panelByPanel: Wish = (operation, { setUpS, last, canFinishPart }) => [
  last && operation.partId !== null && operation.partId === last.partId ? 0 : 1,
  canFinishPart ? 0 : 1,
  setUpS,
]

const toolInHand: Wish = (operation, { setUpS, last }) => [setUpS, last && operation.partId === last.partId ? 0 : 1]

/** The way out follows the way in backwards; a setting goes back as soon as nothing needs it and the panel in hand is done. */
function mirrorOf(turned: ReadonlyMap<string, number>): Wish {
  return (operation, { last }) => {
    const index = turned.get(mirrorName(operation)) ?? 0
    const samePanel = last && operation.partId !== null && operation.partId === last.partId
    return [samePanel ? 0 : operation.act === 'restore' ? 1 : 2, -index]
  }
}

/** The same name for an act and the act that takes it back; a lead goes through its aperture with its plug. */
function mirrorName(operation: Operation): string {
  const pair = { undo: 'holder', fasten: 'holder', release: 'move', seat: 'move', open: 'tether', close: 'tether', feed: 'tether', lift: 'lift', place: 'lift', set: 'setting', restore: 'setting' }
  return `${pair[operation.act]}:${operation.itemId}`
}

/** Steps that follow one another on the same part make one card; a setting act is a card of its own. */
function cardsOf(steps: readonly Step[]): Card[] {
  const cards: Card[] = []
  for (const step of steps) {
    const { partId, phase, setting } = step.operation
    const current = cards.at(-1)
    if (current && current.partId !== null && current.partId === partId) current.steps.push(step)
    else cards.push({ id: `${phase}:${step.operation.key}`, phase, partId, settingId: setting?.settingId ?? null, steps: [step] })
  }
  return cards
}

/** Every combination of opening per goal and method per setting, up to a stated number, in a fixed order. */
function choicesFor(model: ProcedureForBuild, request: PlanRequest): Choices[] {
  const { resting, methods } = request.policy
  let combinations: Choices[] = [{ openings: {}, methods, resting }]
  const cavities = request.goals.flatMap((goal) => (goal.kind === 'cavity' ? (model.cavities.get(goal.cavityId) ?? []) : []))
  for (const cavity of cavities)
    combinations = combinations.flatMap((choice) => cavity.openings.map((opening) => ({ ...choice, openings: { ...choice.openings, [cavity.id]: opening.id } })))
  for (const setting of [...model.settings.values()].sort((a, b) => compareText(a.id, b.id)))
    for (const value of setting.values) {
      const name = `${setting.id}=${value}`
      const options = methodsTo(model, setting.id, value)
      if (value === setting.asFound || options.length < 2 || methods[name]) continue
      combinations = combinations.flatMap((choice) => options.map((id) => ({ ...choice, methods: { ...choice.methods, [name]: id } })))
    }
  return combinations.slice(0, MOST_COMBINATIONS)
}

/** The goal as text, for addresses and logs. */
export function goalKey(goal: Goal): string {
  return goal.kind === 'cavity' ? `cavity:${goal.cavityId}` : `part:${goal.partId}=${goal.level}`
}
