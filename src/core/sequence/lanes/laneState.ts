import { laneWindows, type LaneWindows } from './laneWindows'
import type { LanesProblem, Placed } from './lanesProblem'

/** Somebody: free from when, standing where, holding what. */
type Person = { freeMs: number; station: number; tool: number }

/**
 * A schedule as far as it goes. Tasks are placed in the order of their starts, each as early as people, stations, tools
 * and what comes before allow: every schedule that can't be tightened is made that way, the fastest one among them.
 */
export type LaneState = {
  placed: Placed | null
  before: LaneState | null
  count: number
  /** Per task, when it ends; -1 while it is not placed. */
  endMs: Float64Array
  /** Which tasks are placed, 32 to a word. */
  done: readonly number[]
  people: Person[]
  /** Per station, when each of its places is free. */
  places: number[][]
  /** Per single tool, when it is free. */
  toolFreeMs: number[]
  lastStartMs: number
  makespanMs: number
}

/** What of a problem every state asks for. */
export class LaneFacts {
  readonly first: number[][]
  /** Per task, how long it waits for each of `first`. */
  readonly delayMs: number[][]
  readonly then: number[][]
  /** Per task, the least from its start to the end of everything that follows it. */
  readonly tailMs: number[]
  readonly windows: LaneWindows
  /** The least it takes to take up each tool, and to get to each station from another. */
  readonly takingMs: number[]
  readonly reachingMs: number[]

  constructor(readonly problem: LanesProblem) {
    const { tasks, pairs } = problem
    this.first = tasks.map(() => [])
    this.then = tasks.map(() => [])
    this.delayMs = tasks.map(() => [])
    this.takingMs = problem.toolMs.map((_, tool) =>
      Math.min(...problem.toolMs.map((row, from) => (from === tool ? Infinity : row[tool]!))),
    )
    this.reachingMs = problem.walkMs.map((_, station) =>
      Math.min(...problem.walkMs.map((row, from) => (from === station ? Infinity : row[station]!))),
    )
    for (const { before, after, delayMs } of pairs) {
      if (before >= after) throw new Error(`Task ${before} must be numbered before ${after}.`)
      const known = this.first[after]!.indexOf(before)
      if (known >= 0) {
        this.delayMs[after]![known] = Math.max(delayMs, this.delayMs[after]![known]!)
        continue
      }
      this.first[after]!.push(before)
      this.delayMs[after]!.push(delayMs)
      this.then[before]!.push(after)
    }
    this.windows = laneWindows(problem)
    this.tailMs = tasks.map((task, i) => task.durationMs + this.windows.afterMs[i]!)
  }

  begin(): LaneState {
    const { tasks, people, holds, single } = this.problem
    return {
      placed: null,
      before: null,
      count: 0,
      done: Array<number>(Math.ceil(tasks.length / 32)).fill(0),
      endMs: new Float64Array(tasks.length).fill(-1),
      people: people.map((person) => ({ ...person, freeMs: 0 })),
      places: holds.map((count) => Array<number>(count).fill(0)),
      toolFreeMs: single.map(() => 0),
      lastStartMs: 0,
      makespanMs: 0,
    }
  }

  /** Every way to place one more task, none before the last start. */
  extend(state: LaneState): LaneState[] {
    const { tasks } = this.problem
    const next: LaneState[] = []
    for (let task = 0; task < tasks.length; task++) {
      if (state.endMs[task]! >= 0 || this.first[task]!.some((other) => state.endMs[other]! < 0)) continue
      const tried = new Set<string>()
      for (let person = 0; person < state.people.length; person++) {
        if (tasks[task]!.helperStation === null) {
          // Two who stand alike are one choice.
          const { freeMs, station, tool } = state.people[person]!
          const alike = `${freeMs} ${station} ${tool}`
          if (tried.has(alike)) continue
          tried.add(alike)
          const placed = this.place(state, task, person, null)
          if (placed) next.push(placed)
        } else
          for (let helper = 0; helper < state.people.length; helper++) {
            const placed = helper === person ? null : this.place(state, task, person, helper)
            if (placed) next.push(placed)
          }
      }
    }
    return next
  }

  /** A task placed as early as can be, not before the last start; null where there is no place for it at all. */
  place(state: LaneState, task: number, person: number, helper: number | null): LaneState | null {
    const { tasks, walkMs, toolMs, single } = this.problem
    const { durationMs, station, tool, helperStation } = tasks[task]!
    const who = state.people[person]!
    const change = tool === 0 ? 0 : toolMs[who.tool]![tool]!
    let startMs = Math.max(state.lastStartMs, who.freeMs + walkMs[who.station]![station]! + change)
    this.first[task]!.forEach(
      (other, k) => (startMs = Math.max(startMs, state.endMs[other]! + this.delayMs[task]![k]!)),
    )
    const spots = [station, ...(helper !== null ? [helperStation!] : [])]
    const taken = new Map<number, number[]>()
    for (const spot of spots) {
      const free = taken.get(spot) ?? [...state.places[spot]!].sort((a, b) => a - b)
      if (free.length === 0) return null
      startMs = Math.max(startMs, free.shift()!)
      taken.set(spot, free)
    }
    if (helper !== null)
      startMs = Math.max(
        startMs,
        state.people[helper]!.freeMs + walkMs[state.people[helper]!.station]![helperStation!]!,
      )
    const isSingle = tool !== 0 && single[tool]!
    if (isSingle) startMs = Math.max(startMs, state.toolFreeMs[tool]!)
    const endMs = startMs + durationMs
    // A single tool that goes to somebody is in nobody else's hand any more.
    const people = state.people.map((other) => (isSingle && other.tool === tool ? { ...other, tool: 0 } : other))
    people[person] = { freeMs: endMs, station, tool: tool === 0 ? who.tool : tool }
    if (helper !== null) people[helper] = { ...people[helper]!, freeMs: endMs, station: helperStation! }
    const places = [...state.places]
    for (const spot of new Set(spots))
      places[spot] = [...taken.get(spot)!, ...spots.filter((other) => other === spot).map(() => endMs)]
    const ends = Float64Array.from(state.endMs)
    ends[task] = endMs
    const done = [...state.done]
    done[task >> 5]! |= 1 << (task & 31)
    const toolFreeMs = isSingle ? state.toolFreeMs.map((free, i) => (i === tool ? endMs : free)) : state.toolFreeMs
    return {
      placed: { task, person, helper, startMs, endMs },
      before: state,
      count: state.count + 1,
      done,
      endMs: ends,
      people,
      places,
      toolFreeMs,
      lastStartMs: startMs,
      makespanMs: Math.max(state.makespanMs, endMs),
    }
  }
}
