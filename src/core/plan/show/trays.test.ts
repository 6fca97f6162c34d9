import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { areIdentical, areLookalikes } from '../../procedure/lookalikes'
import { forBuild } from '../../procedure/forBuild'
import { DEFAULT_HOUSE_VALUES } from '../../shop/houseValues'
import { planJob } from '../planJob'
import type { PlanOnCards } from './planOnCards'
import { PlanRequest } from '../ask/planRequest'
import { panelVan, patrolMotorcycle } from '../../testing/vehicles.testing'
import { fewestTrays, needsTray, sharedTrays } from './trays'
import { Holder } from '../../procedure/holder'

const VAN_BUILD = { gearbox: 'automatic', starter: 'key', steering: 'left' }
function planned(document: ReturnType<typeof panelVan>, build: Record<string, string>): PlanOnCards {
  const plan = planJob(
    forBuild(document, build),
    PlanRequest.parse({ goals: document.cavities.map(({ id }) => ({ kind: 'cavity', cavityId: id })), build }),
    DEFAULT_HOUSE_VALUES,
  )
  if (!plan.ok) throw new Error(plan.error.kind)
  return plan.value
}
const van = () => planned(panelVan(), VAN_BUILD)
const PLANS: [string, () => PlanOnCards][] = [
  ['the van', van],
  ['the motorcycle', () => planned(patrolMotorcycle(), { radio: 'with-box', windscreen: 'electric' })],
]

test.each(PLANS)(
  '%s: no tray holds two groups a hand can confuse, identical groups lie in one, and each tray goes back with one panel',
  (_, make) => {
    const plan = make()
    const { trays, fewest } = sharedTrays(plan)
    const holder = (id: string) => plan.job.model.holders.get(id)!
    expect(fewest).toBe(true)
    for (const tray of trays) {
      for (const a of tray.holderIds)
        for (const b of tray.holderIds) expect([a, b, areLookalikes(holder(a), holder(b))]).toEqual([a, b, false])
      // The pools of a tray have a panel in common.
      const pools = tray.holderIds.map(
        (id) =>
          new Set(
            tray.holderIds
              .filter((other) => areIdentical(holder(id), holder(other)))
              .flatMap((other) =>
                plan.wayIn
                  .flatMap((card) => card.steps)
                  .filter(({ operation }) => operation.itemId === other)
                  .map(({ operation }) => operation.partId),
              ),
          ),
      )
      expect([...pools[0]!].some((panel) => pools.every((panels) => panels.has(panel)))).toBe(true)
    }
    const all = trays.flatMap((tray) => tray.holderIds)
    expect(new Set(all).size).toBe(all.length)
    for (const a of all)
      for (const b of all)
        if (areIdentical(holder(a), holder(b)))
          expect(trays.find((tray) => tray.holderIds.includes(a))).toBe(
            trays.find((tray) => tray.holderIds.includes(b)),
          )
  },
)

// Statement 10 of the worked example.
test('the surround’s long screw and the unit’s short ones lie apart, and say so', () => {
  const { trays } = sharedTrays(van())
  const long = trays.find((tray) => tray.holderIds.includes('surround-hex7'))!
  const short = trays.find((tray) => tray.holderIds.includes('unit-hex7'))!
  expect(long).not.toBe(short)
  expect(long.notWith).toContain(short.label)
})

/** Every way of putting 0..count-1 into sets, the fewest that are allowed. */
function byHand(count: number, allowed: (members: number[]) => boolean): number {
  const ways = (item: number, sets: number[][]): number => {
    if (item === count) return sets.every(allowed) ? sets.length : Infinity
    return Math.min(
      ways(item + 1, [...sets, [item]]),
      ...sets.map((_, i) =>
        ways(
          item + 1,
          sets.map((set, j) => (i === j ? [...set, item] : set)),
        ),
      ),
    )
  }
  return ways(0, [])
}

test('the fewest, against every way of sharing there is', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 7 }),
      fc.array(fc.tuple(fc.nat(6), fc.nat(6)), { maxLength: 8 }),
      fc.array(fc.uniqueArray(fc.nat(3), { minLength: 1, maxLength: 3 }), { minLength: 7, maxLength: 7 }),
      (count, pairs, panels) => {
        const clashes = (a: number, b: number) =>
          a !== b && pairs.some(([x, y]) => (x === a && y === b) || (x === b && y === a))
        const share = (members: readonly number[]) =>
          [0, 1, 2, 3].some((panel) => members.every((i) => panels[i]!.includes(panel)))
        const { trays, fewest } = fewestTrays(count, clashes, share)
        expect(fewest).toBe(true)
        expect(trays.flat().sort()).toEqual(Array.from({ length: count }, (_, i) => i))
        expect(trays.length).toBe(
          byHand(count, (members) => share(members) && members.every((a) => members.every((b) => !clashes(a, b)))),
        )
      },
    ),
    { seed: 6, numRuns: 200 },
  )
})

// By hand: what lies in a tray and what stays where it is.
test.each<[Partial<Holder>, boolean]>([
  [{ kind: 'machine screw' }, true],
  [{ kind: 'nut' }, true],
  [{ kind: 'push-pin' }, true],
  [{ kind: 'machine screw', captive: true }, false],
  [{ kind: 'spring clip' }, false],
  [{ kind: 'hook-and-loop' }, false],
  [{ kind: 'adhesive' }, false],
  [{ kind: 'slide-on clip nut' }, false],
  [{ kind: 'well nut' }, false],
  [{ kind: 'rivet nut' }, false],
])('%j lies in a tray: %s', (more, wants) => {
  expect(needsTray(Holder.parse({ id: 'h', count: 1, holds: ['p'], ...more }))).toBe(wants)
})
