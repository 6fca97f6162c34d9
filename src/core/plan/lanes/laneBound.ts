import type { LaneFacts, LaneState } from './laneState'

/**
 * No way to go on from a state ends sooner: the longest chain of what is left, the load of the busiest station, and all the
 * work and set-up that is left shared out evenly. Cost: O(tasks + pairs).
 */
export function laneBoundMs({ problem, first, delayOf, tailMs }: LaneFacts, state: LaneState): number {
  const { tasks, walkMs, toolMs, holds } = problem
  let bound = state.makespanMs
  const earliest = new Float64Array(tasks.length)
  const loadMs = new Float64Array(holds.length)
  const beginMs = new Float64Array(holds.length).fill(Infinity)
  const endMs = new Float64Array(holds.length).fill(Infinity)
  let workMs = 0
  const toolsLeft = new Set<number>()
  const stationsLeft = new Set<number>()
  for (let task = 0; task < tasks.length; task++) {
    if (state.endMs[task]! >= 0) {
      earliest[task] = state.endMs[task]!
      continue
    }
    const { durationMs, station, tool, helperStation } = tasks[task]!
    // Somebody has to get there, with the tool in hand or taking it up.
    let startMs = Infinity
    for (const person of state.people) startMs = Math.min(startMs, person.freeMs + walkMs[person.station]![station]! + (tool === 0 || person.tool === tool ? 0 : leastTaking(toolMs, tool)))
    startMs = Math.max(startMs, state.lastStartMs, Math.min(...state.places[station]!))
    for (const other of first[task]!) startMs = Math.max(startMs, earliest[other]! + delayOf[task]!.get(other)!)
    earliest[task] = startMs + durationMs
    bound = Math.max(bound, startMs + tailMs[task]!)
    for (const spot of helperStation === null ? [station] : [station, helperStation]) {
      loadMs[spot]! += durationMs
      beginMs[spot] = Math.min(beginMs[spot]!, startMs)
      endMs[spot] = Math.min(endMs[spot]!, tailMs[task]! - durationMs)
    }
    workMs += durationMs * (helperStation === null ? 1 : 2)
    if (tool !== 0) toolsLeft.add(tool)
    stationsLeft.add(station)
    if (helperStation !== null) stationsLeft.add(helperStation)
  }
  for (let spot = 0; spot < holds.length; spot++) if (loadMs[spot]! > 0) bound = Math.max(bound, beginMs[spot]! + loadMs[spot]! / holds[spot]! + endMs[spot]!)
  let setUpMs = 0
  for (const tool of toolsLeft) if (!state.people.some((person) => person.tool === tool)) setUpMs += leastTaking(toolMs, tool)
  const here = new Set(state.people.map((person) => person.station))
  for (const station of stationsLeft) if (!here.has(station)) setUpMs += Math.min(...walkMs.map((row, from) => (from === station ? Infinity : row[station]!)))
  // Nobody begins anything before the last start, and nobody before being free.
  const free = state.people.reduce((sum, person) => sum + person.freeMs, 0)
  return Math.max(bound, (free + workMs + setUpMs) / state.people.length)
}

function leastTaking(toolMs: readonly (readonly number[])[], tool: number): number {
  let least = Infinity
  for (let from = 0; from < toolMs.length; from++) if (from !== tool) least = Math.min(least, toolMs[from]![tool]!)
  return least
}
