import { describe, expect, test } from '@jest/globals'
import { apartMm, LEAD_CLASSES } from '../shop/leadClass'
import { fewestGroups, tiesOf, type TiedWay } from './ties'

const way = (how: TiedWay['how'], lengthMm: number, ...classes: TiedWay['classes'][number][]): TiedWay => ({
  ...{ how, lengthMm, everyMm: null, liesFast: false, classes },
})

// The worked example: antenna, camera (signal) and supply lead of a delivery van, 41 ties with six at the ends.
test('35 ties along the ways: two groups where the supply lead lies beside the others', () => {
  const ways: TiedWay[] = [
    way('laid in', 500, 'antenna', 'signal'),
    way('laid in', 400, 'antenna', 'signal', 'supply'),
    way('laid in', 1600, 'signal', 'supply'),
    way('laid in', 2700, 'signal'),
    way('threaded', 450, 'supply'),
    way('threaded', 400, 'signal'),
    way('tucked', 1450, 'antenna'),
  ]
  expect(ways.map(tiesOf)).toEqual([2, 4, 14, 11, 2, 2, 0])
})

describe('groups', () => {
  test('are one for what may lie in one tie, and as many as want a distance from all others', () => {
    expect(fewestGroups(['antenna', 'signal', 'signal'])).toBe(1)
    expect(fewestGroups(['antenna', 'data', 'supply'])).toBe(3)
    // Ground and supply go together, so do antenna and signal.
    expect(fewestGroups(['antenna', 'supply', 'signal', 'ground'])).toBe(2)
  })
  test('hold nothing that wants a distance, and one fewer would not do, whatever lies there', () => {
    for (let set = 1; set < 1 << LEAD_CLASSES.length; set++) {
      const classes = LEAD_CLASSES.filter((_, i) => (set >> i) & 1)
      const clique = Math.max(...cliques(classes).map(({ length }) => length))
      const groups = fewestGroups(classes)
      expect(groups).toBeGreaterThanOrEqual(clique)
      expect(groups).toBeLessThanOrEqual(classes.length)
    }
  })
})

/** Every choice of kinds of which each two want a distance: each needs a group of its own. */
function cliques(classes: readonly (typeof LEAD_CLASSES)[number][]) {
  const all = Array.from({ length: 1 << classes.length }, (_, set) => classes.filter((__, i) => (set >> i) & 1))
  return all.filter((some) => some.every((a) => some.every((b) => a === b || apartMm(a, b) > 0)))
}

test('what lies fast needs no tie; a way may want them closer', () => {
  expect(tiesOf({ ...way('laid in', 500, 'signal'), liesFast: true })).toBe(0)
  expect(tiesOf({ ...way('laid in', 500, 'signal'), everyMm: 100 })).toBe(5)
  expect(tiesOf(way('laid in', 500))).toBe(0)
})
