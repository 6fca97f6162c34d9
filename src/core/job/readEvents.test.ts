import { expect, test } from '@jest/globals'
import { crewAtDash } from '../testing/atDash.testing'
import { idOf, readEvents } from './readEvents'

test('one event of an unknown kind, or none at all, keeps nobody from the others', () => {
  const crew = crewAtDash()
  const event = crew.add({ kind: 'opened', tetherId: 'main' })
  const newer = { ...event, id: '00000000-0000-4000-8000-000000000999', what: { kind: 'weighed', massKg: 2 } }
  expect(readEvents([newer, event, null, 'event', { ...event, v: 99, id: 'v99' }])).toEqual({
    events: [event],
    notUnderstood: [newer.id, '', '', 'v99'],
  })
})
test('an id is given back as it was sent, and no longer than an id', () => {
  expect([idOf({ id: 'A' }), idOf({ id: 3 }), idOf({}), idOf(null), idOf([])]).toEqual(['A', '', '', '', ''])
  expect(idOf({ id: 'x'.repeat(5000) })).toHaveLength(64)
})
