import { seededRandom } from '../base/random'
import type { Clocks } from './clock'
import { guardHolds } from './placeTables'
import type { Guard, SearchAct, SearchProblem } from './problem'
import type { SearchStep } from './moves'

/**
 * The cheapest set-up by looking at every state there is: what is done, the tool, the station and the settings, one
 * walk, one act or one operation at a time (Dijkstra). Written apart from the search: it knows none of its rules. Null
 * when nothing finishes. For up to about nine operations.
 */
export function cheapestByExhaustion(problem: SearchProblem): number | null {
  const all = 2 ** problem.operations.length - 1
  const states = new CheapestFirst()
  states.offer([0, problem.start.tool, problem.start.station, problem.start.combination].join(), 0)
  for (let next = states.take(); next; next = states.take()) {
    const { at, name } = next
    const [mask, tool, station, combination] = name.split(',').map(Number) as [number, number, number, number]
    if (mask === all && problem.finish[combination]) return at
    const done = (i: number) => ((mask >>> i) & 1) === 1
    problem.walkMs[station]!.forEach((walk, to) => states.offer([mask, tool, to, combination].join(), at + walk))
    for (const act of problem.acts)
      if (act.station === station && act.from === combination && act.guards.every((guard) => guardHolds(guard, done)))
        states.offer([mask, tool, station, act.to].join(), at + act.costMs)
    problem.operations.forEach((operation, i) => {
      if (done(i) || operation.station !== station || !operation.allowed[combination]) return
      if (
        !problem.pairs.every(([before, after]) => after !== i || done(before)) ||
        !operation.guards.every((guard) => guardHolds(guard, done))
      )
        return
      const change = operation.tool === 0 ? 0 : problem.toolMs[tool]![operation.tool]!
      states.offer(
        [mask | (1 << i), operation.tool === 0 ? tool : operation.tool, station, combination].join(),
        at + change,
      )
    })
  }
  return null
}

/** States by name, the cheapest first (Dijkstra 1959, a list for each cost). */
class CheapestFirst {
  private readonly costs = new Map<string, number>()
  private readonly byCost = new Map<number, string[]>()

  offer(name: string, at: number): void {
    if ((this.costs.get(name) ?? Infinity) <= at) return
    this.costs.set(name, at)
    const list = this.byCost.get(at)
    if (list) list.push(name)
    else this.byCost.set(at, [name])
  }

  take(): { name: string; at: number } | null {
    while (this.byCost.size > 0) {
      const at = Math.min(...this.byCost.keys())
      const names = this.byCost.get(at)!
      for (let name = names.pop(); name !== undefined; name = names.pop())
        if (this.costs.get(name) === at) return { name, at }
      this.byCost.delete(at)
    }
    return null
  }
}

/**
 * The same with clocks: the least of set-up and waiting, by looking at every state in the order of time, where the
 * state also knows what of each wait is left. Any tool may be taken up anywhere. Null when nothing finishes.
 */
export function cheapestWithClocks(problem: SearchProblem, { inTurn, workMs, spent = problem }: Clocks): number | null {
  const all = 2 ** problem.operations.length - 1
  const states = new CheapestFirst()
  const allWorkMs = workMs.reduce((sum, ms) => sum + ms, 0)
  const offer = (
    state: [mask: number, tool: number, station: number, combination: number],
    leftMs: readonly number[],
    at: number,
  ) => {
    const isDone = (i: number) => ((state[0] >>> i) & 1) === 1
    // What is left of a wait is of use only while its clock runs and all that waits for it is still to come.
    const left = inTurn.map((clock, k) =>
      (clock.startedBy === null ? clock.running[state[3]]! : isDone(clock.startedBy)) &&
      ![...clock.waiting].some(isDone)
        ? Math.max(0, leftMs[k]!)
        : 0,
    )
    states.offer([...state, ...left].join(), at)
  }
  offer(
    [0, problem.start.tool, problem.start.station, problem.start.combination],
    inTurn.map((clock) => clock.leftMs),
    0,
  )
  for (let next = states.take(); next; next = states.take()) {
    const { at, name } = next
    const [mask, tool, station, combination, ...leftMs] = name.split(',').map(Number) as [
      number,
      number,
      number,
      number,
      ...number[],
    ]
    if (mask === all && problem.finish[combination]) return at - allWorkMs
    const done = (i: number) => ((mask >>> i) & 1) === 1
    const after = (ms: number) => leftMs.map((left) => left - ms)
    problem.walkMs[station]!.forEach((walk, to) =>
      offer([mask, tool, to, combination], after(spent.walkMs[station]![to]!), at + walk),
    )
    problem.toolMs[tool]!.forEach(
      (change, other) =>
        other > 0 && offer([mask, other, station, combination], after(spent.toolMs[tool]![other]!), at + change),
    )
    for (const act of problem.acts)
      if (act.station === station && act.from === combination && act.guards.every((guard) => guardHolds(guard, done))) {
        const left = inTurn.map((clock, k) =>
          clock.startedBy !== null || clock.running[act.from] === clock.running[act.to]
            ? leftMs[k]! - act.costMs
            : clock.waitMs,
        )
        offer([mask, tool, station, act.to], left, at + act.costMs)
      }
    problem.operations.forEach((operation, i) => {
      if (
        done(i) ||
        operation.station !== station ||
        !operation.allowed[combination] ||
        (operation.tool !== 0 && operation.tool !== tool)
      )
        return
      if (
        !problem.pairs.every(([before, then]) => then !== i || done(before)) ||
        !operation.guards.every((guard) => guardHolds(guard, done))
      )
        return
      const waitMs = Math.max(0, ...inTurn.map((clock, k) => (clock.waiting.has(i) ? leftMs[k]! : 0)))
      const left = inTurn.map((clock, k) => (clock.startedBy === i ? clock.waitMs : leftMs[k]! - waitMs - workMs[i]!))
      offer([mask | (1 << i), tool, station, combination], left, at + waitMs + workMs[i]!)
    })
  }
  return null
}

