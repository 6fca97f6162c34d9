import { expect, test } from '@jest/globals'
import { Electric } from '../shop/lead'
import { fusedWith, loadOf } from './electric'

// The worked example's supply lead, cut to 3 m, back by the body: the design's figures, by hand there.
test('25 A over 3 m and the body: fuse 40 A, 6 mm2, 0.273 V', () => {
  const found = fusedWith(Electric.parse({ currentA: 25 }), 3000)!
  expect([found.fuseA, found.mm2, Number(found.dropV.toFixed(3))]).toEqual([40, 6, 0.273])
})
test('with a lead of its own back it is twice as far; the kit’s own fuse goes first', () => {
  const own = Electric.parse({ currentA: 5, returns: 'by a lead of its own', fuseA: 10 })
  expect(loadOf(own, 4000).lengthM).toBe(8)
  // 5 A, 4 m and back: 2.142 mm2 at least, so 2.5 mm2.
  expect(fusedWith(own, 4000)).toMatchObject({ fuseA: 10, mm2: 2.5 })
})
test('a current that no fuse is kept for is said to have none', () =>
  expect(fusedWith(Electric.parse({ currentA: 400 }), 1000)).toBeNull())
