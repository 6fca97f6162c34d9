import { expose } from 'comlink'
import { modelOfRequest } from '@/core/plan/ask/modelOfRequest'
import { AT_ONCE, findPlan, type PlanError, type PlanProgress } from '@/core/plan/find/findPlan'
import { FoundOrder } from '@/core/plan/find/foundOrder'
import { allSteps, planOnCards } from '@/core/plan/show/planOnCards'
import { lanesOf } from '@/core/plan/lanes/lanesOf'
import { lanesWorthSharing } from '@/core/plan/lanes/worthSharing'
import { planExtras, type PlanExtras } from '@/core/plan/show/planExtras'
import { foldJob } from '@/core/job/fold'
import type { JobState } from '@/core/job/jobState'
import { liveVehicle } from '@/core/job/liveVehicle'
import { peopleLanes, type GivenTo } from '@/core/job/peopleLanes'
import { isDone } from '@/core/job/progress'
import { liveStartOf, replan, type Replanned } from '@/core/job/replan'
import { adoptedPlan } from '@/core/job/terms'
import { keptPlan } from '@/core/plan/keptPlan'
import { dearOrders } from '@/core/strip/dearOrders'
import type { Question } from '@/core/strip/questions'
import { ok, type Result } from '@/core/base/result'
import { PlanningInput, ReplanInput, SharingInput, StripInput } from './asked'
import { modelNow } from '@/core/job/modelNow'
import type { Station } from '@/core/procedure/station'
import { withKits } from '@/core/shop/withKits'
import { rulesInForce } from '@/core/vehicle/rulesInForce'
import type { DeriveError } from '@/core/plan/derive/derivedJob'
import { leadsLaid, type LeadsLaid } from '@/words/leadsLaid'

/** `onFirst` is given a safe order at once, unless that is the answer already. */
async function find(
  asked: PlanningInput,
  onProgress: (progress: PlanProgress) => void,
  onFirst: (first: FoundOrder) => void,
): Promise<Result<FoundOrder, PlanError>> {
  const { document, request, house, rules } = PlanningInput.parse(asked)
  const model = modelOfRequest(document, request)
  const first = findPlan(model, request, house, rulesInForce(rules), { limits: AT_ONCE })
  if (first.ok && first.value.proof.proven) return first
  if (first.ok) onFirst(first.value)
  return findPlan(model, request, house, rulesInForce(rules), { onProgress })
}

export type LaidAnswer = Result<LeadsLaid, DeriveError>

/** The leads of a request laid, before the plan is looked for; `others`: with what other ways would cost. */
async function layOut(asked: PlanningInput, others: boolean): Promise<LaidAnswer> {
  const { document, request, house, rules } = PlanningInput.parse(asked)
  return leadsLaid(document, request, house, rulesInForce(rules), { others })
}

/** What is worth knowing beside the plan that was found. */
async function extras(asked: PlanningInput, order: FoundOrder): Promise<PlanExtras | null> {
  const { document, request, house, rules } = PlanningInput.parse(asked)
  const found = FoundOrder.parse(order)
  const model = modelOfRequest(document, request)
  const plan = planOnCards(model, request, house, rulesInForce(rules), found)
  return plan.ok ? planExtras(model, request, house, rulesInForce(rules), plan.value) : null
}

/** The plan shared out. */
async function lanes(asked: PlanningInput, sharing: SharingInput): Promise<ReturnType<typeof lanesOf> | null> {
  const { document, request, house, rules } = PlanningInput.parse(asked)
  const { found, starts, singleTools } = SharingInput.parse(sharing)
  const plan = planOnCards(modelOfRequest(document, request), request, house, rulesInForce(rules), found)
  return plan.ok ? lanesOf(plan.value, starts, singleTools) : null
}

/** The orders of a strip that cost time and that nobody has explained. */
async function dear(asked: StripInput): Promise<Question[]> {
  const { document, events, house, rules } = StripInput.parse(asked)
  return dearOrders(document, events, house, rulesInForce(rules))
}

export type ReplanAnswer = Result<Replanned & { lanes: GivenTo[]; sharing: Sharing }, PlanError>
/**
 * Whether several people have lanes: nobody asked, they have, they would only take turns at one place, or no lanes were
 * found.
 */
export type Sharing = 'not asked' | 'shared' | 'only turns' | 'no lanes'

/** The cheapest safe rest of a job, shared out where several people are on it. */
async function fromHere(asked: ReplanInput, onProgress: (progress: PlanProgress) => void): Promise<ReplanAnswer> {
  const { document: record, events, request, house, ...more } = ReplanInput.parse(asked)
  const { rules: own, found, people, singleTools, nowMs } = more
  const document = withKits(record, request.kits)
  const rules = rulesInForce(own)
  const state = foldJob(document, events)
  const adopted = adoptedPlan(events)
  const model = modelNow(document, request, state)
  const followed = keptPlan(model, adopted?.request ?? request, house, rules, adopted?.found ?? found)
  if (!followed.ok) return followed
  const result = replan(
    model,
    request,
    house,
    rules,
    state,
    liveStartOf(followed.value, state, liveVehicle(model, state, nowMs)),
    followed.value,
    onProgress,
  )
  if (!result.ok) return result
  const shared =
    people.length < 2
      ? NOT_ASKED
      : sharedOut(planOnCards(model, request, house, rules, result.value.found), state, people, singleTools)
  return ok({ ...result.value, ...shared })
}

type Shared = { lanes: GivenTo[]; sharing: Sharing }
const NOT_ASKED: Shared = { lanes: [], sharing: 'not asked' }

/** The rest of a plan for several people, where sharing it out is worth it. */
function sharedOut(
  plan: ReturnType<typeof planOnCards>,
  state: JobState,
  people: ReplanInput['people'],
  singleTools: ReplanInput['singleTools'],
): Shared {
  if (!plan.ok) return { lanes: [], sharing: 'no lanes' }
  const done = new Set(
    allSteps(plan.value).flatMap(({ operation }) => (isDone(state, operation) ? [operation.key] : [])),
  )
  const lanesFor = (starts: Station[]) => lanesOf(plan.value, starts, singleTools, undefined, done)
  const starts = people.map(({ station }) => station)
  const [lanes, alone] = [lanesFor(starts), lanesFor(starts.slice(0, 1))]
  if (!lanes.ok) return { lanes: [], sharing: 'no lanes' }
  const worth = lanesWorthSharing(lanes.value, alone.ok ? alone.value : null)
  return worth ? { lanes: peopleLanes(worth, people), sharing: 'shared' } : { lanes: [], sharing: 'only turns' }
}

export type PlannerApi = {
  find: typeof find
  layOut: typeof layOut
  extras: typeof extras
  lanes: typeof lanes
  dear: typeof dear
  fromHere: typeof fromHere
}
expose({ find, layOut, extras, lanes, dear, fromHere } satisfies PlannerApi)
