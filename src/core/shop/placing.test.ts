import { describe, expect, test } from '@jest/globals'
import { judgePlace, PLACED, placingRules, type PlacingAnswers } from './placingRules'

const all = (of: (typeof PLACED)[number], answer: boolean): PlacingAnswers =>
  Object.fromEntries(placingRules(of).map(({ id }) => [id, answer]))

describe.each(PLACED)('the place of a %s', (of) => {
  test('is good only when everything was asked, and is as it should be', () => {
    expect(judgePlace(of, {})).toMatchObject({ kind: 'not asked', left: placingRules(of) })
    expect(judgePlace(of, all(of, true)).kind).toBe('good')
  })
  test('is another one as soon as one thing that must hold does not, whatever is left to ask', () => {
    for (const { id, must } of placingRules(of)) {
      const judged = judgePlace(of, { ...all(of, true), [id]: false })
      expect(judged.kind).toBe(must ? 'another place' : 'with a doubt')
      expect(judgePlace(of, { [id]: false }).kind).toBe(must ? 'another place' : 'not asked')
    }
  })
  test('gives a reason for every question', () => {
    for (const { ask, because } of placingRules(of))
      expect([ask.endsWith('?'), because.length > 8]).toEqual([true, true])
  })
})
// Common practice, no source: what can never be let pass.
test.each([
  ['satellite antenna', 'sky'],
  ['camera', 'picture'],
  ['screen', 'lever'],
  ['module', 'vents'],
  ['microphone', 'airbag'],
] as const)('a %s without “%s” is placed elsewhere', (of, id) => {
  expect(judgePlace(of, { ...all(of, true), [id]: false }).kind).toBe('another place')
})
