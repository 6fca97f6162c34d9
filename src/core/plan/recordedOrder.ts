import type { Operation } from '../order/operation'
import { asFoundState } from '../vehicle/vehicleState'
import { demandsOf } from './demandsOf'
import type { JobPlan } from './jobPlan'
import { legsOf, type Leg } from './leg'
import { followPolicy } from './policyRules'
import { setUpAsRecorded } from './search/orderAsRecorded'
import { sequenceJob, type JobStart } from './sequenceJob'

/** Seconds a plan's job takes in the order of the record: the way in and then the way out, each from the top of the list. Null where that ends nowhere. */
export function recordedOrderS({ job, request }: Pick<JobPlan, 'job' | 'request'>): number | null {
  const legs = legsOf(job, request.scope)
  followPolicy(job, legs, request.policy)
  const start: JobStart = { state: asFoundState(job.model), standing: { station: request.start, tool: null }, done: new Set(), setCount: new Map() }
  const { document } = job.model
  const listed = new Map([...document.parts.map(({ id }) => id), ...document.holders.map(({ id }) => id), ...document.tethers.map(({ id }) => id)].map((id, i) => [id, i]))
  const panel = (operation: Operation) => listed.get(operation.partId ?? '') ?? listed.size
  const inOrder = (leg: Leg): Leg => ({ ...leg, operations: new Map([...leg.operations].sort(([, a], [, b]) => panel(a) - panel(b) || (listed.get(a.itemId) ?? 0) - (listed.get(b.itemId) ?? 0))) })
  const sequenced = sequenceJob(job, { ...legs, wayIn: inOrder(legs.wayIn), wayOut: inOrder(legs.wayOut) }, start, { leavingPanelS: 0, takingToolS: 0 })
  const setUpMs = setUpAsRecorded(sequenced.problem, sequenced.wholes)
  return setUpMs === null ? null : setUpMs / 1000 + sequenced.operations.reduce((sum, operation) => sum + demandsOf(job, operation).workS, 0)
}
