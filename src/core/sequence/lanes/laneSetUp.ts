import { OpenList } from '../openList'
import type { LanesProblem } from './lanesProblem'

type Hand = { station: number; tool: number }
type State = { done: Int32Array; hands: Hand[]; costMs: number; count: number; name: string }

/**
 * The least walking and taking up of tools that all people together come to. In the order of their starts the tasks of
 * any schedule are done by hands that stand somewhere with something: without the clock that is a search for several
 * hands at once, in which whatever is ready where a hand stands with its tool is done for nothing (doing it sooner
 * takes nothing away). Answers the optimum or, after `most` states, what was proved of it (A*). Cost: at most `most`
 * states times tasks times people.
 */
export function leastSetUpMs(problem: LanesProblem, most: number): number {
  return new SetUp(problem, 0).least(most)
}

/**
 * The same for some of the tasks, begun wherever and with whatever is best: no schedule has less set-up between the
 * first and the last of them.
 */
export function leastSetUpOf(problem: LanesProblem, members: readonly number[], most: number): number {
  const at = new Map(members.map((task, i) => [task, i]))
  // Somewhere and something more, from which everything is reached and taken up for nothing.
  const open = (costs: LanesProblem['walkMs']) => [
    ...costs.map((row) => [...row, 0]),
    Array.from({ length: costs.length + 1 }, () => 0),
  ]
  const some = {
    ...problem,
    tasks: members.map((task) => problem.tasks[task]!),
    pairs: problem.pairs.flatMap((pair) =>
      at.has(pair.before) && at.has(pair.after)
        ? [{ ...pair, before: at.get(pair.before)!, after: at.get(pair.after)! }]
        : [],
    ),
    walkMs: open(problem.walkMs),
    toolMs: open(problem.toolMs),
    people: problem.people.map(() => ({ station: problem.walkMs.length, tool: problem.toolMs.length })),
  }
  return new SetUp(some, 1).least(most)
}

class SetUp {
  private readonly first: Int32Array[]
  private readonly words: number
  private readonly takingMs: number[]
  private readonly reachingMs: number[]
  private readonly costs = new Map<string, number>()
  private readonly states: State[] = []
  private readonly open = new OpenList()
  private readonly toolsLeft: Uint8Array
  private readonly stationsLeft: Uint8Array

  /**
   * `openEnds`: 1 where the last tool and station stand for whatever is best, from which everything is reached for
   * nothing.
   */
  constructor(
    private readonly problem: LanesProblem,
    private readonly openEnds: number,
  ) {
    const { tasks, pairs, toolMs, walkMs } = problem
    this.words = Math.max(1, Math.ceil(tasks.length / 32))
    this.first = tasks.map(() => new Int32Array(this.words))
    for (const { before, after } of pairs) this.first[after]![before >> 5]! |= 1 << (before & 31)
    this.toolsLeft = new Uint8Array(toolMs.length)
    this.stationsLeft = new Uint8Array(walkMs.length)
    this.takingMs = leastInto(toolMs, openEnds)
    this.reachingMs = leastInto(walkMs, openEnds)
  }

  least(most: number): number {
    const { tasks, people } = this.problem
    this.offer({
      done: new Int32Array(this.words),
      hands: people.map(({ station, tool }) => ({ station, tool })),
      costMs: 0,
    })
    let provedMs = this.open.least
    for (let expanded = 0; this.open.length > 0; expanded++) {
      provedMs = Math.max(provedMs, this.open.least)
      if (expanded >= most) return provedMs
      const state = this.states[this.open.pop()!.id]!
      if (this.costs.get(state.name)! < state.costMs) continue
      if (state.count === tasks.length) return state.costMs
      this.expand(state)
    }
    return provedMs
  }

