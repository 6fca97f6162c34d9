import { describe, expect, test } from '@jest/globals'
import { inchSocketFor, MM_PER_INCH } from './inchSocket'

describe('inch sockets on metric heads', () => {
  // Common practice, no source: what crews swap when one of the two is missing.
  test.each([
    [8, '5/16'],
    [7, '9/32'],
    [5.5, '7/32'],
    [11, '7/16'],
  ])('%d mm: %s in', (mm, inch) => {
    expect(inchSocketFor(mm)).toBe(inch)
  })
  test('10 mm and 13 mm have none: 3/8 is too small, 1/2 rounds the head', () => {
    expect([inchSocketFor(10), inchSocketFor(13)]).toEqual([null, null])
  })
  test('none is further off than the allowance', () => {
    for (let mm = 4; mm < 19; mm += 0.1) {
      const inch = inchSocketFor(mm)
      if (!inch) continue
      const [over, under = 1] = inch.split('/').map(Number)
      const spare = (over! / under) * MM_PER_INCH - mm
      expect([mm, spare > -0.071 && spare < 0.161]).toEqual([mm, true])
    }
  })
})
