import { compareText } from '../../base/compareText'
import type { Id } from '../../base/id'
import { LEVELS } from '../../procedure/levels'
import type { Cavity } from '../../procedure/cavity'
import { deriveAsFarAsPossible } from '../../order/deriveRemoval'
import { methodsTo, movesSomething } from '../../order/settingAct'
import type { Choices, Goal } from '../../order/wish'
import type { ProcedureForBuild } from '../../procedure/forBuild'
import { allGoals, goalOf, type JobGoal } from './jobGoal'
import type { Policy } from './policy'

/** Nothing chosen yet but what the policy insists on. */
export function nothingChosen({ resting, methods: insisted }: Policy): Choices {
  return { openings: {}, methods: insisted, resting, insisted }
}

/** The ways to go on from a choice. `all`: these are all there are. */
export type Branches = { choices: Choices[]; all: boolean }

/**
 * What is to be chosen next: the opening of the first cavity without one; where each has its own, which extra parts
 * come off for a setting that is moved then (the cover over a lever's release) or none. Null where nothing is left to
 * choose. Methods that move nothing are no choice: the order uses whichever is nearer. The extra parts of two methods
 * for the same value are not both taken off: then these are not `all` there are.
 */
export function branches(model: ProcedureForBuild, goal: JobGoal, choice: Choices): Branches | null {
  const [cavity] = cavitiesLeft(model, goal, choice)
  if (!cavity) return methodsLeft(model, goal, choice)
  const openings = cavity.openings.map(({ id }) => ({ ...choice, openings: { ...choice.openings, [cavity.id]: id } }))
  return { choices: openings, all: true }
}

/** Cavities of the goals that have no opening yet, in the order of the goals. */
export function cavitiesLeft(model: ProcedureForBuild, goal: JobGoal, { openings }: Choices): Cavity[] {
  return allGoals(goal).flatMap((wanted) => {
    const cavity = wanted.kind === 'cavity' ? model.cavities.get(wanted.cavityId) : undefined
    return cavity && openings[cavity.id] === undefined ? [cavity] : []
  })
}

function methodsLeft(model: ProcedureForBuild, goal: JobGoal, choice: Choices): Branches | null {
  const { settings } = deriveAsFarAsPossible(model, allGoals(goal), choice).removal
  const moved = new Set([...settings.values()].map(({ settingId }) => settingId))
  for (const setting of [...model.settings.values()].sort((a, b) => compareText(a.id, b.id)))
    for (const value of moved.has(setting.id) ? setting.values : []) {
      const name = `${setting.id}=${value}`
      if (value === setting.asFound || choice.methods[name] !== undefined) continue
      const { options, extra } = waysToSet(model, setting.id, value)
      if (options.length < 2) continue
      const choices = options.map((id) => ({ ...choice, methods: { ...choice.methods, [name]: id } }))
      return { choices, all: extra < 2 }
    }
  return null
}

/** The first method that moves nothing, and each that moves something: so many are `extra`. */
function waysToSet(model: ProcedureForBuild, settingId: Id, value: string): { options: Id[]; extra: number } {
  const methods = methodsTo(model, settingId, value)
  const extra = methods.filter((id) => movesSomething(model, id))
  const plain = methods.find((id) => !movesSomething(model, id))
  return { options: plain === undefined ? extra : [plain, ...extra], extra: extra.length }
}

/**
 * What the openings of a choice ask for together, as text: each part once, at the furthest level any of them needs. Two
 * choices with the same text differ in name only. Where work of a kit waits for a cavity its opening counts by itself:
 * the work may be done as soon as that one is open, and be quicker there.
 */
export function whatIsAsked(model: ProcedureForBuild, goal: JobGoal, { openings, methods }: Choices): string {
  const levels = new Map<Id, number>()
  const worked = cavitiesWorkedIn(goal)
  const own: [Id, unknown, number][] = []
  for (const [cavityId, openingId] of Object.entries(openings)) {
    const { parts, roomier, savesS } = model.cavities.get(cavityId)!.openings.find(({ id }) => id === openingId)!
    const asked = inOrder(parts.map(({ partId, level }) => [partId, LEVELS.indexOf(level)] as const))
    for (const [partId, level] of asked) levels.set(partId, Math.max(levels.get(partId) ?? 0, level))
    if (worked.has(cavityId)) own.push([cavityId, asked, roomier ? savesS : 0])
  }
  return JSON.stringify([inOrder([...levels]), inOrder(own), inOrder(Object.entries(methods))])
}

function inOrder<T extends readonly [string, ...unknown[]]>(items: readonly T[]): T[] {
  return [...items].sort((a, b) => compareText(a[0], b[0]))
}

function cavitiesWorkedIn({ kits }: JobGoal): Set<Id> {
  return new Set(
    kits.flatMap(({ fit }) =>
      Object.values(fit.access)
        .flat()
        .map(goalOf)
        .flatMap((goal) => (goal.kind === 'cavity' ? [goal.cavityId] : [])),
    ),
  )
}

/** The goals that what is chosen so far settles: parts, and cavities that have their opening. */
export function goalsSettled(model: ProcedureForBuild, goal: JobGoal, choice: Choices): Goal[] {
  const left = new Set(cavitiesLeft(model, goal, choice).map(({ id }) => id))
  return allGoals(goal).filter((wanted) => wanted.kind === 'part' || !left.has(wanted.cavityId))
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

/** The most that openings still to be chosen can save. */
export function mayStillSaveS(model: ProcedureForBuild, choices: Choices, goal: JobGoal): number {
  if (goal.kits.length === 0) return 0
  return cavitiesLeft(model, goal, choices).reduce(
    (sum, { openings }) => sum + Math.max(0, ...openings.map(({ roomier, savesS }) => (roomier ? savesS : 0))),
    0,
  )
}
