import { expect, test } from '@jest/globals'
import { forBuild } from '../../procedure/forBuild'
import { withCavities } from '../../testing/withCavities.testing'
import { Kit, KitFit } from '../../shop/kit'
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
test('eight cavities with six openings, ten, and forty: bounded before they are multiplied out; alike ones are one', () => {
  for (const cavities of [8, 10, 40]) {
    const { choices, all } = choicesOf(cavities, 6)
    expect(all).toBe(true)
    expect(choices.length).toBeLessThanOrEqual(96)
    for (const { openings } of choices) expect(Object.keys(openings)).toHaveLength(cavities)
  }
})

/** Cavities that are opened by other parts each: nothing of what they ask for is the same. */
function apart(cavities: number, openings: number) {
  const dash = withCavities(cavities, openings)
  const ids = dash.parts.map(({ id }) => id)
  dash.cavities.forEach((cavity, c) =>
    cavity.openings.forEach((opening, o) => {
      opening.parts = [{ partId: ids[(c * openings + o) % ids.length]!, level: o % 2 ? 'off' : 'free' }]
    }),
  )
  const goals = dash.cavities.map(({ id }) => ({ kind: 'cavity' as const, cavityId: id }))
  const request = PlanRequest.parse({ goals, build: { gearbox: 'manual', steering: 'left', starter: 'key' } })
  return choicesFor(forBuild(dash, request.build), request.policy, goalFrom(request, null))
}
test('where they differ too much the rest is cut, and these are not all', () => {
  const { choices, all } = apart(10, 3)
  expect([choices.length, all]).toEqual([96, false])
})
test('with a kit none are one: its work waits for the opening of its own cavity', () => {
  const kit = Kit.parse({ id: 'k', name: 'Recorder' })
  const goals = withCavities(8, 6)
  const request = PlanRequest.parse({
    goals: goals.cavities.map(({ id }) => ({ kind: 'cavity', cavityId: id })),
    kits: [{ kit, fit: KitFit.parse({ procedureId: 'p' }) }],
    build: { gearbox: 'manual', steering: 'left', starter: 'key' },
  })
  const { choices, all } = choicesFor(forBuild(goals, request.build), request.policy, goalFrom(request, null))
  expect([choices.length, all]).toEqual([96, false])
})
