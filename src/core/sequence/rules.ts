import { haveCommon } from './bits'
import type { Phases } from './clock'
import { guardRoles, type SearchOperation, type SearchProblem } from './problem'

/**
 * An operation with what its doing does to guards: takes one away ("disables") or brings one about ("enables").
 * `phases`: as to each clock.
 */
export type Facts = SearchOperation & { disables: boolean; enables: boolean; phases?: readonly Phases[] }

/*
 * The rules that leave orders out of a search without losing the cheapest. Each is proved in docs/planner.md, and
 * rules.test.ts breaks each of them and sees wrong answers come out.
 */

export function factsOf(problem: SearchProblem): Facts[] {
  const { disables, enables } = guardRoles(problem)
  return problem.operations.map((operation, i) => ({ ...operation, disables: disables[i]!, enables: enables[i]! }))
}

/**
 * Rule 1: once it is possible without set-up it is done. Moving it to the front costs nothing and takes nothing away.
 */
export function isDoneAtOnce(u: Facts): boolean {
  return !u.disables
}

/** Rule 2: v can be done right after u for nothing, wherever u is done (where v waits for u alone). */
export function followsForFree(u: Facts, v: Facts): boolean {
  return (
    isFreeBeside(u, v) &&
    isWithin(u.allowed, v.allowed) &&
    !v.disables &&
    v.guards.length === 0 &&
    !isAsTo(u, (phase, clock) => phase.before && v.phases![clock]!.meanwhile) &&
    !isAsTo(v, (phase) => phase.waits)
  )
}

/** Rules 2 and 3: u can wait until right before v for nothing, wherever v is done (where nothing else waits for u). */
export function waitsForFree(u: Facts, v: Facts): boolean {
  return (
    isFreeBeside(v, u) &&
    isWithin(v.allowed, u.allowed) &&
    isIdle(u) &&
    !isAsTo(u, (phase, clock) => (phase.meanwhile && v.phases![clock]!.after) || phase.waits || phase.starts) &&
    !isAsTo(v, (phase) => phase.waits)
  )
}

/** Of twins that wait for the same, the later can be moved up to the earlier. */
export function mayBeEarlier(u: Facts): boolean {
  return !u.disables && u.guards.length === 0 && !isAsTo(u, (phase) => (phase.before && phase.meanwhile) || phase.waits)
}

/** Of twins that the same waits for, the earlier can be moved back to the later. */
export function mayBeLater(u: Facts): boolean {
  return isIdle(u) && !isAsTo(u, (phase) => (phase.meanwhile && phase.after) || phase.waits || phase.starts)
}

/** Whether something holds of it as to any clock. */
function isAsTo(u: Facts, holds: (phases: Phases, clock: number) => boolean): boolean {
  return u.phases?.some(holds) ?? false
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

/*
 * With a clock: while it has to be waited it counts when something was done.
 */

/**
 * Rule 10: done before the clock is started for the last time, it may as well be taken as done while it runs: nothing
 * turns on which.
 */
export function isUndecided(u: Facts, clock: number): boolean {
  const { before, meanwhile } = u.phases![clock]!
  return before && meanwhile && isIdle(u)
}

/**
 * Rule 11: before the clock is started, by choice and never at once: what else could be done while it runs, and what
 * would settle that something undecided was done before, though it could come after the wait itself. `follows`: what it
 * comes right after.
 */
export function isByChoice(u: Facts, clock: number, follows: readonly Facts[]): boolean {
  const { before, meanwhile, after } = u.phases![clock]!
  if (before && meanwhile && isIdle(u)) return false
  return meanwhile || (after && follows.some((other) => isUndecided(other, clock)))
}

/** Rule 12: while the clock runs nothing is done at once that would settle that something undecided was done before. */
export function settlesNothing(before: Int32Array, undecided: Int32Array): boolean {
  return !haveCommon(before, undecided)
}

/**
 * Rule 13: what is undecided is taken as done here and now if all undecided it hangs together with is free here as
 * well.
 */
export function isDecidedHere(neighbours: Int32Array, undecided: Int32Array, free: Int32Array): boolean {
  for (let word = 0; word < undecided.length; word++)
    if ((neighbours[word]! & undecided[word]! & ~free[word]!) !== 0) return false
  return true
}

/**
 * Rule 14: of two ways to the same, the one is not needed that costs no less and can't be over the wait sooner,
 * whatever of its undecided still fills it.
 */
export function isNoWorse(a: Timed, b: Timed, lostMs: () => number): boolean {
  return a.costMs <= b.costMs && (a.overMs === -Infinity || a.overMs <= b.overMs - lostMs())
}

/** What it cost, and what it costs if the rest of the wait is idled away; -Infinity where nothing is left of it. */
type Timed = { costMs: number; overMs: number }
