import type { Operation } from '../../order/operation'
import type { PlanOnCards } from '../../plan/show/planOnCards'
import type { ProcedureForBuild } from '../../procedure/forBuild'
import type { LastingChange } from '../../shop/workItem'
import type { JobState } from '../jobState'
import type { JobTerms } from '../terms'

/** What this work item changes for good and nobody has noted yet. */
export function changesOwed(
  plan: PlanOnCards,
  terms: JobTerms,
  state: JobState,
  operation: Operation,
): LastingChange[] {
  const work = operation.act === 'work' ? plan.job.works.get(operation.itemId) : undefined
  return work ? terms.changes.filter((item) => item.what === work.kind && !state.changes.has(item.id)) : []
}

/** The unit a test's reading is asked in; empty where none is. */
export function readingAsked(model: ProcedureForBuild, plan: PlanOnCards, operation: Operation): string {
  if (operation.act !== 'test') return ''
  return model.functions.get(operation.itemId)?.readingUnit ?? plan.job.added.get(operation.itemId)?.readingUnit ?? ''
}
