import type { Id } from '../../base/id'
import { fail, ok, type Result } from '../../base/result'
import type { Choices } from '../../order/wish'
import type { ProcedureForBuild } from '../../procedure/forBuild'
import type { Circumstances } from '../../vehicle/circumstances'
import { asFoundState } from '../../vehicle/vehicleState'
import { cheapestOrder, type SearchLimits } from '../../sequence/cheapestOrder'
import { setUpMsOf, type SearchStep } from '../../sequence/moves'
import type { JobGoal } from '../ask/jobGoal'
import { savedS } from '../ask/planChoices'
import type { PlanRequest } from '../ask/planRequest'
import { weightsOf } from '../ask/policy'
import { demandsOf } from '../derive/demandsOf'
import { deriveJob } from '../derive/deriveJob'
import type { DerivedJob, DeriveError } from '../derive/derivedJob'
import type { JobStart } from '../derive/jobStart'
import { legsOf, type Legs, type NoSafeOrder } from '../derive/leg'
import { addLooseEnds, alreadyOut, setBackFirst, startFrom, type LiveStart } from '../derive/liveStart'
import { plugByHand, undoneByHand, type PluggedByHand } from '../derive/plugByHand'
import { followPolicy } from '../derive/policyRules'
import { waitsOf } from '../show/waits'
import { canStillFinish, feasibilityOf } from './feasible'
import { orderedSteps } from './orderedSteps'
import { orderWithClocks } from './orderWithClocks'
import type { RefusedOrder } from './runThrough'
import { sequenceJob, type SequencedJob } from './sequenceJob'
import { secondsOf, type Step } from './step'

export type PlanError =
  | DeriveError
  | NoSafeOrder
  | RefusedOrder
  | { kind: 'tool missing'; tool: string; key: string }
  | { kind: 'must stay'; partId: Id }
  /** The search ended at its limit with no order at all; any there is takes this long at least. */
  | { kind: 'no order within the limits'; atLeastS: number; expanded: number }

/** A choice with what it asks for. `workS`: its operations' own seconds, less what its openings save. */
export type Candidate = { job: DerivedJob; legs: Legs; start: JobStart; workS: number; savedS: number }
/** `weighedS`: seconds with the weights of the habit and the waiting, which is what is compared. */
export type Found = { candidate: Candidate; steps: Step[]; totalS: number; waitingS: number; weighedS: number }

/** Derives a choice and says what it asks for; refused where a tool is missing or a part has to stay. */
export function prepare(
  model: ProcedureForBuild,
  request: PlanRequest,
  goal: JobGoal,
  choices: Choices,
  circumstances: Circumstances,
  from: LiveStart | undefined,
  byHand: readonly PluggedByHand[] = [],
): Result<Candidate, PlanError> {
  const derived = deriveJob(model, goal, choices, circumstances)
  if (!derived.ok) return derived
  const job = derived.value
  if (from) {
    addLooseEnds(job, alreadyOut(from.state))
    setBackFirst(job, from.state)
    plugByHand(job, byHand)
  }
  const legs = legsOf(job, request.scope)
  followPolicy(job, legs, request.policy)
  const start: JobStart = from
    ? undoneByHand(startFrom(legs, from), byHand)
    : {
        state: asFoundState(model),
        standing: { station: request.start, tool: null },
        done: new Set(),
        setCount: new Map(),
      }
  const operations = [...legs.wayIn.operations.values(), ...legs.wayOut.operations.values()].filter(
    (operation) => !start.done.has(operation.key),
  )
  for (const operation of operations) {
    const { tool } = demandsOf(job, operation)
    if (request.without.tools.includes(tool)) return fail({ kind: 'tool missing', tool, key: operation.key })
    if (request.without.parts.includes(operation.itemId) && (operation.act === 'release' || operation.act === 'lift'))
      return fail({ kind: 'must stay', partId: operation.itemId })
  }
  const saved = savedS(model, choices, goal)
  return ok({
    job,
    legs,
    start,
    savedS: saved,
    workS: operations.reduce((sum, operation) => sum + demandsOf(job, operation).workS, 0) - saved,
  })
}

/** The cheapest order of one choice; `found` null where nothing below `belowS` (set-up seconds) exists. */
export function orderCandidate(
  candidate: Candidate,
  request: PlanRequest,
  limits: SearchLimits,
  belowS: number,
): Result<{ found: Found | null; atLeastS: number; expanded: number }, PlanError> {
  const { job, legs, start, workS } = candidate
  const sequenced = sequenceJob(job, legs, start, weightsOf(request.policy))
  const outcome = cheapestOrder(sequenced.problem, sequenced.wholes, limits, Math.round(belowS * 1000))
  if (outcome.kind === 'impossible') return fail(whyImpossible(job, legs, start))
  const { expanded } = outcome
  const atLeastS = workS + outcome.boundMs / 1000
  if (outcome.kind !== 'order') return ok({ found: null, atLeastS, expanded })
  const first = asFound(candidate, sequenced, outcome.steps)
  if (!first.ok) return first
  if (first.value.waitingS === 0) return ok({ found: first.value, atLeastS, expanded })
  // The search knew no clock: with the clocks there may be an order that does something else meanwhile.
  const { savedS } = candidate
  const timed = orderWithClocks(
    waitsOf(job, legs, start, sequenced),
    { atLeastS: atLeastS + savedS, belowS: Math.min(first.value.weighedS, belowS + workS) + savedS },
    limits,
  )
  const read = timed.steps && asFound(candidate, sequenced, timed.steps)
  return ok({
    found: read?.ok && read.value.weighedS < first.value.weighedS ? read.value : first.value,
    atLeastS: Math.max(atLeastS, timed.atLeastS - savedS),
    expanded: expanded + timed.expanded,
  })
}

/** An order of the search as a crew reads it, with what it takes. */
function asFound(
  candidate: Candidate,
  sequenced: SequencedJob,
  order: readonly SearchStep[],
): Result<Found, RefusedOrder> {
  const { job, legs, start, workS, savedS } = candidate
  const ordered = orderedSteps(job, legs, start, sequenced, order)
  if (!ordered.ok) return ordered
  const { steps, waitingS } = ordered.value
  const weighedS = workS + setUpMsOf(sequenced.problem, order) / 1000 + waitingS
  return ok({ candidate, steps, totalS: secondsOf(steps) - savedS, waitingS, weighedS })
}

function whyImpossible(job: DerivedJob, legs: Legs, start: JobStart): NoSafeOrder {
  const answer = canStillFinish(feasibilityOf(job, legs, start.state), start.done, start.state)
  return answer.ok ? { kind: 'no safe order', stuck: [], proven: true } : { ...answer.error, proven: true }
}
