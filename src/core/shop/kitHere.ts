import type { Id } from '../base/id'
import { existsOn } from '../procedure/existsOn'
import type { Build, When } from '../procedure/when'
import { doneWithout, isWanted } from './functionClosure'
import type { Kit } from './kit'
import { withLooksFirst } from './lookFirst'
import type { WorkItem } from './workItem'
import type { WorkStep } from './workStep'
import type { KitFit } from './kitFit'

/** A kit as it meets one model. Without a fit it can't be planned there. */
export type FittedKit = { kit: Kit; fit: KitFit }

/**
 * A kit on one build, and the facets that some condition asks about and nobody has told. `capped`: plugs of what is
 * fitted that only functions need which nobody wants.
 */
export type KitHere = FittedKit & { open: ReadonlySet<Id>; capped: ReadonlySet<Id> }

/**
 * Restricts a kit and its fit to a build of the vehicle and of the kit itself. What nobody has told stays in, as in a
 * record: more is bought, brought and counted, never less. What hung on something that is gone goes with it: a fastener
 * that holds nothing here, a step about a thing that is not there. Cost: O(items).
 */
export function kitHere({ kit, fit }: FittedKit, build: Build): KitHere {
  const open = new Set<Id>()
  const here = <T extends { when: When }>(items: readonly T[]): T[] =>
    items.filter(({ when }) => {
      const exists = existsOn(when, build)
      if (exists === 'unknown') for (const id of Object.keys(when)) if (build[id] === undefined) open.add(id)
      return exists !== 'no'
    })
  const works = here(kit.works)
  const functions = here(kit.functions).map((item) => ({ ...item, needs: here(item.needs) }))
  const without = doneWithout({ ...kit, works, functions }, build)
  const wanted = <T extends { id: Id; when: When }>(items: readonly T[]) =>
    here(items).filter(({ id }) => !without.things.has(id))
  const things = thingsHere(kit, wanted, here)
  const ids = new Set(Object.values(things).flatMap((items) => [...idsOf(items)]))
  const steps = (work: WorkItem) =>
    here(work.steps)
      .filter(({ itemId }) => itemId === null || ids.has(itemId))
      .map((step) =>
        step.act === 'plug' && without.capped.has(step.itemId!) ? { ...step, act: 'cap' as const } : step,
      )
      .map((step) => inPlaceOf(fit, step))
      .flatMap(oneByOne)
  const done = works.filter(({ id }) => !without.works.has(id)).map((work) => ({ ...work, steps: steps(work) }))
  const isDone = idsOf(done)
  const access = Object.fromEntries(
    Object.entries(fit.access)
      .filter(([workId]) => isDone.has(workId))
      .map(([workId, list]) => [workId, here(list)]),
  )
  return {
    kit: {
      ...kit,
      ...things,
      works: withLooksFirst(done),
      functions: functions.filter((item) => isWanted(item, build)),
      changes: here(kit.changes),
    },
    fit: { ...fit, access, endings: here(fit.endings), adapted: here(fit.adapted), wayOut: here(fit.wayOut) },
    open,
    capped: new Set([...without.capped].filter((id) => ids.has(id))),
  }
}

/** A part of the kit that stands where one of the vehicle was fills its place. */
function inPlaceOf(fit: KitFit, step: WorkStep): WorkStep {
  const old = step.act === 'fit' && fit.endings.find(({ ending, by }) => ending === 'replaced' && by === step.itemId)
  return old && step.itemId !== null ? { ...step, fills: old.itemId } : step
}

/** Whether a piece of work puts this part of its kit where it belongs. */
export function isFittedIn({ steps }: Pick<WorkItem, 'steps'>, partId: Id | null): boolean {
  return partId !== null && steps.some(({ act, itemId }) => act === 'fit' && itemId === partId)
}

/** What is done so many times (five buttons are taught one by one) is as many taps, each with its number. */
function oneByOne(step: WorkStep): WorkStep[] {
  const { act, count, words } = step
  if (act !== 'do' || count === null || count < 2) return [step]
  return Array.from({ length: count }, (_, i) => ({
    ...step,
    ...{ id: `${step.id}.${i + 1}`.slice(-64), count: null, words: `${words}, ${i + 1} of ${count}` },
  }))
}

type Filter = <T extends { id: Id; when: When }>(items: readonly T[]) => T[]

/** The things of a kit that are there, and of each what still means something. */
function thingsHere(kit: Kit, wanted: Filter, here: <T extends { when: When }>(items: readonly T[]) => T[]) {
  const parts = wanted(kit.parts)
  const has = idsOf(parts)
  const held = (holds: readonly Id[]) => holds.filter((id) => has.has(id))
  return {
    parts,
    holders: wanted(kit.holders)
      .filter(({ holds }) => holds.length === 0 || held(holds).length > 0)
      .map((holder) => ({ ...holder, holds: held(holder.holds) })),
    plugs: wanted(kit.plugs).filter(({ partId }) => partId === null || has.has(partId)),
    settings: wanted(kit.settings)
      .filter(({ partId }) => partId === null || has.has(partId))
      .map((setting) => ({ ...setting, expected: here(setting.expected) })),
  }
}

function idsOf(items: readonly { id: Id }[]): Set<Id> {
  return new Set(items.map(({ id }) => id))
}
