import { describe, expect, test } from '@jest/globals'
import { seededRandom } from '../../base/random'
import { fastestLanes } from './fastestLanes'
import { improveLanes } from './improveLanes'
import { leastSetUpMs, leastSetUpOf } from './laneSetUp'
import { LaneFacts, type LaneState } from './laneState'
import type { LanesProblem, Placed } from './lanesProblem'
import { laneWindows, windowBoundMs } from './laneWindows'
import { sharedLoadBoundMs } from './sharedLoad'
import { seeds } from '../../testing/seeds.testing'

function randomLanes(seed: number, size: number, people: number, stations = 3): LanesProblem {
  const random = seededRandom(seed)
  const walk = Array.from({ length: stations }, () => Array<number>(stations).fill(0))
  for (let a = 0; a < stations; a++)
    for (let b = a + 1; b < stations; b++) walk[a]![b] = walk[b]![a] = 3000 + 1000 * random.below(3)
  const pairs = []
  for (let after = 1; after < size; after++)
    for (let before = 0; before < after; before++)
      if (random.chance(0.25)) pairs.push({ before, after, delayMs: random.chance(0.15) ? 4000 : 0 })
  return {
    tasks: Array.from({ length: size }, () => {
      const station = random.below(stations)
      return {
        durationMs: 1000 * (1 + random.below(9)),
        station,
        tool: random.below(3),
        helperStation: people > 1 && random.chance(0.12) ? (station + 1) % stations : null,
      }
    }),
    pairs,
    walkMs: walk,
    toolMs: [0, 1, 2].map((from) => [0, 1, 2].map((to) => (to === 0 || from === to ? 0 : 2000))),
    holds: Array<number>(stations).fill(1),
    single: [false, false, random.chance(0.3)],
    people: Array.from({ length: people }, () => ({ station: random.below(stations), tool: 0 })),
  }
}

/**
 * When a row of placements ends if each is begun as soon as it can, judged task by task against what is stated; throws
 * where one breaks something.
 */
function check(problem: LanesProblem, placed: readonly Placed[]): number {
  const end = new Map(placed.map((item) => [item.task, item.endMs]))
  expect(new Set(placed.map(({ task }) => task)).size).toBe(problem.tasks.length)
  for (const { before, after, delayMs } of problem.pairs)
    expect(placed.find(({ task }) => task === after)!.startMs).toBeGreaterThanOrEqual(end.get(before)! + delayMs)
  for (let station = 0; station < problem.holds.length; station++) {
    const there = placed.filter(
      ({ task }) => problem.tasks[task]!.station === station || problem.tasks[task]!.helperStation === station,
    )
    for (const a of there)
      for (const b of there) if (a !== b) expect(a.endMs <= b.startMs || b.endMs <= a.startMs).toBe(true)
  }
  problem.people.forEach((begin, person) => {
    let [freeMs, station, tool] = [0, begin.station, begin.tool]
    for (const item of [...placed]
      .filter((one) => one.person === person || one.helper === person)
      .sort((a, b) => a.startMs - b.startMs)) {
      const task = problem.tasks[item.task]!
      const own = item.person === person
      const at = own ? task.station : task.helperStation!
      const change = own && task.tool !== 0 && task.tool !== tool ? 2000 : 0
      expect(item.startMs).toBeGreaterThanOrEqual(freeMs + problem.walkMs[station]![at]! + change)
      ;[freeMs, station, tool] = [item.endMs, at, own && task.tool !== 0 ? task.tool : tool]
    }
  })
  for (const { task, startMs, endMs, helper } of placed) {
    expect(endMs - startMs).toBe(problem.tasks[task]!.durationMs)
    expect(helper !== null).toBe(problem.tasks[task]!.helperStation !== null)
  }
  return Math.max(...placed.map(({ endMs }) => endMs))
}

/**
 * The soonest end by trying every order of tasks with every choice of people, each begun as early as what was placed
 * allows.
 */
