import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { openAccount, settleAccount } from '../account'
import { countFound } from './countFound'

const holder = { id: 'clips', count: 6 }

/** The account after some counts were said, one after the other. */
function accountAfter(counts: readonly number[]) {
  const account = openAccount(holder.count)
  for (const counted of counts)
    for (const what of countFound(holder, account, counted, ''))
      if (what.kind === 'as found') account[what.what] += what.count
  return account
}

test('whatever is said in whichever order, as found is what was said last', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 0, max: 20 }), { minLength: 1, maxLength: 6 }),
      (counts) => settleAccount(accountAfter(counts)).asFound === counts.at(-1),
    ),
  )
})

test('one said missing at the intake and five counted at the card is one missing, not two', () => {
  const account = { ...openAccount(6), missing: 1 }
  expect(countFound(holder, account, 5, 'at the card')).toEqual([])
  expect(countFound(holder, account, 4, '')).toEqual([
    { kind: 'as found', holderId: 'clips', what: 'missing', count: 1, note: '' },
    { kind: 'different from the record', itemId: 'clips', field: 'count', value: '4' },
  ])
  expect(countFound(holder, account, 6, '')).toEqual([
    { kind: 'as found', holderId: 'clips', what: 'extra', count: 1, note: '' },
  ])
})
