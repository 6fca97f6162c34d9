import type { Id } from '../base/id'
import type { ProcedureDocument } from '../procedure/document'
import type { Edit } from '../procedure/edit'
import { coversNeed } from '../procedure/need'
import { mayRestFree } from '../procedure/resting'
import type { Pair } from './graph'
import { splitKey } from '../procedure/acts'

/** A part that may hide a group of another part. */
export type MayCover = { partId: Id; holderId: Id }

/**
 * A part that always came away before a group of another part was undone: perhaps it covers it, perhaps it was the
 * recorder's way. Only who has seen it can say; null where the order is of another kind.
 */
export function mayCover(document: ProcedureDocument, { before, after }: Pair): MayCover | null {
  const [[firstAct, partId], [thenAct, holderId]] = [splitKey(before), splitKey(after)]
  if ((firstAct !== 'release' && firstAct !== 'lift') || thenAct !== 'undo') return null
  const holder = document.holders.find(({ id }) => id === holderId)
  return holder && !holder.holds.includes(partId) && document.parts.some(({ id }) => id === partId)
    ? { partId, holderId }
    : null
}

/**
 * What "it covers them" adds to the record; `needId`: the order stated without a reason, which the cover takes the
 * place of.
 */
export function coverEdits(
  document: ProcedureDocument,
  { partId, holderId }: MayCover,
  needId: Id | null,
  newId: () => Id,
): Edit[] {
  const part = document.parts.find(({ id }) => id === partId)!
  const stated = document.needs.find(({ id }) => id === needId)
  return [
    {
      kind: 'add',
      collection: 'needs',
      item: coversNeed(newId(), holderId, partId, mayRestFree(part) ? 'free' : 'off'),
      after: null,
    },
    ...(stated ? [{ kind: 'remove', collection: 'needs', id: stated.id, item: stated } as const] : []),
  ]
}
