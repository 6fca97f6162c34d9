import type { Phases } from './clock'
import { guardRoles, type SearchOperation, type SearchProblem } from './problem'

/** An operation with what its doing does to guards: takes one away ("disables") or brings one about ("enables"). */
export type Facts = SearchOperation & { disables: boolean; enables: boolean; phases?: Phases }

/*
 * The rules that leave orders out of a search without losing the cheapest. Each is proved in docs/planner.md, and
 * rules.test.ts breaks each of them and sees wrong answers come out.
 */

export function factsOf(problem: SearchProblem): Facts[] {
  const { disables, enables } = guardRoles(problem)
  return problem.operations.map((operation, i) => ({ ...operation, disables: disables[i]!, enables: enables[i]! }))
}

/** Rule 1: once it is possible without set-up it is done. Moving it to the front costs nothing and takes nothing away. */
export function isDoneAtOnce(u: Facts): boolean {
  return !u.disables
}

/** Rule 2: v can be done right after u for nothing, wherever u is done (where v waits for u alone). */
export function followsForFree(u: Facts, v: Facts): boolean {
  return isFreeBeside(u, v) && isWithin(u.allowed, v.allowed) && !v.disables && v.guards.length === 0 && !(u.phases?.before && v.phases?.meanwhile) && !v.phases?.waits
}

/** Rules 2 and 3: u can wait until right before v for nothing, wherever v is done (where nothing else waits for u). */
export function waitsForFree(u: Facts, v: Facts): boolean {
  return isFreeBeside(v, u) && isWithin(v.allowed, u.allowed) && isIdle(u) && !(u.phases?.meanwhile && v.phases?.after) && !u.phases?.waits && !v.phases?.waits
}

/** Of twins that wait for the same, the later can be moved up to the earlier. */
export function mayBeEarlier(u: Facts): boolean {
  return !u.disables && u.guards.length === 0 && !(u.phases?.before && u.phases.meanwhile) && !u.phases?.waits
}

/** Of twins that the same waits for, the earlier can be moved back to the later. */
export function mayBeLater(u: Facts): boolean {
  return isIdle(u) && !(u.phases?.meanwhile && u.phases.after) && !u.phases?.waits
}

/** Nothing turns on it, and it turns on nothing. */
function isIdle(u: Facts): boolean {
  return !u.enables && !u.disables && u.guards.length === 0
}

/** Whether `beside` costs no set-up where `at` is done: the same station, by hand or with the same tool. */
function isFreeBeside(at: Facts, beside: Facts): boolean {
  return at.station === beside.station && (beside.tool === 0 || beside.tool === at.tool)
}

/** Whether every combination that allows the one allows the other. */
function isWithin(narrow: readonly boolean[], wide: readonly boolean[]): boolean {
  return narrow.every((may, i) => !may || wide[i])
}

/** Rule 10: before a clock is started for the last time, what could be done while it runs is done or left as one likes: its time may be wanted then. */
export function isMatterOfChoice(phases: Phases): boolean {
  return phases.meanwhile
}

/** Rule 11: while the clock runs only what must come before what waits is taken back: its time counts for the wait all the same. */
export function isTakenBackMeanwhile(phases: Phases): boolean {
  return !phases.after
}
