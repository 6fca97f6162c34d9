import { z } from 'zod'
import { compareText, Id } from '../base/id'
import { fail, ok, type Result } from '../base/result'
import { reachedFrom, successors } from '../order/graph'
import type { Operation } from '../order/operation'
import { deriveAsFarAsPossible } from '../order/removal'
import type { Removal } from '../order/removed'
import type { Choices } from '../order/wish'
import { endValue, methodsTo } from '../order/settingAct'
import { Ending } from '../procedure/end'
import type { ProcedureForBuild } from '../procedure/forBuild'
import { Build } from '../procedure/when'
import { Station } from '../procedure/station'
import { Access, Kit, KitFit } from '../shop/kit'
import type { HouseValues } from '../shop/houseValues'
import { whilePlanning } from '../vehicle/circumstances'
import type { Rule } from '../vehicle/rule'
import { asFoundState } from '../vehicle/vehicleState'
import { cardsOf, type Card } from './cards'
import { deriveJob } from './deriveJob'
import type { AfterOpening, DeriveError, DerivedJob } from './derivedJob'
import { feasibilityOf } from './feasible'
import { allGoals, type JobGoal } from './jobGoal'
import { schedule, type Begin, type Step, type Wish } from './schedule'
import { legsOf, type Legs, type NoSafeOrder } from './leg'

/** The habits a crew picks. Permissions and weights, never safety. `methods` fixes a method per "settingId=value". */
export const Policy = z.object({
  resting: z.enum(['rest', 'set aside']).default('rest'),
  habit: z.enum(['panel by panel', 'tool in hand']).default('panel by panel'),
  /** Battery off before every other act, and on again at the end; or it stays on, with the ignition off but for a named act. */
  battery: z.enum(['stays on', 'off first']).default('stays on'),
  methods: z.record(z.string(), Id).default({}),
})
export type Policy = z.infer<typeof Policy>

/**
 * What a plan is computed from: stored with the job, so that the same plan comes out again on every machine. Kits stand
 * in it whole, as they were when the job was opened.
 */
export const PlanRequest = z
  .object({
    goals: z.array(Access).max(12).default([]),
    kits: z.array(z.object({ kit: Kit, fit: KitFit })).max(6).default([]),
    /** What becomes of things on this job, besides what the record and the kits say. */
    endings: z.record(Id, Ending).default({}),
    build: Build,
    policy: Policy.default(() => Policy.parse({})),
    start: Station.default('driver side'),
  })
  .refine((request) => request.goals.length + request.kits.length > 0, 'Choose what to open, or a kit.')
export type PlanRequest = z.infer<typeof PlanRequest>

export type JobPlan = {
  request: PlanRequest
  job: DerivedJob
  removal: Removal
  refit: AfterOpening
  wayIn: Card[]
  /** Work, tests and the way out, in their order. */
  wayOut: Card[]
  wayInS: number
  /** Work items and tests, with the waiting they ask for. */
  bottomS: number
  wayOutS: number
  /** How many combinations of openings and methods were compared; this is the cheapest of the orders made, not proven cheapest of all. */
  compared: number
}

export type PlanError = DeriveError | NoSafeOrder

/** Beyond this many combinations the rest is left out, and `compared` says how many were looked at. */
const MOST_COMBINATIONS = 48

/**
 * A valid way in and way out for the goals and kits on this build: the cheapest of the deterministic orders made for each
 * choice of opening and method. No step breaks a rule in force. Seconds come from the house estimate.
 * Errors: returned; the first choice's own reason when no choice works. Cost: combinations x operations^2.
 */
