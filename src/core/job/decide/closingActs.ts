import type { Id } from '../../base/id'
import { mayStayOpen } from '../../procedure/circuits'
import type { ProcedureDocument } from '../../procedure/document'
import type { ProcedureForBuild } from '../../procedure/forBuild'
import type { Circumstances } from '../../vehicle/circumstances'
import { refusals } from '../../vehicle/judge'
import type { Rule } from '../../vehicle/rule'
import type { VehicleState } from '../../vehicle/vehicleState'
import { settleAccount, type OpenReason } from '../account'
import type { BalanceRow } from '../balance'
import type { Happening } from '../event'
import type { JobState } from '../jobState'
import { madeGood } from '../unresolved'
import type { ClosingAct } from './closingAct'
import { kitActs } from './kitActs'

/** The acts that close an open row, the likeliest first; or the rule that refuses them now. */
export type ClosingActs = { acts: ClosingAct[]; refusedBy: Rule | null }

type Where = {
  document: ProcedureDocument
  model: ProcedureForBuild
  vehicle: VehicleState
  circumstances: Circumstances
  /** What this job has counted, and what stands on the shop's list. */
  state: Pick<JobState, 'holders' | 'awaited'>
}

/**
 * What can be said of an open row of the balance, and what each answer records. A warning plug never stays open because
 * it suits somebody; a setting that a rule refuses now is not offered, and the rule is returned. Pure. Cost: O(rules).
 */
export function closingActs(row: BalanceRow, at: Where): ClosingActs {
  const acts = (...list: ClosingAct[]): ClosingActs => ({ acts: list, refusedBy: null })
  switch (row.account) {
    case 'part':
      return acts({
        says: 'it is back',
        main: true,
        happenings: [{ kind: 'part at', partId: row.id, level: 'in place' }],
      })
    case 'unresolved':
      return acts({ says: 'it is back', main: true, happenings: madeGood(row) })
    case 'tool':
      return acts({ says: 'it is back', main: true, happenings: [{ kind: 'tool back', tool: row.id }] })
    case 'tether':
      return acts(...plugActs(row.id, at.document))
    case 'setting':
      return settingActs(row, at)
    case 'stray':
      return acts(...row.couldBe.map((id) => strayActs(row.id, id)), strayActs(row.id, null))
    case 'supply':
    case 'plug':
    case 'lead':
    case 'module':
      return acts(...kitActs(row))
    case 'holder':
      return acts(...row.open.flatMap((reason) => groupActs(row.id, reason, at.state)))
  }
}

function plugActs(tetherId: Id, document: ProcedureDocument): ClosingAct[] {
  const tether = document.tethers.find((item) => item.id === tetherId)
  const left: Happening = { kind: 'ended', itemId: tetherId, end: 'left open and insulated', count: 1, note: '' }
  return [
    { says: 'it is plugged', main: true, happenings: [{ kind: 'closed', tetherId }] },
    ...(tether && mayStayOpen(tether)
      ? [{ says: 'stays open, insulated', main: false, happenings: [left] } as const]
      : []),
  ]
}

function settingActs(row: Extract<BalanceRow, { account: 'setting' }>, at: Where): ClosingActs {
  const setting = { settingId: row.id, from: row.value, to: row.owed, methodId: '' }
  const refused = refusals(at.model, at.vehicle, { act: 'set', itemId: row.id, setting }, at.circumstances)[0]
  if (refused) return { acts: [], refusedBy: refused.rule }
  const set: Happening = { kind: 'set', settingId: row.id, value: row.owed, methodId: null }
  return { acts: [{ says: 'it is set', value: row.owed, main: true, happenings: [set] }], refusedBy: null }
}

function strayActs(strayId: Id, holderId: Id | null): ClosingAct {
  const note = holderId === null ? 'not of this job' : ''
  const happenings: Happening[] = [{ kind: 'stray settled', strayId, holderId, note }]
  return holderId === null
    ? { says: 'none of this job', main: false, happenings }
    : { says: 'belongs to', holderId, main: false, happenings }
}

function groupActs(holderId: Id, reason: OpenReason, { holders, awaited }: Where['state']): ClosingAct[] {
  const { count } = reason
  switch (reason.kind) {
    case 'short':
      return shortActs(
        holderId,
        Math.min(count, reason.loose),
        count - Math.min(count, reason.loose),
        awaited.get(holderId) ?? 0,
      )
    case 'in hand':
      return [
        {
          says: 'to stock',
          count,
          main: true,
          happenings: [{ kind: 'ended', itemId: holderId, end: 'stock', count, note: '' }],
        },
      ]
    case 'pieces':
      return [{ says: 'pieces found', count, main: true, happenings: [{ kind: 'pieces recovered', holderId, count }] }]
    case 'lost':
      return [
        { says: 'found again', count, main: false, happenings: [{ kind: 'found again', holderId, count }] },
        { says: 'searched', main: true, happenings: [] },
      ]
    // Of a kit's things only.
    case 'too many left':
    case 'too few left':
      return []
    case 'more back than out':
      return [{ says: 'more came off', count, main: false, happenings: cameOffUncounted(holderId, holders, count) }]
  }
}

/** Holes without a screw: `old` for which one lies loose, `fresh` that need a new one. */
function shortActs(holderId: Id, old: number, fresh: number, awaited: number): ClosingAct[] {
  const found: ClosingAct[] = []
  const offer = (says: ClosingAct['says'], count: number, main: boolean, what: Happening) =>
    found.push({ says, count, main, happenings: [what] })
  if (old > 0) offer('old ones are in', old, true, { kind: 'fastened', holderId, count: old, stage: 'final' })
  if (fresh > 0)
    offer('new ones are in', fresh, old === 0, { kind: 'new fitted', holderId, count: fresh, insteadOf: 'old' })
  if (awaited > 0) offer('ordered ones are here', awaited, false, { kind: 'arrived', holderId, count: awaited })
  else if (fresh > 0) offer('order', fresh, false, { kind: 'ordered', holderId, count: fresh, note: '' })
  if (old > 0) offer('lost', 1, false, { kind: 'lost', holderId, count: 1, from: 'vehicle' })
  return found
}

/** More came off than was counted; where that is more than there were, so many more were there. */
function cameOffUncounted(holderId: Id, holders: JobState['holders'], count: number): Happening[] {
  const counts = holders.get(holderId)!
  const extra = Math.max(0, counts.undone + count - settleAccount(counts).asFound)
  return [
    ...(extra > 0 ? [{ kind: 'as found', holderId, what: 'extra', count: extra, note: 'counted again' } as const] : []),
    { kind: 'undone', holderId, count },
  ]
}
