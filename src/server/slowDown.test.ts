import { expect, test } from '@jest/globals'
import { SlowDown } from './slowDown'

test('the sixth try in a row waits, and each one after that twice as long, until one succeeds', () => {
  const slow = new SlowDown()
  for (let i = 0; i < 4; i++) slow.failed('tolu', 0)
  expect(slow.secondsToWait('tolu', 0)).toBe(0)
  slow.failed('tolu', 0)
  expect(slow.secondsToWait('tolu', 0)).toBe(5)
  expect(slow.secondsToWait('tolu', 5000)).toBe(0)
  slow.failed('tolu', 5000)
  expect(slow.secondsToWait('tolu', 5000)).toBe(10)
  expect(slow.secondsToWait('ines', 5000)).toBe(0)
  slow.succeeded('tolu')
  expect(slow.secondsToWait('tolu', 5000)).toBe(0)
})
test('nobody waits longer than five minutes', () => {
  const slow = new SlowDown()
  for (let i = 0; i < 40; i++) slow.failed('tolu', 0)
  expect(slow.secondsToWait('tolu', 0)).toBe(300)
})
