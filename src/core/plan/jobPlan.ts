import { z } from 'zod'
import { Id } from '../base/id'
import { fail, ok, type Result } from '../base/result'
import { reachedFrom, successors } from '../order/graph'
import type { Removal } from '../order/removed'
import { endValue, methodsTo } from '../order/settingAct'
import type { Choices } from '../order/wish'
import { Ending } from '../procedure/end'
import type { ProcedureForBuild } from '../procedure/forBuild'
import { Station } from '../procedure/station'
import { Build } from '../procedure/when'
import type { HouseValues } from '../shop/houseValues'
import { Access, Kit, KitFit } from '../shop/kit'
import { whilePlanning, type Circumstances } from '../vehicle/circumstances'
import type { Rule } from '../vehicle/rule'
import { asFoundState } from '../vehicle/vehicleState'
import { cardsOf, type Card } from './cards'
import { demandsOf } from './demandsOf'
import { deriveJob } from './deriveJob'
import type { AfterOpening, DerivedJob, DeriveError } from './derivedJob'
import { canStillFinish, feasibilityOf } from './feasible'
import type { JobGoal } from './jobGoal'
import { legsOf, type Legs, type NoSafeOrder } from './leg'
import { orderedSteps, type RefusedOrder } from './orderedSteps'
import { choicesFor, savedS } from './planChoices'
import { Policy, weightsOf } from './policy'
import { cheapestOrder, DEFAULT_LIMITS, type SearchLimits } from './search/cheapestOrder'
import { sequenceJob, type JobStart } from './sequenceJob'
import type { Step } from './step'

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
    /** `opened`: the way in alone; somebody else goes on from there. */
    scope: z.enum(['opened', 'refitted']).default('refitted'),
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
  proof: Proof
}

/** How good an order is known to be. All seconds are house estimates. */
export type Proof = {
  /** The whole job without the weights of a habit, less what a roomier opening saves of the work. */
  totalS: number
  /** Nothing better exists: quicker or, with a habit, better by its weights. */
  proven: boolean
  /** Otherwise: no order is better by more than this. */
  gapS: number
  /** Openings and methods compared, and whether these are all there are. */
  choices: number
  allChoices: boolean
  /** States the search went through, over all choices. */
  expanded: number
}

export type PlanError = DeriveError | NoSafeOrder | RefusedOrder

/** `from`: where a live job stands; what it has done is left out and the rest is ordered from there. */
export type PlanOptions = { limits?: SearchLimits; from?: JobStart }

/**
 * The quickest safe way in and out for the goals and kits on this build: an exact search for each choice of openings and
 * extra parts, the cheapest-looking first. No step breaks a rule in force. Seconds come from the house estimate.
 *
 * Errors: returned; the first choice's own reason when no choice works. Cost: a search for each choice that its bound does
 * not rule out; docs/benchmarks.md has figures.
 */
export function planJob(whole: ProcedureForBuild, request: PlanRequest, house: HouseValues, rules?: readonly Rule[], { limits = DEFAULT_LIMITS, from }: PlanOptions = {}): Result<JobPlan, PlanError> {
  const model = request.policy.battery === 'off first' ? withoutIgnitionMethods(whole) : whole
  const barred = Object.entries(request.policy.methods).find(([name, id]) => whole.methods.has(id) && !methodsTo(model, name.split('=')[0]!, name.slice(name.indexOf('=') + 1)).includes(id))
  if (barred) return fail({ kind: 'no-method', settingId: barred[0].split('=')[0]!, value: barred[0].slice(barred[0].indexOf('=') + 1) })
  const goal = goalOfRequest(request)
  const { choices, all } = choicesFor(model, request.policy, goal)
  const candidates: Candidate[] = []
  let firstError: PlanError | null = null
  for (const choice of choices) {
    const candidate = prepare(model, request, goal, choice, whilePlanning(house, rules), from)
    if (candidate.ok) candidates.push(candidate.value)
    else firstError ??= candidate.error
  }
  candidates.sort((a, b) => a.workS - b.workS)
  let best: Found | null = null
  let atLeastS = Infinity
  let expanded = 0
  for (const candidate of candidates) {
    const ordered = order(candidate, request, limits, best ? best.weighedS - candidate.workS : Infinity)
    if (!ordered.ok) {
      firstError ??= ordered.error
      continue
    }
    expanded += ordered.value.expanded
    atLeastS = Math.min(atLeastS, ordered.value.atLeastS)
    if (ordered.value.found && (best === null || ordered.value.found.weighedS < best.weighedS)) best = ordered.value.found
  }
  if (!best) return fail(firstError!)
  const { candidate, steps, totalS } = best
  const isBottom = (step: Step) => step.operation.phase === 'work' || step.operation.phase === 'test' || step.operation.act === 'wait'
  const inSteps = steps.filter((step) => step.operation.phase === 'in')
  const outSteps = steps.filter((step) => step.operation.phase !== 'in')
  return ok({
    request,
    job: candidate.job,
    removal: candidate.job.removal,
    refit: candidate.job.refit,
    wayIn: cardsOf(inSteps),
    wayOut: cardsOf(outSteps),
    wayInS: secondsOf(inSteps),
    bottomS: secondsOf(outSteps.filter(isBottom)),
    wayOutS: secondsOf(outSteps.filter((step) => !isBottom(step))),
    proof: { totalS, proven: all && atLeastS >= best.weighedS, gapS: Math.max(0, best.weighedS - atLeastS), choices: choices.length, allChoices: all, expanded },
  })
}

