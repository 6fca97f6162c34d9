import { describe, expect, test } from '@jest/globals'
import { areaOf, isTooThick, leastBendMm, passesBore, roomOf } from './bore'

const round = (diameterMm: number) => ({ shape: 'round', diameterMm }) as const
const slot = (widthMm: number, heightMm: number) => ({ shape: 'slot', widthMm, heightMm }) as const
const face = (widthMm: number, heightMm: number) => ({ widthMm, heightMm })

describe('a connector', () => {
  test.each([
    [face(8, 8), round(12), true],
    // Its diagonal is 14.14.
    [face(10, 10), round(12), false],
    [face(24, 24), round(12), false],
    [face(24, 8), slot(25, 9), true],
    [face(8, 24), slot(25, 9), true],
    [face(24, 8), slot(24, 7), false],
  ])('%j through %j: %s', (connector, bore, passes) => expect(passesBore(connector, bore)).toBe(passes))
})

describe('room', () => {
  test('of a bore of 14 mm holds leads of 7 and 5 mm, and not one of 3 besides', () => {
    const room = roomOf(round(14))
    expect(areaOf(7) + areaOf(5)).toBeLessThanOrEqual(room)
    expect(areaOf(7) + areaOf(5) + areaOf(3)).toBeGreaterThan(room)
  })
  test('of a slot is that of a round opening of the same area', () => {
    const side = Math.sqrt((Math.PI / 4) * 14 ** 2)
    expect(roomOf(slot(side, side))).toBeCloseTo(roomOf(round(14)), 9)
  })
})

test('one of 21 mm is too thick for 22 and for 14; one of 12 is not for a slot of 300 by 14', () => {
  expect([isTooThick(21, round(22)), isTooThick(21, round(14)), isTooThick(12, slot(300, 14))]).toEqual([
    true,
    true,
    false,
  ])
})

test('a lead of 7 mm bends at 35, where it moves at 70, and never tighter than is said of it', () => {
  expect([leastBendMm(7, null, false), leastBendMm(7, null, true), leastBendMm(7, 50, false)]).toEqual([35, 70, 50])
})
