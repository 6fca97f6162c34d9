import { describe, expect, test } from '@jest/globals'
import { CIRCUITS, type Circuit } from '../procedure/circuits'
import { Setting, SETTING_ROLES, type SettingRole } from '../procedure/setting'
import { Tether } from '../procedure/tether'
import { crewAtDash, record } from '../testing/atDash.testing'
import { smallDash } from '../testing/smallDash.testing'
import { openAccount, settleAccount, type HolderCounts } from './account'
import { asItStands, balanceOf, mayBeAccepted, type BalanceRow } from './balance'
import type { Happening } from './event'
import { termsOf } from './terms'

/** What no lead may let stand open, written out by hand: the key, the lever, the brakes; what warns or fires. */
const NEVER_ROLES: SettingRole[] = ['battery', 'ignition', 'gear lever', 'parking brake', 'stand']
const NEVER_CIRCUITS: Circuit[] = ['srs-firing', 'srs-indicator', 'hazard', 'lighting', 'brake-control']

describe('a lead may let a row stand open', () => {
  test.each(SETTING_ROLES)('a setting of the role %s', (role) => {
    const document = smallDash()
    document.settings = [Setting.parse({ id: 's', name: role, role, values: ['a', 'b'], asFound: 'a' })]
    const row: BalanceRow = { account: 'setting', id: 's', open: true, value: 'b', owed: 'a' }
    expect(mayBeAccepted(document, row)).toBe(!NEVER_ROLES.includes(role))
  })
  test.each(CIRCUITS)('a plug of the circuit %s', (circuit) => {
    const document = smallDash()
    document.tethers = [Tether.parse({ id: 't', name: 'plug', partId: 'unit', circuit })]
    const row: BalanceRow = { account: 'tether', id: 't', open: true, end: null }
    expect(mayBeAccepted(document, row)).toBe(!NEVER_CIRCUITS.includes(circuit))
  })
  test('one that is closed needs nobody’s leave', () => {
    expect(mayBeAccepted(smallDash(), { account: 'tool', id: 'T20', open: false, out: 0 })).toBe(false)
    expect(mayBeAccepted(smallDash(), { account: 'tool', id: 'T20', open: true, out: 1 })).toBe(true)
  })
  test('it counts as long as the row stands as it did, and no longer', () => {
    const crew = crewAtDash()
    const balance = () => balanceOf(crew.document, crew.state, termsOf(crew.document, crew.request))
    record(crew, [{ kind: 'tool out', tool: 'T20' }])
    const [row] = balance().openRows
    const accepted: Happening = {
      kind: 'row accepted',
      account: 'tool',
      itemId: 'T20',
      asItStood: asItStands(row!),
      reason: 'comes back',
    }
    record(crew, [accepted])
    expect([balance().openRows.length, balance().acceptedRows.length, balance().closed]).toEqual([0, 1, false])
    record(crew, [{ kind: 'tool out', tool: 'T20' }])
    expect([balance().openRows.length, balance().acceptedRows.length]).toEqual([1, 0])
  })
})

/**
 * Worked by hand, as tool control counts sockets out and back (common practice, no source): of four screws, what
 * stands, what is in the hand, and what is still open.
 */
describe('a group of four, worked by hand', () => {
  test.each<[string, Partial<HolderCounts>, { standing: number; inHand: number; open: string[] }]>([
    ['untouched', {}, { standing: 4, inHand: 0, open: [] }],
    ['all out', { undone: 4 }, { standing: 0, inHand: 4, open: ['short 4'] }],
    ['all back', { undone: 4, fastenedOld: 4 }, { standing: 4, inHand: 0, open: [] }],
    ['three back', { undone: 4, fastenedOld: 3 }, { standing: 3, inHand: 1, open: ['short 1'] }],
    [
      'one broke, a new one in',
      { undone: 4, fastenedOld: 3, broken: 1, takenNew: 1, fittedNew: 1 },
      { standing: 4, inHand: 0, open: ['pieces 1'] },
    ],
    [
      'its pieces found',
      { undone: 4, fastenedOld: 3, broken: 1, piecesRecovered: 1, takenNew: 1, fittedNew: 1 },
      { standing: 4, inHand: 0, open: [] },
    ],
    ['one lost', { undone: 4, fastenedOld: 3, lost: 1 }, { standing: 3, inHand: 0, open: ['short 1', 'lost 1'] }],
    [
      'searched, a new one in',
      { undone: 4, fastenedOld: 3, lost: 1, searchSigned: true, takenNew: 1, fittedNew: 1 },
      { standing: 4, inHand: 0, open: [] },
    ],
    ['one was missing', { missing: 1, undone: 3, fastenedOld: 3 }, { standing: 3, inHand: 0, open: [] }],
    [
      'and was made good',
      { missing: 1, undone: 3, fastenedOld: 3, takenNew: 1, fittedNew: 1, madeGood: 1 },
      { standing: 4, inHand: 0, open: [] },
    ],
    ['one too many was there', { extra: 1, undone: 5, fastenedOld: 4 }, { standing: 4, inHand: 1, open: ['short 1'] }],
    [
      'left out with a reason',
      { undone: 4, fastenedOld: 3, leftOut: 1, ended: 1 },
      { standing: 3, inHand: 0, open: [] },
    ],
    ['the part goes elsewhere', { undone: 4, retired: 4, ended: 4 }, { standing: 0, inHand: 0, open: [] }],
    ['and they are in the hand', { undone: 4, retired: 4 }, { standing: 0, inHand: 4, open: ['in hand 4'] }],
    ['five back of four', { undone: 4, fastenedOld: 5 }, { standing: 5, inHand: -1, open: ['more back than out 1'] }],
  ])('%s', (_, counts, { standing, inHand, open }) => {
    const result = settleAccount({ ...openAccount(4), ...counts })
    expect([result.standing, result.inHand]).toEqual([standing, inHand])
    expect(result.open.map(({ kind, count }) => `${kind} ${count}`)).toEqual(open)
  })
})
