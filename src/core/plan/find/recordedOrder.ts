import type { Operation } from '../../order/operation'
import { asFoundState } from '../../vehicle/vehicleState'
import { demandsOf } from '../derive/demandsOf'
import type { PlanOnCards } from '../show/planOnCards'
import { legsOf, type Leg } from '../derive/leg'
import { followPolicy } from '../derive/policyRules'
import { setUpAsRecorded } from '../../sequence/orderAsRecorded'
import type { JobStart } from '../derive/jobStart'
import { sequenceJob } from './sequenceJob'
import { type Act, actOf, isAct, keyOf, splitKey } from '../../procedure/acts'

/**
 * Seconds a plan's job takes in the order of the record: the way in and then the way out, each from the top of the
 * list. Null where that ends nowhere.
 */
export function recordedOrderS({ job, request }: Pick<PlanOnCards, 'job' | 'request'>): number | null {
  const { document } = job.model
  const listed = new Map(
    [
      ...document.parts.map(({ id }) => id),
      ...document.holders.map(({ id }) => id),
      ...document.tethers.map(({ id }) => id),
    ].map((id, i) => [id, i]),
  )
  const panel = (operation: Operation) => listed.get(operation.partId ?? '') ?? listed.size
  const inOrder = (a: Operation, b: Operation) =>
    panel(a) - panel(b) || (listed.get(a.itemId) ?? 0) - (listed.get(b.itemId) ?? 0)
  return followedS(job, request, inOrder, inOrder)
}

/**
 * Seconds the same job takes in the order in which one example came apart, and back the other way round. Null where the
 * strip lacks something the job takes off, or where its order ends nowhere.
 */
export function stripOrderS(
  { job, request, removal }: Pick<PlanOnCards, 'job' | 'request' | 'removal'>,
  sequence: readonly string[],
): number | null {
  const at = new Map<string, number>(sequence.map((key, i) => [key, i]))
  // When a part was lifted away is not always counted: then right after it came forward.
  for (const [key, place] of [...at]) {
    const lift = isAct(key, 'release') ? keyOf('lift', splitKey(key)[1]) : null
    if (lift && !at.has(lift)) at.set(lift, place + 0.5)
  }
  if ([...removal.operations.keys()].some((key) => !at.has(key))) return null
  const back = ({ act, itemId }: Operation) => at.get(keyOf(cameOffBy(act), itemId)) ?? -1
  return followedS(
    job,
    request,
    (a, b) => (at.get(a.key) ?? 0) - (at.get(b.key) ?? 0),
    (a, b) => back(b) - back(a),
  )
}

function followedS(
  job: PlanOnCards['job'],
  request: PlanOnCards['request'],
  wayIn: (a: Operation, b: Operation) => number,
  wayOut: (a: Operation, b: Operation) => number,
): number | null {
  const legs = legsOf(job, request.scope)
  followPolicy(job, legs, request.policy)
  const start: JobStart = {
    state: asFoundState(job.model),
    standing: { station: request.start, tool: null },
    done: new Set(),
    setCount: new Map(),
  }
  const inOrder = (leg: Leg, order: (a: Operation, b: Operation) => number): Leg => ({
    ...leg,
    operations: new Map([...leg.operations].sort(([, a], [, b]) => order(a, b))),
  })
  const sequenced = sequenceJob(
    job,
    { ...legs, wayIn: inOrder(legs.wayIn, wayIn), wayOut: inOrder(legs.wayOut, wayOut) },
    start,
    { leavingPanelS: 0, takingToolS: 0 },
  )
  const setUpMs = setUpAsRecorded(sequenced.problem, sequenced.wholes)
  return setUpMs === null
    ? null
    : setUpMs / 1000 + sequenced.operations.reduce((sum, operation) => sum + demandsOf(job, operation).workS, 0)
}

/** What comes back is the act of the way in turned round. */
function cameOffBy(act: Act): Act {
  const { way, mirror } = actOf(act)
  return way === 'out' ? (mirror as Act) : act
}
