import type { Id } from '../../base/id'
import { fail, ok, type Result } from '../../base/result'
import { methodsTo } from '../../order/settingAct'
import type { Choices } from '../../order/wish'
import type { ProcedureForBuild } from '../../procedure/forBuild'
import type { HouseValues } from '../../shop/houseValues'
import { whilePlanning, type Circumstances } from '../../vehicle/circumstances'
import type { Rule } from '../../vehicle/rule'
import { asFoundState } from '../../vehicle/vehicleState'
import { demandsOf } from '../derive/demandsOf'
import { deriveJob } from '../derive/deriveJob'
import type { DerivedJob, DeriveError } from '../derive/derivedJob'
import { canStillFinish, feasibilityOf } from './feasible'
import type { FoundPlan, Proof } from './foundPlan'
import type { JobGoal } from '../ask/jobGoal'
import { legsOf, type Legs, type NoSafeOrder } from '../derive/leg'
import { addLooseEnds, alreadyOut, goalFrom, setBackFirst, startFrom, type LiveStart } from '../derive/liveStart'
import { orderedSteps, ROUNDING_S, type RefusedOrder } from './orderedSteps'
import { pluggableByHand, plugByHand, undoneByHand, type PluggedByHand } from '../derive/plugByHand'
import { choicesFor, savedS } from '../ask/planChoices'
import type { PlanRequest } from '../ask/planRequest'
import { followPolicy, underPolicy } from '../derive/policyRules'
import { weightsOf } from '../ask/policy'
import { cheapestOrder, DEFAULT_LIMITS, type SearchLimits } from '../../sequence/cheapestOrder'
import { setUpMsOf, type SearchStep } from '../../sequence/moves'
import type { JobStart } from '../derive/jobStart'
import { sequenceJob } from './sequenceJob'
import { secondsOf, type Step } from './step'
import { orderWithClocks } from './orderWithClocks'
import { waitsOf } from '../show/waits'

export type PlanError =
  | DeriveError
  | NoSafeOrder
  | RefusedOrder
  | { kind: 'tool missing'; tool: string; key: string }
  | { kind: 'must stay'; partId: Id }

/** `from`: where a live job stands; what it has done is left out and the rest is ordered from there. */
export type PlanOptions = { limits?: SearchLimits; from?: LiveStart; onProgress?: (progress: PlanProgress) => void }

/** Enough for a safe order, with what is known of a better one; nothing is looked for beyond the first glance. */
export const AT_ONCE: SearchLimits = { expandedStates: 0 }

/** How far the search is: which choice of how many, and the states it went through. */
export type PlanProgress = { choice: number; choices: number; expanded: number }

/**
 * The quickest safe way in and out for the goals and kits on this build: an exact search for each choice of openings
 * and extra parts, the cheapest-looking first. No step breaks a rule in force. Seconds come from the house estimate.
 *
 * Errors: returned; the first choice's own reason when no choice works. Cost: a search for each choice that its bound
 * does not rule out; docs/benchmarks.md has figures.
 */
export function findPlan(
  whole: ProcedureForBuild,
  request: PlanRequest,
  house: HouseValues,
  rules?: readonly Rule[],
  options: PlanOptions = {},
): Result<FoundPlan, PlanError> {
  const found = findUnder(whole, request, house, rules, options)
  // Where the lever can't be brought out a second time (a plug is open that the ignition minds) it stays out meanwhile.
  if (found.ok || found.error.kind !== 'no safe order') return found
  const stays = { ...request, policy: { ...request.policy, lever: 'left out' as const } }
  const leftOut = findUnder(whole, stays, house, rules, options)
  if (leftOut.ok || !options.from) return leftOut.ok ? leftOut : found
  // From where nothing safe is left, what the power gate would put back: plug by hand, set, unplug.
  const byHand = pluggableByHand(whole, options.from)
  const held = byHand.length > 0 ? findUnder(whole, stays, house, rules, { ...options, byHand }) : found
  return held.ok ? held : found
}

