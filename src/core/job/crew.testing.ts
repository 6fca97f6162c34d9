import { nextStamp } from '../base/clock'
import type { Stamp } from '../base/stamp'
import type { Id } from '../base/id'
import { keptPlan } from '../plan/keptPlan'
import { allSteps, type PlanOnCards } from '../plan/show/planOnCards'
import type { FoundOrder } from '../plan/find/foundOrder'
import { PlanRequest } from '../plan/ask/planRequest'
import { planJob } from '../plan/planJob'
import { judged } from '../plan/derive/demandsOf'
import type { Step } from '../plan/find/step'
import type { ProcedureForBuild } from '../procedure/forBuild'
import type { ProcedureDocument } from '../procedure/document'
import type { JobDocument } from '../procedure/jobDocument'
import { modelOfRequest } from '../plan/ask/modelOfRequest'
import { withKits } from '../shop/withKits'
import { DEFAULT_HOUSE_VALUES } from '../shop/houseValues'
import { refusals, type Breach } from '../vehicle/judge'
import { rulesInForce } from '../vehicle/rulesInForce'
import { balanceOf } from './balance'
import { JobEvent, type Happening } from './event'
import { foldJob } from './fold'
import type { JobState } from './jobState'
import { liveCircumstances, liveVehicle } from './liveVehicle'
import { happeningsFor } from './progress'
import { modelNow } from './modelNow'
import { liveStartOf, replan } from './replan'
import { adoptedPlan, termsOf } from './terms'
import { EVENT_VERSION } from './eventVersion'

/** People of a shop, as the tests call them. */
export const [MARIT, TOLU, INES] = ['a1', 'a2', 'a3'].map((end) => `00000000-0000-4000-8000-0000000000${end}`) as [
  Id,
  Id,
  Id,
]
const HOUSE = DEFAULT_HOUSE_VALUES
const RULES = rulesInForce()

/** A crew at one vehicle, without an interface: what it does becomes events, and its plan is what the events say. */
export class CrewAtWork {
  readonly events: JobEvent[] = []
  private at: Stamp | null = null
  nowMs = 1_764_000_000_000
  readonly opened: FoundOrder

  readonly document: JobDocument

  constructor(
    record: ProcedureDocument,
    readonly begun: PlanRequest,
    found?: FoundOrder,
  ) {
    this.document = withKits(record, begun.kits)
    if (found) {
      this.opened = found
      return
    }
    const planned = planJob(modelOfRequest(record, begun), begun, HOUSE)
    if (!planned.ok) throw new Error(`No plan: ${planned.error.kind}`)
    this.opened = planned.value.found
  }

  add(what: Happening, personId: Id = TOLU, more: Partial<JobEvent> = {}): JobEvent {
    this.nowMs += 1000
    this.at = nextStamp(this.at, this.nowMs)
    const n = this.events.length
    const event = JobEvent.parse({
      id: `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`,
      jobId: MARIT,
      v: EVENT_VERSION,
      deviceId: personId,
      seq: n,
      at: this.at,
      personId,
      what,
      ...more,
    })
    this.events.push(event)
    return event
  }

  get state(): JobState {
    return foldJob(this.document, this.events)
  }
  get request(): PlanRequest {
    return adoptedPlan(this.events)?.request ?? this.begun
  }
  get model(): ProcedureForBuild {
    return modelNow(this.document, this.request, this.state)
  }
  get plan(): PlanOnCards {
    const planned = keptPlan(this.model, this.request, HOUSE, RULES, adoptedPlan(this.events)?.found ?? this.opened)
    if (!planned.ok) throw new Error(`The plan no longer comes out: ${planned.error.kind}`)
    return planned.value
  }
  get steps(): Step[] {
    return allSteps(this.plan)
  }
  balance() {
    return balanceOf(this.document, this.state, termsOf(this.document, this.request, this.state))
  }
  /** Rules that refuse a step now. */
  refused(step: Step, personId: Id = TOLU): Breach[] {
    const { state } = this
    return refusals(
      this.model,
      liveVehicle(this.model, state, this.nowMs),
      judged(this.plan.job, step.operation),
      liveCircumstances(this.model, state, HOUSE, RULES, { id: personId, authorised: ['airbag circuits'] }),
    )
  }
  does(step: Step, personId: Id = TOLU): void {
    for (const what of happeningsFor(this.state, step.operation, this.plan.job)) this.add(what, personId)
  }
  replanned(request: PlanRequest = this.request) {
    const { model, state, plan } = this
    return replan(
      model,
      request,
      HOUSE,
      RULES,
      state,
      liveStartOf(plan, state, liveVehicle(model, state, this.nowMs)),
      plan,
    )
  }
  /** Adopts a plan from here, as a tap would. */
  adopts(request: PlanRequest = this.request): void {
    const result = this.replanned(request)
    if (!result.ok) throw new Error(`Nothing from here: ${result.error.kind}`)
    this.add({ kind: 'plan adopted', request, found: result.value.found, people: [], lanes: [] })
  }
}
