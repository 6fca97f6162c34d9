import { expect, test } from '@jest/globals'
import { PlanRequest } from '../plan/ask/planRequest'
import { crewAtDash, record } from '../testing/atDash.testing'
import { RADIO, radioDash } from '../testing/radioKit.testing'
import { boxRows, whereItStops } from './boxCheck'
import type { CrewAtWork } from './crew.testing'
import { leaveGate } from './leaveGate'
import { liveVehicle } from './liveVehicle'
import { standingAt } from './standingAt'
import { whilePlanning } from '../vehicle/circumstances'
import { DEFAULT_HOUSE_VALUES } from '../shop/houseValues'

const crewWith = (build: Record<string, string>) => crewAtDash(radioDash(), PlanRequest.parse({ kits: [RADIO], build }))
const PLAIN = { audio: 'plain', family: 'plain-unit' }
const rows = (crew: CrewAtWork) => boxRows(crew.document, crew.plan, crew.state)
const row = (crew: CrewAtWork, id: string) => rows(crew).find(({ itemId }) => itemId === id)!

test('where nobody has counted the box holds what its list says', () => {
  const crew = crewWith(PLAIN)
  expect(rows(crew).every(({ short, box }) => short === 0 && box === null)).toBe(true)
  // What is not for this vehicle is neither asked for nor listed.
  expect(rows(crew).some(({ itemId }) => itemId === 'k-amp-lead')).toBe(false)
})
test('short = needed - in the box - from the shelf - arrived; what is ordered is on its way, not there', () => {
  const crew = crewWith(PLAIN)
  const said = (from: 'box' | 'stock' | 'ordered' | 'arrived', count: number) =>
    record(crew, [{ kind: 'supplied', itemId: 'k-unit-screws', from, count }])
  said('box', 1)
  expect(row(crew, 'k-unit-screws')).toMatchObject({ needed: 4, box: 1, short: 3 })
  said('stock', 1)
  expect(row(crew, 'k-unit-screws')).toMatchObject({ besides: 1, short: 2 })
  said('ordered', 2)
  expect(row(crew, 'k-unit-screws')).toMatchObject({ ordered: 2, short: 2 })
  said('arrived', 2)
  expect(row(crew, 'k-unit-screws')).toMatchObject({ ordered: 0, besides: 3, short: 0 })
  // Counted again: the last count of the box is the one that holds.
  said('box', 2)
  expect(row(crew, 'k-unit-screws')).toMatchObject({ box: 2, short: 0 })
})
test('what lies on the shelf is fetched, and only the rest is short; what is on no list is short whole', () => {
  const crew = crewWith(PLAIN)
  record(crew, [{ kind: 'supplied', itemId: 'k-display', from: 'box', count: 0 }])
  const at = (onHand: number) => {
    const shelf = [{ partNumber: 'd-1', name: 'Display', place: 'B', countedAt: '', onHand, orderAt: null }]
    return boxRows(crew.document, crew.plan, crew.state, shelf).find(({ itemId }) => itemId === 'k-display')
  }
  expect(at(3)).toMatchObject({ fetch: 1, short: 0, shelf: { onHand: 3, place: 'B' } })
  expect(at(0)).toMatchObject({ fetch: 0, short: 1, shelf: { onHand: 0 } })
  expect(row(crew, 'k-display')).toMatchObject({ fetch: 0, short: 1, shelf: null })
})
test('what only an open branch needs is needed until the branch is told', () => {
  const crew = crewWith({ family: 'plain-unit' })
  record(crew, [{ kind: 'supplied', itemId: 'k-amp-lead', from: 'box', count: 0 }])
  expect(row(crew, 'k-amp-lead')).toMatchObject({ needed: 1, short: 1 })
  // Which branch that is: said, so that nobody orders for nothing.
  expect(row(crew, 'k-amp-lead').onlyIf).toEqual([{ facetId: 'audio', choiceIds: ['amplified'] }])
  expect(row(crew, 'k-unit').onlyIf).toEqual([])
})
test('a part that is short says which work stops, what that holds up, and what goes on', () => {
  const crew = crewWith(PLAIN)
  record(crew, [{ kind: 'supplied', itemId: 'k-unit-screws', from: 'box', count: 3 }])
  expect(whereItStops(crew.plan, rows(crew))).toEqual([
    {
      ...{ itemId: 'k-unit-screws', count: 1, at: ['w-unit'], heldUp: ['w-display'] },
      ...{ goesOn: ['w-brackets'], functions: ['k-plays'] },
    },
  ])
})
test('how the vehicle would stand there: everything before is done, and nothing was recorded', () => {
  const crew = crewWith(PLAIN)
  const before = crew.events.length
  const there = standingAt(crew.document, crew.plan, crew.state, 'work:w-unit', crew.nowMs)
  expect(there.parts.get('unit')).toBe('off')
  expect([there.works.has('w-brackets'), there.works.has('w-unit')]).toEqual([true, false])
  expect(crew.events).toHaveLength(before)
  const gate = leaveGate(
    crew.model,
    there,
    liveVehicle(crew.model, there, crew.nowMs),
    whilePlanning(DEFAULT_HOUSE_VALUES),
  )
  // With the panel loose and its warning plug open nobody drives off.
  expect(gate.allowed).toBe(false)
  const { state } = crew
  expect(standingAt(crew.document, crew.plan, state, 'no such act', crew.nowMs)).toBe(state)
})
