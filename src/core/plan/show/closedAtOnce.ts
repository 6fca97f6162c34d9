import type { Id } from '../../base/id'
import { allSteps, type PlanOnCards } from './planOnCards'

/** What closing at once risks: functions tried only at the end, what comes off again if one fails, how long that is. */
export type ClosedAtOnce = { functionIds: Id[]; partIds: Id[]; againS: number }

/** Null where everything is tried before it is hidden. Cost: O(steps). */
export function closedAtOnce(plan: PlanOnCards): ClosedAtOnce | null {
  const { notTriedBefore } = plan.job
  if (notTriedBefore.length === 0) return null
  const parts = new Set(notTriedBefore.flatMap(({ hiders }) => hiders))
  const again = allSteps(plan).filter(
    ({ operation: { partId, phase } }) => partId !== null && parts.has(partId) && phase !== 'test',
  )
  return {
    functionIds: notTriedBefore.map(({ functionId }) => functionId),
    partIds: [...parts],
    againS: again.reduce((sum, step) => sum + step.workS + step.setUpS, 0),
  }
}
