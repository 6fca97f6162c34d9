import { compareText } from '../../base/compareText'
import type { Id } from '../../base/id'
import { LEVELS } from '../../procedure/levels'
import { deriveAsFarAsPossible } from '../../order/deriveRemoval'
import { methodsTo, movesSomething } from '../../order/settingAct'
import type { Choices } from '../../order/wish'
import type { ProcedureForBuild } from '../../procedure/forBuild'
import { allGoals, type JobGoal } from './jobGoal'
import type { Policy } from './policy'

/** Beyond this many different combinations the rest is left out, and nothing is called proven. */
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
  // Looked at after each step: ten cavities with six openings each would be sixty million before the last. Those that
  // come to the same are one; what is still too many is cut.
  const multiply = <T>(options: readonly T[], chosen: (choice: Choices, option: T) => Choices) => {
    if (found.length * options.length > MOST_CHOICES) found = different(model, found, goal)
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

/**
 * Choices of which each asks for other parts off, or parts at another level, than those before it: of all that ask for
 * the same the first. With kits each stays: their work waits for the opening of its own cavity, and may be quicker
 * there.
 */
function different(model: ProcedureForBuild, choices: readonly Choices[], goal: JobGoal): Choices[] {
  if (goal.kits.length > 0) return [...choices]
  const first = new Map<string, Choices>()
  for (const choice of choices) {
    const asked = askedOff(model, choice)
    if (!first.has(asked)) first.set(asked, choice)
  }
  return [...first.values()]
}

/** What the openings of a choice ask for together: each part once, at the furthest level any of them needs. */
function askedOff(model: ProcedureForBuild, { openings, methods }: Choices): string {
  const levels = new Map<Id, number>()
  for (const [cavityId, openingId] of Object.entries(openings))
    for (const { partId, level } of model.cavities.get(cavityId)!.openings.find(({ id }) => id === openingId)!.parts)
      levels.set(partId, Math.max(levels.get(partId) ?? 0, LEVELS.indexOf(level)))
  return JSON.stringify([[...levels].sort(([a], [b]) => compareText(a, b)), methods])
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