export function planJob(whole: ProcedureForBuild, request: PlanRequest, house: HouseValues, rules?: readonly Rule[]): Result<JobPlan, PlanError> {
  const model = request.policy.battery === 'off first' ? withoutIgnitionMethods(whole) : whole
  const barred = Object.entries(request.policy.methods).find(([name, id]) => whole.methods.has(id) && !methodsTo(model, name.split('=')[0]!, name.slice(name.indexOf('=') + 1)).includes(id))
  if (barred) return fail({ kind: 'no-method', settingId: barred[0].split('=')[0]!, value: barred[0].slice(barred[0].indexOf('=') + 1) })
  const circumstances = whilePlanning(house, rules)
  const goal = goalOfRequest(request)
  let best: JobPlan | null = null
  let bestS = Infinity
  let firstError: PlanError | null = null
  const combinations = choicesFor(model, request, goal)
  for (const choices of combinations) {
    const job = deriveJob(model, goal, choices, circumstances)
    const plan = job.ok ? orderBothWays(job.value, request, combinations.length) : job
    if (!plan.ok) {
      firstError ??= plan.error
      continue
    }
    const costS = plan.value.wayInS + plan.value.bottomS + plan.value.wayOutS - savedBy(model, choices, goal)
    if (costS < bestS) [best, bestS] = [plan.value, costS]
  }
  return best ? ok(best) : fail(firstError!)
}

export function goalOfRequest(request: Pick<PlanRequest, 'goals' | 'kits' | 'endings'>): JobGoal {
  return { goals: request.goals, kits: request.kits, endings: new Map(Object.entries(request.endings)) }
}

function orderBothWays(job: DerivedJob, request: PlanRequest, compared: number): Result<JobPlan, NoSafeOrder> {
  const { removal, refit } = job
  const state = asFoundState(job.model)
  const legs = legsOf(job)
  const { wayIn: wayInLeg, wayOut: wayOutLeg, finish } = legs
  if (request.policy.battery === 'off first') batteryOffFirst(job, legs)
  const feasibility = feasibilityOf(job, legs, state)
  const begin: Begin = { standing: { station: request.start, tool: null }, state, doneAtS: new Map(), done: new Set(), setCount: new Map() }
  const wayIn = schedule(feasibility, wayInLeg, begin, request.policy.habit === 'panel by panel' ? panelByPanel : toolInHand, new Map(), 'in')
  if (!wayIn.ok) return wayIn
  const turned = new Map(wayIn.value.steps.map((step, index) => [mirrorName(step.operation), index]))
  const middle: Begin = { standing: wayIn.value.end, state: wayIn.value.state, doneAtS: wayIn.value.doneAtS, done: new Set(removal.operations.keys()), setCount: wayIn.value.setCount }
  const wayOut = schedule(feasibility, wayOutLeg, middle, mirrorOf(turned, job), finish, 'out')
  if (!wayOut.ok) return wayOut
  const isBottom = (step: Step) => step.operation.phase === 'work' || step.operation.phase === 'test' || step.operation.act === 'wait'
  return ok({
    request,
    job,
    removal,
    refit,
    wayIn: cardsOf(wayIn.value.steps),
    wayOut: cardsOf(wayOut.value.steps),
    wayInS: secondsOf(wayIn.value.steps),
    bottomS: secondsOf(wayOut.value.steps.filter(isBottom)),
    wayOutS: secondsOf(wayOut.value.steps.filter((step) => !isBottom(step))),
    compared,
  })
}

function secondsOf(steps: readonly Step[]): number {
  return steps.reduce((sum, step) => sum + step.workS + step.setUpS, 0)
}

/** With the battery off first nothing can go by the ignition: the lever then goes by its release. */
function withoutIgnitionMethods(model: ProcedureForBuild): ProcedureForBuild {
  const byIgnition = (methodId: Id) => (model.needsOf.get(`method:${methodId}`) ?? []).some(({ needs }) => needs.kind === 'setting' && model.settings.get(needs.settingId)?.role === 'ignition' && needs.value !== 'off')
  return { ...model, methods: new Map([...model.methods].filter(([id]) => !byIgnition(id))) }
}

/** Every operation but a powered test wants the battery off; it goes off before the first and on again after the last. */
function batteryOffFirst(job: DerivedJob, { demands, finish }: Legs): void {
  const battery = [...job.model.settings.values()].find((setting) => setting.role === 'battery' && setting.values.includes('off'))
  if (!battery) return
  // Once it is on for a test nothing is gained by taking it off again.
  const then = successors(job.refit.edges)
  const afterTest = new Set([...demands].filter(([key, list]) => key.startsWith('test:') && list.some((demand) => demand.value !== 'off')).flatMap(([key]) => [...reachedFrom(then, key)]))
  finish.set(battery.id, endValue(job.model, battery.id))
  for (const key of [...job.removal.operations.keys(), ...job.refit.operations.keys()]) {
    const list = demands.get(key) ?? []
    const powered = key.startsWith('test:') && list.some((demand) => demand.value !== 'off')
    if (!powered && !afterTest.has(key) && !list.some((demand) => demand.settingId === battery.id)) demands.set(key, [...list, { settingId: battery.id, value: 'off', because: { kind: 'only for its act', settingId: battery.id } }])
  }
}

