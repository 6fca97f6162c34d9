import { describe, expect, test } from '@jest/globals'
import { DEFAULT_HOUSE_VALUES } from '../../shop/houseValues'
import { modelOfRequest } from '../ask/modelOfRequest'
import { PlanRequest } from '../ask/planRequest'
import { deliveryVanRecord, threeLeads } from './deliveryVanRecord.testing'
import { leadLayout } from './leadLayout'

function laid(
  names: string,
  leads: Parameters<typeof threeLeads>[1] = {},
  ways: Parameters<typeof deliveryVanRecord>[0] = {},
  more: Parameters<typeof leadLayout>[4] = {},
) {
  // prettier-ignore
  const document = deliveryVanRecord(ways)
  const request = PlanRequest.parse({ kits: [threeLeads(names, leads)], build: {} })
  const found = leadLayout(modelOfRequest(document, request), request, DEFAULT_HOUSE_VALUES, undefined, more)
  if (!found.ok) throw new Error(found.error.kind)
  return found.value
}
function seconds(...asked: Parameters<typeof laid>) {
  const found = laid(...asked)
  if (found.kind === 'no way') return found.because.kind
  return {
    seconds: found.openS + found.layS,
    proven: found.proven,
    ways: found.runs.map(({ legs }) => legs.map(({ wayId }) => wayId).join(' ')),
  }
}

/** The ways round what a lead reaches, with what bars each. */
function barredOf(found: ReturnType<typeof laid>) {
  if (found.kind !== 'no way' || found.because.kind !== 'barred') throw new Error(found.kind)
  return found.because
}

