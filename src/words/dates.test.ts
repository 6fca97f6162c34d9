import { expect, test } from '@jest/globals'
import { chosenDayWords, dateWords, isSameDay, numberWords } from './dates'

// 23:30 in London is half past midnight of the next day in Berlin, and half past six in the evening in New York.
const AT = new Date('2026-11-24T23:30:00Z')

test.each([
  ['Europe/London', 'moment', 'Tue 24 Nov, 23:30'],
  ['Europe/Berlin', 'moment', 'Wed 25 Nov, 00:30'],
  ['America/New_York', 'clock', '18:30'],
  ['Europe/Berlin', 'printed', '25 Nov 2026, 00:30'],
  ['Europe/Berlin', 'weekday', 'Wed'],
  ['Europe/London', 'day', '24 Nov'],
  ['Europe/London', 'year', '24 Nov 2026'],
  ['Europe/London', 'longDay', 'Tuesday 24 November'],
] as const)('in %s as %s: %s', (zone, form, words) => expect(dateWords(AT, form, zone)).toBe(words))

test('today is the shop’s day, not the server’s', () => {
  const earlier = new Date('2026-11-24T22:30:00Z')
  expect(isSameDay(AT, earlier, 'Europe/London')).toBe(true)
  expect(isSameDay(AT, earlier, 'Europe/Berlin')).toBe(false)
})
test('a chosen day is that day in every zone', () => {
  expect(chosenDayWords('2026-11-30')).toBe('Mon 30 Nov')
  expect(chosenDayWords('2026-11-30', 'longDay')).toBe('Monday 30 November')
})
test('numbers are grouped', () => expect(numberWords(12345)).toBe('12,345'))
