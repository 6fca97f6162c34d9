import { expect, test } from '@jest/globals'
import { newView } from '@/core/procedure/view'
import { rectangle, zoneOf } from './geometry'

test('zones are counted like a drawing’s frame', () => {
  const view = { ...newView('v', 'dash'), widthMm: 400, heightMm: 300 }
  expect(zoneOf(view, [0, 0])).toBe('A1')
  expect(zoneOf(view, [250, 150])).toBe('C2')
  expect(zoneOf(view, [400, 300])).toBe('D3')
})
test('a rectangle is the same whichever way it is dragged', () => {
  expect(rectangle('v', [10, 20], [5, 2])).toEqual(rectangle('v', [5, 2], [10, 20]))
})
