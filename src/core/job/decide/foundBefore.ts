import type { Id } from '../../base/id'
import { headOf } from '../../procedure/heads'
import type { Holder } from '../../procedure/holder'
import type { Happening, JobEvent } from '../event'
import { standingEvents } from '../fold'

/**
 * What to record when a group is looked at before the first screw. What is said replaces what was said here before:
 * `takeBack` are the events it takes the place of. `count`: how many are there; `head`: another one than recorded, or
 * empty; `knownOther`: an earlier job found another head, so that "as recorded" has to be said as well.
 */
export function foundBefore(
  holder: Holder,
  events: readonly JobEvent[],
  count: number,
  head: string,
  knownOther: boolean,
): { takeBack: Id[]; happenings: Happening[] } {
  const takeBack = standingEvents(events).filter(
    ({ what }) =>
      (what.kind === 'as found' && what.holderId === holder.id) ||
      (what.kind === 'different from the record' && what.itemId === holder.id && what.field === 'head'),
  )
  const happenings: Happening[] = []
  const [what, by] =
    count < holder.count ? (['missing', holder.count - count] as const) : (['extra', count - holder.count] as const)
  if (by > 0) happenings.push({ kind: 'as found', holderId: holder.id, what, count: by, note: '' })
  const value = head !== '' ? head : knownOther ? (headOf(holder) ?? '') : ''
  if (value !== '') happenings.push({ kind: 'different from the record', itemId: holder.id, field: 'head', value })
  return { takeBack: takeBack.map(({ id }) => id), happenings }
}
