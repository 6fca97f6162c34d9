import { expect, test } from '@jest/globals'
import { forBuild } from '../../procedure/forBuild'
import { panelVan } from '../../testing/vehicles.testing'
import { goalFrom } from '../derive/liveStart'
import { choicesFor } from './planChoices'
import { PlanRequest } from './planRequest'

/** The van with so many cavities like its radio's, each with so many openings. */
function withCavities(cavities: number, openings: number) {
  const dash = panelVan()
  const like = dash.cavities[0]!
  const some = <T>(count: number, make: (i: number) => T) => Array.from({ length: count }, (_, i) => make(i))
  dash.cavities = some(cavities, (c) => ({
    ...like,
    id: `cavity-${c}`,
    openings: some(openings, (o) => ({ ...like.openings[0]!, id: `opening-${c}-${o}` })),
  }))
  const goals = dash.cavities.map(({ id }) => ({ kind: 'cavity' as const, cavityId: id }))
  // Without a policy about the lever, so that only openings are to be chosen.
  const request = PlanRequest.parse({ goals, build: { gearbox: 'manual', steering: 'left', starter: 'key' } })
  const model = forBuild(dash, request.build)
  return choicesFor(model, request.policy, goalFrom(request, null))
}

test('few openings: each combination once, and these are all there are', () => {
  const { choices, all } = withCavities(2, 3)
  expect(all).toBe(true)
  expect(new Set(choices.map(({ openings }) => Object.values(openings).join(' '))).size).toBe(9)
})
test('eight cavities with six openings, and ten: bounded before they are multiplied out, and not called all', () => {
  for (const cavities of [8, 10, 40]) {
    const { choices, all } = withCavities(cavities, 6)
    expect([choices.length, all]).toEqual([96, false])
    for (const { openings } of choices) expect(Object.keys(openings)).toHaveLength(cavities)
  }
})
