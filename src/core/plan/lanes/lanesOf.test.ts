import { describe, expect, test } from '@jest/globals'
import { forBuild } from '../../procedure/forBuild'
import { randomProcedure } from '../../procedure/randomProcedure.testing'
import { DEFAULT_HOUSE_VALUES } from '../../shop/houseValues'
import { HandSimulator } from '../../vehicle/handSimulator.testing'
import { planJob } from '../planJob'
import type { PlanOnCards } from '../show/planOnCards'
import { PlanRequest } from '../ask/planRequest'
import type { LaneLimits } from '../../sequence/lanes/fastestLanes'
import { lanesOf, type Lanes, type LaneStep } from './lanesOf'
import { panelVan, smallBus } from '../../testing/vehicles.testing'
import { seeds } from '../../testing/seeds.testing'

const build = { gearbox: 'automatic', starter: 'key', steering: 'left' }
const BOTH = [
  { kind: 'cavity', cavityId: 'radio-cavity' },
  { kind: 'cavity', cavityId: 'pillar-cavity' },
]

function plan(request: object, document = panelVan()): PlanOnCards {
  const result = planJob(
    forBuild(document, build),
    PlanRequest.parse({ goals: BOTH, build, start: 'centre', ...request }),
    DEFAULT_HOUSE_VALUES,
  )
  if (!result.ok) throw new Error(result.error.kind)
  return result.value
}
function shared(of: PlanOnCards, starts: string[], singleTools: string[] = [], limits?: LaneLimits): Lanes {
  const lanes = lanesOf(of, starts, singleTools, limits)
  if (!lanes.ok) throw new Error(lanes.error.kind)
  return lanes.value
}
const QUICK: LaneLimits = { expandedStates: 300, beam: 12, triesPerTask: 20 }
const inTime = (lanes: LaneStep[][]) =>
  [...new Map(lanes.flat().map((step) => [step.operation.key, step])).values()].sort(
    (a, b) => a.startS - b.startS || a.endS - b.endS,
  )

// Statement 11 of the worked example: removal alone, by release; proved apart from this project in the same lane model.
describe('the worked example for two', () => {
  const byRelease = plan({ scope: 'opened', policy: { methods: { 'lever=out of park': 'lever-by-release' } } })
  // The design's lane model lets one person pull a part and another lift it away later: so it is where every part may
  // lie in between.
  const mayLie = {
    ...panelVan(),
    parts: panelVan().parts.map((part) => ({
      ...part,
      rests: part.rests.length > 0 ? part.rests : [{ level: 'free' as const, how: 'on a cloth' as const, note: '' }],
    })),
  }
  const inAnyHands = plan({ scope: 'opened', policy: { methods: { 'lever=out of park': 'lever-by-release' } } }, mayLie)
  test.each([
    [['centre', 'centre'], 177],
    [['centre', 'passenger side'], 182],
  ])('from %j, whoever lifts away what another has pulled: %d seconds, proven', (starts, seconds) => {
    expect(
      shared(inAnyHands, starts, [], { expandedStates: 120_000, beam: 80, triesPerTask: 220 }).wayIn,
    ).toMatchObject({ makespanS: seconds, boundS: seconds, proven: true })
  })
  test('166 seconds of work at the centre, besides the lever', () => {
    const { wayIn } = shared(byRelease, ['centre', 'centre'])
    expect(
      inTime(wayIn.lanes)
        .filter((step) => step.station === 'centre' && step.operation.setting === null)
        .reduce((sum, step) => sum + step.endS - step.startS, 0),
    ).toBe(166)
  })
  test.each([
    [['centre', 'centre'], 182],
    [['centre', 'passenger side'], 182],
  ])('from %j, each part in one pair of hands: %d seconds, proven', (starts, seconds) => {
    expect(shared(byRelease, starts).wayIn).toMatchObject({ makespanS: seconds, boundS: seconds, proven: true })
  })
  test('tools the shop has one of make it no sooner', () => {
    expect(shared(byRelease, ['centre', 'centre'], ['pry tool', 'hex 7']).wayIn.makespanS).toBeGreaterThanOrEqual(182)
  })
})

