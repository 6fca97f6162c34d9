import { fail, ok, type Result } from '../../base/result'
import { shortestLoop } from '../../order/loop'
import type { Demand } from '../../order/operation'
import { turnRound } from '../../order/refit'
import { deriveRemoval } from '../../order/deriveRemoval'
import type { Choices } from '../../order/wish'
import type { ProcedureForBuild } from '../../procedure/forBuild'
import type { Circumstances } from '../../vehicle/circumstances'
import { askedByRules } from '../../vehicle/judge'
import { addBackInOneGo } from './backInOneGo'
import { addDecisions } from './decisions'
import { bareJob, type DerivedJob, type DeriveError } from './derivedJob'
import { addInterimTests } from './interimTests'
import { allGoals, carriedOf, endingsOf, newPlaces, replacedIn, type JobGoal } from '../ask/jobGoal'
import { addAdapters, addCarriedOver, addKitOrder } from './kitMeetsVehicle'
import { addStandIns } from './standIns'
import { addWork } from './workOrder'

/**
 * Everything that a job for these goals and kits asks for under these choices, with a reason for each operation, each
 * "before" and each setting. Nothing in it is an order yet: the plan finds one.
 *
 * Errors: returned, with their witness. Cost: O(operations + edges), and as much again for each interim test.
 */
export function deriveJob(
  model: ProcedureForBuild,
  goal: JobGoal,
  choices: Choices,
  circumstances: Circumstances,
): Result<DerivedJob, DeriveError> {
  const asked = askedByRules(model, circumstances)
  const endings = endingsOf(model, goal)
  const removal = deriveRemoval(model, allGoals(goal), choices, asked)
  if (!removal.ok) return removal
  const carried = carriedOf(goal)
  const replaced = replacedIn(goal)
  const refit = turnRound(removal.value, endings, asked, newPlaces(carried, replaced))
  if (!refit.ok) return refit
  const job = bareJob({ model, goal, circumstances, endings, removal: removal.value, refit: refit.value })
  job.carried = carried
  job.replaced = replaced
  const wrong = addWork(job)
  if (wrong) return fail(wrong)
  addCarriedOver(job)
  addStandIns(job, asked)
  addAdapters(job)
  addKitOrder(job)
  const { hasLoop } = addInterimTests(job)
  job.decisions = addDecisions(job)
  powerOnlyForItsAct(job)
  job.backInOneGo = addBackInOneGo(job)
  if (!hasLoop) return ok(job)
  const loop = shortestLoop(
    [...job.refit.operations.keys()],
    job.refit.edges.filter((edge) => job.refit.operations.has(edge.before)),
  )
  return loop ? fail({ kind: 'contradiction', loop }) : ok(job)
}

/** The ignition is on only for the act that needs it: everything else wants it off. */
function powerOnlyForItsAct(job: DerivedJob): void {
  const ignition = [...job.model.settings.values()].find(
    (setting) => setting.role === 'ignition' && setting.values.includes('off'),
  )
  if (!ignition) return
  const demand: Demand = {
    settingId: ignition.id,
    value: 'off',
    because: { kind: 'only for its act', settingId: ignition.id },
  }
  const alone = [demand]
  for (const { operations, demands } of [job.removal, job.refit])
    for (const key of operations.keys()) {
      const list = demands.get(key)
      if (!list) demands.set(key, alone)
      else if (!list.some((known) => known.settingId === ignition.id)) demands.set(key, [...list, demand])
    }
}
