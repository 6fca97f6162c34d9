import type { Id } from '../../base/id'
import type { PlanOnCards } from '../../plan/show/planOnCards'
import type { Step } from '../../plan/find/step'
import { hiddenBy } from '../../plan/show/summary'
import type { ProcedureForBuild } from '../../procedure/forBuild'
import type { Holder } from '../../procedure/holder'
import { atLeast } from '../../procedure/levels'
import { levelNow } from '../fold'
import type { JobState } from '../jobState'
import { isDone } from '../progress'
import { keyOf } from '../../procedure/acts'

/** What may hold a part that won't move, by the record and the log. */
export type StillHolding = {
  /** Groups to undo and plugs to open that nobody has done. */
  steps: Step[]
  /** Parts that lie over its edge. */
  trappedBy: Id[]
  /** Groups only assumed to be out. */
  assumed: Holder[]
  /** Groups out of sight: one more may be behind. */
  hidden: Holder[]
  /** Groups that let go with the pull itself. */
  withThePull: Holder[]
}

/** What still holds a part, in the order in which a hand would look. Cost: O(steps). */
export function whatHolds(model: ProcedureForBuild, plan: PlanOnCards, state: JobState, partId: Id): StillHolding {
  const steps = plan.wayIn.flatMap((card) => card.steps).filter(({ operation }) => operation.partId === partId)
  const pull = steps.find(({ operation }) => operation.act === 'release')?.operation
  const holders = model.holdersOf.get(partId) ?? []
  return {
    steps: steps.filter(
      ({ operation }) => (operation.act === 'undo' || operation.act === 'open') && !isDone(state, operation),
    ),
    trappedBy: (model.needsOf.get(keyOf('release', partId)) ?? []).flatMap(({ needs }) =>
      needs.kind === 'part' && !atLeast(levelNow(state, needs.partId), needs.level) ? [needs.partId] : [],
    ),
    assumed: holders.filter((holder) => state.assumed.has(holder.id)),
    hidden: holders.filter((holder) => hiddenBy(model, holder.id).length > 0),
    withThePull: (pull?.pulled ?? []).map((id) => model.holders.get(id)!),
  }
}