// The design's own figures, computed there by going through all combinations of each case; here from the record itself,
// with what is opened derived and timed as for any plan.
describe('the delivery van as a record', () => {
  test.each([
    ['A', 131, ['w5 w3 w1']],
    ['B', 345, ['w14 w10 w8 w4 w2']],
    ['P', 237, ['w12 w4 w8']],
    ['AB', 437, ['w5 w3 w1', 'w14 w9 w7 w3 w1']],
    ['AP', 346, ['w6 w4 w2', 'w12 w4 w8']],
    ['BP', 464, ['w14 w10 w8 w4 w2', 'w12 w4 w8']],
    ['ABP', 573, ['w6 w4 w2', 'w14 w10 w8 w4 w2', 'w12 w4 w8']],
  ])('%s: %i s', (names, wanted, ways) => expect(seconds(names)).toEqual({ seconds: wanted, proven: true, ways }))

  const way = (id: string, more: object) => ({ [id]: more })
  const crossed = (kind: string) => ({ passes: [{ kind, how: 'crosses' }], looked: true })

  test('an airbag’s path across the passenger pillar: the antenna lead goes round, 22 s more', () =>
    expect(seconds('ABP', {}, way('w6', crossed('airbag path')))).toMatchObject({
      ...{ seconds: 595, proven: true },
      ways: ['w5 w3 w1', expect.anything(), expect.anything()],
    }))
  test('beside an airbag that nobody measured is as across it; 60 mm away it may lie there', () => {
    const beside = (distanceMm: number | null) =>
      way('w6', { passes: [{ kind: 'airbag module', how: 'beside', distanceMm }] })
    expect(seconds('ABP', {}, beside(null))).toMatchObject({ seconds: 595 })
    expect(seconds('ABP', {}, beside(60))).toMatchObject({ seconds: 573 })
  })
  test.each([
    [2900, 573],
    [2800, 595],
    [2700, 595],
  ])('an antenna lead of %i mm: %i s', (suppliedMm, wanted) =>
    expect(seconds('ABP', { A: { suppliedMm } })).toMatchObject({ seconds: wanted, proven: true }),
  )
  test('one of 2,600 mm is 8 mm short of the shortest way it may take', () => {
    const found = laid('ABP', { A: { suppliedMm: 2600 } })
    expect(found).toMatchObject({ kind: 'no way', because: { kind: 'too short', leadId: 'A', shortMm: 8 } })
  })
  test('a sill of 40 mm holds camera and supply lead not side by side: the camera lead leaves it, the antenna lead with it', () =>
    expect(seconds('ABP', {}, way('w8', { apartMm: 40 }))).toEqual({
      ...{ seconds: 674, proven: true },
      ways: ['w5 w3 w1', 'w14 w9 w7 w3 w1', 'w12 w4 w8'],
    }))
  test('a plug of 10 by 10 mm and the camera both don’t pass the tail: it is said that it is the connectors', () => {
    const ends = [
      { to: 'camera', name: '', connector: { widthMm: 24, heightMm: 24 }, leaveMm: null },
      { to: 'device', name: '', connector: { widthMm: 10, heightMm: 10 }, leaveMm: null },
    ] as const
    expect(laid('ABP', { B: { ends: [...ends] } })).toMatchObject({ because: { kind: 'connectors', leadId: 'B' } })
  })
  test('a supply lead of 21 mm: too thick for both bulkhead grommets, which are what stands round it', () => {
    const found = laid('ABP', { P: { diameterMm: 21 } })
    expect(found).toMatchObject({ because: { kind: 'barred', leadId: 'P', reached: ['E'] } })
    const { border } = barredOf(found)
    expect(border.map(({ wayId, bars }) => [wayId, bars.map(({ kind }) => kind)])).toEqual([
      ['w11', ['too thick']],
      ['w12', ['too thick']],
    ])
  })
  test('with the way behind the cluster never, and the other across an actuator, the radio is cut off: each border way says why', () => {
    const found = laid('ABP', {}, { w1: { never: 'the cluster rubs there' }, w2: crossed('actuator') })
    const { border } = barredOf(found)
    const reasons = new Map(border.map(({ wayId, bars }) => [wayId, bars.map(({ kind }) => kind)]))
    expect([reasons.get('w1'), reasons.get('w2'), reasons.get('w11'), reasons.get('w14')]).toEqual([
      ['never'],
      ['rule'],
      ['goes outside'],
      ['goes outside'],
    ])
  })
  test('two leads that may not lie together, where there is one way: both are named, and the way', () => {
    const only = { w2: { never: 'no' }, w4: { never: 'no' }, w1: { apartMm: 0 }, w3: { never: 'no' } }
    const ways = { ...only, w11: { apartMm: 0, lengthMm: 900 } }
    const ends = (first: string[], second: string[]) => ({ ends: [first, second], through: [], notThrough: [] })
    const document = deliveryVanRecord(ways)
    const { kit, fit } = threeLeads('AP')
    const leads = { A: ends(['K'], ['U']), P: ends(['E'], ['U']) }
    const request = PlanRequest.parse({ kits: [{ kit, fit: { ...fit, leads } }], build: {} })
    const found = leadLayout(modelOfRequest(document, request), request, DEFAULT_HOUSE_VALUES)
    expect(found.ok && found.value).toMatchObject({
      because: { kind: 'together', leadIds: ['A', 'P'], wayIds: ['w1'] },
    })
  })
  test('lengths: what each needs, what is cut, what is left over; the camera’s plug travels inward from the bumper', () => {
    const found = laid('ABP')
    if (found.kind === 'no way') throw new Error(found.because.kind)
    expect(found.runs.map(({ needMm, cutMm, spareMm, coilAt }) => [needMm, cutMm, spareMm, coilAt])).toEqual([
      [2818, null, 2182, 0],
      [6280, null, 1720, 0],
      [2973, 3000, null, 0],
    ])
    expect(found.runs[1]!.pointIds).toEqual(['C', 'D', 'T', 'R', 'G', 'U'])
  })
  test('a lead that the record has no points for is laid by sight, and holds nothing up', () => {
    const found = laid('AB', { A: { ends: [{ to: 'microphone' }, { to: 'device' }] as never } })
    expect(found).toMatchObject({ kind: 'laid', bySight: ['A'], runs: [{ leadId: 'B' }] })
  })

  // The design's own answers to "why not there?", found by forcing a lead through a way or keeping it off one.
  const withOthers = (() => {
    let known: ReturnType<typeof laid> | null = null
    return (leadId: string, wayId: string) => {
      known ??= laid('ABP', {}, {}, { others: true })
      return known.kind === 'laid' && known.others.find((one) => one.leadId === leadId && one.wayId === wayId)
    }
  })()
  test.each([
    ['A', 'w5', 22],
    ['B', 'w7', 101],
    ['B', 'w13', 156],
    ['P', 'w11', 76],
    ['P', 'w7', 142],
    ['P', 'w13', 160],
  ])('why not %s by %s: %i s more', (leadId, wayId, moreS) => {
    expect(withOthers(leadId, wayId)).toMatchObject({ is: 'not taken', bars: [], moreS, atLeast: false })
  })
  test('the antenna lead through the bulkhead: it goes outside, which is what is said', () => {
    expect(withOthers('A', 'w12')).toMatchObject({ bars: [{ kind: 'goes outside', pointId: 'E' }], moreS: null })
  })
  test('off the passenger pillar the antenna lead goes by the driver side, 22 s more', () => {
    expect(withOthers('A', 'w6')).toMatchObject({ is: 'taken', moreS: 22, wayIds: ['w5', 'w3', 'w1'] })
  })

  test('more leads than are laid out together are refused with the number', () => {
    const { kit, fit } = threeLeads('A')
    const many = Array.from({ length: 16 }, (_, i) => ({ ...kit.leads[0]!, id: `lead-${i}` }))
    const kits = [1, 2].map((n) => ({ kit: { ...kit, id: `kit-${n}`, leads: many }, fit }))
    const request = PlanRequest.parse({ kits, build: {} })
    const found = leadLayout(modelOfRequest(deliveryVanRecord(), request), request, DEFAULT_HOUSE_VALUES)
    expect(found.ok && found.value).toMatchObject({ because: { kind: 'too many', leads: 32, most: 30 } })
  })
})
