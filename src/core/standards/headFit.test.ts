import { describe, expect, test } from '@jest/globals'
import { headFit, inchKeyFor, threadsOfCross } from './headFit'

describe('what else fits a head', () => {
  // Common practice, no source: the keys that crews swap, and those that round the socket.
  test.each([
    [2, '5/64'],
    [4, '5/32'],
    [8, '5/16'],
  ])('a socket of %d mm takes a %s in key', (mm, inch) => expect(inchKeyFor(mm)).toBe(inch))
  test('5, 6 and 10 mm take none: 3/16 and 3/8 are loose, 1/4 does not go in', () => {
    expect([5, 6, 10].map(inchKeyFor)).toEqual([null, null, null])
  })
  test('a key never is larger than its socket', () => {
    for (let mm = 1.5; mm < 12; mm += 0.01) {
      const inch = inchKeyFor(mm)
      if (!inch) continue
      const [over, under = 1] = inch.split('/').map(Number)
      expect((over! / under) * 25.4).toBeLessThanOrEqual(mm)
    }
  })
  // ISO 10664, from memory: across the lobes.
  test('six-lobe heads: the bored bit fits, the next smaller strips', () => {
    expect(headFit('six-lobe T20')).toEqual({ inch: null, bored: true, strip: ['T15'], climbOut: [] })
    expect(headFit('six-lobe T6').strip).toEqual([])
  })
  // ISO 4757, from memory: number 2 is made on M3.5 to M5.
  test('cross heads: the two kinds are not the same', () => {
    expect(headFit('cross PH2').climbOut).toEqual(['PZ2'])
    expect(headFit('cross PZ1').climbOut).toEqual(['PH1'])
    expect([threadsOfCross('cross PH2'), threadsOfCross('cross PZ3'), threadsOfCross('hex 8')]).toEqual([
      'M3.5 to M5',
      'M6',
      null,
    ])
  })
  test('a hexagon: its socket in inches, and no more than is known about anything else', () => {
    expect(headFit('hex 8').inch).toBe('5/16')
    expect(headFit('hex socket 4')).toEqual({ inch: '5/32', bored: false, strip: ['T20'], climbOut: [] })
    expect(headFit('pry tool')).toEqual({ inch: null, bored: false, strip: [], climbOut: [] })
  })
})
