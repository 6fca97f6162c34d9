import type { Id } from '../../base/id'
import { isAtBench } from '../../shop/atBench'
import { isFittedIn, type KitHere } from '../../shop/kitHere'
import type { WorkItem } from '../../shop/workItem'
import type { Build, When } from '../../procedure/when'
import type { JobGoal } from '../ask/jobGoal'

/**
 * Work at the bench that needs nothing of the vehicle open, comes after no other work but such, and hangs on nothing
 * that is told on the way: it is done before the first screw, or by a second pair of hands meanwhile, and lengthens
 * nothing at the vehicle. In the order in which it can be done. Cost: O(works^2), of a few dozen.
 */
export function preparedWork({ kits }: Pick<JobGoal, 'kits'>, build: Build): WorkItem[] {
  return kits.flatMap((fitted) => {
    const able = fitted.kit.works.filter((work) => isAble(fitted, work, build))
    const done: WorkItem[] = []
    for (let before = -1; before !== done.length;) {
      before = done.length
      for (const work of able) if (!done.includes(work) && comesAfterOnly(fitted, work, done)) done.push(work)
    }
    return done
  })
}

/** Seconds of what is prepared at the bench. */
export function preparedS(goal: Pick<JobGoal, 'kits'>, build: Build): number {
  return preparedWork(goal, build).reduce((sum, { durationS }) => sum + durationS, 0)
}

function isAble({ kit, fit }: KitHere, work: WorkItem, build: Build): boolean {
  // What a thing of the vehicle is carried over to waits for that thing; what stands in for one waits for its place.
  const waiting = fit.endings.map(({ ending, onto, by }) => (ending === 'moved' ? onto : by))
  if (waiting.some((partId) => isFittedIn(work, partId))) return false
  const asks = whensOf(kit, work).flatMap(Object.keys)
  const atBench = isAtBench({ station: fit.stations[work.id] ?? work.station })
  return atBench && (fit.access[work.id] ?? []).length === 0 && asks.every((id) => build[id] !== undefined)
}

/** Everything by which a piece of work differs: itself, its steps, the things they name and those things' parts. */
function whensOf({ parts, holders, plugs, settings }: KitHere['kit'], { when, steps }: WorkItem): When[] {
  const named = new Set(steps.flatMap(({ itemId }) => itemId ?? []))
  const things = [
    ...holders.map(({ id, when, holds }) => ({ id, when, of: holds })),
    ...[...plugs, ...settings].map(({ id, when, partId }) => ({ id, when, of: partId === null ? [] : [partId] })),
  ].filter(({ id }) => named.has(id))
  const ofParts = new Set([...named, ...things.flatMap(({ of }) => of)])
  return [
    when,
    ...steps.map((step) => step.when),
    ...things.map((thing) => thing.when),
    ...parts.filter(({ id }) => ofParts.has(id)).map((part) => part.when),
  ]
}

/** What is not done on this build holds nothing up. */
function comesAfterOnly({ kit }: KitHere, work: WorkItem, done: readonly WorkItem[]): boolean {
  const isDone = (id: Id) => done.some((other) => other.id === id) || !kit.works.some((other) => other.id === id)
  return work.afterWork.every(isDone)
}
