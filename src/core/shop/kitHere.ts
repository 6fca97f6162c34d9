import type { Id } from '../base/id'
import { existsOn } from '../procedure/existsOn'
import type { Build, When } from '../procedure/when'
import type { Kit, KitFit } from './kit'

/** A kit as it meets one model. Without a fit it can't be planned there. */
export type FittedKit = { kit: Kit; fit: KitFit }

/** A kit on one build, and the facets that some condition asks about and nobody has told. */
export type KitHere = FittedKit & { open: ReadonlySet<Id> }

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
  const parts = here(kit.parts)
  const has = idsOf(parts)
  const held = (holds: readonly Id[]) => holds.filter((id) => has.has(id))
  const holders = here(kit.holders)
    .filter(({ holds }) => holds.length === 0 || held(holds).length > 0)
    .map((holder) => ({ ...holder, holds: held(holder.holds) }))
  const plugs = here(kit.plugs).filter(({ partId }) => partId === null || has.has(partId))
  const settings = here(kit.settings)
    .filter(({ partId }) => partId === null || has.has(partId))
    .map((setting) => ({ ...setting, expected: here(setting.expected) }))
  const things = new Set([...has, ...idsOf(holders), ...idsOf(plugs), ...idsOf(settings)])
  const works = here(kit.works).map((work) => ({
    ...work,
    steps: here(work.steps).filter(({ itemId }) => itemId === null || things.has(itemId)),
  }))
  const done = idsOf(works)
  const functions = here(kit.functions)
  const changes = here(kit.changes)
  const access = Object.fromEntries(
    Object.entries(fit.access)
      .filter(([workId]) => done.has(workId))
      .map(([workId, list]) => [workId, here(list)]),
  )
  return {
    kit: { ...kit, parts, holders, plugs, settings, works, functions, changes },
    fit: { ...fit, access, endings: here(fit.endings) },
    open,
  }
}

function idsOf(items: readonly { id: Id }[]): Set<Id> {
  return new Set(items.map(({ id }) => id))
}
