import type { Id } from '../base/id'
import { levelNow } from '../job/fold'
import type { JobState } from '../job/jobState'
import type { ProcedureDocument } from '../procedure/document'
import { fieldEdits, type Edit } from '../procedure/edit'
import type { Holder } from '../procedure/holder'
import { coversNeed } from '../procedure/need'
import { mayRestFree } from '../procedure/resting'

/**
 * Undone, open or out, and nobody has said yet what for. `cover`: a part that came off and that nothing in the record
 * waits for.
 */
export type LooseEnd = { kind: 'holder' | 'tether' | 'cover'; id: Id }

/** Everything loose, in the order in which it came off. A cover counts once something else came off after it. */
export function looseEndsOf(document: ProcedureDocument, state: JobState): LooseEnd[] {
  const order = firstTimes(state)
  const loose: LooseEnd[] = [
    ...document.holders
      .filter((holder) => holder.holds.length === 0 && isOut(state, holder))
      .map(({ id }) => ({ kind: 'holder' as const, id })),
    ...document.tethers
      .filter((tether) => tether.partId === null && state.tethersOpen.has(tether.id))
      .map(({ id }) => ({ kind: 'tether' as const, id })),
    ...withoutReason(document, state)
      .filter((id) => !state.orderless.has(id))
      .map((id) => ({ kind: 'cover' as const, id })),
  ]
  return loose.sort((a, b) => (order.get(a.id) ?? 0) - (order.get(b.id) ?? 0))
}

/** Parts that came off before others and that nothing in the record waits for, those called *just so* among them. */
export function withoutReason(document: ProcedureDocument, state: JobState): Id[] {
  const order = firstTimes(state)
  const named = new Set(document.needs.flatMap(({ needs }) => (needs.kind === 'part' ? [needs.partId] : [])))
  const opened = new Set(
    document.cavities.flatMap((cavity) =>
      cavity.openings.flatMap((opening) => opening.parts.map((part) => part.partId)),
    ),
  )
  return document.parts
    .filter(
      (part) =>
        levelNow(state, part.id) !== 'in place' &&
        !named.has(part.id) &&
        !opened.has(part.id) &&
        part.carriedBy === null &&
        !state.alreadyOff.has(part.id) &&
        somethingCameAfter(document, order, part.id),
    )
    .map(({ id }) => id)
}

/** Whether anything but what belongs to the part itself came off after it. */
function somethingCameAfter(document: ProcedureDocument, order: ReadonlyMap<Id, number>, partId: Id): boolean {
  const own = new Set([
    partId,
    ...document.holders.filter((holder) => holder.holds.includes(partId)).map((holder) => holder.id),
    ...document.tethers.filter((tether) => tether.partId === partId).map((tether) => tether.id),
  ])
  const at = order.get(partId) ?? Infinity
  return [...order].some(([id, time]) => time > at && !own.has(id))
}

/** What is offered when a part comes forward: everything loose that was so before it. */
export function offeredFor(document: ProcedureDocument, state: JobState, partId: Id): LooseEnd[] {
  const order = firstTimes(state)
  const at = order.get(partId) ?? Infinity
  return looseEndsOf(document, state).filter(({ id }) => id !== partId && (order.get(id) ?? 0) < at)
}

/**
 * The loose fasteners that came in reach when a part came off: undone after it, before any other part moved, and nobody
 * has said that they lie behind anything.
 */
export function underCover(document: ProcedureDocument, state: JobState, coverId: Id): Holder[] {
  const order = firstTimes(state)
  const moved = document.parts.flatMap((part) => order.get(part.id) ?? [])
  const known = new Set(document.needs.map((need) => need.dependent.id))
  const lastMovedBefore = (at: number) => Math.max(-1, ...moved.filter((time) => time < at))
  return document.holders.filter(
    (holder) =>
      holder.holds.length === 0 &&
      !known.has(holder.id) &&
      order.has(holder.id) &&
      lastMovedBefore(order.get(holder.id)!) === order.get(coverId),
  )
}

/**
 * What is taken: a holder holds the part, a plug ties it, a cover lay over those of the taken holders that it laid
 * bare.
 */
export function takeLooseEnds(
  document: ProcedureDocument,
  state: JobState,
  ids: readonly Id[],
  partId: Id,
  newId: (prefix: string) => Id,
): Edit[] {
  return ids.flatMap((id): Edit[] => {
    const holder = document.holders.find((item) => item.id === id)
    if (holder) return fieldEdits('holders', holder, { ...holder, holds: [...holder.holds, partId] } as Holder)
    const tether = document.tethers.find((item) => item.id === id)
    if (tether) return fieldEdits('tethers', tether, { ...tether, partId } as typeof tether)
    const cover = document.parts.find((item) => item.id === id)
    if (!cover) return []
    return underCover(document, state, id)
      .filter((under) => ids.includes(under.id))
      .map((under): Edit => ({
        kind: 'add',
        collection: 'needs',
        item: coversNeed(newId('need'), under.id, id, mayRestFree(cover) ? 'free' : 'off'),
        after: null,
      }))
  })
}

function isOut(state: JobState, holder: Holder): boolean {
  const account = state.holders.get(holder.id)
  return account !== undefined && account.undone > account.fastenedOld + account.fittedNew
}

/** When each thing first came forward, as its place in the log. */
export function firstTimes(state: JobState): Map<Id, number> {
  const times = new Map<Id, number>()
  state.history.forEach(({ what }, at) => {
    const id =
      what.kind === 'undone'
        ? what.holderId
        : what.kind === 'opened'
          ? what.tetherId
          : what.kind === 'part at' && what.level !== 'in place'
            ? what.partId
            : null
    if (id !== null && !times.has(id)) times.set(id, at)
  })
  return times
}
