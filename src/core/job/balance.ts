import type { Id } from '../base/id'
import { goesBack } from '../procedure/endings'
import { headOf } from '../procedure/heads'
import type { SettingRole } from '../procedure/setting'
import { isAirbagCircuit, isWarningCircuit, mayStayOpen } from '../procedure/circuits'
import type { ProcedureDocument } from '../procedure/document'
import { suppliedIn, type JobDocument } from '../procedure/jobDocument'
import { settleAccount, type OpenReason } from './account'
import { levelNow } from './fold'
import type { JobState } from './jobState'
import { kitRows, type KitRow } from './kitRows'
import { endOf, type JobTerms } from './terms'
import { isOut, type Unresolved } from './unresolved'

export type BalanceRow =
  | { account: 'holder'; id: Id; out: number; back: number; inHand: number; open: OpenReason[] }
  | {
      account: 'part'
      id: Id
      open: boolean
      level: 'eased' | 'free' | 'off' | 'in place'
      end: string | null
      by?: Id
    }
  | { account: 'tether'; id: Id; open: boolean; end: string | null }
  | { account: 'setting'; id: Id; open: boolean; value: string; owed: string }
  | { account: 'stray'; id: Id; open: boolean; head: string; where: string; couldBe: Id[] }
  /** What happened to something that the record does not have; its id is not looked up. */
  | ({ account: 'unresolved'; open: boolean } & Pick<Unresolved, 'of' | 'id' | 'out' | 'back'>)
  | KitRow
  /** A tool that was taken up; its id is its name. */
  | { account: 'tool'; id: string; open: boolean; out: number }

/**
 * Out against back: every account that something happened to. `openRows`: what still has to be closed; `acceptedRows`:
 * open, and a lead lets them stand, with a reason. `closed`: neither.
 */
export type Balance = { rows: BalanceRow[]; openRows: BalanceRow[]; acceptedRows: BalanceRow[]; closed: boolean }

/** A row as it stands, to be compared later: whatever happens to the thing changes it. */
export function asItStands(row: BalanceRow): string {
  return JSON.stringify(row).slice(0, 600)
}

/** Settings that make a vehicle dangerous where they are left otherwise. */
const SAFETY_ROLES: readonly SettingRole[] = ['battery', 'ignition', 'gear lever', 'parking brake', 'stand']

/**
 * A lead may let a row stand open, but never a plug that the vehicle is not driven without, nor the key, the lever or
 * the brake.
 */
export function mayBeAccepted(document: ProcedureDocument, row: BalanceRow): boolean {
  // What nobody can look up is not let stand: somebody looks, and says that it is back.
  if (!isOpen(row) || row.account === 'unresolved') return false
  // A plug nobody closed may lie against a bare end: it is closed or capped.
  if (row.account === 'plug') return false
  // Nor is a wall without its seal, or what was never moved beside a lead.
  if (row.account === 'lead' && row.of !== 'lay' && row.of !== 'sight') return false
  const tether = row.account === 'tether' && document.tethers.find((item) => item.id === row.id)
  const setting = row.account === 'setting' && document.settings.find((item) => item.id === row.id)
  return !(tether && isWarningCircuit(tether)) && !(setting && SAFETY_ROLES.includes(setting.role))
}

export function isOpen(row: BalanceRow): boolean {
  return typeof row.open === 'boolean' ? row.open : row.open.length > 0
}

/**
 * The balance of holders, parts, tethers, settings and tools. Closed exactly when everything is accounted for; a stray
 * fastener names every group it could be, also those the log calls complete. Open rows come first, and first of them
 * what nobody can look up: it may be an airbag plug. Cost: O(items).
 */
