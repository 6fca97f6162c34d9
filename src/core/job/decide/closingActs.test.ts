import { describe, expect, test } from '@jest/globals'
import { forBuild } from '../../procedure/forBuild'
import { DEFAULT_HOUSE_VALUES } from '../../shop/houseValues'
import { smallDash } from '../../testing/smallDash.testing'
import { whilePlanning } from '../../vehicle/circumstances'
import { asFoundState } from '../../vehicle/vehicleState'
import { openAccount, type HolderCounts, type OpenReason } from '../account'
import type { BalanceRow } from '../balance'
import type { ClosingAct } from './closingAct'
import { closingActs } from './closingActs'

const document = smallDash()
const model = forBuild(document, {})
/** What is offered for a row; `counts`: the group's account, `awaited`: so many on the shop's list. */
function offered(row: BalanceRow, counts: Partial<HolderCounts> = {}, awaited = 0) {
  const state = {
    holders: new Map([['screws', { ...openAccount(4), ...counts }]]),
    awaited: new Map(awaited > 0 ? [['screws', awaited]] : []),
  }
  const circumstances = whilePlanning(DEFAULT_HOUSE_VALUES)
  return closingActs(row, { document, model, vehicle: asFoundState(model), circumstances, state })
}
const screws = (reason: OpenReason, counts: Partial<HolderCounts> = {}, awaited = 0) =>
  offered({ account: 'holder', id: 'screws', out: 0, back: 0, inHand: 0, open: [reason] }, counts, awaited).acts
const act = (says: ClosingAct['says'], main: boolean, count: number | null, ...happenings: unknown[]) => ({
  says,
  main,
  ...(count !== null && { count }),
  happenings,
})

// Written out by hand: each row, what can be said of it, which comes first, and what exactly is recorded.
describe('rows of things', () => {
  test('a part, a tool', () => {
    expect(offered({ account: 'part', id: 'cover', open: true, level: 'off', end: null })).toEqual({
      acts: [act('it is back', true, null, { kind: 'part at', partId: 'cover', level: 'in place' })],
      refusedBy: null,
    })
    expect(offered({ account: 'tool', id: 'T20', open: true, out: 1 }).acts).toEqual([
      act('it is back', true, null, { kind: 'tool back', tool: 'T20' }),
    ])
  })
  test('a plug that may stay open, and one that may not', () => {
    const plug = (id: string) => offered({ account: 'tether', id, open: true, end: null }).acts
    const left = { kind: 'ended', itemId: 'main', end: 'left open and insulated', count: 1, note: '' }
    expect(plug('main')).toEqual([
      act('it is plugged', true, null, { kind: 'closed', tetherId: 'main' }),
      act('stays open, insulated', false, null, left),
    ])
    expect(plug('hazard')).toEqual([act('it is plugged', true, null, { kind: 'closed', tetherId: 'hazard' })])
    expect(plug('gone')).toEqual([act('it is plugged', true, null, { kind: 'closed', tetherId: 'gone' })])
  })
  test('a setting', () => {
    const row: BalanceRow = { account: 'setting', id: 'ignition', open: true, value: 'on', owed: 'off' }
    const set = { kind: 'set', settingId: 'ignition', value: 'off', methodId: null }
    expect(offered(row).acts).toEqual([{ ...act('it is set', true, null, set), value: 'off' }])
  })
  test('a stray', () => {
    const settled = (holderId: string | null, note: string) => ({ kind: 'stray settled', strayId: 's', holderId, note })
    expect(offered({ account: 'stray', id: 's', open: true, head: '', where: '', couldBe: ['screws'] }).acts).toEqual([
      { ...act('belongs to', false, null, settled('screws', '')), holderId: 'screws' },
      act('none of this job', false, null, settled(null, 'not of this job')),
    ])
  })
})

describe('rows of fasteners', () => {
  const fastened = (count: number) => ({ kind: 'fastened', holderId: 'screws', count, stage: 'final' })
  const fitted = (count: number) => ({ kind: 'new fitted', holderId: 'screws', count, insteadOf: 'old' })
  const order = (count: number) => act('order', false, count, { kind: 'ordered', holderId: 'screws', count, note: '' })
  const lost = act('lost', false, 1, { kind: 'lost', holderId: 'screws', count: 1, from: 'vehicle' })
  test('short, and as many lie loose: in, or lost', () => {
    expect(screws({ kind: 'short', count: 2, loose: 2 })).toEqual([act('old ones are in', true, 2, fastened(2)), lost])
  })
  test('short, and none lies loose: a new one, or ordered', () => {
    expect(screws({ kind: 'short', count: 2, loose: 0 })).toEqual([
      act('new ones are in', true, 2, fitted(2)),
      order(2),
    ])
  })
  test('short by more than lie loose: both, the loose ones first', () => {
    expect(screws({ kind: 'short', count: 3, loose: 1 })).toEqual([
      act('old ones are in', true, 1, fastened(1)),
      act('new ones are in', false, 2, fitted(2)),
      order(2),
      lost,
    ])
  })
  test('ordered already: not again, but here now', () => {
    const here = act('ordered ones are here', false, 2, { kind: 'arrived', holderId: 'screws', count: 2 })
    expect(screws({ kind: 'short', count: 2, loose: 0 }, {}, 2)).toEqual([
      act('new ones are in', true, 2, fitted(2)),
      here,
    ])
  })
  test('too many in the hand, pieces, a lost one', () => {
    const stock = { kind: 'ended', itemId: 'screws', end: 'stock', count: 2, note: '' }
    expect(screws({ kind: 'in hand', count: 2 })).toEqual([act('to stock', true, 2, stock)])
    const pieces = { kind: 'pieces recovered', holderId: 'screws', count: 1 }
    expect(screws({ kind: 'pieces', count: 1 })).toEqual([act('pieces found', true, 1, pieces)])
    expect(screws({ kind: 'lost', count: 1 })).toEqual([
      act('found again', false, 1, { kind: 'found again', holderId: 'screws', count: 1 }),
      act('searched', true, null),
    ])
  })
  test('more back than out: uncounted ones came off; only where that is more than there were, more were there', () => {
    const out = (count: number) => ({ kind: 'undone', holderId: 'screws', count })
    const more = { kind: 'as found', holderId: 'screws', what: 'extra', count: 1, note: 'counted again' }
    expect(screws({ kind: 'more back than out', count: 1 }, { undone: 2 })).toEqual([
      act('more came off', false, 1, out(1)),
    ])
    expect(screws({ kind: 'more back than out', count: 1 }, { undone: 4 })).toEqual([
      act('more came off', false, 1, more, out(1)),
    ])
  })
})
