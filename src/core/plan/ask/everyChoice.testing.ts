import type { Choices } from '../../order/wish'
import type { ProcedureForBuild } from '../../procedure/forBuild'
import type { JobGoal } from './jobGoal'
import { branches, nothingChosen } from './planChoices'
import type { Policy } from './policy'

/** Every whole choice there is, one after the other: what the search finds without making them all. */
export function everyChoice(model: ProcedureForBuild, policy: Policy, goal: JobGoal): Choices[] {
  return below(model, goal, nothingChosen(policy))
}

/** Every whole choice below one that is not whole yet. */
export function below(model: ProcedureForBuild, goal: JobGoal, choice: Choices): Choices[] {
  const next = branches(model, goal, choice)
  return next ? next.choices.flatMap((one) => below(model, goal, one)) : [choice]
}
