import type { Id } from '../base/id'
import type { AddedFunction } from './addedFunction'
import { closureOf } from './functionClosure'
import type { Kit } from './kit'
import type { KitFit } from './kitFit'
import { withLooksFirst } from './lookFirst'
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
  /** It comes after work that comes after it. */
  | { kind: 'lead after itself'; leadId: Id; in: string }
  | { kind: 'shorter than its ends'; leadId: Id; in: string }
  | { kind: 'function needs itself'; functionId: Id; in: string }
  /** A hole is made before anybody has looked at the camera's picture. */
  | { kind: 'cut before the look'; workId: Id; in: string }
  /** Told, and no reason to refuse the kit: a kit is written bit by bit. */
  | { kind: 'more used than there are'; itemId: Id; in: string; needed: number; listed: number }
  | { kind: 'plug in no step'; itemId: Id; in: string }
  /** Its lead has to pass an opening, and nobody leads it through before it is plugged. */
  | { kind: 'plugged before it is led through'; itemId: Id; in: string }
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
  'lead after itself': true,
  'shorter than its ends': true,
  'function needs itself': true,
  'cut before the look': true,
  'more used than there are': false,
  'plug in no step': false,
  'plugged before it is led through': false,
  'setting without a value': false,
}

/** Whether a problem keeps a kit from being kept. */
export function refusesKit({ kind }: KitProblem): boolean {
  return REFUSES[kind]
}

/** What is wrong in a kit, what refuses it first. A signal is never bypassed. Cost: O(items^2), of a few dozen. */
export function checkKit(kit: Kit): KitProblem[] {
  const found = [...workProblems(kit), ...functionProblems(kit), ...pointers(kit), ...counted(kit)]
  return [...found.filter(refusesKit), ...found.filter((problem) => !refusesKit(problem))]
}

function workProblems(kit: Kit): KitProblem[] {
  const ids = new Set([...kit.works, ...kit.leads].map(({ id }) => id))
  const found: KitProblem[] = []
  for (const work of kit.works) {
    if (work.kind === 'bypass a signal') found.push({ kind: 'bypass', workId: work.id })
    for (const first of work.afterWork)
      if (!ids.has(first)) found.push({ kind: 'no such work', workId: first, in: work.name })
    if (comesAfterItself(kit.works, work.id)) found.push({ kind: 'work after itself', workId: work.id })
  }
  if (found.length === 0) {
    const looked = withLooksFirst(kit.works)
    for (const work of kit.works)
      if (comesAfterItself(looked, work.id)) found.push({ kind: 'cut before the look', workId: work.id, in: work.name })
  }
  for (const item of kit.functions)
    for (const first of item.afterWork)
      if (!ids.has(first)) found.push({ kind: 'no such work', workId: first, in: item.name })
  return [...found, ...leadProblems(kit)]
}

/** A lead comes after work of the kit, never after what comes after it; it is no shorter than its ends need. */
function leadProblems({ leads, works }: Kit): KitProblem[] {
  const ids = new Set(works.map(({ id }) => id))
  return leads.flatMap(({ id, name, afterWork, ends, suppliedMm }): KitProblem[] => {
    const leave = ends.reduce((sum, { leaveMm }) => sum + (leaveMm ?? 0), 0)
    const withLead = works.map((work) => ({ id: work.id, afterWork: work.afterWork }))
    return [
      ...afterWork
        .filter((first) => !ids.has(first))
        .map((workId): KitProblem => ({ kind: 'no such work', workId, in: name })),
      ...(afterWork.some((first) => first === id || comesAfter(withLead, first, id))
        ? [{ kind: 'lead after itself', leadId: id, in: name } as const]
        : []),
      ...(suppliedMm !== null && suppliedMm <= leave
        ? [{ kind: 'shorter than its ends', leadId: id, in: name } as const]
        : []),
    ]
  })
}

/** What a function needs is in the kit, and is not the function itself by way of others. */
function functionProblems({ functions, parts, plugs, settings }: Kit): KitProblem[] {
  const lists = { function: functions, part: parts, plug: plugs, setting: settings }
  return functions.flatMap((item) => [
    ...item.needs.flatMap(({ of, id }): KitProblem[] =>
      lists[of].some((other) => other.id === id) ? [] : [{ kind: 'no such thing', id, in: item.name }],
    ),
    ...(closureOf({ functions, works: [] }, directly(item)).functions.has(item.id)
      ? [{ kind: 'function needs itself', functionId: item.id, in: item.name } as const]
      : []),
  ])
}

function directly({ needs }: AddedFunction): Id[] {
  return needs.flatMap(({ of, id }) => (of === 'function' ? [id] : []))
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
  const all = [...lists, kit.leads, kit.works, kit.functions, kit.changes].flatMap((items) => items.map(({ id }) => id))
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
    ...kit.works.flatMap((work) => lost([work.placing?.partId ?? null], work.name)),
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

/** Whether a plug whose lead passes an opening is plugged in some work in which it was not led through before. */
function isPluggedFirst({ works }: Kit, { id, leadThrough }: Kit['plugs'][number]): boolean {
  if (leadThrough === '') return false
  const led = new Set(
    works.flatMap((work) =>
      work.steps.some((step) => step.act === 'lead through' && step.itemId === id) ? [work.id] : [],
    ),
  )
  const comesAfterLed = (workId: Id) => [...led].some((other) => other !== workId && comesAfter(works, workId, other))
  return works.some(({ id: workId, steps }) => {
    const acts = steps.filter(({ itemId }) => itemId === id).map(({ act }) => act)
    const plugged = acts.indexOf('plug')
    const through = acts.indexOf('lead through')
    return plugged >= 0 && !(through >= 0 && through < plugged) && !comesAfterLed(workId)
  })
}

/** What does not add up, and need not yet. */
function counted(kit: Kit): KitProblem[] {
  const fit: KitFit = {
    procedureId: '-',
    access: {},
    stations: {},
    endings: [],
    adapted: [],
    leads: {},
    wayOut: [],
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
    ...kit.plugs
      .filter((plug) => isPluggedFirst(kit, plug))
      .map(({ id, name }): KitProblem => ({ kind: 'plugged before it is led through', itemId: id, in: name })),
    ...kit.settings
      .filter(({ expected }) => expected.length === 0)
      .map(({ id, name }): KitProblem => ({ kind: 'setting without a value', itemId: id, in: name })),
  ]
}

function comesAfterItself(works: Kit['works'], workId: Id): boolean {
  return comesAfter(works, workId, workId)
}

/** Whether a piece of work waits for another, at once or by way of others. */
function comesAfter(
  works: readonly Pick<Kit['works'][number], 'id' | 'afterWork'>[],
  workId: Id,
  otherId: Id,
): boolean {
  const seen = new Set<Id>()
  const stack = [workId]
  for (let at = stack.pop(); at !== undefined; at = stack.pop())
    for (const first of works.find((work) => work.id === at)?.afterWork ?? []) {
      if (first === otherId) return true
      if (!seen.has(first)) stack.push(first)
      seen.add(first)
    }
  return false
}
