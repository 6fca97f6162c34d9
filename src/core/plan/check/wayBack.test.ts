import { expect, test } from '@jest/globals'
import { Need } from '../../procedure/need'
import { DEFAULT_HOUSE_VALUES } from '../../shop/houseValues'
import { smallDash } from '../../testing/smallDash.testing'
import { whilePlanning } from '../../vehicle/circumstances'
import { checkRecord } from './checkRecord'

const seats = (id: string, after: string) =>
  Need.parse({
    id: `${id}-after-${after}`,
    dependent: { act: 'seat', id },
    needs: { kind: 'operation', act: 'seat', id: after },
    reason: 'method',
  })
const contradictions = (needs: Need[]) => {
  const dash = smallDash()
  dash.needs.push(...needs)
  return checkRecord(dash, whilePlanning(DEFAULT_HOUSE_VALUES)).filter(({ kind }) => kind === 'contradiction')
}

test('two parts of which each goes home after the other are a contradiction, though both come off', () => {
  expect(contradictions([])).toEqual([])
  // As the trap has it anyway: the unit is home before the panel that lies over it.
  expect(contradictions([seats('panel', 'unit')])).toEqual([])
  const found = contradictions([seats('unit', 'panel'), seats('panel', 'unit')])
  expect(found).toHaveLength(1)
  expect(found[0]).toMatchObject({ kind: 'contradiction', error: { kind: 'contradiction' } })
})