export function balanceOf(document: JobDocument, state: JobState, terms: JobTerms): Balance {
  const supplied = suppliedIn(document)
  // What comes with a kit has rows of its own.
  const isVehicles = (id: Id) => !supplied.has(id)
  const rows: BalanceRow[] = [
    ...unresolvedRows(state),
    ...[...state.strays.values()].map((stray): BalanceRow => ({
      account: 'stray',
      id: stray.strayId,
      open: !stray.settled,
      head: stray.head,
      where: stray.where,
      couldBe: couldBe(document, state, stray.head),
    })),
    ...holderRows(document, state, terms),
    ...kitRows(state, terms.kits),
    ...[...state.tethersTouched].filter(isVehicles).map((id): BalanceRow => {
      const end = endOf(state, terms, id)
      const tether = document.tethers.find((item) => item.id === id)
      // A plug of the airbag system can't be left open on purpose, nor can one that is needed to start, stop or warn
      // unless the record or a kit says so: its account closes only with the plug.
      const mayNot = tether && (terms.endings.has(id) ? isAirbagCircuit(tether) : !mayStayOpen(tether))
      const onPurpose = end !== null && end !== 'refitted' && !mayNot
      return { account: 'tether', id, open: state.tethersOpen.has(id) && !onPurpose, end: onPurpose ? end : null }
    }),
    ...[...state.moved].map((id): BalanceRow => {
      const level = levelNow(state, id)
      const end = endOf(state, terms, id)
      const by = terms.replaced.get(id)?.byId
      return {
        ...{ account: 'part', id, open: level !== 'in place' && (end === null || end === 'refitted'), level, end },
        // A part of a kit stands in its place.
        ...(by !== undefined && { by }),
      }
    }),
    ...document.settings.map((setting): BalanceRow => {
      const owed = setting.atEnd === 'as found' ? setting.asFound : setting.atEnd
      const value = state.settings.get(setting.id) ?? setting.asFound
      return { account: 'setting', id: setting.id, open: value !== owed, value, owed }
    }),
    ...[...state.tools].map(([tool, { out, back }]): BalanceRow => ({
      account: 'tool',
      id: tool,
      open: out > back,
      out: out - back,
    })),
  ]
  const open = rows.filter(isOpen)
  const acceptedRows = open.filter(
    (row) =>
      mayBeAccepted(document, row) && state.accepted.get(`${row.account}:${row.id}`)?.asItStood === asItStands(row),
  )
  const openRows = open.filter((row) => !acceptedRows.includes(row))
  return {
    rows: [...openRows, ...rows.filter((row) => !openRows.includes(row))],
    openRows,
    acceptedRows,
    closed: open.length === 0,
  }
}

/** A facet is told, not taken apart: nothing is owed of it. */
function unresolvedRows(state: JobState): BalanceRow[] {
  return [...state.unresolved.values()].flatMap(({ of, id, out, back }): BalanceRow[] =>
    out + back === 0 ? [] : [{ account: 'unresolved', of, id, out, back, open: isOut({ out, back }) }],
  )
}

function holderRows(document: JobDocument, state: JobState, terms: JobTerms): BalanceRow[] {
  const supplied = suppliedIn(document)
  return document.holders
    .filter(({ id }) => !supplied.has(id))
    .flatMap((holder): BalanceRow[] => {
      const account = state.holders.get(holder.id)
      if (!account) return []
      // A group all of whose parts end elsewhere, or that is left behind when its part moves on, is not owed back; what
      // is in hand of it still has to go somewhere.
      const retires =
        !goesBack(terms.endings.get(holder.id)) || holder.holds.every((id) => endOf(state, terms, id) !== null)
      const counts = retires ? { ...account, retired: account.undone } : account
      const touched =
        counts.undone +
          counts.takenNew +
          counts.fastenedOld +
          counts.fittedNew +
          counts.broken +
          counts.lost +
          counts.ended +
          counts.leftOut +
          counts.missing +
          counts.extra >
          0 || counts.fastenedOld < 0
      if (!touched) return []
      const { inHand, open } = settleAccount(counts)
      return [
        {
          account: 'holder',
          id: holder.id,
          out: counts.undone,
          back: counts.fastenedOld + counts.fittedNew,
          inHand,
          open,
        },
      ]
    })
}

/** Of the vehicle: what came off. Of a kit: what was fitted, and may not have been. */
function wasInHand(state: JobState, holderId: Id): boolean {
  const c = state.holders.get(holderId)
  return c !== undefined && (c.undone > 0 || (c.design === 0 && c.fastenedOld > 0))
}

/** Groups with this head that came off in this job and count as complete: one of them must be short. */
function couldBe(document: ProcedureDocument, state: JobState, head: string): Id[] {
  return document.holders
    .filter((holder) => headOf(holder) === head && wasInHand(state, holder.id))
    .map((holder) => holder.id)
}
