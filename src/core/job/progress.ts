import { wallMsOf } from '../base/clock'
import type { Id } from '../base/id'
import { splitKey } from '../procedure/acts'
import { countedIn, type Operation } from '../order/operation'
import type { Card } from '../plan/show/cards'
import { allCards, type PlanOnCards } from '../plan/show/planOnCards'
import type { Step } from '../plan/find/step'
import { ownTapFor, type OwnTap } from '../plan/show/summary'
import type { JobState } from './jobState'
import type { Happening } from './event'
import { JOB_ACTS } from './jobActs'
import type { WorkOfJob } from './workSteps'

/** Whether what an operation is for has happened, by the state of the things, whoever did it and in which order. */
export function isDone(state: JobState, operation: Operation): boolean {
  return JOB_ACTS[operation.act].isDone(state, operation)
}

/** What to record when an operation is done as written. `job`: of what the plan was derived, for its work. */
export function happeningsFor(state: JobState, operation: Operation, job: WorkOfJob): Happening[] {
  return JOB_ACTS[operation.act].records(state, operation, job)
}

/** Groups that a tap would count out and that nobody has counted yet: how many there are is asked first. */
export function toBeCounted(state: JobState, operations: readonly Operation[]): Id[] {
  return operations
    .filter(({ phase }) => phase === 'in')
    .flatMap(countedIn)
    .filter((id) => state.uncounted.has(id) && (state.holders.get(id)?.undone ?? 0) === 0)
}

/** Tools that somebody takes up with these steps and that are not out yet: they are counted back at the end. */
export function toolsTakenUp(state: JobState, steps: readonly Step[]): Happening[] {
  const isOut = (tool: string) => (state.tools.get(tool)?.out ?? 0) > (state.tools.get(tool)?.back ?? 0)
  const tools = new Set(steps.map((step) => step.tool).filter((tool) => tool !== 'hand' && tool !== '' && !isOut(tool)))
  return [...tools].map((tool) => ({ kind: 'tool out', tool }))
}

/** What an operation still waits for by the clock (glue, cooling, a first start), and how long. Null = nothing. */
export function delayLeft(
  plan: PlanOnCards,
  state: JobState,
  operation: Operation,
  nowMs: number,
): { workId: string; leftS: number } | null {
  let longest: { workId: string; leftS: number } | null = null
  for (const edge of [...plan.job.prepared.edges, ...plan.refit.edges]) {
    const work = edge.after === operation.key && edge.delayS ? splitKey(edge.before) : undefined
    const done = work?.[0] === 'work' ? state.works.get(work[1]) : undefined
    if (!work || !done) continue
    const leftS = Math.ceil((wallMsOf(done.at) - nowMs) / 1000 + edge.delayS!)
    if (leftS > 0 && leftS > (longest?.leftS ?? 0)) longest = { workId: work[1], leftS }
  }
  return longest
}

/** The first step that is not done yet, with its card; null when everything is. `leave` are steps left for later. */
export function nextStep(
  plan: PlanOnCards,
  state: JobState,
  leave: ReadonlySet<string> = new Set(),
): { card: Card; step: Step } | null {
  for (const card of allCards(plan))
    for (const step of card.steps)
      if (!leave.has(step.operation.key) && !isDone(state, step.operation)) return { card, step }
  return null
}

export type NextTap = { card: Card; step: Step; own: OwnTap | null; steps: Step[] }

/**
 * What one tap on "done as written" confirms: from the next step on, the steps of its card, up to one that keeps a tap
 * of its own (hidden, lookalike, safety), which is always confirmed alone.
 */
export function nextTap(plan: PlanOnCards, state: JobState, leave: ReadonlySet<string> = new Set()): NextTap | null {
  const next = nextStep(plan, state, leave)
  return next && tapFrom(plan, state, next.card, next.step, (step) => !leave.has(step.operation.key))
}

/** The tap that begins at a step. `mayJoin`: whether a later step of its card goes with it. */
export function tapFrom(
  plan: PlanOnCards,
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
