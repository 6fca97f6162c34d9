import { expect, test } from '@jest/globals'
import loadHighs from 'highs'
import { cheapestOrder } from './cheapestOrder'
import { randomProblem } from './exhaustive.testing'
import { seeds } from '../testing/seeds.testing'
import { asMixedInteger } from './mixedInteger.testing'

// An independent solver: HiGHS, a mixed-integer solver of the registry, proves the optimum of small problems.
test('the cheapest set-up is what a mixed-integer solver proves', async () => {
  const highs = await loadHighs()
  let compared = 0
  for (let seed = 1; seed <= seeds(56); seed++) {
    const base = randomProblem(seed, { operations: 6 + (seed % 3), tools: 2, stations: 2, pairChance: 0.35 })
    // The program knows one price per tool.
    const problem = {
      ...base,
      toolMs: base.toolMs.map((row, from) => row.map((_, to) => (to === 0 || from === to ? 0 : 8000))),
      start: { ...base.start, tool: 0 },
    }
    const proven = highs.solve(asMixedInteger(problem))
    const found = cheapestOrder(problem)
    if (proven.Status !== 'Optimal' || found.kind !== 'order')
      throw new Error(`seed ${seed}: ${proven.Status}, ${found.kind}`)
    expect([seed, found.setUpMs]).toEqual([seed, Math.round(proven.ObjectiveValue) * 1000])
    compared += 1
  }
  expect(compared).toBe(seeds(56))
})
