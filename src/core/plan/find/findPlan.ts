import { fail, ok, type Result } from '../../base/result'
import { methodsTo } from '../../order/settingAct'
import type { ProcedureForBuild } from '../../procedure/forBuild'
import type { HouseValues } from '../../shop/houseValues'
import { whilePlanning } from '../../vehicle/circumstances'
import type { Rule } from '../../vehicle/rule'
import { DEFAULT_LIMITS, type SearchLimits } from '../../sequence/cheapestOrder'
import { nothingChosen } from '../ask/planChoices'
import type { PlanRequest } from '../ask/planRequest'
import { alreadyOut, goalFrom, type LiveStart } from '../derive/liveStart'
import { pluggableByHand, type PluggedByHand } from '../derive/plugByHand'
import { underPolicy } from '../derive/policyRules'
import { orderCandidate, prepare, type Found, type PlanError } from './candidate'
import { ChoicesByBound, type ChoiceLimits } from './choicesByBound'
import type { FoundOrder, Proof } from './foundOrder'
import { ROUNDING_S } from './orderContext'

export type { PlanError } from './candidate'

/** `from`: where a live job stands; what it has done is left out and the rest is ordered from there. */
export type PlanOptions = { limits?: SearchLimits; from?: LiveStart; onProgress?: (progress: PlanProgress) => void }

/** States of all choices of one question together: so many choices must not each cost as much as one alone may. */
const MOST_STATES = 400_000

/** Choices of one question; what is left is bounded by the least work below it. */
const CHOICES: ChoiceLimits = { choices: 6_000, ordered: 400 }
const CHOICES_AT_ONCE: ChoiceLimits = { choices: 200, ordered: 40 }

/** Enough for a safe order, with what is known of a better one; nothing is looked for beyond the first glance. */
export const AT_ONCE: SearchLimits = { expandedStates: 0 }

/** How far the search is: which choice it looks into, and the states it went through. */
export type PlanProgress = { choice: number; expanded: number }

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
): Result<FoundOrder, PlanError> {
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
  options: PlanOptions & { byHand?: readonly PluggedByHand[] },
): Result<FoundOrder, PlanError> {
  const { from, byHand } = options
  const model = underPolicy(whole, request.policy)
  const barred = barredMethod(whole, model, request)
  if (barred) return fail(barred)
  const out = from ? { ...alreadyOut(from.state), ...(byHand && { byHand: [...byHand] }) } : null
  const goal = goalFrom(request, whole.build, out)
  const circumstances = whilePlanning(house, rules)
  const choices = new ChoicesByBound(
    { model, goal, circumstances, scope: request.scope, from },
    nothingChosen(request.policy),
    (choice) => prepare(model, request, goal, choice, circumstances, from, byHand),
    options.limits?.expandedStates === 0 ? CHOICES_AT_ONCE : CHOICES,
  )
  const search = bestOf(choices, request, options)
  const { best } = search
  if (!best) return fail(choices.error ?? whyNone(search))
  const { candidate, steps, totalS } = best
  const proof: Proof = {
    totalS,
    proven: search.everyChoiceBounded && search.atLeastS >= best.weighedS - ROUNDING_S,
    gapS: Math.max(0, best.weighedS - search.atLeastS),
    choices: choices.whole,
    allChoices: search.everyChoiceBounded,
    expanded: search.expanded,
  }
  return ok({ choices: candidate.job.removal.choices, steps, doneBefore: [...candidate.start.done], from: out, proof })
}

/** Why no choice came to an order: the first one's own reason, or that the search ended before it found any. */
function whyNone({ error, atLeastS, expanded }: Searched): PlanError {
  return error ?? { kind: 'no order within the limits', atLeastS, expanded }
}

/** A method the crew insists on that its own policy rules out. */
function barredMethod(whole: ProcedureForBuild, model: ProcedureForBuild, request: PlanRequest): PlanError | null {
  for (const [name, id] of Object.entries(request.policy.methods)) {
    const [settingId, value] = [name.split('=')[0]!, name.slice(name.indexOf('=') + 1)]
    if (whole.methods.has(id) && !methodsTo(model, settingId, value).includes(id))
      return { kind: 'no-method', settingId, value }
  }
  return null
}

/** What a search over all choices came to. `error`: the first choice's own reason, where one had one. */
type Searched = {
  best: Found | null
  atLeastS: number
  expanded: number
  everyChoiceBounded: boolean
  error: PlanError | null
}

/** The best order of all choices, the least work first: a choice whose bound is no better is not looked into. */
function bestOf(
  choices: ChoicesByBound,
  request: PlanRequest,
  { limits = limitsOf(request), onProgress }: PlanOptions,
): Searched {
  const searched: Searched = { best: null, atLeastS: Infinity, expanded: 0, everyChoiceBounded: true, error: null }
  const belowS = () => searched.best?.weighedS ?? Infinity
  let choice = 0
  for (let candidate = choices.next(belowS()); candidate; candidate = choices.next(belowS())) {
    choice += 1
    const before = searched.expanded
    const told = (now: number) => onProgress?.({ choice, expanded: before + now })
    const ordered = orderCandidate(
      candidate,
      request,
      {
        ...limits,
        expandedStates: Math.min(limits.expandedStates, Math.max(0, MOST_STATES - searched.expanded)),
        ...(onProgress && { onProgress: told }),
      },
      belowS() - candidate.workS,
    )
    if (!ordered.ok) {
      searched.error ??= ordered.error
      // One that was refused by a rule after all is not known to be impossible: nothing is proven beside it.
      if (ordered.error.kind === 'refused order') searched.everyChoiceBounded = false
      continue
    }
    const { found, atLeastS, expanded } = ordered.value
    searched.expanded += expanded
    searched.atLeastS = Math.min(searched.atLeastS, atLeastS)
    if (found && (searched.best === null || found.weighedS < searched.best.weighedS)) searched.best = found
  }
  searched.atLeastS = Math.min(searched.atLeastS, choices.leastLeftS)
  searched.everyChoiceBounded &&= choices.all
  return searched
}

/**
 * A habit is a taste: where every panel is a place of its own the last of its 20 s can cost more looking than anybody
 * would wait. What is not proven then says by how much.
 */
function limitsOf({ policy }: PlanRequest): SearchLimits {
  return policy.habit === 'panel by panel' ? { expandedStates: 6_000 } : DEFAULT_LIMITS
}
