import type { Choices } from '../../order/wish'
import { deriveRemoval } from '../../order/deriveRemoval'
import type { Operation } from '../../order/operation'
import { turnRound } from '../../order/refit'
import type { ProcedureForBuild } from '../../procedure/forBuild'
import type { Circumstances } from '../../vehicle/circumstances'
import { askedByRules } from '../../vehicle/judge'
import { carriedOf, endingsOf, newPlaces, replacedIn, type JobGoal } from '../ask/jobGoal'
import { goalsSettled, mayStillSaveS, savedS } from '../ask/planChoices'
import { demandsOf } from './demandsOf'
import { bareJob } from './derivedJob'
import { preparedWork } from './preparedWork'
import { legsOf, type Scope } from './leg'
import { startFrom, type LiveStart } from './liveStart'

/** Under which a bound is asked for. `from`: where a live job stands. */
export type Asking = {
  model: ProcedureForBuild
  goal: JobGoal
  circumstances: Circumstances
  scope: Scope
  from: LiveStart | undefined
}

/**
 * Seconds that every way of choosing what is still open takes at least, by the operations' own seconds, less what
 * openings save: what is chosen already asks for these parts, and more goals only add to them. Nothing is counted for
 * what an extra method would take off, nor for tests. What comes back hangs on what becomes of it alone.
 * Null where nothing follows from what is chosen so far.
 *
 * Cost: one derivation. Every bound of drawn records is compared with each choice below it in choicesByBound.test.ts.
 */
export function leastWorkS({ model, goal, circumstances, scope, from }: Asking, choice: Choices): number | null {
  const bare = withoutNeedsOfMethods(model, new Set(Object.values(choice.methods)))
  const asked = askedByRules(bare, circumstances)
  const endings = endingsOf(bare, goal)
  const removal = deriveRemoval(bare, goalsSettled(bare, goal, choice), choice, asked)
  const refit = removal.ok
    ? turnRound(removal.value, endings, asked, newPlaces(carriedOf(goal), replacedIn(goal)))
    : removal
  if (!removal.ok || !refit.ok) return null
  const job = bareJob({ model: bare, goal, circumstances, endings, removal: removal.value, refit: refit.value })
  const legs = legsOf(job, scope)
  const done = from ? startFrom(legs, from).done : new Set()
  const counted = (operations: readonly Operation[]) =>
    operations.filter(({ key }) => !done.has(key)).reduce((sum, operation) => sum + demandsOf(job, operation).workS, 0)
  const saving = savedS(model, choice, goal) + mayStillSaveS(model, choice, goal)
  const both = [...legs.wayIn.operations.values(), ...legs.wayOut.operations.values()]
  return counted(both) + worksS(model, goal, scope, from) - saving
}

/** What the kits' work takes at the vehicle that is still to be done: the same whatever is chosen. */
function worksS({ build }: ProcedureForBuild, goal: JobGoal, scope: Scope, from: LiveStart | undefined): number {
  if (scope === 'opened') return 0
  const prepared = new Set(preparedWork(goal, build).map(({ id }) => id))
  return goal.kits
    .flatMap(({ kit }) => kit.works)
    .filter(({ id }) => !prepared.has(id) && !from?.worksDone.has(id))
    .reduce((sum, { durationS }) => sum + durationS, 0)
}

/** The record with nothing to take off for a method that is not chosen yet. */
function withoutNeedsOfMethods(model: ProcedureForBuild, chosen: ReadonlySet<string>): ProcedureForBuild {
  const open = [...model.methods.keys()].filter((id) => !chosen.has(id))
  const needsOf = new Map(model.needsOf)
  for (const id of open) needsOf.delete(`method:${id}`)
  return { ...model, needsOf }
}
