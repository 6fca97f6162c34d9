import { describe, expect, test } from '@jest/globals'
import { clockedOrder } from './clockedOrder'
import {
  cheapestWithClocks,
  costWithClocks,
  oneAfterTheOther,
  randomProblem,
  weighed,
  withClock,
  withSetting,
} from './exhaustive.testing'
import { seeds } from '../testing/seeds.testing'

const LIMITS = { expandedStates: 300_000 }

const ONE_SETTING = { operations: 6, settings: 1, guards: 1, needChance: 0.15 }
const SMALL = { operations: 4, settings: 1, guards: 0, stations: 3, tools: 2, pairChance: 0.2, needChance: 0.1 }

describe('with clocks, against looking at every state in the order of time', () => {
  for (const [what, make] of Object.entries({
    'one setting': (seed: number) => withClock(randomProblem(seed, ONE_SETTING), seed),
    'sparse, one station more': (seed: number) =>
      withClock(
        randomProblem(seed, { ...ONE_SETTING, guards: 0, pairChance: 0.1, stations: 4, tools: 2, needChance: 0.1 }),
        seed,
      ),
    'two settings and guards': (seed: number) =>
      withClock(randomProblem(seed, { operations: 5, settings: 2, guards: 3, pairChance: 0.2, needChance: 0.3 }), seed),
    'much that is alike': (seed: number) =>
      withClock(randomProblem(seed, { ...ONE_SETTING, pairChance: 0.2, stations: 2, tools: 1, needChance: 0.1 }), seed),
    'with the weights of a habit': (seed: number) =>
      weighed(
        withClock(
          randomProblem(seed, { ...ONE_SETTING, operations: 5, pairChance: 0.15, tools: 2, needChance: 0.1 }),
          seed,
        ),
      ),
    'something sets': (seed: number) =>
      withSetting(randomProblem(seed, { ...ONE_SETTING, guards: 0, pairChance: 0.12, tools: 2 }), seed),
    'something sets, with settings and guards': (seed: number) =>
      withSetting(
        randomProblem(seed, { ...ONE_SETTING, guards: 2, pairChance: 0.2, stations: 2, needChance: 0.3 }),
        seed,
      ),
    'something sets, at one place': (seed: number) =>
      withSetting(
        randomProblem(seed, { ...ONE_SETTING, settings: 0, guards: 0, pairChance: 0.3, stations: 1, tools: 2 }),
        seed,
      ),
    'something sets, with the weights of a habit': (seed: number) =>
      weighed(withSetting(randomProblem(seed, { ...ONE_SETTING, operations: 5, pairChance: 0.15, tools: 2 }), seed)),
    'one clock after the other': (seed: number) => {
      const first = withClock(randomProblem(seed, SMALL), seed)
      // Settings and their acts are those of the first.
      const second = withSetting(
        { ...randomProblem(seed + 1000, { ...SMALL, settings: 0 }), combinations: 1 },
        firstSettingSeed(seed),
      )
      const operations = second.problem.operations.map((operation) => ({
        ...operation,
        allowed: first.problem.finish.map(() => true),
      }))
      return oneAfterTheOther(first, { ...second, problem: { ...second.problem, operations } })
    },
  }))
    test(`${what}: ${seeds(80)} seeds`, () => {
      let [possible, waiting] = [0, 0]
      for (let seed = 1; seed <= seeds(80); seed++) {
        const { problem, clocks } = make(seed)
        const expected = cheapestWithClocks(problem, clocks)
        const found = clockedOrder(problem, [], clocks, LIMITS)
        if (expected === null) {
          expect([seed, found.steps]).toEqual([seed, null])
          continue
        }
        possible += 1
        if (!found.steps) throw new Error(`seed ${seed}: nothing found`)
        expect([seed, found.costMs, found.boundMs, costWithClocks(problem, clocks, found.steps)]).toEqual([
          seed,
          expected,
          expected,
          expected,
        ])
        if (
          cheapestWithClocks(problem, {
            ...clocks,
            inTurn: clocks.inTurn.map((clock) => ({ ...clock, waitMs: 0, leftMs: 0 })),
          })! < expected
        )
          waiting += 1
      }
      // Where nobody ever waits the clock would not be tried.
      expect(possible).toBeGreaterThanOrEqual(seeds(25))
      expect(waiting).toBeGreaterThanOrEqual(seeds(10))
    })
})

test('what is chosen while it has to be waited, and becomes free by what is decided on the way, is written before what follows it', () => {
  // One of some hundred thousand seeds showed it.
  const { problem, clocks } = withSetting(
    randomProblem(50_136, {
      ...ONE_SETTING,
      settings: 0,
      guards: 0,
      pairChance: 0.45,
      stations: 2,
      tools: 1,
      needChance: 0.05,
    }),
    50_136,
  )
  const { steps, costMs } = clockedOrder(problem, [], clocks, LIMITS)
  expect([costMs, costWithClocks(problem, clocks, steps!)]).toEqual([28_000, 28_000])
})

/** A seed from which `withSetting` lets an operation start the clock. */
function firstSettingSeed(from: number): number {
  for (let seed = from; ; seed++)
    if (withSetting(randomProblem(1, SMALL), seed).clocks.inTurn[0]!.startedBy !== null) return seed
}
