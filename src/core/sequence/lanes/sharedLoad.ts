import { leastSetUpMs, leastSetUpOf } from './laneSetUp'
import type { LanesProblem } from './lanesProblem'
import type { SharedWindow } from './laneWindows'

/** Windows that are glanced at, and large ones: of few tasks the set-up is soon known. */
const GLANCED = 16
const LARGE_GLANCED = 6
const LARGE = 8
const GLANCE_STATES = 200
/** Of the large ones so many are looked at closely. */
const LOOKED = 2
const LOOK_STATES = 6_000

/**
 * No schedule ends sooner: all the work of some tasks with the least set-up there is for them, between what everybody
 * has before and after them, shared out evenly. The same for all tasks from where people stand. Cost: a few searches of
 * laneSetUp.
 */
export function sharedLoadBoundMs(problem: LanesProblem, windows: readonly SharedWindow[]): number {
  const { tasks, people } = problem
  const workMs = (members: readonly number[]) =>
    members.reduce((sum, i) => sum + tasks[i]!.durationMs * (tasks[i]!.helperStation === null ? 1 : 2), 0)
  const all = (workMs([...tasks.keys()]) + leastSetUpMs(problem, LOOK_STATES)) / people.length
  const boundOf = ({ members, endsMs }: SharedWindow, most: number) =>
    (endsMs + workMs(members) + leastSetUpOf(problem, members, most)) / people.length
  const byBound = windows.filter(({ members }) => members.length > people.length).sort((a, b) => b.boundMs - a.boundMs)
  const large = byBound
    .filter(({ members }) => members.length >= LARGE)
    .slice(0, LARGE_GLANCED)
    .map((window) => ({ window, boundMs: boundOf(window, GLANCE_STATES) }))
  const looked = large
    .sort((a, b) => b.boundMs - a.boundMs)
    .slice(0, LOOKED)
    .map(({ window }) => boundOf(window, LOOK_STATES))
  return Math.max(
    all,
    ...byBound.slice(0, GLANCED).map((window) => boundOf(window, GLANCE_STATES)),
    ...large.map(({ boundMs }) => boundMs),
    ...looked,
  )
}
