import { expect, test } from '@jest/globals'
import { seededRandom } from '../base/random'
import type { Act } from '../order/operation'
import { forecastOf } from './forecast'
import { secondsOf, type Step } from './step'

const step = (act: Act, workS: number, setUpS = 0): Step => ({ operation: { key: act, phase: 'in', act, itemId: 'x', partId: null, setting: null, nth: 1 }, station: 'centre', tool: 'hand', workS, setUpS })

const of = (steps: Step[]) => forecastOf({ steps, proof: { totalS: secondsOf(steps) } })

test('half take the sum of the estimates; a wait by the clock does not stray', () => {
  expect(of([step('undo', 24, 8), step('release', 5)]).p50S).toBe(37)
  expect(of([step('wait', 600)])).toEqual({ p50S: 600, p80S: 600 })
})

// Against drawing four thousand days: sums of normally distributed acts with the day they share (Box and Muller 1958).
test('four of five days take no longer than it says', () => {
  const random = seededRandom(3)
  const normal = () => Math.sqrt(-2 * Math.log(1 - random.next())) * Math.cos(2 * Math.PI * random.next())
  const undone = Array.from({ length: 20 }, () => step('undo', 20))
  const { p80S } = of(undone)
  const days = Array.from({ length: 4_000 }, () => {
    const day = normal() * 0.15 * 400
    return undone.reduce((sum, { workS }) => sum + workS * (1 + 0.5 * normal()), 0) + day
  })
  expect(days.filter((s) => s <= p80S).length / days.length).toBeCloseTo(0.8, 1)
  expect(p80S).toBeGreaterThan(400)
})
