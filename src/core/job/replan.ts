import { wallMsOf } from '../base/clock'
import { ok, type Result } from '../base/result'
import type { Operation } from '../order/operation'
import { demandsOf } from '../plan/derive/demandsOf'
import { findPlan, type PlanError, type PlanProgress } from '../plan/find/findPlan'
import type { FoundOrder } from '../plan/find/foundOrder'
import { allSteps, planOnCards, type PlanOnCards } from '../plan/show/planOnCards'
import type { LiveStart } from '../plan/derive/liveStart'
import type { PlanRequest } from '../plan/ask/planRequest'
import { secondsOf, type Standing, type Step } from '../plan/find/step'
import type { Level } from '../procedure/level'
import type { ProcedureForBuild } from '../procedure/forBuild'
import type { HouseValues } from '../shop/houseValues'
import type { Rule } from '../vehicle/rule'
import type { VehicleState } from '../vehicle/vehicleState'
import type { JobState } from './jobState'
import { isDone } from './progress'
import { thingOf } from './thingOf'
import type { Act } from '../procedure/acts'

/** What a plan from here leaves to do, beside what the one that is followed would. */
export type Replanned = { found: FoundOrder; restS: number; restBeforeS: number | null; proven: boolean }

/** Where a job stands, as the planner asks. `plan`: the one followed so far. */
export function liveStartOf(plan: PlanOnCards, state: JobState, vehicle: VehicleState): LiveStart {
  return {
    state: vehicle,
    standing: standingOf(plan, state),
    reached: plan.wayIn.every((card) => card.steps.every((step) => isDone(state, step.operation))),
    worksDone: new Map([...state.works].map(([id, { at }]) => [id, wallMsOf(at) / 1000])),
    testsPassed: new Set([...state.tests].flatMap(([id, { result }]) => (result === 'passed' ? [id] : []))),
    ledThrough: state.ledThrough,
    setCount: state.valuesReached,
    times: state.tetherTimes,
  }
}

/**
 * Where somebody stands, and the tool that is still in hand: bare hands never put it away. By the steps that were done
 * last.
 */
function standingOf(plan: PlanOnCards, state: JobState): Standing {
  const steps = allSteps(plan).filter((step) => isDone(state, step.operation))
  const used = new Set<Step>()
  const last = state.history.toReversed().flatMap(({ what }) => {
    // A part is moved several times: each time by the last step that moved it so far and is not spoken for.
    const step = steps.findLast((step) => !used.has(step) && isBy(step.operation, what))
    if (step) used.add(step)
    return step ?? []
  })
  return {
    station: last[0]?.station ?? plan.request.start,
    tool: last.find((step) => step.tool !== 'hand')?.tool ?? null,
  }
}

const MOVES: Record<Level, readonly Act[]> = {
  'in place': ['seat'],
  eased: ['ease'],
  free: ['release', 'place'],
  off: ['lift'],
}

/** Whether a happening is what an operation does. */
function isBy({ act, itemId, pulled }: Operation, what: JobState['history'][number]['what']): boolean {
  if (what.kind === 'part at') return itemId === what.partId && MOVES[what.level].includes(act)
  const touched = thingOf(what)
  return touched !== null && (itemId === touched || pulled?.includes(touched) === true)
}

/**
 * The cheapest safe rest of a job from where its things stand, kept whole: what is done stands in front in the order in
 * which it happened, so that the U still shows how the vehicle came apart. `request` may ask for something else than
 * before (another build, a part left, a tool missing). Errors and cost: findPlan's.
 */
export function replan(
  model: ProcedureForBuild,
  request: PlanRequest,
  house: HouseValues,
  rules: readonly Rule[],
  state: JobState,
  start: LiveStart,
  followed: PlanOnCards,
  onProgress?: (progress: PlanProgress) => void,
): Result<Replanned, PlanError> {
  const found = findPlan(model, request, house, rules, { from: start, ...(onProgress && { onProgress }) })
  if (!found.ok) return found
  const rest = planOnCards(model, request, house, rules, found.value)
  if (!rest.ok) throw new Error(`A plan just found from here does not fit its own record (${rest.error.kind}).`)
  const before = doneSteps(rest.value, found.value, followed, state)
  const kept = new Set(before.map((step) => step.operation.key))
  const left = allSteps(followed).filter((step) => !isDone(state, step.operation))
  return ok({
    found: {
      ...found.value,
      steps: [...before, ...found.value.steps],
      doneBefore: found.value.doneBefore.filter((key) => !kept.has(key)),
    },
    restS: secondsOf(found.value.steps),
    // A plan for something else is no comparison.
    restBeforeS: JSON.stringify(request) === JSON.stringify(followed.request) ? secondsOf(left) : null,
    proven: found.value.proof.proven,
  })
}

/** What is done of the new plan, and the settings of the old one, in the order of the log. */
function doneSteps(plan: PlanOnCards, found: FoundOrder, followed: PlanOnCards, state: JobState): Step[] {
  const known = new Map(allSteps(followed).map((step) => [step.operation.key, step]))
  const settings = [...known.values()].filter(
    ({ operation }) =>
      operation.setting !== null && isDone(state, operation) && plan.job.model.methods.has(operation.setting.methodId),
  )
  const operations = [...plan.removal.operations.values(), ...plan.refit.operations.values()].filter(
    (operation) => found.doneBefore.includes(operation.key) && isDone(state, operation),
  )
  // What happens more than once to a thing (a setting, a plug closed for a test) stands where its own time was.
  const when = ({ act, itemId, setting, nth }: Operation): number => {
    const at = state.history.flatMap(({ what }, i) =>
      (
        setting
          ? what.kind === 'set' && what.settingId === itemId && what.value === setting.to
          : act === 'close'
            ? what.kind === 'closed' && what.tetherId === itemId
            : thingOf(what) === itemId
      )
        ? [i]
        : [],
    )
    return at[setting || act === 'close' ? nth - 1 : 0] ?? 0
  }
  const steps = [...operations.map((operation) => stepOf(plan, operation, known)), ...settings]
  const isOut = (step: Step) => (step.operation.phase === 'in' ? 0 : 1)
  return steps
    .map((step, i) => ({ step, i }))
    .sort((a, b) => isOut(a.step) - isOut(b.step) || when(a.step.operation) - when(b.step.operation) || a.i - b.i)
    .map(({ step }) => step)
}

function stepOf(plan: PlanOnCards, operation: Operation, known: ReadonlyMap<string, Step>): Step {
  const { stations, tool, workS } = demandsOf(plan.job, operation)
  const same = known.get(operation.key)
  return same ? { ...same, operation } : { operation, station: stations[0] ?? '', tool, workS, setUpS: 0 }
}
