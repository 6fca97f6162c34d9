import { OpenList } from '../openList'
import { improveLanes } from './improveLanes'
import { laneBoundMs } from './laneBound'
import { windowBoundMs } from './laneWindows'
import { LaneFacts, type LaneState } from './laneState'
import type { LanesProblem, Placed } from './lanesProblem'
import { sharedLoadBoundMs } from './sharedLoad'

/** Counted in steps, so that every machine stops at the same place. */
export type LaneLimits = { expandedStates: number; beam: number; triesPerTask: number }

/**
 * Few tasks are settled by the proof itself, and it is likely up to some twenty-five; beyond that the time goes into a
 * good schedule.
 */
export function limitsFor(tasks: number): LaneLimits {
  return tasks <= 16
    ? { expandedStates: 12_000, beam: 80, triesPerTask: 0 }
    : tasks <= 28
      ? { expandedStates: 9_000, beam: 50, triesPerTask: 220 }
      : { expandedStates: 60, beam: 8, triesPerTask: 220 }
}

/**
 * What else tells a good beginning beside the bound: the chain that is left, and the shared load, in which every idle
 * or walked second so far shows even while something else is what binds. None is best everywhere: these four are tried,
 * one after the other.
 */
const WEIGHTS: readonly Weights[] = [
  { chain: 0, load: 3 },
  { chain: 0.3, load: 0.3 },
  { chain: 0, load: 0 },
  { chain: 1, load: 0 },
]
type Weights = { chain: number; load: number }

/** `makespanMs`: when the last task ends. Proven when nothing sooner exists: then `boundMs` equals it. */
export type LanesOutcome =
  | { kind: 'lanes'; placed: Placed[]; makespanMs: number; boundMs: number; proven: boolean; expanded: number }
  | { kind: 'impossible' }

/**
 * The soonest end for several people: beams for a schedule at once, schedules near it, then best first with the bound,
 * leaving out states that another one of the same tasks is nowhere behind. Exact unless the limit is reached.
 *
 * Errors: impossible where a task can be placed by nobody (two people asked for, one there). Cost: exponential at
 * worst.
 */
export function fastestLanes(
  problem: LanesProblem,
  limits: LaneLimits = limitsFor(problem.tasks.length),
): LanesOutcome {
  const facts = new LaneFacts(problem)
  const begin = facts.begin()
  const windows = windowBoundMs(problem, facts.windows)
  const atLeastMs = Math.ceil(Math.max(laneBoundMs(facts, begin).boundMs, windows.boundMs))
  let best = beam(facts, begin, Math.min(8, limits.beam), { chain: 0, load: 0 }, null)
  for (const weights of WEIGHTS)
    if (best && best.makespanMs > atLeastMs) best = beam(facts, begin, limits.beam, weights, best)
  if (!best) return { kind: 'impossible' }
  if (best.makespanMs > atLeastMs) best = improveLanes(facts, best, atLeastMs, limits.triesPerTask)
  const proof = prove(facts, begin, best, limits.expandedStates)
  let boundMs = Math.max(proof.boundMs, atLeastMs)
  if (boundMs < proof.best.makespanMs)
    boundMs = Math.max(boundMs, Math.ceil(sharedLoadBoundMs(problem, windows.shared)))
  boundMs = Math.min(boundMs, proof.best.makespanMs)
  return {
    kind: 'lanes',
    placed: placedOf(proof.best),
    makespanMs: proof.best.makespanMs,
    boundMs,
    proven: boundMs >= proof.best.makespanMs,
    expanded: proof.expanded,
  }
}

type Ranked = { state: LaneState; rankMs: number; freeMs: number }

/**
 * Layer by layer, the most promising `width` states of each; the best finished one, or the known one. `weights`: how
 * much the chain and the shared load count beside the bound.
 */