type TimedProblem = { problem: SearchProblem; clocks: Clocks }

/** A problem whose walks and tools cost more than they take, as a habit's weights do, with what they take. */
export function weighed({ problem, clocks }: TimedProblem): TimedProblem {
  const heavier = (costs: readonly (readonly number[])[], ms: number) =>
    costs.map((row, from) => row.map((cost, to) => (cost === 0 || from === to ? cost : cost + ms)))
  return {
    problem: { ...problem, walkMs: heavier(problem.walkMs, 5000), toolMs: heavier(problem.toolMs, 3000) },
    clocks: { ...clocks, spent: { walkMs: problem.walkMs, toolMs: problem.toolMs } },
  }
}

/** A clock that runs where the first setting is set, and the problem with what waits for it done only there. */
export function withClock(problem: SearchProblem, seed: number): TimedProblem {
  const random = seededRandom(seed)
  const running = Array.from({ length: problem.combinations }, (_, c) => (c & 1) === 1)
  const waiting = new Set([
    random.below(problem.operations.length),
    ...(random.chance(0.3) ? [random.below(problem.operations.length)] : []),
  ])
  const operations = problem.operations.map((operation, i) =>
    waiting.has(i) ? { ...operation, allowed: running } : operation,
  )
  const waitMs = 1000 * (4 + random.below(22))
  const begun = random.chance(0.2)
  const clock = {
    running,
    startedBy: null,
    waiting,
    waitMs,
    leftMs: begun ? 1000 * random.below(waitMs / 1000) : 0,
    afterMs: 0,
  }
  return {
    problem: { ...problem, operations, start: { ...problem.start, combination: begun ? 1 : 0 } },
    clocks: { inTurn: [clock], workMs: operations.map(() => 1000 * (1 + random.below(7))) },
  }
}

/** A clock that an operation starts, or that runs already, and what waits for it after that. */
export function withSetting(problem: SearchProblem, seed: number): TimedProblem {
  const random = seededRandom(seed)
  const size = problem.operations.length
  const startedBy = random.chance(0.15) ? null : random.below(size - 1)
  const from = startedBy ?? -1
  const waiting = new Set(
    Array.from({ length: random.chance(0.3) ? 2 : 1 }, () => from + 1 + random.below(size - from - 1)),
  )
  const waitMs = 1000 * (4 + random.below(22))
  const pairs = [...problem.pairs]
  if (startedBy !== null)
    for (const then of waiting)
      if (!pairs.some(([a, b]) => a === startedBy && b === then)) pairs.push([startedBy, then])
  const clock = {
    running: problem.finish.map(() => true),
    startedBy,
    waiting,
    waitMs,
    leftMs: startedBy === null ? waitMs : 0,
    afterMs: 0,
  }
  return {
    problem: { ...problem, pairs },
    clocks: { inTurn: [clock], workMs: problem.operations.map(() => 1000 * (1 + random.below(7))) },
  }
}

/**
 * The one after the other: nothing of the second problem comes before all of the first is done. For settings that are
 * the same.
 */
