import { describe, expect, test } from '@jest/globals'
import { clockedOrder } from './clockedOrder'
import { cheapestWithClock, costWithClock, randomProblem, weighed, withClock } from './exhaustive.testing'

const LIMITS = { expandedStates: 300_000 }

describe('with a clock, against looking at every state in the order of time', () => {
  for (const [what, options] of Object.entries({
    'one setting': { operations: 6, settings: 1, guards: 1, needChance: 0.15 },
    'sparse, one station more': { operations: 6, settings: 1, guards: 0, pairChance: 0.1, stations: 4, tools: 2, needChance: 0.1 },
    'two settings and guards': { operations: 5, settings: 2, guards: 3, pairChance: 0.2, needChance: 0.3 },
    'much that is alike': { operations: 6, settings: 1, guards: 1, pairChance: 0.2, stations: 2, tools: 1, needChance: 0.1 },
    'with the weights of a habit': { operations: 5, settings: 1, guards: 1, pairChance: 0.15, stations: 3, tools: 2, needChance: 0.1 },
  }))
    test(`${what}: 150 seeds`, () => {
      let [possible, waiting] = [0, 0]
      for (let seed = 1; seed <= 150; seed++) {
        const timed = withClock(randomProblem(seed, options), seed)
        const { problem, clock } = what.includes('weights') ? weighed(timed) : timed
        const expected = cheapestWithClock(problem, clock)
        const found = clockedOrder(problem, [], clock, LIMITS)
        if (expected === null) {
          expect([seed, found.steps]).toEqual([seed, null])
          continue
        }
        possible += 1
        if (!found.steps) throw new Error(`seed ${seed}: nothing found`)
        expect([seed, found.costMs, found.boundMs, costWithClock(problem, clock, found.steps)]).toEqual([seed, expected, expected, expected])
        if (cheapestWithClock(problem, { ...clock, waitMs: 0, leftMs: 0 })! < expected) waiting += 1
      }
      // Where nobody ever waits the clock would not be tried.
      expect(possible).toBeGreaterThan(40)
      expect(waiting).toBeGreaterThan(20)
    })
})
