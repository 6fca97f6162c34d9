import type { LaneFacts, LaneState } from './laneState'

/**
 * No way to go on from a state ends sooner: what must follow each task that is left, the load of the busiest station,
 * and all the work and set-up that is left shared out evenly. `chainMs`: without the last; `sharedMs`: the last alone.
 * Cost: O(tasks x people + pairs).
 */
// eslint-disable-next-line max-lines-per-function, complexity -- Asked in every state: one pass, no calls.
export function laneBoundMs(
  { problem, first, delayMs, tailMs, takingMs, reachingMs }: LaneFacts,
  state: LaneState,
): { boundMs: number; chainMs: number; sharedMs: number } {
  // Asked for in every state: looked up once.
  const { min, max } = Math
  const { tasks, walkMs, holds } = problem
  const { people, endMs: placedMs, lastStartMs } = state
  const stations = holds.length
  let bound = state.makespanMs
  const earliest = new Float64Array(tasks.length)
  // Per station: the load, the earliest beginning and the least tail of what is left there.
  const loadMs = new Float64Array(stations)
  const beginMs = new Float64Array(stations).fill(Infinity)
  const afterMs = new Float64Array(stations).fill(Infinity)
  const freeMs = new Float64Array(stations)
  for (let spot = 0; spot < stations; spot++) {
    let least = Infinity
    for (const free of state.places[spot]!) least = min(least, free)
    freeMs[spot] = max(least, lastStartMs)
  }
  const isToolLeft = new Uint8Array(takingMs.length)
  let workMs = 0
  for (let task = 0; task < tasks.length; task++) {
    if (placedMs[task]! >= 0) {
      earliest[task] = placedMs[task]!
      continue
    }
    const { durationMs, station, tool, helperStation } = tasks[task]!
    // Somebody has to get there, with the tool in hand or taking it up.
    let startMs = Infinity
    for (const person of people)
      startMs = min(
        startMs,
        person.freeMs + walkMs[person.station]![station]! + (tool === 0 || person.tool === tool ? 0 : takingMs[tool]!),
      )
    startMs = max(startMs, freeMs[station]!)
    const before = first[task]!
    const delays = delayMs[task]!
    for (let k = 0; k < before.length; k++) startMs = max(startMs, earliest[before[k]!]! + delays[k]!)
    earliest[task] = startMs + durationMs
    const tail = tailMs[task]!
    bound = max(bound, startMs + tail)
    loadMs[station]! += durationMs
    beginMs[station] = min(beginMs[station]!, startMs)
    afterMs[station] = min(afterMs[station]!, tail - durationMs)
    workMs += durationMs
    if (helperStation !== null) {
      loadMs[helperStation]! += durationMs
      beginMs[helperStation] = min(beginMs[helperStation]!, startMs)
      afterMs[helperStation] = min(afterMs[helperStation]!, tail - durationMs)
      workMs += durationMs
    }
    isToolLeft[tool] = 1
  }
  let setUpMs = 0
  for (let tool = 1; tool < takingMs.length; tool++)
    if (isToolLeft[tool] === 1 && !people.some((person) => person.tool === tool)) setUpMs += takingMs[tool]!
  for (let spot = 0; spot < stations; spot++) {
    if (loadMs[spot]! === 0) continue
    bound = max(bound, beginMs[spot]! + loadMs[spot]! / holds[spot]! + afterMs[spot]!)
    if (!people.some((person) => person.station === spot)) setUpMs += reachingMs[spot]!
  }
  // Nobody begins anything before being free.
  let free = 0
  for (const person of people) free += person.freeMs
  const sharedMs = (free + workMs + setUpMs) / people.length
  return { boundMs: max(bound, sharedMs), chainMs: bound, sharedMs }
}