export function oneAfterTheOther(a: TimedProblem, b: TimedProblem): TimedProblem {
  const [problem, second] = [a.problem, b.problem]
  const size = problem.operations.length
  const [clock, next] = [a.clocks.inTurn[0]!, b.clocks.inTurn[0]!]
  const moved = (guards: readonly Guard[]) =>
    guards.map((guard) => ({ ...guard, operations: guard.operations.map((i) => i + size) }))
  const operations = [
    ...problem.operations,
    ...second.operations.map((operation) => ({ ...operation, guards: moved(operation.guards) })),
  ]
  const barrier = second.operations.flatMap((_, after) =>
    problem.operations.map((__, before): [number, number] => [before, after + size]),
  )
  return {
    problem: {
      ...problem,
      operations,
      pairs: [...problem.pairs, ...second.pairs.map(([x, y]): [number, number] => [x + size, y + size]), ...barrier],
    },
    clocks: {
      inTurn: [
        clock,
        {
          ...next,
          running: problem.finish.map(() => true),
          startedBy: next.startedBy! + size,
          waiting: new Set([...next.waiting].map((i) => i + size)),
        },
      ],
      workMs: [...a.clocks.workMs, ...b.clocks.workMs],
    },
  }
}

/**
 * What a row of steps costs with clocks: its set-up and what it has to wait, taking up the next tool meanwhile or not;
 * throws at the first step that can't be made.
 */
export function costWithClocks(problem: SearchProblem, clocks: Clocks, steps: readonly SearchStep[]): number {
  const ways = clocks.inTurn.reduce<boolean[][]>(
    (lists) =>
      lists.flatMap((list) => [
        [...list, true],
        [...list, false],
      ]),
    [[]],
  )
  return Math.min(...ways.map((takesUp) => costOfWay(problem, clocks, steps, takesUp)))
}

/** `takesUp`: per clock, whether who waits for it takes up the next tool. */
function costOfWay(
  problem: SearchProblem,
  { inTurn, workMs, spent = problem }: Clocks,
  steps: readonly SearchStep[],
  takesUp: readonly boolean[],
): number {
  let { tool, station, combination } = problem.start
  // What it costs, and what is left of each wait.
  let cost = 0
  let left = inTurn.map((clock) => clock.leftMs)
  const begun = new Set<number>()
  const pass = (ms: number) => (left = left.map((leftMs) => leftMs - ms))
  const goTo = (to: number) => {
    cost += problem.walkMs[station]![to]!
    pass(spent.walkMs[station]![to]!)
    station = to
  }
  const takeUp = (other: number) => {
    cost += problem.toolMs[tool]![other]!
    pass(spent.toolMs[tool]![other]!)
    tool = other
  }
  for (const [at, step] of steps.entries()) {
    if (step.kind === 'act') {
      const act = problem.acts[step.act]!
      goTo(act.station)
      cost += act.costMs
      left = inTurn.map((clock, k) =>
        clock.startedBy === null && clock.running[act.to] && !clock.running[combination]
          ? clock.waitMs
          : left[k]! - act.costMs,
      )
      combination = act.to
      continue
    }
    const i = step.operation
    const { station: to, tool: needed } = problem.operations[i]!
    goTo(to)
    if (needed !== 0) takeUp(needed)
    for (const [k, clock] of inTurn.entries()) {
      if (!clock.waiting.has(i) || begun.has(k)) continue
      begun.add(k)
      const next = steps
        .slice(at)
        .flatMap((later) => (later.kind === 'operation' ? [problem.operations[later.operation]!.tool] : []))
        .find((other) => other !== 0)
      if (takesUp[k] && left[k]! > 0 && next !== undefined) takeUp(next)
      const waitMs = Math.max(0, left[k]!)
      cost += waitMs
      pass(waitMs)
    }
    pass(workMs[i]!)
    left = inTurn.map((clock, k) => (clock.startedBy === i ? clock.waitMs : left[k]!))
  }
  costOf(problem, steps)
  return cost
}

