import { describe, expect, test } from '@jest/globals'
import {
  awgDiameterMm,
  awgMm2,
  carriesA,
  conductorAt,
  conductorFor,
  copperFactor,
  fuseFor,
  mayNotBlow,
  resistanceOhm,
  type Load,
} from './conductor'

const load = (currentA: number, lengthM: number, more: Partial<Load> = {}): Load => ({
  ...{ systemV: 12, currentA, lasting: true, lengthM },
  ...more,
})

// IEC 60028, from memory; computed by hand from its two figures.
describe('copper', () => {
  test('1 mm2 and 1 m: 17.2414 mohm at 20 °C, 20.6293 at 70', () => {
    expect(resistanceOhm(1, 1, 20) * 1000).toBeCloseTo(17.2414, 4)
    expect(resistanceOhm(1, 1, 70) * 1000).toBeCloseTo(20.6293, 4)
  })
  test('it resists 1.1179 times as much at 50 °C, 1.1965 at 70', () => {
    expect([copperFactor(50), copperFactor(70)].map((factor) => factor.toFixed(4))).toEqual(['1.1179', '1.1965'])
  })
})

// ASTM B258: published diameters and sections of solid wires.
test.each([
  [22, 0.6438, 0.3255],
  [18, 1.0237, 0.823],
  [16, 1.2908, 1.3087],
  [14, 1.6277, 2.0809],
  [12, 2.0525, 3.3088],
  [10, 2.5882, 5.2612],
  [8, 3.2636, 8.3656],
  [4, 5.1894, 21.1506],
  [0, 8.2515, 53.4751],
])('gauge %i: %f mm, %f mm2', (gauge, mm, mm2) => {
  expect(awgDiameterMm(gauge)).toBeCloseTo(mm, 4)
  expect(awgMm2(gauge)).toBeCloseTo(mm2, 4)
})

// ISO 6722-1 / ISO 19642, from memory: no conductor may resist more at 20 °C, so copper alone resists a little less.
test.each([
  [0.5, 37.1],
  [1, 18.5],
  [2.5, 7.6],
  [6, 3.14],
  [16, 1.16],
  [25, 0.743],
])('%f mm2 resists 3 to 11 %% less than the %f mohm/m that are allowed', (mm2, most) => {
  const share = most / (resistanceOhm(mm2, 1, 20) * 1000)
  expect(share).toBeGreaterThan(1.03)
  expect(share).toBeLessThan(1.12)
})

describe('the drop', () => {
  test('2.5 mm2, 4 m and back, 10 A: 0.6168 V at 50 °C', () =>
    expect(conductorAt(load(10, 8), 2.5).dropV).toBeCloseTo(0.6168, 4))
  test('4 mm2, 5 m and back, 15 A: 0.7228 V, 6.02 % of 12 V', () => {
    const { dropV, dropShare } = conductorAt(load(15, 10), 4)
    expect(dropV).toBeCloseTo(0.7228, 4)
    expect(dropShare * 100).toBeCloseTo(6.02, 2)
  })
})

test('the smallest fuse of a lasting current carries it with four fifths, of a short one whole', () => {
  expect([5, 10, 25, 40].map((ampere) => fuseFor(ampere, true))).toEqual([7.5, 15, 40, 50])
  expect([5, 10, 25].map((ampere) => fuseFor(ampere, false))).toEqual([5, 10, 25])
  expect([fuseFor(80, true), fuseFor(81, true)]).toEqual([100, null])
})

test('between two sizes a conductor carries what the smaller one does; below the table nothing is said', () => {
  expect([carriesA(6), carriesA(8), carriesA(10), carriesA(0.5)]).toEqual([45, 45, 65, null])
})

describe('fuse and conductor by drop and load', () => {
  // Current, metres there and back: fuse, least section, kept size, drop.
  test.each([
    [5, 8, 7.5, 2.142, 2.5, 0.308],
    [10, 8, 15, 4.283, 6, 0.257],
    [25, 5.8, 40, 7.763, 10, 0.279],
    [40, 10, 50, 21.416, 25, 0.308],
  ])('%f A over %f m: %f A, %f mm2 at least, %f mm2', (ampere, metres, fuseA, least, mm2, dropV) => {
    const found = conductorFor(load(ampere, metres))!
    expect([found.fuseA, found.conductor.mm2]).toEqual([fuseA, mm2])
    expect(found.leastMm2).toBeCloseTo(least, 3)
    expect(found.conductor.dropV).toBeCloseTo(dropV, 3)
  })
  test('the supply lead of the example: 3 m out, 0.4 m of ground lead', () => {
    const found = conductorFor(load(25, 3.4))!
    expect(found.leastMm2).toBeCloseTo(4.55, 2)
    expect(found).toMatchObject({ fuseA: 40, conductor: { mm2: 6, carriesA: 45 } })
    expect(mayNotBlow(found.conductor, 40)).toBe(false)
    expect([found.conductor.dropV, found.conductor.dropShare * 100].map((value) => value.toFixed(2))).toEqual([
      '0.27',
      '2.28',
    ])
    expect(Math.round(found.conductor.shortA)).toBe(388)
  })
  test('a long thin one of a kit draws too little in a short to blow its fuse; a short one does not', () => {
    const at = (metres: number) => mayNotBlow(conductorAt(load(5, metres), 1), 7.5)
    expect([at(2), at(40)]).toEqual([false, true])
  })
  test('half the drop is allowed at 12 V of what is at 24; in a bundle it carries less', () => {
    expect(conductorFor(load(10, 8, { systemV: 24 }))!.leastMm2).toBeCloseTo(4.283 / 2, 3)
    expect(conductorFor(load(10, 1), 0.7)!.conductor.mm2).toBeGreaterThan(conductorFor(load(10, 1))!.conductor.mm2)
  })
  test('what no fuse or no size is for has none', () => expect(conductorFor(load(90, 1))).toBeNull())
})
