import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { newView } from '@/core/procedure/view'
import { rectangle, stackLabels, zoneOf } from './geometry'

test('labels never overlap, keep the order of their anchors and stay inside when there is room', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 0, max: 1000 }), { minLength: 1, maxLength: 12 }), (ys) => {
      const labels = ys.map((y, i) => ({ key: `k${i}`, anchor: [0, y] as const, heightMm: 70 }))
      const at = stackLabels(labels, 0, 1000)
      const placed = labels.map((label) => ({ y: at.get(label.key)!, anchor: label.anchor[1] })).sort((a, b) => a.y - b.y)
      placed.forEach((label, i) => {
        if (i > 0) {
          expect(label.y - placed[i - 1]!.y).toBeGreaterThanOrEqual(70)
          expect(label.anchor).toBeGreaterThanOrEqual(placed[i - 1]!.anchor)
        }
        expect(label.y).toBeGreaterThanOrEqual(0)
        expect(label.y + 70).toBeLessThanOrEqual(1000)
      })
    }),
    { seed: 7, numRuns: 200 },
  )
})
test('zones are counted like a drawing’s frame', () => {
  const view = { ...newView('v', 'dash'), widthMm: 400, heightMm: 300 }
  expect(zoneOf(view, [0, 0])).toBe('A1')
  expect(zoneOf(view, [250, 150])).toBe('C2')
  expect(zoneOf(view, [400, 300])).toBe('D3')
})
test('a rectangle is the same whichever way it is dragged', () => {
  expect(rectangle('v', [10, 20], [5, 2])).toEqual(rectangle('v', [5, 2], [10, 20]))
})
