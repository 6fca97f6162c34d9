import { expect, test } from '@jest/globals'
import { seededRandom } from '../../base/random'
import { forecastOf } from './forecast'
import { secondsOf, type Step } from '../find/step'
import type { Act } from '../../procedure/acts'

const step = (act: Act, workS: number, setUpS = 0): Step => ({
  operation: { key: act, phase: 'in', act, itemId: 'x', partId: null, setting: null, nth: 1 },
  station: 'centre',
  tool: 'hand',
  workS,
  setUpS,
})

const of = (steps: Step[]) => forecastOf({ steps, proof: { totalS: secondsOf(steps) } })

// Published, from memory: Malcolm et al. 1959, t = (a + 4m + b) / 6.
test('half take more than the sum of the estimates; a wait by the clock does not stray', () => {
  // 24 s undone: a 12, m 24, b 60 is 28; 8 s to get there: a 5.6, b 15.2 is 8.8; 5 s of release: a 2, b 14 is 6.
  expect(of([step('undo', 24, 8), step('release', 5)]).p50S).toBeCloseTo(28 + 8.8 + 6, 9)
  expect(of([step('wait', 600)])).toEqual({ p50S: 600, p80S: 600 })
})

// Against drawing four thousand days: acts from the triangle between best, usual and worst, with the day they share
// (Box and Muller 1958).
test('half of the days take no longer than its half, four of five no longer than its four of five', () => {
  const random = seededRandom(3)
  const normal = () => Math.sqrt(-2 * Math.log(1 - random.next())) * Math.cos(2 * Math.PI * random.next())
  const usualS = 20
  const [best, worst] = [usualS * 0.5, usualS * 2.5]
  // A beta distribution over best to worst with that mean and deviation (shape 4 in all), as the sum of gamma variates
  // of whole shapes.
  const gamma = (shape: number) =>
    Array.from({ length: shape }, () => -Math.log(1 - random.next())).reduce((a, b) => a + b, 0)
  const undone = Array.from({ length: 20 }, () => step('undo', usualS))
  const { p50S, p80S } = of(undone)
  const days = Array.from({ length: 4_000 }, () => {
    const day = normal() * 0.15 * p50S
    return (
      undone.reduce((sum) => {
        const [x, y] = [gamma(2), gamma(4)]
        return sum + best + (worst - best) * (x / (x + y))
      }, 0) + day
    )
  })
  const share = (limit: number) => days.filter((s) => s <= limit).length / days.length
  expect(share(p50S)).toBeCloseTo(0.5, 1)
  expect(share(p80S)).toBeCloseTo(0.8, 1)
})
