import type { LanesProblem } from './lanesProblem'

/** Per task: the earliest it can begin, and the least from its end to the end of everything. */
export type LaneWindows = { headMs: number[]; afterMs: number[] }

/**
 * Heads and tails of the tasks. All that must come before a task is done before it begins: one after another at each
 * station, and shared out evenly among the people; the same backwards. No schedule keeps less. Cost: O(tasks^2 x
 * stations).
 */
export function laneWindows(problem: LanesProblem): LaneWindows {
  const { tasks, pairs } = problem
  const before = tasks.map((): Map<number, number> => new Map())
  const after = tasks.map((): Map<number, number> => new Map())
  for (const pair of pairs) {
    before[pair.after]!.set(pair.before, Math.max(pair.delayMs, before[pair.after]!.get(pair.before) ?? 0))
    after[pair.before]!.set(pair.after, Math.max(pair.delayMs, after[pair.before]!.get(pair.after) ?? 0))
  }
  const order = tasks.map((_, i) => i)
  const reach = tasks.map(({ station, tool }) =>
    Math.min(
      ...problem.people.map(
        (person) =>
          problem.walkMs[person.station]![station]! +
          (tool === 0 || person.tool === tool ? 0 : leastTaking(problem, tool)),
      ),
    ),
  )
  const headMs = oneWay(problem, order, before, reach, new Set(problem.people.map(({ tool }) => tool)))
  const afterMs = oneWay(
    problem,
    [...order].reverse(),
    after,
    tasks.map(() => 0),
    null,
  )
  return { headMs, afterMs }
}

/**
 * `order`: what comes first in this direction first. `held`: tools in hand at the beginning; null where nobody can say.
 */
function oneWay(
  problem: LanesProblem,
  order: readonly number[],
  first: readonly ReadonlyMap<number, number>[],
  leastMs: readonly number[],
  held: ReadonlySet<number> | null,
): number[] {
  const { tasks, people, holds } = problem
  const begins = [...leastMs]
  const all = tasks.map((): Set<number> => new Set())
  for (const task of order) {
    for (const other of first[task]!.keys()) {
      all[task]!.add(other)
      for (const earlier of all[other]!) all[task]!.add(earlier)
    }
    let least = begins[task]!
    for (const [other, delayMs] of first[task]!)
      least = Math.max(least, begins[other]! + tasks[other]!.durationMs + delayMs)
    const members = [...all[task]!]
    for (let spot = 0; spot < holds.length; spot++) {
      if (holds[spot] !== 1) continue
      const there = members.filter((i) => tasks[i]!.station === spot || tasks[i]!.helperStation === spot)
      // Those that can begin late enough by themselves, with the rest left out: the most of these sums.
      there.sort((a, b) => begins[b]! - begins[a]!)
      let sum = 0
      for (const i of there) {
        sum += tasks[i]!.durationMs
        least = Math.max(least, begins[i]! + sum)
      }
    }
    least = Math.max(least, sharedOut(problem, members, held) / people.length)
    begins[task] = least
  }
  return begins
}

/** What some tasks take of people's time from the beginning until the last of them is done, as far as it must be. */
function sharedOut(problem: LanesProblem, members: readonly number[], held: ReadonlySet<number> | null): number {
  const { tasks, people } = problem
  if (members.length === 0) return 0
  const workMs = members.reduce((sum, i) => sum + tasks[i]!.durationMs * (tasks[i]!.helperStation === null ? 1 : 2), 0)
  const tools = [...new Set(members.map((i) => tasks[i]!.tool))].filter((tool) => tool !== 0)
  const taken = held ? tools.filter((tool) => !held.has(tool)) : tools
  // Of those that nobody is known to hold, each person may have one in hand.
  const takingMs = taken
    .map((tool) => leastTaking(problem, tool))
    .sort((a, b) => b - a)
    .slice(held ? 0 : people.length)
    .reduce((sum, ms) => sum + ms, 0)
  return workMs + takingMs
}

/**
 * Tasks that share the people's time between their heads and their tails. `endsMs`: what everybody together has before
 * and after them at least. `boundMs`: no schedule ends sooner, with each tool taken up once.
 */
export type SharedWindow = { members: number[]; endsMs: number; boundMs: number }

/**
 * The most of all sums over the tasks that can't begin before some time nor end later before the end than another:
 * people, and each station by itself. Cost: O(tasks^3).
 */
export function windowBoundMs(
  problem: LanesProblem,
  { headMs, afterMs }: LaneWindows,
): { boundMs: number; shared: SharedWindow[] } {
  const { tasks, people, holds } = problem
  const m = people.length
  let bound = 0
  const shared = new Map<string, SharedWindow>()
  tasks.forEach((task, i) => (bound = Math.max(bound, headMs[i]! + task.durationMs + afterMs[i]!)))
  const heads = [...new Set(headMs)].sort((a, b) => a - b)
  const tails = [...new Set(afterMs)].sort((a, b) => a - b)
  for (const head of heads)
    for (const tail of tails) {
      const members = tasks.flatMap((_, i) => (headMs[i]! >= head && afterMs[i]! >= tail ? [i] : []))
      if (members.length === 0) break
      // One after another at a station that holds one.
      for (let spot = 0; spot < holds.length; spot++) {
        if (holds[spot] !== 1) continue
        const there = members.filter((i) => tasks[i]!.station === spot || tasks[i]!.helperStation === spot)
        if (there.length > 0)
          bound = Math.max(bound, head + tail + there.reduce((sum, i) => sum + tasks[i]!.durationMs, 0))
      }
      // Shared out: nobody begins before the least heads nor ends later than the least tails allow.
      if (members.length >= m) {
        const least = (list: readonly number[]) =>
          [...list]
            .sort((a, b) => a - b)
            .slice(0, m)
            .reduce((sum, ms) => sum + ms, 0)
        const endsMs = least(members.map((i) => headMs[i]!)) + least(members.map((i) => afterMs[i]!))
        const boundMs = (endsMs + sharedOut(problem, members, null)) / m
        bound = Math.max(bound, boundMs)
        shared.set(members.join(), { members, endsMs, boundMs })
      }
    }
  return { boundMs: bound, shared: [...shared.values()] }
}

function leastTaking({ toolMs }: LanesProblem, tool: number): number {
  return Math.min(...toolMs.map((row, from) => (from === tool ? Infinity : row[tool]!)))
}
