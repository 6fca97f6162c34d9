import type { SearchProblem } from './search/problem'
import type { JobWaits } from './waits'

/**
 * A job's problem read so that what has to be waited for is begun early and what waits comes late, in several ways: the search
 * knows no clock, and the order it finds for one of them may be the one that does most while it has to be waited anyway.
 */
export function waitReadings(job: JobWaits): SearchProblem[] {
  const early = batteryOffSoon(job)
  const readings = [early, inBetween(job, early, false)]
  return job.waits.some((wait) => typeof wait.before === 'number') ? [...readings, inBetween(job, early, true)] : readings
}

/** On the way in everything that can be done with the battery off is. */
function batteryOffSoon({ sequenced, batteryId, waits }: JobWaits): SearchProblem {
  const { problem, combinations, operations } = sequenced
  if (batteryId === null || !waits.some((wait) => wait.before === 'battery off')) return problem
  const off = combinations.map((settings) => settings.get(batteryId) === 'off')
  return {
    ...problem,
    operations: problem.operations.map((operation, i) => {
      const narrowed = operation.allowed.map((may, c) => may && off[c]!)
      return operations[i]!.phase === 'in' && narrowed.includes(true) ? { ...operation, allowed: narrowed } : operation
    }),
  }
}

/** What waits comes after all that need not follow it, in its own leg; with `firstToo`, what it waits for comes before all that can follow it. */
export function inBetween({ sequenced, waits, ancestors, descendants }: JobWaits, problem: SearchProblem, firstToo: boolean): SearchProblem {
  const { operations } = sequenced
  const pairs = [...problem.pairs]
  const late = new Set(waits.map((wait) => wait.after))
  const early = new Set(waits.flatMap(({ before }) => (typeof before === 'number' ? before : [])))
  const follows = (i: number, set: ReadonlySet<number>) => set.has(i) || [...set].some((other) => descendants[other]!.has(i))
  const precedes = (i: number, set: ReadonlySet<number>) => set.has(i) || [...set].some((other) => ancestors[other]!.has(i))
  operations.forEach((operation, i) => {
    if (!follows(i, late)) for (const after of late) if ((operation.phase === 'in') === (operations[after]!.phase === 'in')) pairs.push([i, after])
    if (firstToo && operation.phase !== 'in' && !precedes(i, early) && !precedes(i, late)) for (const before of early) pairs.push([before, i])
    if (firstToo && operation.phase === 'work' && !precedes(i, early)) for (const before of early) pairs.push([before, i])
  })
  return { ...problem, pairs }
}