export function goalOfRequest(request: Pick<PlanRequest, 'goals' | 'kits' | 'endings'>): JobGoal {
  return { goals: request.goals, kits: request.kits, endings: new Map(Object.entries(request.endings)) }
}

/** A choice with what it asks for. `workS`: its operations' own seconds, less what its openings save. */
type Candidate = { job: DerivedJob; legs: Legs; start: JobStart; workS: number; savedS: number }
/** `weighedS`: seconds with the weights of the habit and the waiting, which is what is compared. */
type Found = { candidate: Candidate; steps: Step[]; totalS: number; weighedS: number }

function prepare(model: ProcedureForBuild, request: PlanRequest, goal: JobGoal, choices: Choices, circumstances: Circumstances, from: JobStart | undefined): Result<Candidate, PlanError> {
  const derived = deriveJob(model, goal, choices, circumstances)
  if (!derived.ok) return derived
  const job = derived.value
  const legs = legsOf(job, request.scope)
  if (request.policy.battery === 'off first') batteryOffFirst(job, legs)
  const start: JobStart = from ?? { state: asFoundState(model), standing: { station: request.start, tool: null }, done: new Set(), setCount: new Map() }
  const operations = [...legs.wayIn.operations.values(), ...legs.wayOut.operations.values()].filter((operation) => !start.done.has(operation.key))
  const saved = savedS(model, choices, goal)
  return ok({ job, legs, start, savedS: saved, workS: operations.reduce((sum, operation) => sum + demandsOf(job, operation).workS, 0) - saved })
}

/** The cheapest order of one choice; `found` null where nothing below `belowS` (set-up seconds) exists. */
function order(candidate: Candidate, request: PlanRequest, limits: SearchLimits, belowS: number): Result<{ found: Found | null; atLeastS: number; expanded: number }, PlanError> {
  const { job, legs, start, workS } = candidate
  const sequenced = sequenceJob(job, legs, start, weightsOf(request.policy))
  const outcome = cheapestOrder(sequenced.problem, sequenced.wholes, limits, Math.round(belowS * 1000))
  if (outcome.kind === 'impossible') return fail(whyImpossible(job, legs, start))
  const atLeastS = workS + outcome.boundMs / 1000
  if (outcome.kind !== 'order') return ok({ found: null, atLeastS, expanded: outcome.expanded })
  const ordered = orderedSteps(job, legs, start, sequenced, outcome.steps)
  if (!ordered.ok) return ordered
  const { steps, waitingS } = ordered.value
  return ok({ found: { candidate, steps, totalS: secondsOf(steps) - candidate.savedS, weighedS: workS + outcome.setUpMs / 1000 + waitingS }, atLeastS, expanded: outcome.expanded })
}

function whyImpossible(job: DerivedJob, legs: Legs, start: JobStart): NoSafeOrder {
  const answer = canStillFinish(feasibilityOf(job, legs, start.state), start.done, start.state)
  return answer.ok ? { kind: 'no safe order', stuck: [], proven: true } : { ...answer.error, proven: true }
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
function batteryOffFirst(job: DerivedJob, { wayIn, wayOut, demands, finish }: Legs): void {
  const battery = [...job.model.settings.values()].find((setting) => setting.role === 'battery' && setting.values.includes('off'))
  if (!battery) return
  // Once it is on for a test nothing is gained by taking it off again.
  const then = successors(wayOut.edges)
  const afterTest = new Set([...demands].filter(([key, list]) => key.startsWith('test:') && list.some((demand) => demand.value !== 'off')).flatMap(([key]) => [...reachedFrom(then, key)]))
  finish.set(battery.id, endValue(job.model, battery.id))
  for (const key of [...wayIn.operations.keys(), ...wayOut.operations.keys()]) {
    const list = demands.get(key) ?? []
    const powered = key.startsWith('test:') && list.some((demand) => demand.value !== 'off')
    if (!powered && !afterTest.has(key) && !list.some((demand) => demand.settingId === battery.id)) demands.set(key, [...list, { settingId: battery.id, value: 'off', because: { kind: 'only for its act', settingId: battery.id } }])
  }
}
