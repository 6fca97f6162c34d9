import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { openAccount, settleAccount, type HolderCounts } from '../account'
import type { Happening } from '../event'
import { toFasten } from '../jobActs'
import { brokenHappenings, mayHaveBroken, type BrokeWhere } from './broken'

/** The account after these, counted by hand apart from the fold. */
function after(counts: HolderCounts, happenings: readonly Happening[]): HolderCounts {
  const c = { ...counts }
  for (const what of happenings) {
    if (what.kind === 'new fitted') [c.takenNew, c.fittedNew] = [c.takenNew + what.count, c.fittedNew + what.count]
    if (what.kind !== 'broken') continue
    c.broken += what.count
    if (what.wasFitted === 'old') c.fastenedOld -= what.count
    if (what.wasFitted === 'new') c.fittedNew -= what.count
  }
  return c
}
const breaks = (c: HolderCounts, count: number, where: BrokeWhere) =>
  after(c, brokenHappenings('h', c, 'out', count, where))

test('three of four are in and the fourth breaks in the hand: one hole is empty, none is a phantom', () => {
  const c = { ...openAccount(4), undone: 4, fastenedOld: 3 }
  expect(mayHaveBroken(c, 'out', 1)).toEqual(['in hand', 'standing'])
  const inHand = breaks(c, 1, 'in hand')
  expect(toFasten(inHand)).toEqual({ old: 0, fresh: 1 })
  expect(settleAccount(inHand)).toMatchObject({ standing: 3, inHand: 0 })
  const standing = breaks(c, 1, 'standing')
  expect(toFasten(standing)).toEqual({ old: 1, fresh: 1 })
  expect(settleAccount(standing)).toMatchObject({ standing: 2, inHand: 1 })
})

test('all are in: what breaks then stood; on the way in nothing stood', () => {
  const c = { ...openAccount(4), undone: 4, fastenedOld: 4 }
  expect(mayHaveBroken(c, 'out', 1)).toEqual(['standing'])
  expect(settleAccount(breaks(c, 1, 'standing'))).toMatchObject({ standing: 3, inHand: 0 })
  expect(mayHaveBroken({ ...openAccount(4) }, 'in', 1)).toEqual(['in hand'])
  expect(brokenHappenings('h', openAccount(4), 'in', 2, 'in hand')).toEqual([
    { kind: 'broken', holderId: 'h', count: 2, wasFitted: 'no', note: '' },
  ])
})

test('a new one that breaks in the hand was taken from stock: the next one is new again, and none is too many', () => {
  const c = { ...openAccount(4), undone: 4, broken: 1, piecesRecovered: 1, fastenedOld: 3 }
  const broke = breaks(c, 1, 'in hand')
  expect(broke).toMatchObject({ takenNew: 1, fittedNew: 0, broken: 2 })
  expect(toFasten(broke)).toEqual({ old: 0, fresh: 1 })
  expect(settleAccount(broke).open).toEqual([
    { kind: 'short', count: 1, loose: 0 },
    { kind: 'pieces', count: 1 },
  ])
})

test('whatever breaks wherever: as many holes are empty as stood and broke, and nothing is in hand that is not', () => {
  const counts = fc
    .tuple(fc.integer({ min: 1, max: 12 }), fc.nat(12), fc.nat(12), fc.nat(3))
    .map(([design, undone, back, broken]) => {
      const out = Math.min(design, undone)
      const gone = Math.min(out, broken)
      return { ...openAccount(design), undone: out, broken: gone, fastenedOld: Math.min(out - gone, back) }
    })
  fc.assert(
    fc.property(counts, fc.integer({ min: 1, max: 12 }), (c, wanted) => {
      const before = settleAccount(c)
      const { old, fresh } = toFasten(c)
      for (const where of mayHaveBroken(c, 'out', Math.min(wanted, old + fresh + c.fastenedOld))) {
        const count = Math.min(wanted, old + fresh + c.fastenedOld)
        if (count === 0) return
        const now = settleAccount(breaks(c, count, where))
        const stood = where === 'standing' ? count : Math.max(0, count - old - fresh)
        expect(now.standing).toBe(before.standing - stood)
        expect(now.inHand).toBe(before.inHand - Math.min(count - stood, old))
        expect(now.inHand).toBeGreaterThanOrEqual(0)
      }
    }),
  )
})

// Written out by hand: where it may have broken, and what exactly is recorded.
const broke = (count: number, wasFitted: 'no' | 'old' | 'new') => ({
  kind: 'broken',
  holderId: 'h',
  count,
  wasFitted,
  note: '',
})
test.each<[Partial<HolderCounts>, number, BrokeWhere[]]>([
  [{ undone: 4 }, 1, ['in hand']],
  [{ undone: 4, fastenedOld: 2, fittedNew: 1, takenNew: 1 }, 1, ['in hand', 'standing']],
  [{ undone: 4, fastenedOld: 1, fittedNew: 1, takenNew: 1 }, 2, ['in hand', 'standing']],
  [{ undone: 4, fastenedOld: 1, fittedNew: 1, takenNew: 1 }, 3, ['in hand']],
  [{ undone: 4, broken: 2, fastenedOld: 1 }, 3, ['in hand']],
])('of four with %j, %i may have broken %j', (counts, count, places) => {
  expect(mayHaveBroken({ ...openAccount(4), ...counts }, 'out', count)).toEqual(places)
  expect(mayHaveBroken({ ...openAccount(4), ...counts }, 'in', count)).toEqual(['in hand'])
})
test.each<[Partial<HolderCounts>, number, BrokeWhere, unknown[]]>([
  [{ undone: 4, fastenedOld: 1, fittedNew: 2, takenNew: 2 }, 2, 'standing', [broke(1, 'old'), broke(1, 'new')]],
  [{ undone: 4, fastenedOld: 1, fittedNew: 2, takenNew: 2 }, 1, 'in hand', [broke(1, 'no')]],
  [
    { undone: 4, broken: 1, fastenedOld: 2 },
    2,
    'in hand',
    [broke(1, 'no'), { kind: 'new fitted', holderId: 'h', count: 1, insteadOf: 'old' }, broke(1, 'new')],
  ],
  [{ undone: 4, fastenedOld: 3 }, 2, 'in hand', [broke(1, 'no'), broke(1, 'old')]],
])('of four with %j, %i broke %s', (counts, count, where, happenings) => {
  expect(brokenHappenings('h', { ...openAccount(4), ...counts }, 'out', count, where)).toEqual(happenings)
})
test('on the way in nothing was put back, whatever the account says', () => {
  expect(brokenHappenings('h', { ...openAccount(4), undone: 4, fastenedOld: 4 }, 'in', 1, 'standing')).toEqual([
    broke(1, 'no'),
  ])
})
