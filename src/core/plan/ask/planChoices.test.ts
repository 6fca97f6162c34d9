import { expect, test } from '@jest/globals'
import { forBuild } from '../../procedure/forBuild'
import { withCavities } from '../../testing/withCavities.testing'
import { goalFrom } from '../derive/liveStart'
import { choicesFor } from './planChoices'
import { PlanRequest } from './planRequest'

function choicesOf(cavities: number, openings: number) {
  const dash = withCavities(cavities, openings)
  const goals = dash.cavities.map(({ id }) => ({ kind: 'cavity' as const, cavityId: id }))
  // Without a policy about the lever, so that only openings are to be chosen.
  const request = PlanRequest.parse({ goals, build: { gearbox: 'manual', steering: 'left', starter: 'key' } })
  const model = forBuild(dash, request.build)
  return choicesFor(model, request.policy, goalFrom(request, null))
}

test('few openings: each combination once, and these are all there are', () => {
  const { choices, all } = choicesOf(2, 3)
  expect(all).toBe(true)
  expect(new Set(choices.map(({ openings }) => Object.values(openings).join(' '))).size).toBe(9)
})
test('eight cavities with six openings, and ten: bounded before they are multiplied out, and not called all', () => {
  for (const cavities of [8, 10, 40]) {
    const { choices, all } = choicesOf(cavities, 6)
    expect([choices.length, all]).toEqual([96, false])
    for (const { openings } of choices) expect(Object.keys(openings)).toHaveLength(cavities)
  }
})
