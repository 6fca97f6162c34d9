import { expect, test } from '@jest/globals'
import { pausesOf } from './pauses'

const span = (startS: number, endS: number) => ({ startS, endS })

test('a pause of everybody, of one alone, and none where somebody only walks across', () => {
  const lanes = [
    [span(0, 100), span(130, 200), span(620, 700)],
    [span(10, 60), span(150, 200), span(600, 640)],
  ]
  expect(pausesOf({ lanes, makespanS: 700 })).toEqual([
    [{ startS: 200, endS: 600, everybody: true }],
    [
      { startS: 60, endS: 150, everybody: false },
      { startS: 200, endS: 600, everybody: true },
      { startS: 640, endS: 700, everybody: false },
    ],
  ])
})

test('who has nothing at all to do is free all the time; nothing at all to do is no pause', () => {
  expect(pausesOf({ lanes: [[span(0, 300)], []], makespanS: 300 })).toEqual([
    [],
    [{ startS: 0, endS: 300, everybody: false }],
  ])
  expect(pausesOf({ lanes: [[], []], makespanS: 0 })).toEqual([[], []])
})