test('while the ignition is on nobody works at the pillar, nor anywhere else', () => {
  // What is safe does not hang on how long something better was looked for.
  const byIgnition = plan({ policy: { methods: { 'lever=out of park': 'lever-by-ignition' } } })
  const lanes = shared(byIgnition, ['driver side', 'passenger side'], [], QUICK)
  for (const leg of [lanes.wayIn, lanes.wayOut!]) {
    const steps = inTime(leg.lanes)
    const turned = (to: string) =>
      steps.find((step) => step.operation.itemId === 'ignition' && step.operation.setting?.to === to)!
    const [on, off] = [turned('on'), turned('off')]
    for (const step of steps)
      if (step.operation.setting === null && step.operation.act !== 'test')
        expect([step.operation.key, step.endS <= on.startS || step.startS >= off.endS]).toEqual([
          step.operation.key,
          true,
        ])
  }
})

test('battery off first holds for everybody: nobody touches anything before it', () => {
  const lanes = shared(plan({ policy: { battery: 'off first' } }), ['driver side', 'passenger side'], [], QUICK)
  const steps = inTime(lanes.wayIn.lanes)
  const off = steps.find((step) => step.operation.setting?.to === 'off' && step.operation.itemId === 'battery')!
  for (const step of steps)
    if (step.operation.setting === null)
      expect([step.operation.key, step.startS >= off.endS]).toEqual([step.operation.key, true])
})

test('a pair of hands can do what the lanes say in the order of their times, on seeded records; both lanes keep to their stations', () => {
  let checked = 0
  for (let seed = 1; seed <= 30 && checked < seeds(12); seed++) {
    const model = forBuild(randomProcedure(seed, { size: 6 }), {})
    const result = planJob(
      model,
      PlanRequest.parse({ goals: [{ kind: 'cavity', cavityId: 'cavity' }], build: {}, start: 'centre' }),
      DEFAULT_HOUSE_VALUES,
    )
    if (!result.ok) continue
    const lanes = lanesOf(result.value, ['centre', 'driver side'], [], QUICK)
    if (!lanes.ok) continue
    const hands = new HandSimulator(model, 'rest')
    for (const leg of [lanes.value.wayIn, lanes.value.wayOut!]) {
      const steps = inTime(leg.lanes)
      expect(leg.boundS).toBeLessThanOrEqual(leg.makespanS)
      for (const step of steps) {
        expect([seed, step.operation.key, hands.why(step.operation)]).toEqual([seed, step.operation.key, null])
        hands.do(step.operation)
        for (const other of steps)
          if (other !== step && other.station === step.station)
            expect(other.endS <= step.startS || step.endS <= other.startS).toBe(true)
      }
    }
    for (const setting of model.settings.values())
      expect([seed, hands.settings.get(setting.id)]).toEqual([seed, setting.asFound])
    checked += 1
  }
  expect(checked).toBeGreaterThanOrEqual(seeds(8))
})

// The knee airbag waits ten minutes after battery off: its panel comes forward while they run out, for two as for one.
test('with a firing circuit two are no later than one', () => {
  const build = { 'sign-kind': 'led', gearbox: 'automatic' }
  const model = forBuild(smallBus(), build)
  const goals = ['column-cavity', 'recorder-cavity', 'ticket-cavity'].map((cavityId) => ({ kind: 'cavity', cavityId }))
  const result = planJob(model, PlanRequest.parse({ goals, build, start: 'driver side' }), DEFAULT_HOUSE_VALUES)
  if (!result.ok) throw new Error(result.error.kind)
  const { wayIn } = shared(result.value, ['driver side', 'driver side'])
  expect(result.value.wayInS).toBeGreaterThan(600)
  expect(wayIn.makespanS).toBeLessThanOrEqual(result.value.wayInS)
  const open = inTime(wayIn.lanes).find(
    (step) => step.operation.act === 'open' && model.tethers.get(step.operation.itemId)?.circuit === 'srs-firing',
  )!
  const off = inTime(wayIn.lanes).find((step) => step.operation.itemId === 'battery')!
  expect(open.startS - off.endS).toBeGreaterThanOrEqual(600)
})
