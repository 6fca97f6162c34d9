import { expect, test } from '@jest/globals'
import { smallestSet } from './smallestSet'

test('the smallest set of acts: what is forced, then whichever alternatives are fewest together', () => {
  expect(smallestSet([])).toEqual([])
  expect(smallestSet([[['b', 'a']], [['c']]])).toEqual(['a', 'b', 'c'])
  expect(smallestSet([[['a']], []])).toBeNull()
  expect(smallestSet([[['a'], ['b', 'c']], [['c'], ['d']], [['c']]])).toEqual(['a', 'c'])
  expect(
    smallestSet([
      [['a', 'b'], ['c']],
      [['c'], ['a']],
    ]),
  ).toEqual(['c'])
  // As few either way: by name.
  expect(smallestSet([[['b'], ['a']]])).toEqual(['a'])
})

test('acts that decide the same otherwise are never both in it; what is so already is no act', () => {
  const known = {
    excludes: (act: string) => (act.startsWith('lever=') ? 'lever' : null),
    isFree: (act: string) => act === 'lever=out',
  }
  // Leaving the lever where it is would be least, but it is wanted elsewhere.
  expect(smallestSet([[['lever=park']], [['lever=out'], ['brake=on']]], known)).toEqual(['brake=on', 'lever=park'])
  expect(smallestSet([[['lever=out'], ['brake=on']]], known)).toEqual([])
  expect(smallestSet([[['lever=park']], [['lever=out']]], known)).toBeNull()
  expect(
    smallestSet(
      [
        [['lever=park'], ['a', 'b']],
        [['lever=out'], ['c', 'd', 'e']],
      ],
      known,
    ),
  ).toEqual(['a', 'b'])
})
