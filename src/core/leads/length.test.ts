import { describe, expect, test } from '@jest/globals'
import { cutMm, marksMm, needMm, suppliedFor, surplusOf, type Leg } from './length'

const measured = (...lengths: number[]): Leg[] =>
  lengths.map((lengthMm) => ({ lengthMm, slackMm: 0, known: 'measured' }))

// The worked example: an antenna lead, a camera lead and a supply lead in a delivery van.
const ANTENNA = { legs: measured(1450, 400, 500), leaves: [100, 250] as const }
const CAMERA = { legs: measured(400, 2700, 1600, 400, 500), leaves: [150, 250] as const }
const SUPPLY = { legs: measured(450, 400, 1600), leaves: [200, 200] as const }

describe('what a lead needs', () => {
  test('its ways, five in a hundred of each, and what both ends need', () => {
    const need = (lead: typeof ANTENNA | typeof CAMERA | typeof SUPPLY) => needMm(lead.legs, lead.leaves)
    expect([need(ANTENNA), need(CAMERA), need(SUPPLY)]).toEqual([2818, 6280, 2973])
  })
  test('fifteen in a hundred where a way was only estimated, and slack where something moves', () => {
    expect(needMm([{ lengthMm: 1000, slackMm: 120, known: 'estimated' }], [0, 0])).toBe(1270)
  })
  test('cut to measure it is rounded up to the next 50 mm', () =>
    expect([cutMm(2973), cutMm(3000), cutMm(3001)]).toEqual([3000, 3000, 3050]))
})

describe('of supplied lengths', () => {
  test.each([
    [140, 152],
    [152, 152],
    [160, 457],
    [457, 457],
  ])('%i mm takes the one of %i', (need, takenMm) =>
    expect(suppliedFor(need, [457, 152])).toEqual({ kind: 'long enough', takenMm, spareMm: takenMm - need }),
  )
  test('470 mm is 13 mm more than the longest', () =>
    expect(suppliedFor(470, [152, 457])).toEqual({ kind: 'too short', shortMm: 13 }))
  test('the antenna lead of 2,800 mm is 18 mm short', () =>
    expect(suppliedFor(needMm(ANTENNA.legs, ANTENNA.leaves), [2800])).toEqual({ kind: 'too short', shortMm: 18 }))
})

test('marks from the first end: at each point of the run', () => {
  expect(marksMm(ANTENNA.legs, 100)).toEqual([100, 1550, 1950, 2450])
  expect(marksMm(SUPPLY.legs, 200)).toEqual([200, 650, 1050, 2650])
})

test('what is left over once it lies, and what room its coil takes', () => {
  const antenna = surplusOf(5000, ANTENNA.legs, ANTENNA.leaves, 3)
  const camera = surplusOf(8000, CAMERA.legs, CAMERA.leaves, 5)
  expect([antenna.surplusMm, Math.round(antenna.coilMl)]).toEqual([2300, 41])
  expect([camera.surplusMm, Math.round(camera.coilMl)]).toEqual([2000, 98])
})