  private expand(state: State): void {
    const { tasks, walkMs, toolMs } = this.problem
    const tried = new Set<string>()
    for (const [i, { station, tool, helperStation }] of tasks.entries()) {
      if (isSet(state.done, i) || !this.isReady(state.done, i)) continue
      const kind = `${station}.${tool}.${helperStation}`
      if (tried.has(kind)) continue
      tried.add(kind)
      for (const [who, hand] of state.hands.entries()) {
        const ms = walkMs[hand.station]![station]! + (tool === 0 ? 0 : toolMs[hand.tool]![tool]!)
        const moved = { station, tool: tool === 0 ? hand.tool : tool }
        if (helperStation === null)
          this.offer({
            done: state.done.slice(),
            hands: state.hands.map((other, at) => (at === who ? moved : other)),
            costMs: state.costMs + ms,
          })
        else
          for (const [helper, other] of state.hands.entries())
            if (helper !== who)
              this.offer({
                done: state.done.slice(),
                hands: state.hands.map((own, at) =>
                  at === who ? moved : at === helper ? { ...other, station: helperStation } : own,
                ),
                costMs: state.costMs + ms + walkMs[other.station]![helperStation]!,
              })
      }
    }
  }

  /** Does what is free, and keeps the state if it is reached for less than before. */
  private offer({ done, hands, costMs }: Omit<State, 'count' | 'name'>): void {
    const { tasks } = this.problem
    // The number of what comes before is the smaller: one pass does all that is free.
    let count = 0
    for (let i = 0; i < tasks.length; i++) {
      if (!isSet(done, i)) {
        if (!isAtHand(tasks[i]!, hands) || !this.isReady(done, i)) continue
        done[i >> 5]! |= 1 << (i & 31)
      }
      count += 1
    }
    const name = nameOf(done, hands)
    if ((this.costs.get(name) ?? Infinity) <= costMs) return
    this.costs.set(name, costMs)
    const state = { done, hands, costMs, count, name }
    this.open.push(this.states.push(state) - 1, costMs + this.leftMs(state), count)
  }

  /**
   * Every tool that is still needed is taken up once unless it is in hand, every station reached once unless somebody
   * stands there.
   */
  private leftMs({ done, hands }: State): number {
    const { tasks } = this.problem
    const [tools, stations] = [this.toolsLeft.fill(0), this.stationsLeft.fill(0)]
    for (let i = 0; i < tasks.length; i++) {
      if (isSet(done, i)) continue
      const { tool, station, helperStation } = tasks[i]!
      tools[tool] = 1
      stations[station] = 1
      if (helperStation !== null) stations[helperStation] = 1
    }
    tools[0] = 0
    let [freeTools, freeStations] = [0, 0]
    for (const hand of hands) {
      tools[hand.tool] = 0
      stations[hand.station] = 0
      if (this.openEnds > 0 && hand.tool === tools.length - 1) freeTools += 1
      if (this.openEnds > 0 && hand.station === stations.length - 1) freeStations += 1
    }
    return sumBeyond(this.takingMs, tools, freeTools) + sumBeyond(this.reachingMs, stations, freeStations)
  }

  private isReady(done: Int32Array, task: number): boolean {
    const first = this.first[task]!
    for (let word = 0; word < this.words; word++) if ((first[word]! & ~done[word]!) !== 0) return false
    return true
  }
}

/** The least it takes to come to each column from another row, the last `without` rows left out. */
function leastInto(costs: LanesProblem['walkMs'], without: number): number[] {
  const rows = costs.slice(0, costs.length - without)
  return costs.map((_, to) => Math.min(...rows.map((row, from) => (from === to ? Infinity : row[to]!))))
}

/** The sum of the costs of what is wanted, the dearest `free` of them for nothing. */
function sumBeyond(costs: readonly number[], wanted: Uint8Array, free: number): number {
  const asked = costs.filter((_, i) => wanted[i] === 1)
  if (free > 0) asked.sort((a, b) => b - a)
  let sum = 0
  for (let i = free; i < asked.length; i++) sum += asked[i]!
  return sum
}

function isAtHand({ station, tool, helperStation }: LanesProblem['tasks'][number], hands: readonly Hand[]): boolean {
  return hands.some(
    (hand, who) =>
      hand.station === station &&
      (tool === 0 || hand.tool === tool) &&
      (helperStation === null || hands.some((other, at) => at !== who && other.station === helperStation)),
  )
}

function isSet(words: Int32Array, i: number): boolean {
  return ((words[i >> 5]! >>> (i & 31)) & 1) === 1
}

/** What is done, and how hands stand, whosever they are. */
function nameOf(done: Int32Array, hands: readonly Hand[]): string {
  const standing = hands.map(({ station, tool }) => station * 64 + tool).sort((a, b) => a - b)
  return `${done.join()}|${standing.join()}`
}