function soonestByTrying(problem: LanesProblem): number {
  let best = Infinity
  type Standing = { freeMs: number; station: number; tool: number }
  const go = (
    ends: ReadonlyMap<number, number>,
    people: readonly Standing[],
    stations: readonly number[],
    toolFree: readonly number[],
    latest: number,
  ): void => {
    if (latest >= best) return
    if (ends.size === problem.tasks.length) {
      best = latest
      return
    }
    problem.tasks.forEach((task, i) => {
      if (ends.has(i) || problem.pairs.some(({ before, after }) => after === i && !ends.has(before))) return
      people.forEach((who, p) => {
        const helpers = task.helperStation === null ? [-1] : people.map((_, h) => h).filter((h) => h !== p)
        for (const h of helpers) {
          const change = task.tool !== 0 && task.tool !== who.tool ? 2000 : 0
          let start = Math.max(
            who.freeMs + problem.walkMs[who.station]![task.station]! + change,
            stations[task.station]!,
          )
          for (const { before, after, delayMs } of problem.pairs)
            if (after === i) start = Math.max(start, ends.get(before)! + delayMs)
          if (h >= 0)
            start = Math.max(
              start,
              people[h]!.freeMs + problem.walkMs[people[h]!.station]![task.helperStation!]!,
              stations[task.helperStation!]!,
            )
          const single = task.tool !== 0 && problem.single[task.tool]!
          if (single) start = Math.max(start, toolFree[task.tool]!)
          const end = start + task.durationMs
          const next = people.map((other, o): Standing => {
            if (o === p) return { freeMs: end, station: task.station, tool: task.tool === 0 ? other.tool : task.tool }
            const tool = single && other.tool === task.tool ? 0 : other.tool
            return o === h ? { freeMs: end, station: task.helperStation!, tool } : { ...other, tool }
          })
          go(
            new Map(ends).set(i, end),
            next,
            stations.map((free, s) => (s === task.station || s === (h >= 0 ? task.helperStation : -1) ? end : free)),
            toolFree.map((free, t) => (single && t === task.tool ? end : free)),
            Math.max(latest, end),
          )
        }
      })
    })
  }
  go(
    new Map(),
    problem.people.map((person) => ({ ...person, freeMs: 0 })),
    problem.holds.map(() => 0),
    problem.single.map(() => 0),
    0,
  )
  return best
}

describe('lanes', () => {
  test('for two people the soonest end of small problems is what trying everything finds', () => {
    for (let seed = 1; seed <= seeds(60); seed++) {
      const problem = randomLanes(seed, 5 + (seed % 2), 2)
      const found = fastestLanes(problem)
      if (found.kind !== 'lanes') throw new Error(found.kind)
      expect([seed, found.makespanMs, found.proven, check(problem, found.placed)]).toEqual([
        seed,
        soonestByTrying(problem),
        true,
        found.makespanMs,
      ])
      const { boundMs, shared } = windowBoundMs(problem, laneWindows(problem))
      expect(boundMs).toBeLessThanOrEqual(found.makespanMs)
      expect(sharedLoadBoundMs(problem, shared)).toBeLessThanOrEqual(found.makespanMs)
    }
  })
  test('three people: the same', () => {
    for (let seed = 1; seed <= seeds(36); seed++) {
      const problem = randomLanes(seed, 5, 3)
      const found = fastestLanes(problem)
      expect([seed, found.kind === 'lanes' && found.makespanMs]).toEqual([seed, soonestByTrying(problem)])
    }
  })
  test('up to twelve tasks it is always proven, and one person more never makes it later', () => {
    for (let seed = 1; seed <= seeds(24); seed++) {
      const problem = randomLanes(seed, 12, 2)
      const two = fastestLanes(problem)
      const three = fastestLanes({ ...problem, people: [...problem.people, problem.people[0]!] })
      if (two.kind !== 'lanes' || three.kind !== 'lanes') throw new Error('no lanes')
      expect([seed, two.proven]).toEqual([seed, true])
      expect(sharedLoadBoundMs(problem, windowBoundMs(problem, laneWindows(problem)).shared)).toBeLessThanOrEqual(
        two.makespanMs,
      )
      check(problem, two.placed)
      expect(three.boundMs).toBeLessThanOrEqual(two.makespanMs)
    }
  })
  test('a task of two where there is one is impossible', () => {
    const problem = randomLanes(1, 3, 1)
    expect(fastestLanes({ ...problem, tasks: problem.tasks.map((task) => ({ ...task, helperStation: 1 })) })).toEqual({
      kind: 'impossible',
    })
  })
  test('stopped at a limit the bound is honest', () => {
    for (let seed = 1; seed <= seeds(24); seed++) {
      const problem = randomLanes(seed, 12, 2)
      const [hasty, whole] = [
        fastestLanes(problem, { expandedStates: 0, beam: 2, triesPerTask: 0 }),
        fastestLanes(problem),
      ]
      if (hasty.kind !== 'lanes' || whole.kind !== 'lanes') throw new Error('no lanes')
      expect(hasty.boundMs).toBeLessThanOrEqual(whole.makespanMs)
      expect(check(problem, hasty.placed)).toBe(hasty.makespanMs)
    }
  })
})

/**
 * The least walking and taking up by trying every order of tasks with every choice of people, without a clock. `open`:
 * people begin wherever and with whatever is best.
 */
function leastByTrying(
  { tasks, pairs, walkMs, toolMs, people }: LanesProblem,
  members: readonly number[],
  open: boolean,
): number {
  type Hand = { station: number | null; tool: number | null }
  const go = (done: ReadonlySet<number>, hands: readonly Hand[]): number => {
    if (done.size === members.length) return 0
    let best = Infinity
    for (const i of members) {
      if (
        done.has(i) ||
        pairs.some(({ before, after }) => after === i && members.includes(before) && !done.has(before))
      )
        continue
      const { station, tool, helperStation } = tasks[i]!
      hands.forEach((who, p) => {
        for (const h of helperStation === null ? [-1] : hands.map((_, other) => other).filter((other) => other !== p)) {
          const walk = (from: number | null, to: number) => (from === null ? 0 : walkMs[from]![to]!)
          const ms =
            walk(who.station, station) +
            (tool === 0 || who.tool === null ? 0 : toolMs[who.tool]![tool]!) +
            (h < 0 ? 0 : walk(hands[h]!.station, helperStation!))
          best = Math.min(
            best,
            ms +
              go(
                new Set([...done, i]),
                hands.map((other, o): Hand =>
                  o === p
                    ? { station, tool: tool === 0 ? other.tool : tool }
                    : o === h
                      ? { ...other, station: helperStation! }
                      : other,
                ),
              ),
          )
        }
      })
    }
    return best
  }
  return go(
    new Set(),
    people.map((person): Hand =>
      open ? { station: null, tool: null } : { station: person.station, tool: person.tool },
    ),
  )
}

