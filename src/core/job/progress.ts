import { wallMsOf } from '../base/clock'
import type { Id } from '../base/id'
import { countedIn, type Operation } from '../order/operation'
import type { Card } from '../plan/show/cards'
import type { JobPlan } from '../plan/show/jobPlan'
import type { Step } from '../plan/find/step'
import { ownTapFor, type OwnTap } from '../plan/show/summary'
import { atLeast } from '../procedure/levels'
import type { HolderCounts } from './account'
import { levelNow } from './fold'
import type { JobState } from './jobState'
import type { Happening } from './event'

/** A group counted out: as many as there were, or as are left of it. */
function countedOut(state: JobState, holderId: Id): Happening[] {
  const c = state.holders.get(holderId)!
  const left = c.design - c.missing + c.extra - c.undone
  return left > 0 ? [{ kind: 'undone', holderId, count: left }] : []
}

/** A group counted back in: what came off whole, and new ones for the rest. */
function countedBack(state: JobState, holderId: Id): Happening[] {
  const { old, fresh } = toFasten(state.holders.get(holderId)!)
  return [
    ...(old > 0 ? [{ kind: 'fastened', holderId, count: old, stage: 'final' } as const] : []),
    ...(fresh > 0 ? [{ kind: 'new fitted', holderId, count: fresh, insteadOf: 'old' } as const] : []),
  ]
}

function isBackIn(c: HolderCounts | undefined): boolean {
  return c !== undefined && isOff(c) && c.fastenedOld + c.fittedNew + c.leftOut >= c.undone + c.madeGood
}

/** Whether what an operation is for has happened, by the state of the things, whoever did it and in which order. */
export function isDone(state: JobState, operation: Operation): boolean {
  const { itemId } = operation
  switch (operation.act) {
    case 'undo': {
      const c = state.holders.get(itemId)
      return (
        c !== undefined && (state.uncounted.has(itemId) ? c.undone > 0 : c.undone >= c.design - c.missing + c.extra)
      )
    }
    case 'release':
      return state.moved.has(itemId)
    case 'lift':
      return state.setAside.has(itemId)
    case 'ease':
      return atLeast(levelNow(state, itemId), 'eased') || state.moved.has(itemId)
    case 'open':
      return (state.tetherTimes.get(itemId)?.opened ?? 0) >= operation.nth
    // Set back is set back, although the plan changes it again later (the ignition, for another test): what stands
    // otherwise in the end is a row of the balance.
    case 'set':
    case 'restore':
      return (state.valuesReached.get(`${itemId}=${operation.setting!.to}`) ?? 0) >= operation.nth
    case 'fasten':
      return isBackIn(state.holders.get(itemId))
    case 'start': {
      const c = state.holders.get(itemId)
      return c !== undefined && isOff(c) && c.started + c.fastenedOld + c.fittedNew + c.leftOut >= c.undone + c.madeGood
    }
    case 'place':
      return state.setAside.has(itemId) && !atLeast(levelNow(state, itemId), 'off')
    case 'seat':
      return (
        state.moved.has(itemId) &&
        levelNow(state, itemId) === 'in place' &&
        (operation.pulled ?? []).every((id) => !isOut(state.holders.get(id)))
      )
    case 'close':
      return (
        (state.tetherTimes.get(itemId)?.closed ?? 0) >= operation.nth &&
        (operation.phase !== 'out' || !state.tethersOpen.has(itemId))
      )
    case 'feed':
      return state.ledThrough.has(itemId) || (state.tethersTouched.has(itemId) && !state.tethersOpen.has(itemId))
    case 'work':
      return state.works.has(itemId)
    case 'test':
      return state.tests.get(itemId)?.result === 'passed'
    case 'decide':
      return state.facets.has(itemId)
    case 'wait':
      // A wait is over when what waited for it is done; the rules of safety hold the next act back until then.
      return true
  }
}

/** Whether some of a group that came off with a pull are not pressed home yet. */
function isOut(c: HolderCounts | undefined): boolean {
  return c !== undefined && c.undone > 0 && !isBackIn(c)
}

/** Whether the group is off: some of it came off, or all of it was missing before anybody began. */
function isOff(c: HolderCounts): boolean {
  return c.undone > 0 || c.design - c.missing + c.extra <= 0
}

/** Groups that a tap would count out and that nobody has counted yet: how many there are is asked first. */
export function toBeCounted(state: JobState, operations: readonly Operation[]): Id[] {
  return operations
    .filter(({ phase }) => phase === 'in')
    .flatMap(countedIn)
    .filter((id) => state.uncounted.has(id) && (state.holders.get(id)?.undone ?? 0) === 0)
}

