import type { Operation } from '@/core/order/operation'
import type { LastingChange } from '@/core/shop/workItem'
import type { PlannedJob } from './useJob'

/** What this work item changes for good and nobody has noted yet. */
export function changesOwed({ plan, terms, state }: PlannedJob, operation: Operation): LastingChange[] {
  const work = operation.act === 'work' ? plan.job.works.get(operation.itemId) : undefined
  return work ? terms.changes.filter((item) => item.what === work.kind && !state.changes.has(item.id)) : []
}

/** The unit a test's reading is asked in; empty where none is. */
export function readingAsked({ model, plan }: PlannedJob, operation: Operation): string {
  return operation.act === 'test'
    ? (model.functions.get(operation.itemId)?.readingUnit ?? plan.job.added.get(operation.itemId)?.readingUnit ?? '')
    : ''
}
