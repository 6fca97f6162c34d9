import type { Id } from '../base/id'
import type { ProcedureForBuild } from '../procedure/forBuild'
import type { Level } from '../procedure/level'
import type { Choices, Goal } from './wish'

/** The parts a goal asks for under these choices; null when the model has no such thing. */
export function partsOfGoal(
  model: ProcedureForBuild,
  goal: Goal,
  choices: Choices,
): { partId: Id; level: Level }[] | null {
  if (goal.kind === 'part') return model.parts.has(goal.partId) ? [goal] : goal.ifThere ? [] : null
  const cavity = model.cavities.get(goal.cavityId)
  if (!cavity) return null
  const opening = cavity.openings.find((o) => o.id === choices.openings[cavity.id]) ?? cavity.openings[0]!
  return opening.parts
}
