import { compareText } from '../../base/compareText'
import type { Id } from '../../base/id'
import { deriveAsFarAsPossible } from '../../order/deriveRemoval'
import { methodsTo, movesSomething } from '../../order/settingAct'
import type { Choices } from '../../order/wish'
import type { ProcedureForBuild } from '../../procedure/forBuild'
import { allGoals, type JobGoal } from './jobGoal'
import type { Policy } from './policy'

/** Beyond this many combinations the rest is left out, and nothing is called proven. */
const MOST_CHOICES = 96

/**
 * What a plan may choose: an opening per cavity, and per setting that is moved, which extra parts come off for it (the
 * cover over a lever's release) or none. Methods that move nothing are no choice: the order uses whichever is nearer.
 * The extra parts of two methods for the same value are not both taken off: then these are not `all` there are.
 */
export function choicesFor(
  model: ProcedureForBuild,
  policy: Policy,
  goal: JobGoal,
): { choices: Choices[]; all: boolean } {
  const { resting, methods: insisted } = policy
  let found: Choices[] = [{ openings: {}, methods: insisted, resting, insisted }]
  let all = true
  // Cut after each step: ten cavities with six openings each would be sixty million before the last.
  const multiply = <T>(options: readonly T[], chosen: (choice: Choices, option: T) => Choices) => {
    if (found.length * options.length > MOST_CHOICES) all = false
    const enough = found.slice(0, Math.ceil(MOST_CHOICES / Math.max(1, options.length)))
    found = enough.flatMap((choice) => options.map((option) => chosen(choice, option))).slice(0, MOST_CHOICES)
  }
  for (const wanted of allGoals(goal)) {
    const cavity = wanted.kind === 'cavity' ? model.cavities.get(wanted.cavityId) : undefined
    if (cavity)
      multiply(cavity.openings, (choice, { id }) => ({ ...choice, openings: { ...choice.openings, [cavity.id]: id } }))
  }
  const moved = settingsMoved(model, found, goal)
  for (const setting of [...model.settings.values()].sort((a, b) => compareText(a.id, b.id)))
    for (const value of setting.values) {
      const name = `${setting.id}=${value}`
      const methods = methodsTo(model, setting.id, value)
      const extra = methods.filter((id) => movesSomething(model, id))
      const plain = methods.find((id) => !movesSomething(model, id))
      const options = [...(plain ? [plain] : []), ...extra]
      if (!moved.has(setting.id) || value === setting.asFound || options.length < 2 || insisted[name]) continue
      if (extra.length > 1) all = false
      multiply(options, (choice, id) => ({ ...choice, methods: { ...choice.methods, [name]: id } }))
    }
  return { choices: found, all }
}

/** Settings that any of these openings asks for; the methods of others make no difference. */
function settingsMoved(model: ProcedureForBuild, choices: readonly Choices[], goal: JobGoal): Set<Id> {
  const moved = new Set<Id>()
  for (const choice of choices)
    for (const wish of deriveAsFarAsPossible(model, allGoals(goal), choice).removal.settings.values())
      moved.add(wish.settingId)
  return moved
}

/** What the roomier openings among these choices save of the kits' work. */
export function savedS(model: ProcedureForBuild, choices: Choices, goal: JobGoal): number {
  if (goal.kits.length === 0) return 0
  return Object.entries(choices.openings).reduce(
    (sum, [cavityId, openingId]) =>
      sum +
      (model.cavities.get(cavityId)?.openings.find((opening) => opening.id === openingId && opening.roomier)?.savesS ??
        0),
    0,
  )
}
