import { seededRandom } from '../../base/random'
import type { LaneFacts, LaneState } from './laneState'
import type { Placed } from './lanesProblem'

/**
 * Per round, how far back a try is compared (late acceptance, Burke and Bykov 2017, from memory): none is best
 * everywhere.
 */
const MEMORIES = [60, 200, 60]

type Share = { order: number[]; person: Int32Array; helper: Int32Array }

/**
 * A better schedule near a known one, or that one: a task is done sooner or later or by somebody else, or two people
 * change places from some task on; what comes out no later than some tries ago is gone on from, and the best of all
 * rounds is kept.
 * `enoughMs`: nothing ends sooner, so that is the end of it. Tries are counted, so that every machine stops at the same
 * place. Cost: rounds times tries times tasks times what they wait for.
 */
export function improveLanes(facts: LaneFacts, known: LaneState, enoughMs: number, triesPerTask: number): LaneState {
  const { length } = facts.problem.tasks
  const decode = decoder(facts)
  const random = seededRandom(length)
  const begun = shareOf(known, length)
  let best = begun
  let bestMs = decode(begun)
  for (const back of MEMORIES) {
    let now = begun
    let nowMs = decode(now)
    const memory = new Float64Array(back).fill(nowMs)
    for (let tries = 0; tries < triesPerTask * length && bestMs > enoughMs; tries++) {
      const next = neighbour(facts, now, random)
      const ms = decode(next)
      const slot = tries % back
      if (ms <= nowMs || ms <= memory[slot]!) {
        now = next
        nowMs = ms
        if (ms < bestMs) {
          best = next
          bestMs = ms
        }
      }
      memory[slot] = Math.min(memory[slot]!, nowMs)
    }
  }
  const again = best === begun ? null : replayed(facts, best, decode)
  return again && again.makespanMs < known.makespanMs ? again : known
}

/** One thing done otherwise; what comes before still does. */
function neighbour({ problem, first, then }: LaneFacts, now: Share, random: ReturnType<typeof seededRandom>): Share {
  const { tasks, people } = problem
  const next = { order: [...now.order], person: now.person.slice(), helper: now.helper.slice() }
  const at = random.below(next.order.length)
  const task = next.order[at]!
  if (random.chance(0.1)) swapFrom(next, at, random.below(people.length), random.below(people.length))
  else if (random.chance(0.4)) {
    const who = random.below(people.length)
    if (next.helper[task] === who) next.helper[task] = next.person[task]!
    next.person[task] = who
  }
  if (random.chance(0.2)) return next
  const place = new Int32Array(tasks.length)
  next.order.forEach((other, i) => (place[other] = i))
  const from = Math.max(0, ...first[task]!.map((other) => place[other]! + 1))
  const to = Math.min(next.order.length - 1, ...then[task]!.map((other) => place[other]! - 1))
  const target = from + random.below(to - from + 1)
  next.order.splice(at, 1)
  next.order.splice(target, 0, task)
  return next
}

/** From a place in the order on, what one does the other does. */
function swapFrom({ order, person, helper }: Share, at: number, one: number, other: number): void {
  const swapped = (who: number) => (who === one ? other : who === other ? one : who)
  for (let i = at; i < order.length; i++) {
    const task = order[i]!
    person[task] = swapped(person[task]!)
    helper[task] = swapped(helper[task]!)
  }
}

function shareOf(known: LaneState, tasks: number): Share {
  const share: Share = { order: [], person: new Int32Array(tasks), helper: new Int32Array(tasks).fill(-1) }
  for (let at: LaneState | null = known; at?.placed; at = at.before) {
    const { task, person, helper } = at.placed
    share.order.unshift(task)
    share.person[task] = person
    share.helper[task] = helper ?? -1
  }
  return share
}

/**
 * When the last task ends, each placed in the order as early as people, stations, tools and what comes before allow.
 * `starts` is filled.
 */
// eslint-disable-next-line max-lines-per-function -- The innermost loop of the search for lanes: one pass, no calls.
function decoder({ problem, first, delayMs }: LaneFacts): (share: Share, starts?: Float64Array) => number {
  const { tasks, walkMs, toolMs, single, people, holds } = problem
  const endMs = new Float64Array(tasks.length)
  const free = new Float64Array(people.length)
  const station = new Int32Array(people.length)
  const tool = new Int32Array(people.length)
  const toolFree = new Float64Array(single.length)
  const spots = holds.map((count) => new Float64Array(count))
  const soonest = (list: Float64Array) => {
    let at = 0
    for (let i = 1; i < list.length; i++) if (list[i]! < list[at]!) at = i
    return at
  }
  // eslint-disable-next-line complexity -- As above.
  return (share, starts) => {
    people.forEach((person, i) => {
      station[i] = person.station
      tool[i] = person.tool
    })
    free.fill(0)
    toolFree.fill(0)
    for (const list of spots) list.fill(0)
    let lastMs = 0
    for (const task of share.order) {
      const asked = tasks[task]!
      const who = share.person[task]!
      const helper = share.helper[task]!
      let startMs =
        free[who]! + walkMs[station[who]!]![asked.station]! + (asked.tool === 0 ? 0 : toolMs[tool[who]!]![asked.tool]!)
      const before = first[task]!
      for (let k = 0; k < before.length; k++) startMs = Math.max(startMs, endMs[before[k]!]! + delayMs[task]![k]!)
      const own = spots[asked.station]!
      const seat = soonest(own)
      startMs = Math.max(startMs, own[seat]!)
      let beside: Float64Array | null = null
      let second = 0
      if (helper >= 0) {
        startMs = Math.max(startMs, free[helper]! + walkMs[station[helper]!]![asked.helperStation!]!)
        beside = spots[asked.helperStation!]!
        const held = own[seat]!
        if (beside === own) own[seat] = Infinity
        second = soonest(beside)
        startMs = Math.max(startMs, beside[second]!)
        if (beside === own) own[seat] = held
      }
      const isSingle = asked.tool !== 0 && single[asked.tool]!
      if (isSingle) startMs = Math.max(startMs, toolFree[asked.tool]!)
      const end = startMs + asked.durationMs
      if (starts) starts[task] = startMs
      endMs[task] = end
      own[seat] = end
      if (beside) beside[second] = end
      if (isSingle) {
        toolFree[asked.tool] = end
        for (let i = 0; i < people.length; i++) if (tool[i] === asked.tool) tool[i] = 0
      }
      free[who] = end
      station[who] = asked.station
      if (asked.tool !== 0) tool[who] = asked.tool
      if (helper >= 0) {
        free[helper] = end
        station[helper] = asked.helperStation!
      }
      lastMs = Math.max(lastMs, end)
    }
    return lastMs
  }
}

/** The schedule placed again in the order of its starts, by the same steps as any other. */
function replayed(facts: LaneFacts, share: Share, decode: ReturnType<typeof decoder>): LaneState | null {
  const starts = new Float64Array(facts.problem.tasks.length)
  decode(share, starts)
  const rank = new Map(share.order.map((task, i) => [task, i]))
  const placed = share.order.map((task): Pick<Placed, 'task' | 'person' | 'helper'> => ({
    task,
    person: share.person[task]!,
    helper: share.helper[task]! < 0 ? null : share.helper[task]!,
  }))
  placed.sort((a, b) => starts[a.task]! - starts[b.task]! || rank.get(a.task)! - rank.get(b.task)!)
  let state: LaneState | null = facts.begin()
  for (const { task, person, helper } of placed) state = state && facts.place(state, task, person, helper)
  return state
}
