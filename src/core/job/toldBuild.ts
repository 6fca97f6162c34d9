import { wallMsOf } from '../base/clock'
import type { Build } from '../procedure/when'
import type { JobEvent } from './event'
import { standingEvents } from './fold'

/**
 * The build of a vehicle: what was said of it at the desk (`said`, at `saidAtMs`), and over it what its jobs told after
 * that. A facet that the desk said nothing of is as it was told last, however early. What was taken back is gone, and
 * the order of arrival does not matter. Cost: O(events log events), of those that tell or take back.
 */
export function toldBuild(said: Build, saidAtMs: number, events: readonly JobEvent[]): Build {
  const told = standingEvents(events).flatMap(({ what, at }) =>
    what.kind === 'facet told' && (wallMsOf(at) > saidAtMs || !(what.facetId in said))
      ? [[what.facetId, what.choiceId] as const]
      : [],
  )
  return { ...said, ...Object.fromEntries(told) }
}
