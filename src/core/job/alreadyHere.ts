import { allCards, type PlanOnCards } from '../plan/show/planOnCards'
import type { Step } from '../plan/find/step'
import { ownTapFor } from '../plan/show/summary'
import { happeningsFor, isDone } from './progress'
import type { Happening } from './event'
import type { JobState } from './jobState'
import type { WorkOfJob } from './workSteps'

/**
 * What somebody says who is already at a card: what lies before it, and of that what has to be looked at one by one.
 */
export type AlreadyHere = { assumed: Step[]; looked: Step[] }

/**
 * Everything before a card that is not done. What a rule of safety minds, and what has a result (work, tests), is never
 * assumed: it is looked at and ticked. Null when nothing lies before it.
 */
export function alreadyHere(plan: PlanOnCards, state: JobState, cardId: string): AlreadyHere | null {
  const cards = allCards(plan)
  const at = cards.findIndex((card) => card.id === cardId)
  const open = cards
    .slice(0, Math.max(0, at))
    .flatMap((card) => card.steps)
    .filter((step) => step.operation.act !== 'wait' && !isDone(state, step.operation))
  if (open.length === 0) return null
  const looked = open.filter((step) => isLooked(plan, step))
  return { assumed: open.filter((step) => !looked.includes(step)), looked }
}

function isLooked(plan: PlanOnCards, step: Step): boolean {
  const own = ownTapFor(plan.job, step.operation)
  return own === 'safety' || own === 'result' || step.operation.setting !== null
}

/** As events: what is assumed, and what was looked at. */
export function hereHappenings(
  job: WorkOfJob,
  state: JobState,
  here: AlreadyHere,
): { assumed: Happening[]; counted: Happening[] } {
  const of = (steps: readonly Step[]) => steps.flatMap((step) => happeningsFor(state, step.operation, job))
  return { assumed: of(here.assumed), counted: of(here.looked) }
}
