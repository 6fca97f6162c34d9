import { fail, ok, type Result } from '../../base/result'
import type { Removal } from '../../order/removal'
import type { ProcedureForBuild } from '../../procedure/forBuild'
import type { HouseValues } from '../../shop/houseValues'
import { whilePlanning } from '../../vehicle/circumstances'
import type { Rule } from '../../vehicle/rule'
import { BENCH } from '../../procedure/stations'
import { demandsOf } from '../derive/demandsOf'
import { cardsOf, type Card } from './cards'
import { deriveJob } from '../derive/deriveJob'
import type { AfterOpening, DerivedJob, DeriveError } from '../derive/derivedJob'
import type { FoundOrder, Proof } from '../find/foundOrder'
import { legsOf } from '../derive/leg'
import { addLooseEnds, goalFrom } from '../derive/liveStart'
import type { PlanRequest } from '../ask/planRequest'
import { underPolicy } from '../derive/policyRules'
import { plugByHand } from '../derive/plugByHand'
import { secondsOf, type Step } from '../find/step'

export type PlanOnCards = {
  request: PlanRequest
  job: DerivedJob
  removal: Removal
  refit: AfterOpening
  /** Work at the bench before the first screw. */
  before: Card[]
  wayIn: Card[]
  /** Work, tests and the way out, in their order. */
  wayOut: Card[]
  /** At the bench before the first screw: no minute of it at the vehicle. */
  beforeS: number
  /** Of the work in between, what is done at the bench. */
  benchS: number
  wayInS: number
  /** Work items and tests, with the waiting they ask for. */
  bottomS: number
  wayOutS: number
  proof: Proof
  /** As it was found, to be kept. */
  found: FoundOrder
  /** Worked out again, because the order kept with the job no longer fits its record. */
  anew: boolean
}

/** Every card of a plan: what is prepared, the way in, then work, tests and the way out. */
export function allCards(plan: Pick<PlanOnCards, 'before' | 'wayIn' | 'wayOut'>): Card[] {
  return [...plan.before, ...plan.wayIn, ...plan.wayOut]
}

export function allSteps(plan: Pick<PlanOnCards, 'before' | 'wayIn' | 'wayOut'>): Step[] {
  return allCards(plan).flatMap((card) => card.steps)
}

/**
 * The steps kept with a job no longer fit its record: an operation is missing, or one is there that is not asked for.
 */
export type StalePlan = { kind: 'stale'; key: string }

/**
 * A plan from the order that was found for it before, here or elsewhere, with the reasons derived anew. Cost: one
 * derivation. Errors: the derivation's, or the first key that does not fit.
 */
export function planOnCards(
  whole: ProcedureForBuild,
  request: PlanRequest,
  house: HouseValues,
  rules: readonly Rule[] | undefined,
  found: FoundOrder,
): Result<PlanOnCards, DeriveError | StalePlan> {
  const derived = deriveJob(
    underPolicy(whole, request.policy),
    goalFrom(request, whole.build, found.from),
    found.choices,
    whilePlanning(house, rules),
  )
  if (!derived.ok) return derived
  const job = derived.value
  if (found.from) addLooseEnds(job, found.from)
  if (found.from?.byHand) plugByHand(job, found.from.byHand)
  const misfit = misfitOf(job, request, found)
  if (misfit !== null) return fail({ kind: 'stale', key: misfit })
  const { steps, proof } = found
  const isBottom = (step: Step) =>
    step.operation.phase === 'work' || step.operation.phase === 'test' || step.operation.act === 'wait'
  const inSteps = steps.filter((step) => step.operation.phase === 'in')
  const outSteps = steps.filter((step) => step.operation.phase !== 'in')
  const before = preparedSteps(job)
  return ok({
    request,
    job,
    removal: job.removal,
    refit: job.refit,
    before: cardsOf(before),
    wayIn: cardsOf(inSteps),
    wayOut: cardsOf(outSteps),
    beforeS: secondsOf(before),
    benchS: secondsOf(outSteps.filter((step) => isBottom(step) && step.station === BENCH)),
    wayInS: secondsOf(inSteps),
    bottomS: secondsOf(outSteps.filter(isBottom)),
    wayOutS: secondsOf(outSteps.filter((step) => !isBottom(step))),
    proof,
    found,
    anew: false,
  })
}

/** What is prepared at the bench, piece by piece. */
function preparedSteps(job: DerivedJob): Step[] {
  return job.prepared.operations.map((operation) => {
    const { tool, workS } = demandsOf(job, operation)
    return { operation, station: BENCH, tool, workS, setUpS: 0 }
  })
}

/** The first operation that the steps have and the job does not ask for, or the other way round. */
function misfitOf(job: DerivedJob, request: PlanRequest, { steps, doneBefore }: FoundOrder): string | null {
  const { wayIn, wayOut } = legsOf(job, request.scope)
  const asked = new Set([...wayIn.operations.keys(), ...wayOut.operations.keys()])
  for (const { operation } of steps) {
    if (operation.act === 'set' || operation.act === 'restore' || operation.act === 'wait') continue
    if (!asked.delete(operation.key)) return operation.key
  }
  for (const key of doneBefore) asked.delete(key)
  return [...asked][0] ?? null
}
