import { expect, test } from '@jest/globals'
import { seededRandom } from '../base/random'
import { PlanRequest } from '../plan/ask/planRequest'
import { forBuild } from '../procedure/forBuild'
import { CrewAtWork } from './crew.testing'
import { isDone, nextStep, nextTap } from './progress'
import { adoptedPlan } from './terms'
import { uRows } from './uRows'
import { panelVan } from '../testing/vehicles.testing'
import { seeds } from '../testing/seeds.testing'

const build = { gearbox: 'automatic', starter: 'key', steering: 'left' }
const radio = (more: object = {}) =>
  PlanRequest.parse({ goals: [{ kind: 'cavity', cavityId: 'radio-cavity' }], build, ...more })

function toTheEnd(crew: CrewAtWork): void {
  for (let turn = 0; turn < 400; turn++) {
    const next = nextStep(crew.plan, crew.state)
    if (!next) return
    expect([next.step.operation.key, crew.refused(next.step).map((breach) => breach.rule.id)]).toEqual([
      next.step.operation.key,
      [],
    ])
    crew.does(next.step)
    expect([next.step.operation.key, isDone(crew.state, next.step.operation)]).toEqual([next.step.operation.key, true])
  }
  throw new Error('It does not end.')
}

test('somebody took off what was not planned: the plan from here puts it back as well, and shows it as out', () => {
  const crew = new CrewAtWork(panelVan(), radio())
  for (const step of crew.steps.slice(0, 5)) crew.does(step)
  for (const partId of ['caps', 'handle', 'seal', 'pillar']) {
    for (const holder of crew.document.holders.filter((item) => item.holds.includes(partId)))
      crew.add({ kind: 'undone', holderId: holder.id, count: holder.count })
    crew.add({ kind: 'part at', partId, level: partId === 'seal' ? 'free' : 'off' })
  }
  crew.adopts()
  const wayIn = new Map(uRows(crew.plan, crew.state).map((row) => [row.id, row.wayIn]))
  expect(['caps', 'handle', 'seal', 'pillar'].map((id) => wayIn.get(id))).toEqual(['done', 'done', 'done', 'done'])
  toTheEnd(crew)
  expect(crew.balance().openRows).toEqual([])
})

test('what was done before stands in front in the order of the log', () => {
  const crew = new CrewAtWork(panelVan(), radio())
  const [first, second] = crew.steps
  crew.does(second!)
  crew.does(first!)
  crew.adopts()
  expect(crew.steps.slice(0, 2).map((step) => step.operation.key)).toEqual([
    second!.operation.key,
    first!.operation.key,
  ])
})

test.each(Array.from({ length: seeds(48) }, (_, i) => i))(
  'from any point, in and out, a plan from here goes on and everything comes back (seed %i)',
  (seed) => {
    const random = seededRandom(seed + 40)
    const crew = new CrewAtWork(
      panelVan(),
      PlanRequest.parse({
        goals: [
          { kind: 'cavity', cavityId: 'radio-cavity' },
          { kind: 'cavity', cavityId: 'pillar-cavity' },
        ],
        build,
      }),
    )
    for (let cuts = 0; cuts < 3; cuts++) {
      for (let i = random.below(14); i > 0; i--) {
        const next = nextStep(crew.plan, crew.state)
        if (next) crew.does(next.step)
      }
      const before = crew.replanned()
      expect(before.ok).toBe(true)
      if (before.ok) expect(before.value.restS).toBeLessThanOrEqual(before.value.restBeforeS! + 1e-6)
      crew.adopts()
    }
    toTheEnd(crew)
    expect(crew.balance().openRows).toEqual([])
  },
)

test('a part that won’t move is left: another way in, or a sentence of which part must stay', () => {
  // By release the small cover has to come off; with the cover stuck only the ignition is left.
  const crew = new CrewAtWork(panelVan(), radio({ start: 'centre' }))
  expect(crew.steps.some((step) => step.operation.key === 'release:cover')).toBe(true)
  const without = radio({ start: 'centre', without: { parts: ['cover'] } })
  crew.adopts(without)
  expect(crew.steps.some((step) => step.operation.itemId === 'cover')).toBe(false)
  toTheEnd(crew)
  expect(crew.balance().openRows).toEqual([])
  const stuck = new CrewAtWork(panelVan(), radio()).replanned(radio({ without: { parts: ['unit'] } }))
  expect(stuck).toEqual({ ok: false, error: { kind: 'must stay', partId: 'unit' } })
})

test('another variant than thought: what was done is kept, and the rest fits the new build', () => {
  const crew = new CrewAtWork(panelVan(), radio({ build: { ...build, gearbox: 'manual' } }))
  for (const step of crew.steps.slice(0, 3)) crew.does(step)
  crew.add({ kind: 'facet told', facetId: 'gearbox', choiceId: 'automatic' })
  const told = radio({ build })
  crew.adopts(told)
  expect(crew.steps.some((step) => step.operation.itemId === 'lever')).toBe(true)
  expect(crew.steps.slice(0, 3).every((step) => isDone(crew.state, step.operation))).toBe(true)
  toTheEnd(crew)
  expect(crew.balance().openRows).toEqual([])
})

test('the same plan comes out on a device that got the events in another order', () => {
  const crew = new CrewAtWork(panelVan(), radio())
  for (const step of crew.steps.slice(0, 6)) crew.does(step)
  crew.adopts()
  const keys = crew.steps.map((step) => step.operation.key)
  const other = new CrewAtWork(panelVan(), radio())
  other.events.push(...[...crew.events].reverse())
  expect(other.steps.map((step) => step.operation.key)).toEqual(keys)
  expect(adoptedPlan(other.events)).toEqual(adoptedPlan(crew.events))
  expect(nextTap(other.plan, other.state)!.step.operation.key).toBe(nextTap(crew.plan, crew.state)!.step.operation.key)
  expect(forBuild(crew.document, build).parts.size).toBeGreaterThan(0)
})

test('from "airbag lamp open, lever still in park" with the ignition alone: the lamp is plugged by hand, the lever set, the lamp unplugged', () => {
  const byIgnition = radio({ policy: { methods: { 'lever=out of park': 'lever-by-ignition' } } })
  const crew = new CrewAtWork(panelVan(), byIgnition)
  // Somebody went on without the plan: the surround is forward and its lamp unplugged, the lever was forgotten.
  for (const holderId of ['climate-clips', 'surround-t20', 'surround-hex7', 'surround-clips'])
    crew.add({ kind: 'undone', holderId, count: crew.document.holders.find(({ id }) => id === holderId)!.count })
  for (const [partId, level] of [
    ['liner', 'off'],
    ['climate', 'free'],
    ['surround', 'free'],
  ] as const)
    crew.add({ kind: 'part at', partId, level })
  crew.add({ kind: 'opened', tetherId: 'airbag-lamp' })
  crew.adopts()
  const keys = crew.steps.filter((step) => !isDone(crew.state, step.operation)).map((step) => step.operation.key)
  const order = [
    'close:airbag-lamp@hand',
    'set:ignition=on by ignition-on',
    'set:lever=out of park by lever-by-ignition',
    'set:ignition=off by ignition-off',
    'open:airbag-lamp',
    'release:unit',
  ]
  expect(keys.filter((key) => order.includes(key))).toEqual(order)
  toTheEnd(crew)
  expect(crew.balance().openRows).toEqual([])
})
