import { expect, test } from '@jest/globals'
import { forBuild } from '../../procedure/forBuild'
import { Kit } from '../../shop/kit'
import { KitFit } from '../../shop/kitFit'
import { withCavities } from '../../testing/withCavities.testing'
import { smallDash } from '../../testing/smallDash.testing'
import { goalFrom } from '../derive/liveStart'
import { everyChoice } from './everyChoice.testing'
import { branches, nothingChosen, whatIsAsked } from './planChoices'
import { PlanRequest } from './planRequest'

const BUILD = { gearbox: 'manual', steering: 'left', starter: 'key' }

function asked(cavities: number, openings: number, kits: object[] = []) {
  const dash = withCavities(cavities, openings)
  const goals = dash.cavities.map(({ id }) => ({ kind: 'cavity' as const, cavityId: id }))
  const request = PlanRequest.parse({ goals, kits, build: BUILD })
  const model = forBuild(dash, BUILD)
  return { model, policy: request.policy, goal: goalFrom(request, request.build, null) }
}

test('one cavity after the other, each opening once, and these are all there are', () => {
  const { model, policy, goal } = asked(2, 3)
  const first = branches(model, goal, nothingChosen(policy))!
  expect(first.all).toBe(true)
  expect(first.choices.map(({ openings }) => openings)).toEqual(
    ['opening-0-0', 'opening-0-1', 'opening-0-2'].map((id) => ({ 'cavity-0': id })),
  )
  const whole = everyChoice(model, policy, goal)
  expect(new Set(whole.map(({ openings }) => Object.values(openings).join(' '))).size).toBe(9)
  expect(branches(model, goal, whole[0]!)).toBeNull()
})

test('the lever of an automatic, once it has to be moved: by the ignition, or with the cover over its release', () => {
  const dash = withCavities(1, 1)
  const request = PlanRequest.parse({
    goals: [{ kind: 'cavity', cavityId: 'cavity-0' }],
    build: { ...BUILD, gearbox: 'automatic' },
  })
  const model = forBuild(dash, request.build)
  const goal = goalFrom(request, request.build, null)
  const lever = everyChoice(model, request.policy, goal).map(({ methods }) => methods)
  expect(lever.length).toBeGreaterThan(1)
  expect(new Set(lever.map((methods) => JSON.stringify(methods))).size).toBe(lever.length)
  // What the crew insists on is no choice any more.
  const [name, id] = Object.entries(lever.at(-1)!)[0]!
  const insisted = everyChoice(model, { ...request.policy, methods: { [name]: id } }, goal)
  expect(insisted.every(({ methods }) => methods[name] === id)).toBe(true)
  expect(insisted.length).toBeLessThan(lever.length)
})

test('what is asked for: the furthest level of each part, whichever opening says so; a kit’s own cavity by itself', () => {
  const dash = smallDash()
  const opening = (id: string, ...parts: { partId: string; level: 'free' | 'off' }[]) => ({
    ...{ id, name: '', roomier: false, saves: '', savesS: 0 },
    parts,
  })
  const cavity = (id: string, ...openings: ReturnType<typeof opening>[]) => ({
    id,
    name: id,
    note: '',
    when: {},
    openings,
  })
  const [free, off] = [
    { partId: 'cover', level: 'free' as const },
    { partId: 'cover', level: 'off' as const },
  ]
  dash.cavities = [
    cavity('a', opening('a-free', free), opening('a-off', off), opening('a-off-too', off)),
    cavity('b', opening('b-free', free), opening('b-off', off)),
  ]
  const model = forBuild(dash, {})
  const of = (kits: object[], a: string, b: string) => {
    const request = PlanRequest.parse({
      goals: dash.cavities.map(({ id }) => ({ kind: 'cavity', cavityId: id })),
      kits,
      build: {},
    })
    const choice = { ...nothingChosen(request.policy), openings: { a, b } }
    return whatIsAsked(model, goalFrom(request, request.build, null), choice)
  }
  expect(of([], 'a-free', 'b-off')).toBe(of([], 'a-off', 'b-free'))
  expect(of([], 'a-free', 'b-off')).toBe(of([], 'a-off-too', 'b-off'))
  expect(of([], 'a-free', 'b-free')).not.toBe(of([], 'a-off', 'b-free'))
  const kit = Kit.parse({
    id: 'k',
    name: 'Recorder',
    works: [{ id: 'mount', name: 'Mount', tool: 'hand', durationS: 9 }],
  })
  const fit = KitFit.parse({ procedureId: 'p', access: { mount: [{ kind: 'cavity', cavityId: 'a' }] } })
  const withKit = [{ kit, fit }]
  expect(of(withKit, 'a-free', 'b-off')).not.toBe(of(withKit, 'a-off', 'b-free'))
  expect(of(withKit, 'a-off', 'b-off')).toBe(of(withKit, 'a-off-too', 'b-off'))
})
