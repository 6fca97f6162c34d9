import type { Holder } from '../../procedure/holder'
import type { HolderCounts } from '../account'
import type { Happening } from '../event'

/**
 * What to record when somebody counts a group on this vehicle: only the difference to what this job said before, so
 * that the account's "as found" is what was counted last, in whichever order it was said. The record hears of it once
 * it differs from it.
 */
export function countFound(
  holder: Pick<Holder, 'id' | 'count'>,
  account: Pick<HolderCounts, 'design' | 'missing' | 'extra'>,
  counted: number,
  note: string,
): Happening[] {
  const known = account.design - account.missing + account.extra
  if (counted === known) return []
  const what = counted < known ? 'missing' : 'extra'
  const found: Happening = { kind: 'as found', holderId: holder.id, what, count: Math.abs(counted - known), note }
  return counted === holder.count
    ? [found]
    : [found, { kind: 'different from the record', itemId: holder.id, field: 'count', value: String(counted) }]
}
