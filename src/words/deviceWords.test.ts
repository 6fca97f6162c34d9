import { expect, test } from '@jest/globals'
import { clockWords, seenWords, waitingWords } from './deviceWords'
import { fingerprintLines, TRUST_STEPS } from './trustWords'

const MIN = 60_000
test.each([
  [0, ''],
  [59_000, ''],
  [-90_000, 'its clock is 2 min behind: set it right'],
  [100 * MIN, 'its clock is 100 min ahead: set it right'],
  [26 * 60 * MIN, 'its clock is 26 h ahead: set it right'],
  [-72 * 60 * MIN, 'its clock is 3 days behind: set it right'],
])('a clock that is %i ms ahead', (ms, words) => {
  expect(clockWords(ms)).toBe(words)
})
test('what waits, and when it was seen', () => {
  expect([0, 1, 2].map(waitingWords)).toEqual(['nothing waits on it', '1 tap waits on it', '2 taps wait on it'])
  const now = Date.UTC(2026, 10, 24, 13, 12)
  expect(seenWords(now - MIN, now, 'UTC')).toBe('seen just now')
  expect(seenWords(now - 59 * MIN, now, 'UTC')).toBe('seen 59 min ago')
  expect(seenWords(now - 60 * MIN, now, 'Europe/Berlin')).toBe('seen Tue 24 Nov, 13:12')
})
test('a fingerprint of SHA-256 is four lines of eight pairs; every kind of device has its three sentences', () => {
  const lines = fingerprintLines(Array.from({ length: 32 }, (_, i) => i.toString(16).padStart(2, '0')).join(':'))
  expect(lines.map((line) => line.split(' ').length)).toEqual([8, 8, 8, 8])
  for (const { sentences } of TRUST_STEPS) for (const sentence of sentences) expect(sentence).toMatch(/^[A-Z].*\.$/)
})