/** What a row of steps costs, step by step; throws at the first that can't be made. Walks are the straight ones. */
export function costOf(problem: SearchProblem, steps: readonly SearchStep[]): number {
  const done = new Set<number>()
  const holds = (guards: readonly Guard[]) => guards.every((guard) => guardHolds(guard, (i) => done.has(i)))
  let { tool, station, combination } = problem.start
  let cost = 0
  const goTo = (to: number) => {
    cost += problem.walkMs[station]![to]!
    station = to
  }
  for (const step of steps) {
    if (step.kind === 'act') {
      const act = problem.acts[step.act]!
      if (act.from !== combination || !holds(act.guards)) throw new Error(`Act ${step.act} can't be made.`)
      goTo(act.station)
      combination = act.to
      cost += act.costMs
      continue
    }
    const i = step.operation
    const operation = problem.operations[i]!
    if (
      done.has(i) ||
      !operation.allowed[combination] ||
      !holds(operation.guards) ||
      problem.pairs.some(([before, after]) => after === i && !done.has(before))
    )
      throw new Error(`Operation ${i} can't be done.`)
    goTo(operation.station)
    if (operation.tool !== 0) {
      cost += problem.toolMs[tool]![operation.tool]!
      tool = operation.tool
    }
    done.add(i)
  }
  if (done.size < problem.operations.length || !problem.finish[combination]) throw new Error('Not everything is done.')
  return cost
}

export type RandomProblemOptions = {
  operations: number
  tools?: number
  stations?: number
  settings?: number
  guards?: number
  pairChance?: number
  needChance?: number
  guardChance?: number
}

/** A problem from a seed, with settings whose acts hang on what is done, and operations that hang on settings. */
export function randomProblem(seed: number, options: RandomProblemOptions): SearchProblem {
  const random = seededRandom(seed)
  const {
    operations: size,
    tools = 3,
    stations = 3,
    settings = 0,
    guards = 0,
    pairChance = 0.3,
    needChance = 0.35,
    guardChance = 0.08,
  } = options
  const combinations = 2 ** settings
  const pairs: [number, number][] = []
  // Mostly within reach, so that a large problem is no wider than a vehicle.
  for (let after = 1; after < size; after++)
    for (let before = Math.max(0, after - 8); before < after; before++)
      if (random.chance(pairChance)) pairs.push([before, after])
  const chain = (): number[] => {
    const a = random.below(size)
    const b = a + 1 + random.below(Math.max(1, size - a - 1))
    if (b >= size || random.chance(0.4)) return [a]
    if (!pairs.some(([before, after]) => before === a && after === b)) pairs.push([a, b])
    return [a, b]
  }
  const facts = Array.from({ length: guards }, () => ({ operations: chain(), initially: random.chance(0.5) }))
  const someGuards = (chance: number): Guard[] =>
    facts.filter(() => random.chance(chance)).map((fact) => ({ ...fact, wants: random.chance(0.5) }))
  const matrix = (count: number, free: boolean) =>
    Array.from({ length: count }, (_, from) =>
      Array.from({ length: count }, (_, to) => (from === to || (free && to === 0) ? 0 : 1000 * (3 + random.below(6)))),
    )
  const walk = matrix(stations, false)
  const acts: SearchAct[] = []
  for (let setting = 0; setting < settings; setting++)
    for (const up of [true, false])
      for (let method = random.chance(0.3) ? 2 : 1; method > 0; method--) {
        const [costMs, station, own] = [1000 * (1 + random.below(4)), random.below(stations), someGuards(0.4)]
        const other = settings > 1 && random.chance(0.3) ? (setting + 1) % settings : -1
        for (let from = 0; from < combinations; from++)
          if (((from >> setting) & 1) === (up ? 0 : 1) && (other < 0 || ((from >> other) & 1) === 1))
            acts.push({ from, to: from ^ (1 << setting), station, costMs, guards: own })
      }
  const operations = Array.from({ length: size }, () => {
    const setting = settings > 0 && random.chance(needChance) ? random.below(settings) : -1
    const value = random.below(2)
    return {
      tool: random.below(tools + 1),
      station: random.below(stations),
      allowed: Array.from({ length: combinations }, (_, c) => setting < 0 || ((c >> setting) & 1) === value),
      guards: random.chance(guardChance) ? someGuards(0.3) : [],
    }
  })
  const closed = (costs: number[][]) => costs.map((row, a) => row.map((_, b) => shortest(costs, a, b)))
  return {
    operations,
    pairs,
    toolMs: closed(matrix(tools + 1, true)),
    walkMs: closed(walk),
    combinations,
    acts,
    start: { tool: random.below(tools + 1), station: random.below(stations), combination: 0 },
    finish: Array.from({ length: combinations }, (_, c) => c === 0 || random.chance(0.2)),
  }
}

/** The cheapest way between two rows, by trying ever longer ways (Bellman 1958). */
function shortest(costs: readonly (readonly number[])[], from: number, to: number): number {
  let best = costs[from]!.map((_, at) => (at === from ? 0 : Infinity))
  for (let round = 0; round < costs.length; round++)
    best = best.map((known, at) => Math.min(known, ...best.map((cost, via) => cost + costs[via]![at]!)))
  return best[to]!
}
