import type { Id } from '../base/id'
import type { ProcedureDocument } from '../procedure/document'
import type { Kit, KitFit } from './kit'
import { suppliesNeeded } from './supplies'
import { WORK_STEP_ACTS, type StepThing, type WorkStep } from './workStep'

/** What is wrong in a kit itself, whatever the model. `in`: the name of what says it. */
export type KitProblem =
  | { kind: 'work after itself'; workId: Id }
  | { kind: 'no such work'; workId: Id; in: string }
  | { kind: 'bypass'; workId: Id }
  | { kind: 'same id twice'; id: Id }
  | { kind: 'no such thing'; id: Id; in: string }
  | { kind: 'step of the wrong kind'; stepId: Id; in: string }
  | { kind: 'no such choice'; facetId: Id; in: string }
  | { kind: 'no such value'; value: string; in: string }
  /** Told, and no reason to refuse the kit: a kit is written bit by bit. */
  | { kind: 'more used than there are'; itemId: Id; in: string; needed: number; listed: number }
  | { kind: 'plug in no step'; itemId: Id; in: string }
  | { kind: 'setting without a value'; itemId: Id; in: string }

/** With one of these a kit can't be kept: nothing could be planned with it. */
const REFUSES: Readonly<Record<KitProblem['kind'], boolean>> = {
  'work after itself': true,
  'no such work': true,
  bypass: true,
  'same id twice': true,
  'no such thing': true,
  'step of the wrong kind': true,
  'no such choice': true,
  'no such value': true,
  'more used than there are': false,
  'plug in no step': false,
  'setting without a value': false,
}

/** Whether a problem keeps a kit from being kept. */
export function refusesKit({ kind }: KitProblem): boolean {
  return REFUSES[kind]
}

/** What is wrong in a kit, what refuses it first. A signal is never bypassed. Cost: O(items^2), of a few dozen. */
export function checkKit(kit: Kit): KitProblem[] {
  const found = [...workProblems(kit), ...pointers(kit), ...counted(kit)]
  return [...found.filter(refusesKit), ...found.filter((problem) => !refusesKit(problem))]
}

function workProblems(kit: Kit): KitProblem[] {
  const ids = new Set(kit.works.map((work) => work.id))
  const found: KitProblem[] = []
  for (const work of kit.works) {
    if (work.kind === 'bypass a signal') found.push({ kind: 'bypass', workId: work.id })
    for (const first of work.afterWork)
      if (!ids.has(first)) found.push({ kind: 'no such work', workId: first, in: work.name })
    if (comesAfterItself(kit, work.id)) found.push({ kind: 'work after itself', workId: work.id })
  }
  for (const item of kit.functions)
    for (const first of item.afterWork)
      if (!ids.has(first)) found.push({ kind: 'no such work', workId: first, in: item.name })
  return found
}

/** Which list a step's thing stands in. */
const THINGS: Readonly<Record<StepThing, 'parts' | 'holders' | 'plugs' | 'settings' | null>> = {
  part: 'parts',
  holder: 'holders',
  plug: 'plugs',
  setting: 'settings',
  nothing: null,
}

/** Ids that point nowhere, at the wrong kind of thing, or stand twice. */
function pointers(kit: Kit): KitProblem[] {
  const lists = [kit.facets, kit.views, kit.parts, kit.holders, kit.plugs, kit.settings, kit.cautions]
  const all = [...lists, kit.works, kit.functions, kit.changes].flatMap((items) => items.map(({ id }) => id))
  const twice = all.filter((id, i) => all.indexOf(id) < i)
  const parts = new Set(kit.parts.map(({ id }) => id))
  const lost = (ids: readonly (Id | null)[], where: string): KitProblem[] =>
    ids.flatMap((id) => (id !== null && !parts.has(id) ? [{ kind: 'no such thing', id, in: where }] : []))
  return [
    ...twice.map((id): KitProblem => ({ kind: 'same id twice', id })),
    ...kit.holders.flatMap((holder) => lost(holder.holds, holder.kind)),
    ...kit.plugs.flatMap((plug) => lost([plug.partId], plug.name)),
    ...kit.settings.flatMap((setting) => [...lost([setting.partId], setting.name), ...valueProblems(setting)]),
    ...kit.works.flatMap((work) => work.steps.flatMap((step) => stepProblem(kit, work.name, step) ?? [])),
    ...choiceProblems(kit),
  ]
}

function stepProblem(kit: Kit, where: string, { id, act, itemId }: WorkStep): KitProblem | null {
  const list = THINGS[WORK_STEP_ACTS[act].of]
  if (list === null || itemId === null)
    return itemId === null ? null : { kind: 'step of the wrong kind', stepId: id, in: where }
  if (kit[list].some((item) => item.id === itemId)) return null
  const exists = [kit.parts, kit.holders, kit.plugs, kit.settings].some((items) =>
    items.some((item) => item.id === itemId),
  )
  return exists
    ? { kind: 'step of the wrong kind', stepId: id, in: where }
    : { kind: 'no such thing', id: itemId, in: where }
}

