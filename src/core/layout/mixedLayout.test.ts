import { expect, test } from '@jest/globals'
import loadHighs from 'highs'
import { seeds } from '../testing/seeds.testing'
import { layLeads } from './layLeads'
import { asMixedLayout } from './mixedLayout.testing'
import { MIDDLE, randomLayout } from './randomLayout.testing'

// An independent solver: HiGHS, a mixed-integer solver of the registry, proves the optimum of problems of middle size.
test('the cheapest layout is what a mixed-integer solver proves, and where it finds none there is none', async () => {
  const highs = await loadHighs()
  let laid = 0
  for (let seed = 1; seed <= seeds(50); seed++) {
    const problem = randomLayout(seed, MIDDLE)
    const proven = highs.solve(asMixedLayout(problem))
    const found = layLeads(problem)
    const cost = found.kind === 'none' ? 'Infeasible' : found.costMs
    const expected = proven.Status === 'Optimal' ? Math.round(proven.ObjectiveValue) * 1000 : proven.Status
    expect([seed, found.proven, cost]).toEqual([seed, true, expected])
    laid += found.kind === 'runs' ? 1 : 0
  }
  expect(laid).toBeGreaterThan(seeds(50) / 2)
}, 240_000)
