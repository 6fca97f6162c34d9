import { describe, expect, test } from '@jest/globals'
import { layLeads } from '../layout/layLeads'
import { VAN_LEADS, VAN_WAYS, vanLayout } from './deliveryVan.testing'

const { A, B, P } = VAN_LEADS
/** Seconds of opening, laying and closing, and the ways of each lead; null where there is no layout. */
function laid(...asked: Parameters<typeof vanLayout>) {
  const problem = vanLayout(...asked)
  const found = layLeads(problem)
  expect(found.proven).toBe(true)
  if (found.kind === 'none') return { seconds: null, lead: found.lead }
  const ways = found.runs.map(({ arcs }, lead) =>
    arcs.map((arc) => (asked[1] ?? VAN_WAYS)[problem.leads[lead]!.arcs[arc]!.way]!.name).join(' '),
  )
  return { seconds: found.costMs / 1000, ways }
}

// The design's own figures, found there by going through all combinations of each case.
describe('the delivery van', () => {
  test.each([
    ['A alone', [A], 131, ['w5 w3 w1']],
    ['B alone', [B], 345, ['w14 w10 w8 w4 w2']],
    ['P alone', [P], 237, ['w12 w4 w8']],
    // Both by the driver side, though alone the camera lead goes by the other.
    ['A and B', [A, B], 437, ['w5 w3 w1', 'w14 w9 w7 w3 w1']],
    // The glovebox is open anyway: the antenna lead is tucked behind the passenger pillar.
    ['A and P', [A, P], 346, ['w6 w4 w2', 'w12 w4 w8']],
    ['B and P', [B, P], 464, ['w14 w10 w8 w4 w2', 'w12 w4 w8']],
    ['all three', [A, B, P], 573, ['w6 w4 w2', 'w14 w10 w8 w4 w2', 'w12 w4 w8']],
  ])('%s', (_, leads, seconds, ways) => expect(laid(leads)).toEqual({ seconds, ways }))

  test('an airbag’s path across the passenger pillar: the antenna lead goes round, 22 s more', () => {
    const { seconds, ways } = laid([A, B, P], VAN_WAYS, ['w6'])
    expect([seconds, ways?.[0]]).toEqual([595, 'w5 w3 w1'])
  })
  test.each([
    [2900, 573],
    [2800, 595],
    [2700, 595],
    [2600, null],
  ])('an antenna lead of %i mm: %j s', (suppliedMm, seconds) =>
    expect(laid([{ ...A, suppliedMm }, B, P]).seconds).toBe(seconds),
  )
  test('a sill too narrow for camera and supply lead side by side: the camera lead leaves it, and the antenna lead with it', () => {
    const narrow = VAN_WAYS.map((way) => (way.name === 'w8' ? { ...way, apart: 40 } : way))
    expect(laid([A, B, P], narrow)).toEqual({ seconds: 674, ways: ['w5 w3 w1', 'w14 w9 w7 w3 w1', 'w12 w4 w8'] })
  })
  test('no layout where neither end of the camera lead passes the tail, or the supply lead is too thick', () => {
    const plug = { widthMm: 10, heightMm: 10 }
    expect(laid([A, { ...B, faces: [B.faces[0], plug] }, P])).toEqual({ seconds: null, lead: 1 })
    expect(laid([A, B, { ...P, diameterMm: 21 }])).toEqual({ seconds: null, lead: 2 })
    expect(laid([A, B, P], VAN_WAYS, ['w1', 'w2']).seconds).toBeNull()
  })
})