test('the least set-up of several hands: what trying every order finds, of all tasks and of some, and less where it is stopped', () => {
  for (let seed = 1; seed <= seeds(40); seed++) {
    const problem = randomLanes(seed, 5, 2)
    const members = [0, 2, 3, 4]
    const [all, some] = [leastByTrying(problem, [0, 1, 2, 3, 4], false), leastByTrying(problem, members, true)]
    expect([seed, leastSetUpMs(problem, 1000), leastSetUpOf(problem, members, 1000)]).toEqual([seed, all, some])
    expect(leastSetUpMs(problem, 3)).toBeLessThanOrEqual(all)
    expect(leastSetUpOf(problem, members, 3)).toBeLessThanOrEqual(some)
  }
})

test('a poor schedule is improved, and what comes out keeps everything', () => {
  let better = 0
  for (let seed = 1; seed <= seeds(36); seed++) {
    const problem = randomLanes(seed, 24, 2)
    const facts = new LaneFacts(problem)
    // Whatever comes first, by whoever: as poor as can be.
    let poor = facts.begin()
    while (poor.count < problem.tasks.length) poor = facts.extend(poor)[0]!
    const improved = improveLanes(facts, poor, 0, 40)
    const placed: Placed[] = []
    for (let at: LaneState | null = improved; at?.placed; at = at.before) placed.unshift(at.placed)
    expect(check(problem, placed)).toBe(improved.makespanMs)
    expect(improved.makespanMs).toBeLessThanOrEqual(poor.makespanMs)
    if (improved.makespanMs < 0.9 * poor.makespanMs) better += 1
  }
  expect(better).toBeGreaterThanOrEqual(seeds(24))
})

// Published: Coffman and Graham 1972, optimal for two machines, unit times and any precedence. Written from memory.
function coffmanGraham(size: number, pairs: readonly { before: number; after: number }[]): number {
  const then = Array.from({ length: size }, (_, i) =>
    pairs.filter(({ before }) => before === i).map(({ after }) => after),
  )
  // The rule is stated for an order without implied pairs.
  const reach = (from: number): Set<number> => new Set(then[from]!.flatMap((next) => [next, ...reach(next)]))
  const direct = then.map((list) =>
    list.filter((next) => !list.some((other) => other !== next && reach(other).has(next))),
  )
  const label = Array<number>(size).fill(0)
  for (let value = 1; value <= size; value++) {
    const ready = label.flatMap((known, i) => (known === 0 && direct[i]!.every((next) => label[next]! > 0) ? [i] : []))
    const names = (i: number) => direct[i]!.map((next) => label[next]!).sort((a, b) => b - a)
    ready.sort((a, b) => {
      const [x, y] = [names(a), names(b)]
      for (let k = 0; k < Math.max(x.length, y.length); k++)
        if ((x[k] ?? 0) !== (y[k] ?? 0)) return (x[k] ?? 0) - (y[k] ?? 0)
      return a - b
    })
    label[ready[0]!] = value
  }
  const done = new Set<number>()
  let slots = 0
  while (done.size < size) {
    const ready = label
      .map((_, i) => i)
      .filter((i) => !done.has(i) && pairs.every(({ before, after }) => after !== i || done.has(before)))
      .sort((a, b) => label[b]! - label[a]!)
    for (const i of ready.slice(0, 2)) done.add(i)
    slots += 1
  }
  return slots
}

test('two people, unit times, any precedence: as soon as Coffman and Graham', () => {
  for (let seed = 1; seed <= seeds(25); seed++) {
    const random = seededRandom(seed)
    const size = 8 + random.below(5)
    const pairs = []
    for (let after = 1; after < size; after++)
      for (let before = 0; before < after; before++) if (random.chance(0.2)) pairs.push({ before, after, delayMs: 0 })
    const found = fastestLanes({
      tasks: Array.from({ length: size }, () => ({ durationMs: 1000, station: 0, tool: 0, helperStation: null })),
      pairs,
      walkMs: [[0]],
      toolMs: [[0]],
      holds: [2],
      single: [false],
      people: [
        { station: 0, tool: 0 },
        { station: 0, tool: 0 },
      ],
    })
    expect([seed, found.kind === 'lanes' && found.makespanMs, found.kind === 'lanes' && found.proven]).toEqual([
      seed,
      coffmanGraham(size, pairs) * 1000,
      true,
    ])
  }
})