function valueProblems({ values, expected, name }: Kit['settings'][number]): KitProblem[] {
  return values.length === 0
    ? []
    : expected.flatMap(({ value }): KitProblem[] =>
        values.includes(value) ? [] : [{ kind: 'no such value', value, in: name }],
      )
}

/** Conditions on the kit's own facets that name a choice it does not have. Those of vehicles are the fits' business. */
function choiceProblems(kit: Kit): KitProblem[] {
  const choices = new Map(kit.facets.map((facet) => [facet.id, new Set(facet.choices.map(({ id }) => id))]))
  const conditional = [
    ...[...kit.parts, ...kit.plugs, ...kit.settings, ...kit.works, ...kit.functions].map((item) => ({
      ...{ when: item.when, name: item.name },
    })),
    ...kit.holders.map(({ when, kind }) => ({ when, name: kind })),
    ...kit.changes.map(({ when, where }) => ({ when, name: where })),
  ]
  return conditional.flatMap(({ when, name }) =>
    Object.entries(when).flatMap(([facetId, allowed]): KitProblem[] => {
      const known = choices.get(facetId)
      return known && allowed.some((id) => !known.has(id)) ? [{ kind: 'no such choice', facetId, in: name }] : []
    }),
  )
}

/** What does not add up, and need not yet. */
function counted(kit: Kit): KitProblem[] {
  const fit: KitFit = {
    procedureId: '-',
    access: {},
    stations: {},
    endings: [],
    functionsChanged: [],
    functionsTaken: [],
  }
  const named = new Set(kit.works.flatMap(({ steps }) => steps.map(({ itemId }) => itemId)))
  const hasSteps = kit.works.some(({ steps }) => steps.length > 0)
  return [
    ...suppliesNeeded([{ kit, fit }], {})
      .filter(({ needed, listed, supply }) => needed > listed && !supply.consumable)
      .map(({ itemId, name, needed, listed }): KitProblem => ({
        ...{ kind: 'more used than there are', itemId, in: name, needed, listed },
      })),
    ...kit.plugs
      .filter(({ id }) => hasSteps && !named.has(id))
      .map(({ id, name }): KitProblem => ({ kind: 'plug in no step', itemId: id, in: name })),
    ...kit.settings
      .filter(({ expected }) => expected.length === 0)
      .map(({ id, name }): KitProblem => ({ kind: 'setting without a value', itemId: id, in: name })),
  ]
}

/** What a model does not have, or a kit asks of it in vain. */
export type FitProblem =
  | { kind: 'no such place'; workId: Id; in: string }
  | { kind: 'no such end'; itemId: Id }
  | { kind: 'no such function'; functionId: Id }
  | { kind: 'no such facet'; facetId: Id; in: string }

/** Where a kit and a model do not meet: a place, a thing or a facet that the model does not have (any more). */
export function checkFit(kit: Kit, fit: KitFit, document: ProcedureDocument): FitProblem[] {
  const has = (items: readonly { id: Id }[], id: Id) => items.some((item) => item.id === id)
  const facets = new Set([...document.facets, ...kit.facets].map(({ id }) => id))
  const conditional = [...kit.parts, ...kit.plugs, ...kit.settings, ...kit.works, ...kit.functions]
  return [
    ...kit.works.flatMap((work) =>
      (fit.access[work.id] ?? [])
        .filter((access) =>
          access.kind === 'cavity' ? !has(document.cavities, access.cavityId) : !has(document.parts, access.partId),
        )
        .map((): FitProblem => ({ kind: 'no such place', workId: work.id, in: work.name })),
    ),
    ...fit.endings
      .filter(({ itemId }) => !has(document.parts, itemId) && !has(document.tethers, itemId))
      .map(({ itemId }): FitProblem => ({ kind: 'no such end', itemId })),
    ...[...fit.functionsChanged, ...fit.functionsTaken]
      .filter((id) => !has(document.functions, id))
      .map((functionId): FitProblem => ({ kind: 'no such function', functionId })),
    ...conditional.flatMap(({ when, name }) =>
      Object.keys(when)
        .filter((id) => !facets.has(id))
        .map((facetId): FitProblem => ({ kind: 'no such facet', facetId, in: name })),
    ),
  ]
}

function comesAfterItself(kit: Kit, workId: Id): boolean {
  const seen = new Set<Id>()
  const stack = [workId]
  for (let at = stack.pop(); at !== undefined; at = stack.pop())
    for (const first of kit.works.find((work) => work.id === at)?.afterWork ?? []) {
      if (first === workId) return true
      if (!seen.has(first)) stack.push(first)
      seen.add(first)
    }
  return false
}
