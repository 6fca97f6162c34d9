import type { Id } from '../base/id'
import { levelNow } from '../job/fold'
import type { JobState } from '../job/jobState'
import type { ProcedureDocument } from '../procedure/document'
import type { Holder } from '../procedure/holder'
import type { Level } from '../procedure/level'
import type { Tether } from '../procedure/tether'
import { firstTimes } from './looseEnds'

/** One thing on the way apart: a part with what was undone for it, or a loose end hanging beside the way. */
export type StripRow =
  | {
      kind: 'part'
      id: Id
      level: Level
      holders: Holder[]
      tethers: Tether[]
      alreadyOff: boolean
      orderless: boolean
    }
  | { kind: 'holder'; id: Id; holder: Holder }
  | { kind: 'tether'; id: Id; tether: Tether }
  | { kind: 'setting'; id: Id; value: string }

/**
 * A strip as it came apart, first to last, with what was put right since. A part that is only named yet, and what is
 * undone of it, stands last. Cost: O(things x holders).
 */
export function stripRows(document: ProcedureDocument, state: JobState, inHand: Id | null): StripRow[] {
  const times = firstTimes(state)
  const undone = (holder: Holder) => times.has(holder.id)
  const rows: { at: number; row: StripRow }[] = []
  for (const part of document.parts) {
    const holders = document.holders.filter((holder) => holder.holds.includes(part.id) && undone(holder))
    const tethers = document.tethers.filter((tether) => tether.partId === part.id && times.has(tether.id))
    const own = times.get(part.id)
    if (own === undefined && holders.length === 0 && tethers.length === 0 && part.id !== inHand) continue
    rows.push({
      at: own ?? Infinity,
      row: {
        kind: 'part',
        id: part.id,
        level: levelNow(state, part.id),
        holders,
        tethers,
        alreadyOff: state.alreadyOff.has(part.id),
        orderless: state.orderless.has(part.id),
      },
    })
  }
  for (const holder of document.holders)
    if (holder.holds.length === 0 && undone(holder))
      rows.push({ at: times.get(holder.id)!, row: { kind: 'holder', id: holder.id, holder } })
  for (const tether of document.tethers)
    if (tether.partId === null && times.has(tether.id))
      rows.push({ at: times.get(tether.id)!, row: { kind: 'tether', id: tether.id, tether } })
  state.history.forEach(({ what }, at) => {
    if (what.kind === 'set') rows.push({ at, row: { kind: 'setting', id: what.settingId, value: what.value } })
  })
  const sorted = rows.sort((a, b) => a.at - b.at).map(({ row }) => row)
  return state.putRight.reduce((list, { itemId, otherId }) => before(list, itemId, otherId), sorted)
}

function before(rows: StripRow[], itemId: Id, otherId: Id): StripRow[] {
  const moved = rows.find((row) => row.id === itemId)
  const rest = rows.filter((row) => row !== moved)
  const at = rest.findIndex((row) => row.id === otherId)
  return moved && at >= 0 ? rest.toSpliced(at, 0, moved) : rows
}
