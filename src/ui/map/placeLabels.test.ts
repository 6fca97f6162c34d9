import { expect, test } from '@jest/globals'
import { seededRandom } from '@/core/base/random'
import { newView } from '@/core/procedure/view'
import { placeLabels } from './placeLabels'

const view = {
  ...newView('v', 'dash'),
  widthMm: 1600,
  heightMm: 1000,
  backdrop: [{ d: 'M0 600L1600 600L1600 1000L0 1000Z', weight: 'outer' as const }],
}

test('labels stay inside the view, do not overlap and keep off busy places while there is room', () => {
  const random = seededRandom(5)
  for (let round = 0; round < 20; round++) {
    const wishes = Array.from({ length: 6 }, (_, i) => ({
      key: `k${i}`,
      title: 'x',
      sub: '',
      anchors: [[200 + random.below(1200), 300 + random.below(500)]] as [number, number][],
      widthMm: 240,
      heightMm: 70,
    }))
    const placed = placeLabels(view, wishes)
    placed.forEach(({ box }, i) => {
      expect(box.x >= 0 && box.y >= 0 && box.x + box.width <= 1600 && box.y + box.height <= 1000).toBe(true)
      for (const other of placed.slice(i + 1))
        expect(
          box.x < other.box.x + other.box.width &&
            other.box.x < box.x + box.width &&
            box.y < other.box.y + other.box.height &&
            other.box.y < box.y + box.height,
        ).toBe(false)
    })
  }
})
test('a single label avoids the line it could lie on', () => {
  const [label] = placeLabels(view, [
    { key: 'a', title: 'x', sub: '', anchors: [[800, 600]], widthMm: 200, heightMm: 80 },
  ])
  expect(label!.box.y + label!.box.height < 600 || label!.box.y > 600).toBe(true)
})
