import type { Id } from '../base/id'
import type { ProcedureDocument } from './document'
import type { Edit } from './edit'
import { goesWithPull } from './letsGo'
import { coversNeed, type Need } from './need'
import { mayRestFree } from './resting'

/** A part that lies over another's edge, and fasteners of that other nobody has said anything about. */
export type TrapOverScrews = { needId: Id; coverId: Id; partId: Id; holderIds: Id[] }

/**
 * Traps are not covers: a part that lies over another's edge often lies over its screws, and only a hand can say. Every
 * trap of a part some of whose fasteners are undone by themselves, and neither said to be reached nor to be covered by
 * it. Cost: O(needs x holders).
 */
export function screwsUnderTraps(document: ProcedureDocument): TrapOverScrews[] {
  return document.needs.flatMap((need): TrapOverScrews[] => {
    if (
      need.reason !== 'traps' ||
      need.dependent.act !== 'release' ||
      need.needs.kind !== 'part' ||
      need.screwsReached === 'yes'
    )
      return []
    const { partId: coverId } = need.needs
    const partId = need.dependent.id
    const own = document.holders.filter(
      (holder) => holder.holds.includes(partId) && !holder.holds.includes(coverId) && !goesWithPull(holder),
    )
    const covered = new Set(
      document.needs.flatMap(({ dependent, needs }) =>
        dependent.act === 'undo' && needs.kind === 'part' && needs.partId === coverId ? [dependent.id] : [],
      ),
    )
    const holderIds = own.map(({ id }) => id).filter((id) => !covered.has(id))
    return holderIds.length > 0 ? [{ needId: need.id, coverId, partId, holderIds }] : []
  })
}

/** What an answer adds: reached with it on, only once it is off, or once it is eased. */
export function reachedEdits(
  document: ProcedureDocument,
  trap: TrapOverScrews,
  answer: 'yes' | 'no' | 'eased',
  newId: (prefix: string) => Id,
): Edit[] {
  const need = document.needs.find((item) => item.id === trap.needId)
  const cover = document.parts.find((item) => item.id === trap.coverId)
  if (!need || !cover) return []
  if (answer === 'yes')
    return [
      { kind: 'field', collection: 'needs', id: need.id, field: 'screwsReached', from: need.screwsReached, to: 'yes' },
    ]
  return trap.holderIds.map((holderId): Edit => {
    const covers = coversNeed(newId('need'), holderId, trap.coverId, mayRestFree(cover) ? 'free' : 'off')
    const item: Need =
      answer === 'eased' ? { ...covers, needs: { kind: 'part', partId: trap.coverId, level: 'eased' } } : covers
    return { kind: 'add', collection: 'needs', item, after: null }
  })
}
