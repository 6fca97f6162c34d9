import type { Id } from '../../base/id'
import type { Demand, Edge, Operation } from '../../order/operation'
import { endValue } from '../../order/settingAct'
import type { DerivedJob } from './derivedJob'

/** What is ordered together: the way in, or work, tests and the way out. */
export type Leg = {
  operations: ReadonlyMap<string, Operation>
  edges: readonly Edge[]
  demands: ReadonlyMap<string, readonly Demand[]>
}

/** How far a plan goes: until everything is back, or until the way is open (somebody else goes on). */
export type Scope = 'opened' | 'refitted'

/** Both legs of a job. They share the demands: a setting act of the one must not spoil the other. */
export type Legs = {
  wayIn: Leg
  wayOut: Leg
  demands: Map<string, Demand[]>
  /** Where every setting that is touched, or is not found as it is to be left, stands in the end. */
  finish: Map<Id, string>
}

/**
 * No order keeps every rule: what was stuck in the end, with the settings it demands. Not `proven`: the search gave up
 * first.
 */
export type NoSafeOrder = {
  kind: 'no safe order'
  stuck: { key: string; demands: readonly Demand[]; ruleIds: string[] }[]
  proven: boolean
}

/**
 * The two legs of a derived job, as they can be ordered. `opened`: the way in alone, with the ignition off again at its
 * end. Cost: O(operations).
 */
export function legsOf({ model, removal, refit }: DerivedJob, scope: Scope = 'refitted'): Legs {
  const opened = scope === 'opened'
  const demands = new Map([...removal.demands, ...(opened ? [] : refit.demands)])
  const touched = [...demands.values()].flat().map(({ settingId }) => settingId)
  const leftOtherwise = [...model.settings.values()]
    .filter((setting) => setting.asFound !== endValue(model, setting.id))
    .map(({ id }) => id)
  const finish = new Map(
    [...touched, ...leftOtherwise]
      .filter((id) => !opened || model.settings.get(id)?.role === 'ignition')
      .map((id) => [id, endValue(model, id)]),
  )
  return {
    wayIn: { operations: removal.operations, edges: removal.edges, demands },
    wayOut: opened
      ? { operations: new Map(), edges: [], demands }
      : { operations: refit.operations, edges: refit.edges, demands },
    demands,
    finish,
  }
}