const panelByPanel: Wish = (operation, { setUpS, last, canFinishPart }) => [
  last && operation.partId !== null && operation.partId === last.partId ? 0 : 1,
  canFinishPart ? 0 : 1,
  setUpS,
]

const toolInHand: Wish = (operation, { setUpS, last }) => [setUpS, last && operation.partId === last.partId ? 0 : 1]

/** Work first; then the way out follows the way in backwards, and a test comes as soon as the panel in hand is done. */
function mirrorOf(turned: ReadonlyMap<string, number>, job: DerivedJob): Wish {
  return (operation, { last, setUpS }) => {
    const index = turned.get(mirrorName(operation)) ?? 0
    const samePanel = last && operation.partId !== null && operation.partId === last.partId
    // What has to set or cool goes first, so that the rest is done meanwhile.
    if (operation.phase === 'work') return [0, -(job.works.get(operation.itemId)?.unattendedS ?? 0), setUpS]
    return [samePanel ? 0 : operation.phase === 'test' ? 1 : 2, operation.phase === 'test' ? setUpS : -index]
  }
}

const PAIR: Record<Operation['act'], string> = {
  undo: 'holder', fasten: 'holder', start: 'holder', ease: 'move', release: 'move', seat: 'move', open: 'tether', close: 'tether', feed: 'tether',
  lift: 'lift', place: 'lift', set: 'setting', restore: 'setting', work: 'work', test: 'test', decide: 'decide', wait: 'wait',
}

/** The same name for an act and the act that takes it back; a lead goes through its aperture with its plug. */
function mirrorName(operation: Operation): string {
  return `${PAIR[operation.act]}:${operation.itemId}`
}

/** Every combination of opening per goal and method per setting, up to a stated number, in a fixed order. */
function choicesFor(model: ProcedureForBuild, request: PlanRequest, goal: JobGoal): Choices[] {
  const { resting, methods } = request.policy
  let combinations: Choices[] = [{ openings: {}, methods, resting }]
  const cavities = allGoals(goal).flatMap((wanted) => (wanted.kind === 'cavity' ? (model.cavities.get(wanted.cavityId) ?? []) : []))
  for (const cavity of cavities)
    combinations = combinations.flatMap((choice) => cavity.openings.map((opening) => ({ ...choice, openings: { ...choice.openings, [cavity.id]: opening.id } })))
  const wished = settingsWished(model, combinations, goal)
  for (const setting of [...model.settings.values()].sort((a, b) => compareText(a.id, b.id)))
    for (const value of setting.values) {
      const name = `${setting.id}=${value}`
      const options = methodsTo(model, setting.id, value)
      if (!wished.has(setting.id) || value === setting.asFound || options.length < 2 || methods[name]) continue
      combinations = combinations.flatMap((choice) => options.map((id) => ({ ...choice, methods: { ...choice.methods, [name]: id } })))
    }
  return combinations.slice(0, MOST_COMBINATIONS)
}

/** Settings that any of these openings asks for; the methods of others make no difference. */
function settingsWished(model: ProcedureForBuild, combinations: readonly Choices[], goal: JobGoal): Set<Id> {
  const wished = new Set<Id>()
  for (const choices of combinations) for (const wish of deriveAsFarAsPossible(model, allGoals(goal), choices).removal.settings.values()) wished.add(wish.settingId)
  return wished
}

/** What the roomier openings among these choices save of the work. */
function savedBy(model: ProcedureForBuild, choices: Choices, goal: JobGoal): number {
  if (goal.kits.length === 0) return 0
  return Object.entries(choices.openings).reduce((sum, [cavityId, openingId]) => sum + (model.cavities.get(cavityId)?.openings.find((opening) => opening.id === openingId && opening.roomier)?.savesS ?? 0), 0)
}
