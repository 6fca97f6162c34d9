import { expect, test } from '@jest/globals'
import { smallDash } from '@/core/testing/smallDash.testing'
import { rowWords } from './balanceWords'

const row = (back: number, inHand: number) =>
  rowWords(smallDash(), {
    ...{ account: 'holder', id: 'bolts', out: 2, back, inHand },
    open: [{ kind: 'in hand', count: inHand }],
  }).sentence

test('in hand though all are in, and in hand because nothing is held by them any more, are not said alike', () => {
  expect(row(2, 1)).toBe('All are in, and 1 more is in hand. Say where it goes.')
  expect(row(0, 2)).toBe('2 in hand, and nothing is held by them any more. Say where they go.')
})

test('a part that something of a kit stands in for says so, out and in', () => {
  const dash = smallDash()
  const said = (level: 'off' | 'in place') =>
    rowWords(dash, { account: 'part', id: 'unit', open: level === 'off', level, end: null, by: 'panel' })
  expect(said('off')).toEqual({ heading: 'Unit is out', sentence: 'Panel goes in its place.' })
  expect(said('in place')).toEqual({ heading: 'Unit', sentence: 'Panel stands in its place' })
})
