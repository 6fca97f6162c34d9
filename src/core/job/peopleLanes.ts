import type { Id } from '../base/id'
import type { Lanes } from '../plan/lanes/lanesOf'
import type { Hand } from './event'

/** Lanes as they are kept with a job: whose each operation is. What two do together is the first one's card. */
export function peopleLanes(lanes: Lanes, people: readonly Hand[]): Record<string, Id> {
  const given: Record<string, Id> = {}
  for (const leg of [lanes.wayIn, lanes.wayOut])
    leg?.lanes.forEach((lane, person) => {
      for (const { operation } of lane) given[operation.key] ??= people[person]!.personId
    })
  return given
}
