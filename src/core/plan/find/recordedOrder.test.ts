import { expect, test } from '@jest/globals'
import { crewAtDash } from '../../testing/atDash.testing'
import { stripOrderS } from './recordedOrder'

const { plan } = crewAtDash()
const own = plan.wayIn.flatMap((card) => card.steps.map(({ operation }) => operation.key))
const timed = (sequence: readonly string[]) => stripOrderS(plan, sequence)

test('no strip is quicker than the plan, in its own order there and back the same way least of all', () => {
  expect(plan.proof.proven).toBe(true)
  expect(timed(own)).toBeGreaterThanOrEqual(plan.proof.totalS)
  // Another tool taken up in between: the same acts, in an order that costs more.
  const [cover, lift, ...rest] = own
  expect([cover, lift]).toEqual(['release:cover', 'lift:cover'])
  expect(timed([...rest, cover!, lift!])).not.toBeLessThan(timed(own)!)
})
test('a strip that lacks something the job takes off has no time', () => {
  expect(timed(own.filter((key) => key !== 'undo:screws'))).toBeNull()
})
test('where the lift was not counted it came right after the release: nothing of another part in between', () => {
  // The hand that reaches for another tool between a release and its lift pays for it twice.
  const apart = own.filter((key) => key !== 'lift:panel')
  const at = apart.indexOf('undo:bolts')
  const late = [...apart.slice(0, at + 1), 'lift:panel', ...apart.slice(at + 1)]
  expect(timed(apart)).toBeCloseTo(timed(own)!, 6)
  expect(timed(late)).not.toBeNull()
})
test('an order that can’t be followed ends nowhere', () => {
  const first = ['lift:unit', ...own.filter((key) => key !== 'lift:unit')]
  expect(timed(first) === null || timed(first)! >= plan.proof.totalS).toBe(true)
})
