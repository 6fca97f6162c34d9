import { expect, test } from '@jest/globals'
import { crewAtDash, record } from '../testing/atDash.testing'
import type { Happening } from './event'
import { confirmedBy } from './strips'

const undone = (count: number): Happening => ({ kind: 'undone', holderId: 'screws', count })
const confirmed = (...happenings: Happening[]) => {
  const crew = crewAtDash()
  record(crew, happenings)
  return confirmedBy(crew.document, crew.state)
}

test('a group bears the record out when exactly as many came out as it says', () => {
  expect(confirmed(undone(4))).toEqual(['screws'])
  expect(confirmed(undone(3))).toEqual([])
  expect(confirmed(undone(4), undone(1))).toEqual([])
  expect(confirmed({ kind: 'as found', holderId: 'screws', what: 'missing', count: 1, note: '' }, undone(4))).toEqual(
    [],
  )
})
test('a plug that was opened and a part that moved bear it out, unless something was said against them', () => {
  expect(confirmed({ kind: 'opened', tetherId: 'main' }, { kind: 'part at', partId: 'cover', level: 'free' })).toEqual([
    'main',
    'cover',
  ])
  const differs: Happening = { kind: 'different from the record', itemId: 'screws', field: 'head', value: 'hex 7' }
  expect(confirmed(undone(4), differs)).toEqual([])
  expect(
    confirmed({ kind: 'already off', itemId: 'cover' }, { kind: 'part at', partId: 'cover', level: 'off' }),
  ).toEqual([])
})
