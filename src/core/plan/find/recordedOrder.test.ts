import { expect, test } from '@jest/globals'
import { DEFAULT_HOUSE_VALUES } from '../../shop/houseValues'
import { crewAtDash } from '../../testing/atDash.testing'
import { stripOrderS } from './recordedOrder'

const { plan } = crewAtDash()
const own = plan.wayIn.flatMap((card) => card.steps.map(({ operation }) => operation.key))
const timed = (sequence: readonly string[]) => stripOrderS(plan, sequence)

test('no strip is quicker than the plan; bolts before screws is one more tool taken up on the way back', () => {
  expect(plan.proof.proven).toBe(true)
  expect(timed(own)).toBeGreaterThanOrEqual(plan.proof.totalS)
  const bolts = own.indexOf('undo:bolts')
  const early = own.filter((key) => key !== 'undo:bolts').toSpliced(own.indexOf('undo:screws'), 0, own[bolts]!)
  expect(early.slice(2, 4)).toEqual(['undo:bolts', 'undo:screws'])
  expect(timed(early)).toBe(timed(own)! + DEFAULT_HOUSE_VALUES.toolChangeS)
})
test('a strip that lacks something the job takes off has no time', () => {
  expect(timed(own.filter((key) => key !== 'undo:screws'))).toBeNull()
})
test('a lift that nobody counted came right after its release', () => {
  expect(timed(own.filter((key) => key !== 'lift:panel'))).toBe(timed(own))
})
test('what is written down before it could be done counts from when it could', () => {
  expect(timed(['lift:unit', ...own.filter((key) => key !== 'lift:unit')])).toBe(timed(own))
})
