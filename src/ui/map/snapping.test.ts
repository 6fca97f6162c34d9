import { describe, expect, test } from '@jest/globals'
import { snap } from './snapping'

const square = [
  [100, 100],
  [200, 100],
  [200, 200],
  [100, 200],
] as const

describe('where a drawn corner is meant', () => {
  test('a corner of another outline goes before its edge, an edge before being level', () => {
    expect(snap([103, 98], [square], [50, 97], 8)).toEqual({ point: [100, 100], to: 'corner' })
    expect(snap([150, 105], [square], [50, 104], 8)).toEqual({ point: [150, 100], to: 'edge' })
  })
  test('level and plumb with the corner before, along the grid', () => {
    expect(snap([412, 303], [square], [300, 300], 8)).toEqual({ point: [410, 300], to: 'level' })
    expect(snap([297, 513], [square], [300, 300], 8)).toEqual({ point: [300, 515], to: 'plumb' })
  })
  test('otherwise the grid; what is out of reach pulls nothing', () => {
    expect(snap([113, 88], [square], null, 8)).toEqual({ point: [115, 90], to: 'grid' })
  })
})
