import { seededRandom } from '../../base/random'
import type { Clock } from './clock'
import { guardHolds } from './placeTables'
import type { Guard, SearchAct, SearchProblem } from './problem'
import type { SearchStep } from './moves'

/**
 * The cheapest set-up by looking at every state there is: what is done, the tool, the station and the settings, one walk, one
 * act or one operation at a time (Dijkstra). Written apart from the search: it knows none of its rules. Null when nothing
 * finishes. For up to about nine operations.
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
      if (act.station === station && act.from === combination && act.guards.every((guard) => guardHolds(guard, done))) states.offer([mask, tool, station, act.to].join(), at + act.costMs)
    problem.operations.forEach((operation, i) => {
      if (done(i) || operation.station !== station || !operation.allowed[combination]) return
      if (!problem.pairs.every(([before, after]) => after !== i || done(before)) || !operation.guards.every((guard) => guardHolds(guard, done))) return
      const change = operation.tool === 0 ? 0 : problem.toolMs[tool]![operation.tool]!
      states.offer([mask | (1 << i), operation.tool === 0 ? tool : operation.tool, station, combination].join(), at + change)
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
      for (let name = names.pop(); name !== undefined; name = names.pop()) if (this.costs.get(name) === at) return { name, at }
      this.byCost.delete(at)
    }
    return null
  }
}

/**
 * The same with a clock: the least of set-up and waiting, by looking at every state in the order of time, where the state also
 * knows what of the wait is left. Any tool may be taken up anywhere. Null when nothing finishes.
 */
export function cheapestWithClock(problem: SearchProblem, clock: Clock): number | null {
  const all = 2 ** problem.operations.length - 1
  const states = new CheapestFirst()
  const workMs = clock.workMs.reduce((sum, ms) => sum + ms, 0)
  const spent = clock.spent ?? problem
  const offer = (state: [mask: number, tool: number, station: number, combination: number], leftMs: number, at: number) => {
    const runs = clock.running[state[3]] && ![...clock.waiting].some((i) => ((state[0] >>> i) & 1) === 1)
    states.offer([...state, runs ? Math.max(0, leftMs) : 0].join(), at)
  }
  offer([0, problem.start.tool, problem.start.station, problem.start.combination], clock.leftMs, 0)
  for (let next = states.take(); next; next = states.take()) {
    const { at, name } = next
    const [mask, tool, station, combination, leftMs] = name.split(',').map(Number) as [number, number, number, number, number]
    if (mask === all && problem.finish[combination]) return at - workMs
    const done = (i: number) => ((mask >>> i) & 1) === 1
    problem.walkMs[station]!.forEach((walk, to) => offer([mask, tool, to, combination], leftMs - spent.walkMs[station]![to]!, at + walk))
    problem.toolMs[tool]!.forEach((change, other) => other > 0 && offer([mask, other, station, combination], leftMs - spent.toolMs[tool]![other]!, at + change))
    for (const act of problem.acts)
      if (act.station === station && act.from === combination && act.guards.every((guard) => guardHolds(guard, done))) offer([mask, tool, station, act.to], clock.running[act.from] === clock.running[act.to] ? leftMs - act.costMs : clock.waitMs, at + act.costMs)
    problem.operations.forEach((operation, i) => {
      if (done(i) || operation.station !== station || !operation.allowed[combination] || (operation.tool !== 0 && operation.tool !== tool)) return
      if (!problem.pairs.every(([before, after]) => after !== i || done(before)) || !operation.guards.every((guard) => guardHolds(guard, done))) return
      const waitMs = clock.waiting.has(i) ? leftMs : 0
      offer([mask | (1 << i), tool, station, combination], leftMs - clock.workMs[i]!, at + waitMs + clock.workMs[i]!)
    })
  }
  return null
}

/** A problem whose walks and tools cost more than they take, as a habit's weights do, with what they take. */
export function weighed({ problem, clock }: { problem: SearchProblem; clock: Clock }): { problem: SearchProblem; clock: Clock } {
  const heavier = (costs: readonly (readonly number[])[], ms: number) => costs.map((row, from) => row.map((cost, to) => (cost === 0 || from === to ? cost : cost + ms)))
  return { problem: { ...problem, walkMs: heavier(problem.walkMs, 5000), toolMs: heavier(problem.toolMs, 3000) }, clock: { ...clock, spent: { walkMs: problem.walkMs, toolMs: problem.toolMs } } }
}

/** A clock that runs where the first setting is set, and the problem with what waits for it done only there. */
export function withClock(problem: SearchProblem, seed: number): { problem: SearchProblem; clock: Clock } {
  const random = seededRandom(seed)
  const running = Array.from({ length: problem.combinations }, (_, c) => (c & 1) === 1)
  const waiting = new Set([random.below(problem.operations.length), ...(random.chance(0.3) ? [random.below(problem.operations.length)] : [])])
  const operations = problem.operations.map((operation, i) => (waiting.has(i) ? { ...operation, allowed: running } : operation))
  const waitMs = 1000 * (4 + random.below(22))
  const begun = random.chance(0.2)
  return {
    problem: { ...problem, operations, start: { ...problem.start, combination: begun ? 1 : 0 } },
    clock: { running, waiting, waitMs, leftMs: begun ? 1000 * random.below(waitMs / 1000) : 0, workMs: operations.map(() => 1000 * (1 + random.below(7))), afterMs: 0 },
  }
}

