import { settingOf } from '../vehicle/vehicleState'
import { waitLeftS } from '../vehicle/judge'
import { demandsOf, judged } from './demandsOf'
import type { DerivedJob } from './derivedJob'
import type { Legs } from './leg'
import { leastAfterMs } from './search/leastAfter'
import type { SearchProblem } from './search/problem'
import type { JobStart, SequencedJob } from './sequenceJob'

/** What has to be waited for: `after` no sooner than so long after `before` is done, or (null) after the battery went off. */
type Wait = { before: number | null; after: number; waitS: number }

/**
 * Waits by the clock are not in the search itself. Here is what is known about them apart from it: the waits of a job, the
 * least a job with them takes, and readings of the problem that do meanwhile what can be done meanwhile.
 */
export class Waits {
  private readonly waits: Wait[]
  private readonly batteryId: string | null
  private readonly workS: number[]
  private readonly ancestors: Set<number>[]
  private readonly descendants: Set<number>[]

  constructor(
    job: DerivedJob,
    legs: Legs,
    private readonly start: JobStart,
    private readonly sequenced: SequencedJob,
  ) {
    const { number, operations } = sequenced
    const delays = legs.wayOut.edges.flatMap((edge): Wait[] => {
      const [before, after] = [number.get(edge.before), number.get(edge.after)]
      return edge.delayS && before !== undefined && after !== undefined ? [{ before, after, waitS: edge.delayS }] : []
    })
    const battery = settingOf(job.model, start.state, 'battery')
    const justOff = battery && { ...start.state, nowS: 0, settings: new Map(start.state.settings).set(battery.id, 'off'), changedAtS: new Map([[battery.id, 0]]) }
    const atOff = operations.flatMap((operation, after): Wait[] => {
      const waitS = justOff && battery.value !== 'off' && operation.act === 'open' ? waitLeftS(job.model, justOff, judged(job, operation), job.circumstances) : 0
      return waitS > 0 ? [{ before: null, after, waitS }] : []
    })
    this.waits = [...delays, ...atOff]
    this.batteryId = battery?.id ?? null
    const reach = (pairs: readonly (readonly [number, number])[]) => {
      const next = operations.map((): number[] => [])
      for (const [a, b] of pairs) next[a]!.push(b)
      return operations.map((_, from) => {
        const found = new Set<number>()
        for (const stack = [...next[from]!]; stack.length > 0; ) {
          const at = stack.pop()!
          if (found.has(at)) continue
          found.add(at)
          stack.push(...next[at]!)
        }
        return found
      })
    }
    const wanted = this.waits.length > 0 ? sequenced.problem.pairs : []
    this.descendants = reach(wanted)
    this.ancestors = reach(wanted.map(([a, b]) => [b, a]))
    this.workS = operations.map((operation) => demandsOf(job, operation).workS)
  }

  get any(): boolean {
    return this.waits.length > 0
  }

  /**
   * No order of one person takes less: what must come before the wait, the wait, and what must come after it with its
   * set-up. Of several plugs that wait for the battery, the one that is opened first counts.
   */
  atLeastS(): number {
    const { problem } = this.sequenced
    const sum = (list: Iterable<number>) => [...list].reduce((total, i) => total + this.workS[i]!, 0)
    const along = (wait: Wait) => {
      const rest = this.descendants[wait.after]!
      const done = new Set([...this.workS.keys()].filter((i) => !rest.has(i)))
      return (wait.before === null ? 0 : sum([...this.ancestors[wait.before]!, wait.before])) + wait.waitS + sum([...rest, wait.after]) + leastAfterMs(problem, done.add(wait.after), wait.after) / 1000
    }
    const atOff = this.waits.filter((wait) => wait.before === null)
    const delays = this.waits.filter((wait) => wait.before !== null)
    return Math.max(0, ...delays.map(along), ...(atOff.length > 0 ? [this.batteryOffS() + Math.min(...atOff.map(along))] : []))
  }

  /** The battery is on at the beginning: somebody has to go and take it off. */
  private batteryOffS(): number {
    const { acts, actStations, walkS } = this.sequenced
    return Math.min(...acts.flatMap((act, i) => (act.settingId === this.batteryId && act.to === 'off' ? [walkS(this.start.standing.station, actStations[i]!) + act.durationS] : [])))
  }

  /** The problem read so that what has to wait is begun early and what waits for it comes late, in several ways. */
  readings(): SearchProblem[] {
    const { problem } = this.sequenced
    const early = this.batteryOffSoon(problem)
    return [early, this.inBetween(early, true), this.inBetween(early, false)]
  }

  /** On the way in everything that can be done with the battery off is. */
  private batteryOffSoon(problem: SearchProblem): SearchProblem {
    const { batteryId } = this
    if (batteryId === null || !this.waits.some((wait) => wait.before === null)) return problem
    const off = this.sequenced.combinations.map((settings) => settings.get(batteryId) === 'off')
    return {
      ...problem,
      operations: problem.operations.map((operation, i) => {
        const narrowed = operation.allowed.map((may, c) => may && off[c]!)
        return this.sequenced.operations[i]!.phase === 'in' && narrowed.includes(true) ? { ...operation, allowed: narrowed } : operation
      }),
    }
  }

  /** What waits comes after all that need not follow it, in its own leg; with `firstToo`, what it waits for comes before all that can follow it. */
  private inBetween(problem: SearchProblem, firstToo: boolean): SearchProblem {
    const { operations } = this.sequenced
    const pairs = [...problem.pairs]
    const late = new Set(this.waits.map((wait) => wait.after))
    const early = new Set(this.waits.flatMap((wait) => wait.before ?? []))
    const follows = (i: number, set: ReadonlySet<number>) => set.has(i) || [...set].some((other) => this.descendants[other]!.has(i))
    const precedes = (i: number, set: ReadonlySet<number>) => set.has(i) || [...set].some((other) => this.ancestors[other]!.has(i))
    operations.forEach((operation, i) => {
      if (!follows(i, late)) for (const after of late) if ((operation.phase === 'in') === (operations[after]!.phase === 'in')) pairs.push([i, after])
      if (firstToo && operation.phase !== 'in' && !precedes(i, early) && !precedes(i, late)) for (const before of early) pairs.push([before, i])
      if (firstToo && operation.phase === 'work' && !precedes(i, early)) for (const before of early) pairs.push([before, i])
    })
    return { ...problem, pairs }
  }
}
