import { judged } from '../../plan/derive/demandsOf'
import type { PlanOnCards } from '../../plan/show/planOnCards'
import type { ProcedureForBuild } from '../../procedure/forBuild'
import { cautionsFor, type CautionAt } from '../../vehicle/cautionsFor'
import type { Circumstances } from '../../vehicle/circumstances'
import { refusals, waitLeftS } from '../../vehicle/judge'
import type { Rule } from '../../vehicle/rule'
import type { VehicleState } from '../../vehicle/vehicleState'
import { unreadCautions } from '../acknowledged'
import type { FunctionLacking } from '../../shop/functionsLacking'
import { buriedBy } from '../functionStanding'
import type { JobState } from '../jobState'
import { delayLeft, type NextTap } from '../progress'
import type { JobTerms } from '../terms'
import { NO_WORK, type WorkOfJob } from '../workSteps'
import { changesOwed, testAsked } from './owedHere'

/** What has to be seen to before a step counts as done: cautions to read, changes to say, a reading to take. */
export type AskedFirst = {
  unread: CautionAt[]
  changes: number
  readingUnit: string
  buried: FunctionLacking[]
  job: WorkOfJob
}

/** What is known of the step in hand: what refuses it, what it waits for (seconds), what is asked first. */
export type KnownOfTap = {
  refusal: Rule | null
  waitS: number
  delay: ReturnType<typeof delayLeft>
  cautions: CautionAt[]
  asked: AskedFirst
}

type Where = {
  model: ProcedureForBuild
  plan: PlanOnCards
  state: JobState
  vehicle: VehicleState
  circumstances: Circumstances
  terms: JobTerms
  nowMs: number
}

/** The same with no step in hand: nothing is asked. */
const NOTHING: KnownOfTap = {
  refusal: null,
  waitS: 0,
  delay: null,
  cautions: [],
  asked: { unread: [], changes: 0, readingUnit: '', buried: [], job: NO_WORK },
}

/** Everything that stands before a tap. `actingId`: who would tap; what they have read is not asked again. */
export function knownOfTap(at: Where, tap: NextTap | null, actingId: string): KnownOfTap {
  if (!tap) return NOTHING
  const { model, plan, state, vehicle, circumstances } = at
  const { operation } = tap.step
  const act = judged(plan.job, operation)
  const cautions = cautionsFor(model, act, circumstances)
  return {
    refusal: refusals(model, vehicle, act, circumstances)[0]?.rule ?? null,
    waitS: Math.ceil(waitLeftS(model, vehicle, act, circumstances)),
    delay: delayLeft(plan, state, operation, at.nowMs),
    cautions,
    asked: {
      unread: unreadCautions(cautions, state, actingId),
      changes: changesOwed(plan, at.terms, state, operation).length,
      readingUnit: testAsked(model, plan, operation).readingUnit,
      buried: buriedBy(
        plan.job,
        tap.steps.map((step) => step.operation.key),
        at.terms,
        state,
      ),
      job: plan.job,
    },
  }
}
