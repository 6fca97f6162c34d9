import { expect, test } from '@jest/globals'
import { crewAtDash } from '../testing/atDash.testing'
import { closingActs } from './decide/closingActs'
import { mayBeAccepted } from './balance'
import type { CrewAtWork } from './crew.testing'
import type { Happening } from './event'
import { leaveGate } from './leaveGate'
import { liveCircumstances, liveVehicle } from './liveVehicle'
import { DEFAULT_HOUSE_VALUES } from '../shop/houseValues'
import { BUILT_IN_RULES } from '../vehicle/builtInRules'
import { whilePlanning } from '../vehicle/circumstances'
import { powerGate } from '../vehicle/powerGate'

/** The one row that a happening leaves, and the balance once its act was tapped. */
function afterLooking(...happenings: Happening[]) {
  const crew = crewAtDash()
  for (const what of happenings) crew.add(what)
  const before = crew.balance()
  const [row] = before.openRows
  for (const what of row ? closingActs(row, {} as never).acts[0]!.happenings : []) crew.add(what)
  return { row, mayStand: row && mayBeAccepted(crew.document, row), closed: crew.balance().closed }
}

// By hand: what an event leaves that names something the record does not have. Somebody looks, and it is closed.
test.each<[string, Happening[], object]>([
  ['a group', [{ kind: 'undone', holderId: 'x', count: 3 }], { of: 'holder', out: 3, back: 0 }],
  [
    'a group, some of it back',
    [
      { kind: 'undone', holderId: 'x', count: 3 },
      { kind: 'fastened', holderId: 'x', count: 2, stage: 'final' },
    ],
    { of: 'holder', out: 3, back: 2 },
  ],
  ['a part', [{ kind: 'part at', partId: 'x', level: 'off' }], { of: 'part', out: 1, back: 0 }],
  ['a plug', [{ kind: 'opened', tetherId: 'x' }], { of: 'tether', out: 1, back: 0 }],
  ['a setting', [{ kind: 'set', settingId: 'x', value: 'on', methodId: null }], { of: 'setting', out: 1, back: 0 }],
])('%s that the record does not have is owed until somebody has looked', (_, happenings, row) => {
  const found = afterLooking(...happenings)
  expect(found.row).toMatchObject({ account: 'unresolved', id: 'x', open: true, ...row })
  // What nobody can look up may be an airbag plug: no lead lets it stand.
  expect(found).toMatchObject({ mayStand: false, closed: true })
})

test('a plug opened twice and closed once is closed: there is one of it', () => {
  const opened: Happening = { kind: 'opened', tetherId: 'x' }
  expect(afterLooking(opened, opened, { kind: 'closed', tetherId: 'x' })).toMatchObject({
    row: undefined,
    closed: true,
  })
})

test('one that is lost, or broke, is looked for like one that is out', () => {
  for (const what of [
    { kind: 'lost', holderId: 'x', count: 1, from: 'vehicle' },
    { kind: 'broken', holderId: 'x', count: 1, wasFitted: 'no', note: '' },
  ] satisfies Happening[])
    expect(afterLooking(what)).toMatchObject({ row: { of: 'holder', out: 1 }, closed: true })
})

test('what was told of a facet that is not there owes nothing', () => {
  const told: Happening = { kind: 'facet told', facetId: 'x', choiceId: 'y' }
  expect(afterLooking(told)).toMatchObject({ row: undefined, closed: true })
})

// Nobody can say that it is no airbag plug: as one that nobody has classified.
test('while a plug is open that nobody can look up, no ignition and no driving; once it is closed, both', () => {
  const gates = (crew: CrewAtWork) => {
    const { model } = crew.plan.job
    const vehicle = liveVehicle(model, crew.state, 0)
    const nobody = { id: '', authorised: [] }
    const circumstances = liveCircumstances(model, crew.state, DEFAULT_HOUSE_VALUES, BUILT_IN_RULES, nobody)
    const { ignition } = powerGate(model, vehicle, circumstances)
    const leave = leaveGate(model, crew.state, vehicle, circumstances)
    return { ignition: ignition.allowed, leave: leave.allowed, smallest: leave.smallest }
  }
  const crew = crewAtDash()
  expect(gates(crew)).toEqual({ ignition: true, leave: true, smallest: [] })
  crew.add({ kind: 'opened', tetherId: 'x' })
  expect(gates(crew)).toEqual({ ignition: false, leave: false, smallest: null })
  crew.add({ kind: 'closed', tetherId: 'x' })
  expect(gates(crew)).toEqual({ ignition: true, leave: true, smallest: [] })
})

test('a part that nobody can look up keeps the vehicle where it is, and not the ignition off', () => {
  const crew = crewAtDash()
  crew.add({ kind: 'part at', partId: 'x', level: 'off' })
  const { model } = crew.plan.job
  const vehicle = liveVehicle(model, crew.state, 0)
  const circumstances = whilePlanning(DEFAULT_HOUSE_VALUES)
  expect(powerGate(model, vehicle, circumstances).ignition.allowed).toBe(true)
  expect(leaveGate(model, crew.state, vehicle, circumstances).forbids).toEqual([
    { kind: 'unresolved', of: 'part', id: 'x' },
  ])
})
