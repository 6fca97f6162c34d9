import { describe, expect, test } from '@jest/globals'
import { clipPath } from './clipPath'
import { newPart } from './part'

/** A panel of 300 by 200 mm, its clips every 100 mm round the edge but for those left out. */
const panel = (start: string) => ({
  ...newPart('p', 'Panel'),
  outline: {
    viewId: 'v',
    points: [
      [0, 0],
      [300, 0],
      [300, 200],
      [0, 200],
    ] as [number, number][],
  },
  release: { ...newPart('p', 'Panel').release, start },
})
const ROUND: [number, number][] = [
  [0, 0],
  [100, 0],
  [200, 0],
  [300, 0],
  [300, 100],
  [300, 200],
  [200, 200],
  [100, 200],
  [0, 200],
  [0, 100],
]
const clips = (spots: readonly (readonly [number, number])[]) => ({
  positions: spots.map(([x, y]) => ({ viewId: 'v', x, y })),
})
const path = (start: string, spots: readonly (readonly [number, number])[]) => clipPath(panel(start), clips(spots))!

describe('clips around a panel', () => {
  test.each([
    ['lower left', [0, 200]],
    ['top right', [300, 0]],
    ['top', [100, 0]],
    ['', [0, 200]],
  ])('begin at the %s', (start, [x, y]) => expect(path(start, ROUND).marks[0]).toEqual({ x, y }))
  test('go once round: every clip once, each beside the next, the gaps adding up to the whole edge', () => {
    const { marks, gapsMm, likely } = path('lower left', [...ROUND].reverse())
    expect(new Set(marks.map(({ x, y }) => `${x} ${y}`)).size).toBe(10)
    expect(gapsMm).toEqual(Array(10).fill(100))
    marks.forEach(({ x, y }, i) => expect(Math.hypot(x - marks[(i + 1) % 10]!.x, y - marks[(i + 1) % 10]!.y)).toBe(100))
    expect(gapsMm.reduce((sum, gap) => sum + gap, 0)).toBe(2 * (300 + 200))
    expect(likely).toEqual([])
  })
  test('first toward the nearer neighbour', () => {
    const near = path('lower left', [
      [0, 200],
      [0, 150],
      [100, 200],
      [300, 200],
      [300, 0],
    ])
    expect(near.marks[1]).toEqual({ x: 0, y: 150 })
  })
  test('where one is left out, it is likely there; where two are, both', () => {
    expect(
      path(
        'lower left',
        ROUND.filter(([x, y]) => !(x === 200 && y === 0)),
      ).likely,
    ).toEqual([{ x: 200, y: 0 }])
    expect(
      path(
        'lower left',
        ROUND.filter(([x, y]) => !(y === 0 && (x === 100 || x === 200))),
      )
        .likely.map(({ x }) => x)
        .sort((a, b) => a - b),
    ).toEqual([100, 200])
  })
  test('a row along one side: the other sides have none, and none is missed there', () => {
    const row = path('top left', [
      [0, 0],
      [50, 0],
      [100, 0],
      [150, 0],
      [200, 0],
    ])
    expect([row.likely, row.spacingMm]).toEqual([[], [50, 50]])
  })
  test('three clips say nothing of a spacing', () => {
    expect(
      path('top', [
        [0, 0],
        [50, 0],
        [300, 200],
      ]).likely,
    ).toEqual([])
  })
  test('a mark off the panel is told, one dropped a little beside it is not; a clip in its middle is none of the edge', () => {
    const { outside, marks } = path('top', [
      [-5, 100],
      [340, 100],
      [0, 0],
      [300, 0],
      [150, 100],
    ])
    expect(outside).toEqual([{ x: 340, y: 100 }])
    expect(marks).not.toContainEqual({ x: 150, y: 100 })
  })
  test('without an outline, or with one mark, there is no path', () => {
    expect(clipPath({ ...panel('top'), outline: null }, clips(ROUND))).toBeNull()
    expect(clipPath(panel('top'), clips([[0, 0]]))).toBeNull()
  })
})
