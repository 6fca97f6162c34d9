import { settingOf } from '../../vehicle/vehicleState'
import { waitLeftS } from '../../vehicle/judge'
import type { Id } from '../../base/id'
import { demandsOf, judged } from '../derive/demandsOf'
import type { DerivedJob } from '../derive/derivedJob'
import type { Legs } from '../derive/leg'
import type { JobStart } from '../derive/jobStart'
import type { SequencedJob } from '../find/sequenceJob'

/**
 * `after` no sooner than so long after `before` is done, after the battery went off, or from where the job stands.
 * `isPlug`: it is a plug that waits for the battery, however that wait began; all others set, cool or dry.
 */
export type Wait = { before: number | 'battery off' | 'now'; after: number; waitS: number; isPlug: boolean }

/** The waits by the clock of a job, with what its operations take and what follows what, all by number. */
export type JobWaits = {
  sequenced: SequencedJob
  waits: Wait[]
  batteryId: Id | null
  workS: number[]
  ancestors: ReadonlySet<number>[]
  descendants: ReadonlySet<number>[]
}

/** Cost: O(operations x pairs). */
export function waitsOf(job: DerivedJob, legs: Legs, start: JobStart, sequenced: SequencedJob): JobWaits {
  const { number, operations, problem } = sequenced
  const delays = legs.wayOut.edges.flatMap((edge): Wait[] => {
    const after = number.get(edge.after)
    if (!edge.delayS || after === undefined) return []
    const before = number.get(edge.before)
    if (before !== undefined) return [{ before, after, waitS: edge.delayS, isPlug: false }]
    const leftS = (start.doneAtS?.get(edge.before) ?? -Infinity) + edge.delayS - start.state.nowS
    return leftS > 0 ? [{ before: 'now', after, waitS: leftS, isPlug: false }] : []
  })
  const battery = settingOf(job.model, start.state, 'battery')
  const isOff = battery?.value === 'off'
  const atOff =
    battery &&
    (isOff
      ? start.state
      : {
          ...start.state,
          nowS: 0,
          settings: new Map(start.state.settings).set(battery.id, 'off'),
          changedAtS: new Map([[battery.id, 0]]),
        })
  const opened = operations.flatMap((operation, after): Wait[] => {
    const waitS =
      atOff && operation.act === 'open' ? waitLeftS(job.model, atOff, judged(job, operation), job.circumstances) : 0
    return waitS > 0 ? [{ before: isOff ? 'now' : 'battery off', after, waitS, isPlug: true }] : []
  })
  return {
    sequenced,
    waits: [...delays, ...opened],
    batteryId: battery?.id ?? null,
    workS: operations.map((operation) => demandsOf(job, operation).workS),
    ancestors: reach(
      operations.length,
      problem.pairs.map(([a, b]) => [b, a]),
    ),
    descendants: reach(operations.length, problem.pairs),
  }
}

function reach(size: number, pairs: readonly (readonly [number, number])[]): Set<number>[] {
  const next = Array.from({ length: size }, (): number[] => [])
  for (const [a, b] of pairs) next[a]!.push(b)
  return next.map((first) => {
    const found = new Set<number>()
    for (const stack = [...first]; stack.length > 0;) {
      const at = stack.pop()!
      if (found.has(at)) continue
      found.add(at)
      stack.push(...next[at]!)
    }
    return found
  })
}
