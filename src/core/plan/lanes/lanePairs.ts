import type { ProcedureForBuild } from '../../procedure/forBuild'
import { waitLeftS } from '../../vehicle/judge'
import { asFoundState } from '../../vehicle/vehicleState'
import { judged } from '../derive/demandsOf'
import { allSteps, type PlanOnCards } from '../show/planOnCards'
import { legsOf } from '../derive/leg'
import { followPolicy } from '../derive/policyRules'
import { SettingMoves, type Settings } from '../derive/settingMoves'
import type { Step } from '../find/step'
import type { LanePair } from '../../sequence/lanes/lanesProblem'

/** Whether a step is of the way in, or prepared at the bench while another opens. */
export function ofTheFirstWay({ before }: Pick<PlanOnCards, 'before'>): (step: Step) => boolean {
  const prepared = new Set(before.flatMap((card) => card.steps.map(({ operation }) => operation.key)))
  return ({ operation }) => operation.phase === 'in' || prepared.has(operation.key)
}

/** For each step of a plan, what has to be done before it, whoever does it: the same relations the lanes keep. */
export function mustComeFirst(plan: PlanOnCards): Map<string, Set<string>> {
  const before = new Map<string, Set<string>>()
  const steps = allSteps(plan)
  const isFirst = ofTheFirstWay(plan)
  const ways = [steps.filter(isFirst), steps.filter((step) => !isFirst(step))]
  for (const way of ways)
    for (const pair of pairsOf(
      plan,
      way.map((step) => [step]),
    )) {
      const after = way[pair.after]!.operation.key
      before.set(after, (before.get(after) ?? new Set()).add(way[pair.before]!.operation.key))
    }
  for (const edge of plan.job.prepared.edges)
    before.set(edge.after, (before.get(edge.after) ?? new Set()).add(edge.before))
  return before
}

/** How the settings stand before the first of these acts: each as its first act finds it. */
function settingsBefore(model: ProcedureForBuild, steps: readonly Step[], acts: readonly number[]): Settings {
  const settings = new Map(asFoundState(model).settings)
  for (const act of [...acts].reverse())
    settings.set(steps[act]!.operation.setting!.settingId, steps[act]!.operation.setting!.from)
  return settings
}

/**
 * What must come before what: the plan's own relations, and every setting act where the plan has it among what minds
 * it.
 */
export function pairsOf(plan: PlanOnCards, groups: readonly Step[][]): LanePair[] {
  const { job } = plan
  const steps = groups.flat()
  const groupOf = groups.flatMap((group, task) => group.map(() => task))
  // What is done in one go may begin so much before its member that has to wait.
  const intoGroupS = groups.flatMap((group) =>
    group.map((_, i) => group.slice(0, i).reduce((sum, step) => sum + step.workS, 0)),
  )
  const legs = legsOf(job, plan.request.scope)
  followPolicy(job, legs, plan.request.policy)
  const number = new Map(steps.map((step, i) => [step.operation.key, i]))
  const pairs: LanePair[] = []
  const add = (before: number | undefined, after: number | undefined, delayMs = 0) => {
    if (before === undefined || after === undefined || groupOf[before] === groupOf[after]) return
    pairs.push({
      before: groupOf[before]!,
      after: groupOf[after]!,
      delayMs: Math.max(0, delayMs - intoGroupS[after]! * 1000),
    })
  }
  for (const edge of [...job.prepared.edges, ...legs.wayIn.edges, ...legs.wayOut.edges])
    add(number.get(edge.before), number.get(edge.after), (edge.delayS ?? 0) * 1000)
  const moves = new SettingMoves(job, legs.demands, legs.finish, asFoundState(job.model))
  const acts = steps.flatMap((step, i) => (step.operation.setting ? [i] : []))
  acts.slice(1).forEach((act, i) => add(acts[i], act))
  let settings = settingsBefore(job.model, steps, acts)
  for (const act of acts) {
    const setting = steps[act]!.operation.setting!
    steps.forEach(({ operation }, i) => {
      if (!operation.setting && moves.minds(operation, setting, settings)) add(Math.min(i, act), Math.max(i, act))
    })
    settings = new Map(settings).set(setting.settingId, setting.to)
  }
  // The battery has to have been off for so long before a firing circuit is opened.
  for (const [i, { operation }] of steps.entries()) {
    if (operation.act !== 'open') continue
    const off = acts.findLast(
      (act) =>
        act < i &&
        steps[act]!.operation.setting!.to === 'off' &&
        job.model.settings.get(steps[act]!.operation.itemId)?.role === 'battery',
    )
    if (off === undefined) continue
    const battery = steps[off]!.operation.itemId
    const state = asFoundState(job.model)
    const waitS = waitLeftS(
      job.model,
      { ...state, settings: new Map(state.settings).set(battery, 'off'), changedAtS: new Map([[battery, 0]]) },
      judged(job, operation),
      job.circumstances,
    )
    if (waitS > 0) add(off, i, waitS * 1000)
  }
  return pairs
}
