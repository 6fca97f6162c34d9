import { expect, test } from '@jest/globals'
import { applyEdits } from '../procedure/edit'
import { keyOf } from '../procedure/acts'
import { smallDash } from '../testing/smallDash.testing'
import { orderEdits, reasonEdit } from './statedOrder'

test('an order of strips is stated of the acts it was seen at, for the reason somebody gives', () => {
  const pair = { before: keyOf('release', 'cover'), after: keyOf('undo', 'bolts') }
  const document = smallDash()
  const stated = applyEdits(document, orderEdits(pair, 'observed', 'n-seen', 'seen on Van 1'))
  if (!stated.ok) throw new Error(stated.error.sentence)
  const need = stated.value.document.needs.find(({ id }) => id === 'n-seen')!
  expect(need).toMatchObject({
    dependent: { act: 'undo', id: 'bolts' },
    needs: { kind: 'operation', act: 'release', id: 'cover' },
    reason: 'observed',
    note: 'seen on Van 1',
  })
  const habit = applyEdits(stated.value.document, reasonEdit(stated.value.document, 'n-seen', 'habit'))
  expect(habit.ok && habit.value.document.needs.find(({ id }) => id === 'n-seen')!.reason).toBe('habit')
})

test('a need that is gone meanwhile changes nothing', () => {
  expect(reasonEdit(smallDash(), 'gone', 'habit')).toEqual([])
})

test('a note longer than a record holds is cut, and the order is stated', () => {
  const pair = { before: keyOf('release', 'cover'), after: keyOf('undo', 'bolts') }
  const [edit] = orderEdits(pair, 'observed', 'n-seen', 'x'.repeat(2_000))
  expect(edit).toMatchObject({ kind: 'add', item: { note: 'x'.repeat(300) } })
})
