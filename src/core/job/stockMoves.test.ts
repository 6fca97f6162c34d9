import { expect, test } from '@jest/globals'
import { PlanRequest } from '../plan/ask/planRequest'
import { Kit } from '../shop/kit'
import { crewAtDash } from '../testing/atDash.testing'
import { RADIO, radioDash } from '../testing/radioKit.testing'
import { stockMovesOf } from './stockMoves'

// The display has a number, the unit none.
const kit = Kit.parse(RADIO.kit)
const crew = () => crewAtDash(radioDash(), PlanRequest.parse({ kits: [RADIO], build: { audio: 'plain' } }))

test('what was taken from the shelf and brought back, by part number; the box and what has none are no moves', () => {
  const at = crew()
  at.add({ kind: 'supplied', itemId: 'k-display', from: 'box', count: 0 })
  at.add({ kind: 'supplied', itemId: 'k-display', from: 'stock', count: 2 })
  at.add({ kind: 'supplied', itemId: 'k-unit', from: 'stock', count: 1 })
  at.add({ kind: 'ended', itemId: 'k-display', end: 'stock', count: 1, note: '' })
  at.add({ kind: 'ended', itemId: 'k-display', end: 'scrapped', count: 1, note: '' })
  at.add({ kind: 'ended', itemId: 'bolts', end: 'stock', count: 2, note: '' })
  expect(stockMovesOf([{ kit }], at.events)).toMatchObject([
    { partNumber: 'D-1', count: -2 },
    { partNumber: 'D-1', count: 1 },
  ])
})

test('what was corrected was not taken', () => {
  const at = crew()
  const taken = at.add({ kind: 'supplied', itemId: 'k-display', from: 'stock', count: 2 })
  at.add({ kind: 'supplied', itemId: 'k-display', from: 'box', count: 1 }, undefined, { corrects: taken.id })
  expect(stockMovesOf([{ kit }], at.events)).toEqual([])
})
