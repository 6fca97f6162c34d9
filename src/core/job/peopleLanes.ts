import type { Id } from '../base/id'
import type { Lanes } from '../plan/lanes/lanesOf'
import type { Hand } from './event'

export type GivenTo = { key: string; personId: Id }

/**
 * Lanes as they are kept with a job: whose each operation is, in the order of time. What two do together is the first
 * one's card.
 */
export function peopleLanes(lanes: Lanes, people: readonly Hand[]): GivenTo[] {
  const given = new Map<string, GivenTo>()
  for (const leg of [lanes.wayIn, lanes.wayOut]) {
    const steps = (leg?.lanes ?? []).flatMap((lane, person) =>
      lane.map((step) => ({ ...step, personId: people[person]!.personId })),
    )
    for (const { operation, personId } of steps.sort((a, b) => a.startS - b.startS))
      if (!given.has(operation.key)) given.set(operation.key, { key: operation.key, personId })
  }
  return [...given.values()]
}
