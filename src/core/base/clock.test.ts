import { describe, expect, test } from '@jest/globals'
import { isTooFarAhead, laterStamp, nextStamp, wallMsOf } from './clock'
import { compareText } from './compareText'
import { seededRandom, seedOfText } from './random'
import { Stamp } from './stamp'

const NOW = 1_764_000_000_000
const stamp = (wallMs: number, counter = 0) =>
  `${String(wallMs).padStart(16, '0')}-${counter.toString(16).padStart(4, '0')}`

// What a hybrid logical clock promises (Kulkarni et al. 2014, from memory): stamps only grow, and stay near the wall.
describe('the stamp of the next event', () => {
  test('is of now where nothing was stamped yet, or longer ago', () => {
    expect(nextStamp(null, NOW)).toBe(stamp(NOW))
    expect(nextStamp(stamp(NOW - 1, 7), NOW)).toBe(stamp(NOW))
  })
  test('counts on within the same millisecond, and while the clock stands behind', () => {
    expect(nextStamp(stamp(NOW), NOW)).toBe(stamp(NOW, 1))
    expect(nextStamp(stamp(NOW, 0xfffe), NOW - 5_000)).toBe(stamp(NOW, 0xffff))
    expect(nextStamp(stamp(NOW, 0xffff), NOW - 5_000)).toBe(stamp(NOW + 1, 0))
  })
  test('always comes after the last one, is one, and moves no further than it must, whatever the clock does', () => {
    const random = seededRandom(3)
    let last: string | null = null
    for (let i = 0; i < 400; i++) {
      const nowMs = NOW + random.below(2_000) - 1_000
      const next: string = nextStamp(last, nowMs)
      expect(Stamp.safeParse(next).success).toBe(true)
      if (last !== null) expect(compareText(next, last)).toBe(1)
      expect(wallMsOf(next)).toBeLessThanOrEqual(Math.max(nowMs, last === null ? 0 : wallMsOf(last)))
      last = next
    }
  })
})
test('a stamp sorts as text like the time it means', () => {
  const sorted = [stamp(NOW, 1), stamp(NOW), stamp(NOW + 1), stamp(9), stamp(NOW, 0x10)].sort(compareText)
  expect(sorted).toEqual([stamp(9), stamp(NOW), stamp(NOW, 1), stamp(NOW, 0x10), stamp(NOW + 1)])
  expect(wallMsOf(stamp(NOW, 12))).toBe(NOW)
})
test('the later of two; of one and none the one', () => {
  const [a, b] = [stamp(NOW), stamp(NOW, 1)]
  expect([laterStamp(a, b), laterStamp(b, a), laterStamp(a, a)]).toEqual([b, b, a])
  expect([laterStamp(a, null), laterStamp(null, a), laterStamp(null, null)]).toEqual([a, a, null])
})
test('too far ahead: more than a day, so that a tablet whose clock is set wrong drags nobody along', () => {
  const day = 24 * 60 * 60_000
  expect([isTooFarAhead(stamp(NOW + day), NOW), isTooFarAhead(stamp(NOW + day + 1), NOW)]).toEqual([false, true])
  expect(isTooFarAhead(stamp(0), NOW)).toBe(false)
})

// Published: FNV-1a, 32 bits, test vectors of its authors (from memory).
test.each([
  ['', 0x811c9dc5],
  ['a', 0xe40c292c],
  ['foobar', 0xbf9cf968],
])('a number from the text %j', (text, number) => expect(seedOfText(text)).toBe(number))

describe('chance from a seed', () => {
  const drawn = (seed: number) => {
    const random = seededRandom(seed)
    return Array.from({ length: 2_000 }, () => random.next())
  }
  test('the same seed draws the same, another something else', () => {
    expect(drawn(5)).toEqual(drawn(5))
    expect(drawn(5)).not.toEqual(drawn(6))
  })
  test('between nought and one, evenly', () => {
    const numbers = drawn(7)
    expect(numbers.every((n) => n >= 0 && n < 1)).toBe(true)
    for (let tenth = 0; tenth < 10; tenth++) {
      const share = numbers.filter((n) => Math.floor(n * 10) === tenth).length
      // Two hundred are expected; six standard deviations are eighty.
      expect(Math.abs(share - 200)).toBeLessThan(80)
    }
  })
  test('below a number, one of a list, as often as said', () => {
    const random = seededRandom(9)
    expect(new Set(Array.from({ length: 200 }, () => random.below(4)))).toEqual(new Set([0, 1, 2, 3]))
    expect(new Set(Array.from({ length: 200 }, () => random.pick(['a', 'b'])))).toEqual(new Set(['a', 'b']))
    expect(() => random.pick([])).toThrow('an empty list')
    const often = Array.from({ length: 2_000 }, () => random.chance(0.25)).filter(Boolean).length
    expect(Math.abs(often - 500)).toBeLessThan(6 * Math.sqrt(2_000 * 0.25 * 0.75))
    expect([random.chance(0), random.chance(1)]).toEqual([false, true])
  })
})