/** What a row of steps costs with a clock: its set-up and what it has to wait; throws at the first step that can't be made. */
export function costWithClock(problem: SearchProblem, { running, waiting, waitMs, leftMs, workMs, spent = problem }: Clock, steps: readonly SearchStep[]): number {
  let { tool, station, combination } = problem.start
  // Two clocks: what it costs, and what of the wait is left.
  let [cost, left, waited] = [0, leftMs, false]
  const goTo = (to: number) => {
    cost += problem.walkMs[station]![to]!
    left -= spent.walkMs[station]![to]!
    station = to
  }
  const takeUp = (other: number) => {
    cost += problem.toolMs[tool]![other]!
    left -= spent.toolMs[tool]![other]!
    tool = other
  }
  for (const [at, step] of steps.entries()) {
    if (step.kind === 'act') {
      const act = problem.acts[step.act]!
      goTo(act.station)
      cost += act.costMs
      left = running[act.to] && !running[combination] ? waitMs : left - act.costMs
      combination = act.to
      continue
    }
    const { station: to, tool: needed } = problem.operations[step.operation]!
    goTo(to)
    if (needed !== 0) takeUp(needed)
    if (waiting.has(step.operation) && !waited) {
      // Who waits takes up the next tool meanwhile.
      const next = steps.slice(at).flatMap((later) => (later.kind === 'operation' ? [problem.operations[later.operation]!.tool] : [])).find((other) => other !== 0)
      if (left > 0 && next !== undefined) takeUp(next)
      cost += Math.max(0, left)
      waited = true
    }
    left -= workMs[step.operation]!
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
    if (done.has(i) || !operation.allowed[combination] || !holds(operation.guards) || problem.pairs.some(([before, after]) => after === i && !done.has(before))) throw new Error(`Operation ${i} can't be done.`)
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

export type RandomProblemOptions = { operations: number; tools?: number; stations?: number; settings?: number; guards?: number; pairChance?: number; needChance?: number; guardChance?: number }

/** A problem from a seed, with settings whose acts hang on what is done, and operations that hang on settings. */
export function randomProblem(seed: number, options: RandomProblemOptions): SearchProblem {
  const random = seededRandom(seed)
  const { operations: size, tools = 3, stations = 3, settings = 0, guards = 0, pairChance = 0.3, needChance = 0.35, guardChance = 0.08 } = options
  const combinations = 2 ** settings
  const pairs: [number, number][] = []
  // Mostly within reach, so that a large problem is no wider than a vehicle.
  for (let after = 1; after < size; after++) for (let before = Math.max(0, after - 8); before < after; before++) if (random.chance(pairChance)) pairs.push([before, after])
  const chain = (): number[] => {
    const a = random.below(size)
    const b = a + 1 + random.below(Math.max(1, size - a - 1))
    if (b >= size || random.chance(0.4)) return [a]
    if (!pairs.some(([before, after]) => before === a && after === b)) pairs.push([a, b])
    return [a, b]
  }
  const facts = Array.from({ length: guards }, () => ({ operations: chain(), initially: random.chance(0.5) }))
  const someGuards = (chance: number): Guard[] => facts.filter(() => random.chance(chance)).map((fact) => ({ ...fact, wants: random.chance(0.5) }))
  const matrix = (count: number, free: boolean) =>
    Array.from({ length: count }, (_, from) => Array.from({ length: count }, (_, to) => (from === to || (free && to === 0) ? 0 : 1000 * (3 + random.below(6)))))
  const walk = matrix(stations, false)
  const acts: SearchAct[] = []
  for (let setting = 0; setting < settings; setting++)
    for (const up of [true, false])
      for (let method = random.chance(0.3) ? 2 : 1; method > 0; method--) {
        const [costMs, station, own] = [1000 * (1 + random.below(4)), random.below(stations), someGuards(0.4)]
        const other = settings > 1 && random.chance(0.3) ? (setting + 1) % settings : -1
        for (let from = 0; from < combinations; from++)
          if (((from >> setting) & 1) === (up ? 0 : 1) && (other < 0 || ((from >> other) & 1) === 1)) acts.push({ from, to: from ^ (1 << setting), station, costMs, guards: own })
      }
  const operations = Array.from({ length: size }, () => {
    const setting = settings > 0 && random.chance(needChance) ? random.below(settings) : -1
    const value = random.below(2)
    return { tool: random.below(tools + 1), station: random.below(stations), allowed: Array.from({ length: combinations }, (_, c) => setting < 0 || ((c >> setting) & 1) === value), guards: random.chance(guardChance) ? someGuards(0.3) : [] }
  })
  const closed = (costs: number[][]) => costs.map((row, a) => row.map((_, b) => shortest(costs, a, b)))
  return { operations, pairs, toolMs: closed(matrix(tools + 1, true)), walkMs: closed(walk), combinations, acts, start: { tool: random.below(tools + 1), station: random.below(stations), combination: 0 }, finish: Array.from({ length: combinations }, (_, c) => c === 0 || random.chance(0.2)) }
}

/** The cheapest way between two rows, by trying ever longer ways (Bellman 1958). */
function shortest(costs: readonly (readonly number[])[], from: number, to: number): number {
  let best = costs[from]!.map((_, at) => (at === from ? 0 : Infinity))
  for (let round = 0; round < costs.length; round++) best = best.map((known, at) => Math.min(known, ...best.map((cost, via) => cost + costs[via]![at]!)))
  return best[to]!
}