function beam(
  facts: LaneFacts,
  begin: LaneState,
  width: number,
  weights: Weights,
  known: LaneState | null,
): LaneState | null {
  const { length } = facts.problem.tasks
  let best = known
  let layer: Ranked[] = [{ state: begin, rankMs: 0, freeMs: 0 }]
  for (let count = 0; count < length && layer.length > 0; count++) {
    const next = new Map<string, Ranked>()
    for (const { state } of layer)
      for (const child of facts.extend(state)) {
        const { boundMs, chainMs, sharedMs } = laneBoundMs(facts, child)
        if (best && boundMs >= best.makespanMs) continue
        const item = {
          state: child,
          rankMs: boundMs + weights.chain * chainMs + weights.load * sharedMs,
          freeMs: child.people.reduce((sum, person) => sum + person.freeMs, 0),
        }
        const name = nameOf(child)
        const other = next.get(name)
        if (!other || compare(item, other) < 0) next.set(name, item)
      }
    layer = [...next.values()].sort(compare).slice(0, width)
  }
  for (const { state } of layer)
    if (state.count === length && (!best || state.makespanMs < best.makespanMs)) best = state
  return best
}

function compare(a: Ranked, b: Ranked): number {
  return a.rankMs - b.rankMs || a.freeMs - b.freeMs || (a.state.placed?.task ?? 0) - (b.state.placed?.task ?? 0)
}

function prove(
  facts: LaneFacts,
  begin: LaneState,
  known: LaneState,
  most: number,
): { best: LaneState; boundMs: number; expanded: number } {
  const { length } = facts.problem.tasks
  let best = known
  let expanded = 0
  const states: LaneState[] = [begin]
  const open = new OpenList()
  open.push(0, Math.ceil(laneBoundMs(facts, begin).boundMs), 0)
  const kept = new Map<string, number[][]>()
  while (open.least < best.makespanMs) {
    if (expanded >= most) return { best, boundMs: open.least, expanded }
    const state = states[open.pop()!.id]!
    expanded += 1
    for (const child of facts.extend(state)) {
      const boundMs = Math.ceil(laneBoundMs(facts, child).boundMs)
      if (boundMs >= best.makespanMs) continue
      if (child.count === length) {
        best = child
        continue
      }
      if (isBehind(facts, child, kept)) continue
      states.push(child)
      open.push(states.length - 1, boundMs, child.count)
    }
  }
  return { best, boundMs: best.makespanMs, expanded }
}

/**
 * Whether a kept state of the same tasks, with people who stand alike, is nowhere later; otherwise it is kept itself.
 */
function isBehind(facts: LaneFacts, state: LaneState, kept: Map<string, number[][]>): boolean {
  const name = nameOf(state)
  const times = timesOf(facts, state)
  const others = kept.get(name)
  if (!others) {
    kept.set(name, [times])
    return false
  }
  if (others.some((other) => other.every((time, i) => time <= times[i]!))) return true
  kept.set(name, [...others.filter((other) => !times.every((time, i) => time <= other[i]!)), times])
  return false
}

/** Which tasks are placed, and how people stand, whoever they are. */
function nameOf(state: LaneState): string {
  let name = ''
  for (const word of state.done) name += `${word},`
  for (const { station, tool } of inStanding(state)) name += `|${station}.${tool}`
  return name
}

function inStanding(state: LaneState): LaneState['people'] {
  return [...state.people].sort((a, b) => a.station - b.station || a.tool - b.tool || a.freeMs - b.freeMs)
}

/**
 * Every time that what is left can still feel: people, stations, single tools, the last start, and ends that something
 * waits for.
 */
function timesOf({ then }: LaneFacts, state: LaneState): number[] {
  const waited = Array.from(state.endMs, (end, task) =>
    end >= 0 && then[task]!.some((next) => state.endMs[next]! < 0) ? end : 0,
  )
  return [
    ...inStanding(state).map((person) => person.freeMs),
    ...state.places.flatMap((free) => [...free].sort((a, b) => a - b)),
    ...state.toolFreeMs,
    state.lastStartMs,
    state.makespanMs,
    ...waited,
  ]
}

function placedOf(state: LaneState): Placed[] {
  const placed: Placed[] = []
  for (let at: LaneState | null = state; at?.placed; at = at.before) placed.unshift(at.placed)
  return placed
}
