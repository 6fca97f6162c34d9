import type { Operation } from '../../order/operation'
import type { PlanOnCards } from '../../plan/show/planOnCards'
import type { ProcedureForBuild } from '../../procedure/forBuild'
import type { VehicleFunction } from '../../procedure/vehicleFunction'
import type { LastingChange } from '../../shop/workItem'
import type { JobState } from '../jobState'
import type { JobTerms } from '../terms'

/** What this work item changes for good and nobody has noted yet. */
export function changesOwed(
  plan: PlanOnCards,
  terms: JobTerms,
  state: JobState,
  operation: Pick<Operation, 'act' | 'itemId'>,
): LastingChange[] {
  const work = operation.act === 'work' ? plan.job.works.get(operation.itemId) : undefined
  return work ? terms.changes.filter((item) => item.what === work.kind && !state.changes.has(item.id)) : []
}

/** What a test asks for: the unit of its reading (empty where none is taken), and where it has to lie. */
export function testAsked(
  model: ProcedureForBuild,
  plan: PlanOnCards,
  operation: Operation,
): Pick<VehicleFunction, 'readingUnit' | 'least' | 'most'> {
  const item = model.functions.get(operation.itemId) ?? plan.job.added.get(operation.itemId)
  return operation.act === 'test' && item ? item : { readingUnit: '', least: null, most: null }
}