/** What to record when an operation is done as written. `have` is what the account says is still to do, for counts. */
export function happeningsFor(state: JobState, operation: Operation): Happening[] {
  const { itemId, pulled = [] } = operation
  const c = state.holders.get(itemId)
  switch (operation.act) {
    case 'undo':
      return [{ kind: 'undone', holderId: itemId, count: Math.max(1, c!.design - c!.missing + c!.extra - c!.undone) }]
    case 'fasten':
      return countedBack(state, itemId)
    case 'ease':
      return [...pulled.flatMap((id) => countedOut(state, id)), { kind: 'part at', partId: itemId, level: 'eased' }]
    case 'start': {
      const { old, fresh } = toFasten(c!)
      return old + fresh > 0 ? [{ kind: 'fastened', holderId: itemId, count: old + fresh, stage: 'started' }] : []
    }
    case 'work':
      return [{ kind: 'work done', workId: itemId, reading: '', note: '' }]
    case 'test':
      return [{ kind: 'tested', functionId: itemId, result: 'passed', reading: '', note: '' }]
    case 'decide':
    case 'wait':
      return []
    case 'release':
      return [...pulled.flatMap((id) => countedOut(state, id)), { kind: 'part at', partId: itemId, level: 'free' }]
    case 'lift':
      return [{ kind: 'part at', partId: itemId, level: 'off' }]
    case 'place':
      return [{ kind: 'part at', partId: itemId, level: 'free' }]
    case 'seat':
      return [
        ...(levelNow(state, itemId) === 'in place'
          ? []
          : [{ kind: 'part at', partId: itemId, level: 'in place' } as const]),
        ...pulled.flatMap((id) => countedBack(state, id)),
      ]
    case 'open':
      return [{ kind: 'opened', tetherId: itemId }]
    case 'close':
      return [{ kind: 'closed', tetherId: itemId }]
    case 'feed':
      return [{ kind: 'led through', tetherId: itemId }]
    case 'set':
    case 'restore': {
      const act = operation.setting!
      return [{ kind: 'set', settingId: act.settingId, value: act.to, methodId: act.methodId }]
    }
  }
}

/** Tools that somebody takes up with these steps and that are not out yet: they are counted back at the end. */
export function toolsTakenUp(state: JobState, steps: readonly Step[]): Happening[] {
  const isOut = (tool: string) => (state.tools.get(tool)?.out ?? 0) > (state.tools.get(tool)?.back ?? 0)
  const tools = new Set(steps.map((step) => step.tool).filter((tool) => tool !== 'hand' && tool !== '' && !isOut(tool)))
  return [...tools].map((tool) => ({ kind: 'tool out', tool }))
}

/** How many of a group go back: those that came off and are whole, and new ones for those that broke or are lost. */
export function toFasten(c: HolderCounts): { old: number; fresh: number } {
  const wanted = Math.max(0, c.undone + c.madeGood - c.fastenedOld - c.fittedNew - c.leftOut)
  const old = Math.max(0, Math.min(wanted, c.undone - c.fastenedOld - c.broken - c.lost - c.ended))
  return { old, fresh: wanted - old }
}

/** What an operation still waits for by the clock (glue, cooling, a first start), and how long. Null = nothing. */
export function delayLeft(
  plan: JobPlan,
  state: JobState,
  operation: Operation,
  nowMs: number,
): { workId: string; leftS: number } | null {
  let longest: { workId: string; leftS: number } | null = null
  for (const edge of plan.refit.edges) {
    const work = edge.after === operation.key && edge.delayS ? plan.refit.operations.get(edge.before) : undefined
    const done = work && state.works.get(work.itemId)
    if (!work || !done) continue
    const leftS = Math.ceil((wallMsOf(done.at) - nowMs) / 1000 + edge.delayS!)
    if (leftS > 0 && leftS > (longest?.leftS ?? 0)) longest = { workId: work.itemId, leftS }
  }
  return longest
}

/** The first step that is not done yet, with its card; null when everything is. `leave` are steps left for later. */
export function nextStep(
  plan: JobPlan,
  state: JobState,
  leave: ReadonlySet<string> = new Set(),
): { card: Card; step: Step } | null {
  for (const card of [...plan.wayIn, ...plan.wayOut])
    for (const step of card.steps)
      if (!leave.has(step.operation.key) && !isDone(state, step.operation)) return { card, step }
  return null
}

export type NextTap = { card: Card; step: Step; own: OwnTap | null; steps: Step[] }

/**
 * What one tap on "done as written" confirms: from the next step on, the steps of its card, up to one that keeps a tap
 * of its own (hidden, lookalike, safety), which is always confirmed alone.
 */
export function nextTap(plan: JobPlan, state: JobState, leave: ReadonlySet<string> = new Set()): NextTap | null {
  const next = nextStep(plan, state, leave)
  return next && tapFrom(plan, state, next.card, next.step, (step) => !leave.has(step.operation.key))
}

/** The tap that begins at a step. `mayJoin`: whether a later step of its card goes with it. */
export function tapFrom(
  plan: JobPlan,
  state: JobState,
  card: Card,
  step: Step,
  mayJoin: (step: Step) => boolean,
): NextTap {
  const own = ownTapFor(plan.job, step.operation)
  const steps = [step]
  for (const later of own ? [] : card.steps.slice(card.steps.indexOf(step) + 1)) {
    if (ownTapFor(plan.job, later.operation)) break
    if (mayJoin(later) && !isDone(state, later.operation)) steps.push(later)
  }
  return { card, step, own, steps }
}