function findUnder(
  whole: ProcedureForBuild,
  request: PlanRequest,
  house: HouseValues,
  rules: readonly Rule[] | undefined,
  { limits = limitsOf(request), from, byHand, onProgress }: PlanOptions & { byHand?: readonly PluggedByHand[] },
): Result<FoundPlan, PlanError> {
  const model = underPolicy(whole, request.policy)
  const barred = Object.entries(request.policy.methods).find(
    ([name, id]) =>
      whole.methods.has(id) && !methodsTo(model, name.split('=')[0]!, name.slice(name.indexOf('=') + 1)).includes(id),
  )
  if (barred)
    return fail({
      kind: 'no-method',
      settingId: barred[0].split('=')[0]!,
      value: barred[0].slice(barred[0].indexOf('=') + 1),
    })
  const out = from ? { ...alreadyOut(from.state), ...(byHand && { byHand: [...byHand] }) } : null
  const goal = goalFrom(request, out)
  const { choices, all } = choicesFor(model, request.policy, goal)
  const candidates: Candidate[] = []
  let firstError: PlanError | null = null
  for (const choice of choices) {
    const candidate = prepare(model, request, goal, choice, whilePlanning(house, rules), from, byHand)
    if (candidate.ok) candidates.push(candidate.value)
    else firstError ??= candidate.error
  }
  candidates.sort((a, b) => a.workS - b.workS)
  let best: Found | null = null
  let atLeastS = Infinity
  let expanded = 0
  let everyChoiceBounded = all
  for (const [i, candidate] of candidates.entries()) {
    const expandedBefore = expanded
    const told = (now: number) =>
      onProgress?.({ choice: i + 1, choices: candidates.length, expanded: expandedBefore + now })
    const ordered = order(
      candidate,
      request,
      { ...limits, ...(onProgress && { onProgress: told }) },
      best ? best.weighedS - candidate.workS : Infinity,
    )
    if (!ordered.ok) {
      firstError ??= ordered.error
      // One that was refused by a rule after all is not known to be impossible: nothing is proven beside it.
      if (ordered.error.kind === 'refused order') everyChoiceBounded = false
      continue
    }
    expanded += ordered.value.expanded
    atLeastS = Math.min(atLeastS, ordered.value.atLeastS)
    if (ordered.value.found && (best === null || ordered.value.found.weighedS < best.weighedS))
      best = ordered.value.found
  }
  if (!best) return fail(firstError!)
  const { candidate, steps, totalS } = best
  const proof: Proof = {
    totalS,
    proven: everyChoiceBounded && atLeastS >= best.weighedS - ROUNDING_S,
    gapS: Math.max(0, best.weighedS - atLeastS),
    choices: choices.length,
    allChoices: everyChoiceBounded,
    expanded,
  }
  return ok({ choices: candidate.job.removal.choices, steps, doneBefore: [...candidate.start.done], from: out, proof })
}

/**
 * A habit is a taste: where every panel is a place of its own the last of its 20 s can cost more looking than anybody
 * would wait. What is not proven then says by how much.
 */
function limitsOf({ policy }: PlanRequest): SearchLimits {
  return policy.habit === 'panel by panel' ? { expandedStates: 6_000 } : DEFAULT_LIMITS
}

/** A choice with what it asks for. `workS`: its operations' own seconds, less what its openings save. */
type Candidate = { job: DerivedJob; legs: Legs; start: JobStart; workS: number; savedS: number }
/** `weighedS`: seconds with the weights of the habit and the waiting, which is what is compared. */
type Found = { candidate: Candidate; steps: Step[]; totalS: number; waitingS: number; weighedS: number }

function prepare(
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
function order(
  candidate: Candidate,
  request: PlanRequest,
  limits: SearchLimits,
  belowS: number,
): Result<{ found: Found | null; atLeastS: number; expanded: number }, PlanError> {
  const { job, legs, start, workS } = candidate
  const sequenced = sequenceJob(job, legs, start, weightsOf(request.policy))
  const outcome = cheapestOrder(sequenced.problem, sequenced.wholes, limits, Math.round(belowS * 1000))
  if (outcome.kind === 'impossible') return fail(whyImpossible(job, legs, start))
  let { expanded } = outcome
  let atLeastS = workS + outcome.boundMs / 1000
  if (outcome.kind !== 'order') return ok({ found: null, atLeastS, expanded })
  const foundIn = (steps: readonly SearchStep[]): Result<Found, RefusedOrder> => {
    const ordered = orderedSteps(job, legs, start, sequenced, steps)
    return ordered.ok
      ? ok({
          candidate,
          steps: ordered.value.steps,
          totalS: secondsOf(ordered.value.steps) - candidate.savedS,
          waitingS: ordered.value.waitingS,
          weighedS: workS + setUpMsOf(sequenced.problem, steps) / 1000 + ordered.value.waitingS,
        })
      : ordered
  }
  const first = foundIn(outcome.steps)
  if (!first.ok) return first
  let found = first.value
  if (found.waitingS > 0) {
    // The search knew no clock: with the clocks there may be an order that does something else meanwhile.
    const { savedS } = candidate
    const timed = orderWithClocks(
      waitsOf(job, legs, start, sequenced),
      { atLeastS: atLeastS + savedS, belowS: Math.min(found.weighedS, belowS + workS) + savedS },
      limits,
    )
    const read = timed.steps && foundIn(timed.steps)
    if (read?.ok && read.value.weighedS < found.weighedS) found = read.value
    expanded += timed.expanded
    atLeastS = Math.max(atLeastS, timed.atLeastS - savedS)
  }
  return ok({ found, atLeastS, expanded })
}

function whyImpossible(job: DerivedJob, legs: Legs, start: JobStart): NoSafeOrder {
  const answer = canStillFinish(feasibilityOf(job, legs, start.state), start.done, start.state)
  return answer.ok ? { kind: 'no safe order', stuck: [], proven: true } : { ...answer.error, proven: true }
}
