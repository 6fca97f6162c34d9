import { describe, expect, test } from '@jest/globals'
import { PlanRequest } from '../plan/ask/planRequest'
import { DEFAULT_HOUSE_VALUES } from '../shop/houseValues'
import { KitFit } from '../shop/kitFit'
import { crewAtDash, goOnTo } from '../testing/atDash.testing'
import { NEW_UNIT, REPLACED } from '../testing/newUnitKit.testing'
import { smallDash } from '../testing/smallDash.testing'
import { whilePlanning } from '../vehicle/circumstances'
import type { CrewAtWork } from './crew.testing'
import { leaveGate } from './leaveGate'
import { liveVehicle } from './liveVehicle'
import { nextTap } from './progress'
import { termsOf } from './terms'

function crewReplacing(fastenedBy: string[], more: object[] = []): CrewAtWork {
  const fit = KitFit.parse({ procedureId: 'small-dash', endings: [{ ...REPLACED, fastenedBy }, ...more] })
  return crewAtDash(smallDash(), PlanRequest.parse({ kits: [{ kit: NEW_UNIT, fit }], build: {} }))
}

function toTheEnd(crew: CrewAtWork): void {
  for (let tap = nextTap(crew.plan, crew.state); tap; tap = nextTap(crew.plan, crew.state))
    for (const step of tap.steps) crew.does(step)
}

const row = (crew: CrewAtWork, id: string) => crew.balance().rows.find((found) => found.id === id)
const forbids = ({ model, document, request, state, nowMs }: CrewAtWork) =>
  leaveGate(
    model,
    state,
    liveVehicle(model, state, nowMs),
    whilePlanning(DEFAULT_HOUSE_VALUES),
    termsOf(document, request, state),
  ).forbids

describe('what a part of the kit stands in for', () => {
  test('is out until that one is fitted, and its row says by what', () => {
    const crew = crewReplacing([])
    goOnTo(crew, 'work:unit-in')
    expect(row(crew, 'unit')).toMatchObject({ open: true, level: 'off', by: 'new-unit' })
    toTheEnd(crew)
    expect(row(crew, 'unit')).toMatchObject({ open: false, level: 'in place', by: 'new-unit' })
  })
  test('leaves its bolts: they are owed nowhere, keep no vehicle back, and still have to go somewhere', () => {
    const crew = crewReplacing([])
    toTheEnd(crew)
    expect(forbids(crew)).toEqual([])
    expect(crew.balance().openRows).toMatchObject([{ id: 'bolts', open: [{ kind: 'in hand', count: 2 }] }])
    crew.add({ kind: 'ended', itemId: 'bolts', end: 'stock', count: 2, note: '' })
    expect(crew.balance().openRows).toEqual([])
  })
  test('may be held by the old bolts: then they are owed', () => {
    const crew = crewReplacing(['bolts'])
    goOnTo(crew, 'fasten:bolts')
    expect(row(crew, 'bolts')).toMatchObject({ open: [{ kind: 'short', count: 2, loose: 2 }] })
    toTheEnd(crew)
    expect(crew.balance().openRows).toEqual([])
  })
  test('a plug that its work cuts off hangs loose until that work is done, and not after', () => {
    const crew = crewReplacing(['bolts'], [{ itemId: 'main', ending: 'scrapped' }])
    goOnTo(crew, 'work:unit-in')
    expect(forbids(crew)).toContainEqual({ kind: 'lead loose', tetherId: 'main' })
    toTheEnd(crew)
    expect(forbids(crew)).toEqual([])
  })
})
