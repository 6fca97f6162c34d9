import { expect, test } from '@jest/globals'
import { numberIn, resultOfTest } from './resultOfTest'

const SUPPLY = { least: 11.5, most: 15 }

test.each([
  ['12.4 V', 12.4],
  ['12,4', 12.4],
  ['−3 °C', -3],
  ['about 12', null],
  ['', null],
])('the number in “%s” is %s', (reading, number) => {
  expect(numberIn(reading)).toBe(number)
})
test.each([
  ['passed', '12.4 V', 'passed'],
  ['passed', '9 V', 'failed'],
  ['passed', '15.1 V', 'failed'],
  ['failed', '12.4 V', 'failed'],
  // Without a number nobody can say that it lies outside.
  ['passed', '', 'passed'],
  ['passed', 'green', 'passed'],
] as const)('said to have %s at “%s” of 11.5 to 15: it has %s', (result, reading, comes) => {
  expect(resultOfTest(SUPPLY, { result, reading })).toBe(comes)
})
test('without a range what is said counts', () => {
  expect(resultOfTest({ least: null, most: null }, { result: 'passed', reading: '900' })).toBe('passed')
})
