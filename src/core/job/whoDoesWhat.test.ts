import { describe, expect, test } from '@jest/globals'
import { seededRandom } from '../base/random'
import { crewAtDash } from '../testing/atDash.testing'
import { RADIO, radioDash } from '../testing/radioKit.testing'
import { seeds } from '../testing/seeds.testing'
import { mustComeFirst } from '../plan/lanes/lanePairs'
import { lanesOf } from '../plan/lanes/lanesOf'
import { PlanRequest } from '../plan/ask/planRequest'
import { CrewAtWork, INES, TOLU } from './crew.testing'
import { isDone } from './progress'
import { peopleLanes } from './peopleLanes'
import { stillOf, turnsOf } from './whoDoesWhat'
import { panelVan } from '../testing/vehicles.testing'

const build = { gearbox: 'automatic', starter: 'key', steering: 'left' }
const both = PlanRequest.parse({
  goals: [
    { kind: 'cavity', cavityId: 'radio-cavity' },
    { kind: 'cavity', cavityId: 'pillar-cavity' },
  ],
  build,
})
const PEOPLE = [
  { personId: TOLU, station: 'driver side' },
  { personId: INES, station: 'passenger side' },
]

/** Shared out once: the same for every crew here. */
let shared: ReturnType<typeof peopleLanes> | null = null

function twoAtWork(): CrewAtWork {
  const crew = new CrewAtWork(panelVan(), both)
  if (!shared) {
    const lanes = lanesOf(
      crew.plan,
      PEOPLE.map(({ station }) => station),
    )
    if (!lanes.ok) throw new Error(lanes.error.kind)
    shared = peopleLanes(lanes.value, PEOPLE)
  }
  crew.add({ kind: 'plan adopted', request: both, found: crew.opened, people: PEOPLE, lanes: shared })
  return crew
}

test.each(Array.from({ length: seeds(12) }, (_, i) => i))(
  'two people to the end, whoever is quicker: never both on one seat, no rule broken, nothing left (seed %i)',
  (seed) => {
    const random = seededRandom(seed + 7)
    const crew = twoAtWork()
    let together = 0
    for (let turn = 0; turn < 300; turn++) {
      const turns = turnsOf(crew.plan, crew.state, new Set())
      const taps = PEOPLE.flatMap(({ personId }) =>
        turns.get(personId)!.tap ? [{ personId, tap: turns.get(personId)!.tap! }] : [],
      )
      if (taps.length === 0) break
      if (taps.length === 2) {
        together++
        expect(taps[0]!.tap.step.station).not.toBe(taps[1]!.tap.step.station)
      }
      const { personId, tap } = taps[random.below(taps.length)]!
      for (const step of tap.steps) {
        expect([step.operation.key, crew.refused(step, personId).map((breach) => breach.rule.id)]).toEqual([
          step.operation.key,
          [],
        ])
        crew.does(step, personId)
      }
    }
    expect(crew.steps.filter((step) => !isDone(crew.state, step.operation)).map((step) => step.operation.key)).toEqual(
      [],
    )
    expect(crew.balance().openRows).toEqual([])
    expect(together).toBeGreaterThan(3)
  },
)

test('somebody with nothing to do is told what it waits for', () => {
  const crew = twoAtWork()
  for (let turn = 0; turn < 100; turn++) {
    const turns = turnsOf(crew.plan, crew.state, new Set())
    const ines = turns.get(INES)!
    if (ines.tap) {
      for (const step of ines.tap.steps) crew.does(step, INES)
      continue
    }
    const wait = ines.wait!
    expect(wait.kind).not.toBe('done')
    if (wait.kind === 'first') expect(crew.state.givenTo.get(wait.key)).toBe(TOLU)
    return
  }
  throw new Error('Ines never waits, though Tolu does nothing.')
})

test('a card taken over is whose hand took it', () => {
  const crew = twoAtWork()
  const mine = turnsOf(crew.plan, crew.state, new Set()).get(TOLU)!.tap!
  crew.add({ kind: 'card taken', keys: mine.card.steps.map((step) => step.operation.key) }, INES)
  const { state } = crew
  for (const step of mine.card.steps) expect(state.givenTo.get(step.operation.key)).toBe(INES)
  expect(turnsOf(crew.plan, state, new Set()).get(TOLU)!.tap?.step.operation.key).not.toBe(mine.step.operation.key)
})

test('what somebody has still in hand, card by card, in the plan’s order; what is done or another’s is not', () => {
  const crew = twoAtWork()
  const still = (personId: string) => stillOf(crew.plan, crew.state, personId)
  const keysOf = (personId: string) => still(personId).flatMap(({ keys }) => keys)
  const given = (personId: string) => shared!.filter((lane) => lane.personId === personId).map(({ key }) => key)
  for (const { personId } of PEOPLE) expect(keysOf(personId).sort()).toEqual(given(personId).sort())
  expect(still(TOLU).every(({ keys, helpers }) => keys.length > 0 && helpers >= 1)).toBe(true)
  const cards = crew.plan.wayIn.concat(crew.plan.wayOut).map(({ id }) => id)
  const order = still(TOLU).map(({ cardId }) => cards.indexOf(cardId))
  expect(order).toEqual([...order].sort((a, b) => a - b))
  const { tap } = turnsOf(crew.plan, crew.state, new Set()).get(TOLU)!
  for (const step of tap!.steps) crew.does(step)
  const done = tap!.steps.map(({ operation }) => operation.key)
  expect(keysOf(TOLU).sort()).toEqual(
    given(TOLU)
      .filter((key) => !done.includes(key))
      .sort(),
  )
})

describe('bench work that needs nothing open', () => {
  const request = PlanRequest.parse({ kits: [RADIO], build: { audio: 'plain', family: 'plain-unit' } })
  const crew = crewAtDash(radioDash(), request)
  const lanes = lanesOf(crew.plan, ['centre', 'bench'])
  if (!lanes.ok) throw new Error(lanes.error.kind)
  const people = [
    { personId: TOLU, station: 'centre' },
    { personId: INES, station: 'bench' },
  ]
  const firstOf = (person: number) => lanes.value.wayIn.lanes[person]!.map(({ operation }) => operation.key)

  test('is one’s while another opens: both are done no later than the longer of the two', () => {
    expect(firstOf(1)).toEqual(['work:w-brackets'])
    expect(firstOf(0)).not.toContain('work:w-brackets')
    const { wayIn } = lanes.value
    expect(wayIn.makespanS).toBeLessThan(crew.plan.beforeS + crew.plan.wayInS)
    expect(wayIn.makespanS).toBeGreaterThanOrEqual(Math.max(crew.plan.beforeS, 0))
  })
  test('can be begun at once, and what is built on it waits for it whoever does either', () => {
    const { found } = crew.plan
    crew.add({ kind: 'plan adopted', request, found, people, lanes: peopleLanes(lanes.value, people) })
    const keyOfTurn = (id: string) => turnsOf(crew.plan, crew.state, new Set()).get(id)!.tap?.step.operation.key
    expect(keyOfTurn(INES)).toBe('work:w-brackets')
    expect(keyOfTurn(TOLU)).not.toBe('work:w-brackets')
    expect(mustComeFirst(crew.plan).get('work:w-unit')).toContain('work:w-brackets')
  })
})
