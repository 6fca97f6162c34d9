import { describe, expect, test } from '@jest/globals'
import type { Operation, SettingAct } from '../order/operation'
import { forBuild } from '../procedure/forBuild'
import { Tether } from '../procedure/tether'
import { DEFAULT_HOUSE_VALUES } from '../shop/houseValues'
import { smallDash } from '../testing/smallDash.testing'
import { whilePlanning, type Circumstances } from './circumstances'
import { refusals } from './judge'
import { Rule } from './rule'
import { simulate } from './simulate'
import { after, asFoundState, settingOf, type VehicleState } from './vehicleState'

// What each act does to the state, and acts one after another: written out by hand.

const dash = smallDash()
dash.tethers.push(Tether.parse({ id: 'bag', name: 'airbag', partId: 'unit', circuit: 'srs-firing' }))
const model = forBuild(dash, {})
const found = asFoundState(model)
const PLAN = whilePlanning(DEFAULT_HOUSE_VALUES)

type Did = Partial<Pick<Operation, 'act' | 'itemId' | 'setting' | 'pulled'>> & Pick<Operation, 'act'>
const op = (did: Did) => ({ itemId: 'panel', setting: null, ...did }) as Operation
const to = (settingId: string, from: string, value: string) =>
  ({ settingId, from, to: value, methodId: 'm' }) as SettingAct
const set = (settingId: string, from: string, value: string) =>
  op({ act: 'set', itemId: settingId, setting: to(settingId, from, value) })

describe('the state after an act', () => {
  const changed = (did: Did, from: VehicleState = found) => {
    const next = after(model, from, op(did), 7)
    expect(next.nowS).toBe(from.nowS + 7)
    const rest = { ...next, nowS: from.nowS }
    return Object.fromEntries(
      Object.entries(rest)
        .filter(([key, value]) => value !== from[key as keyof VehicleState])
        .map(([key, value]) => [key, value instanceof Map ? [...value.entries()].at(-1) : [...(value as Set<string>)]]),
    )
  }
  test.each<[string, Did, object]>([
    ['opened', { act: 'open', itemId: 'main' }, { open: ['main'] }],
    ['undone', { act: 'undo', itemId: 'screws' }, { undone: ['screws'] }],
    [
      'eased, with what lets go',
      { act: 'ease', pulled: ['panel-clips'] },
      { levels: ['panel', 'eased'], undone: ['panel-clips'] },
    ],
    [
      'free, with what lets go',
      { act: 'release', pulled: ['panel-clips'] },
      { levels: ['panel', 'free'], undone: ['panel-clips'] },
    ],
    ['free, with nothing that lets go', { act: 'release' }, { levels: ['panel', 'free'] }],
    ['off', { act: 'lift' }, { levels: ['panel', 'off'] }],
    ['placed', { act: 'place' }, { levels: ['panel', 'free'] }],
    ['waited', { act: 'wait' }, {}],
    ['started by hand: not yet fast', { act: 'start', itemId: 'screws' }, {}],
    ['fed through: not yet closed', { act: 'feed', itemId: 'main' }, {}],
  ])('%s', (_, did, expected) => expect(changed(did)).toEqual(expected))
  test('the way back takes away what the way in put there, and only that', () => {
    const out: VehicleState = {
      ...found,
      open: new Set(['main', 'hazard']),
      undone: new Set(['screws', 'panel-clips', 'bolts']),
    }
    expect(changed({ act: 'close', itemId: 'main' }, out)).toEqual({ open: ['hazard'] })
    expect(changed({ act: 'fasten', itemId: 'bolts' }, out)).toEqual({ undone: ['screws', 'panel-clips'] })
    expect(changed({ act: 'seat', pulled: ['panel-clips'] }, out)).toEqual({
      levels: ['panel', 'in place'],
      undone: ['screws', 'bolts'],
    })
    expect(changed({ act: 'seat' }, out)).toEqual({ levels: ['panel', 'in place'] })
  })
  test.each(['set', 'restore'] as const)('%s: the setting stands so from then on', (act) => {
    const next = after(model, found, op({ act, itemId: 'battery', setting: to('battery', 'on', 'off') }), 30)
    expect([next.settings.get('battery'), next.changedAtS.get('battery')]).toEqual(['off', 30])
    expect(settingOf(model, next, 'battery')).toEqual({ id: 'battery', value: 'off' })
    expect(next.settings.get('ignition')).toBe('off')
  })
  test('nothing of the state before is changed', () => {
    const before = JSON.stringify([...found.settings, ...found.open, ...found.levels, ...found.undone, found.nowS])
    for (const act of ['open', 'undo', 'release', 'lift'] as const) after(model, found, op({ act }), 1)
    expect(JSON.stringify([...found.settings, ...found.open, ...found.levels, ...found.undone, found.nowS])).toBe(
      before,
    )
  })
  test('as found: every setting where it was found, nothing open, nothing counted yet', () => {
    expect([...found.settings]).toEqual([
      ['brake', 'on'],
      ['wheels', 'chocked'],
      ['lever', 'park'],
      ['battery', 'on'],
      ['ignition', 'off'],
    ])
    expect([found.open.size, found.levels.size, found.undone.size, found.nowS, found.startedS]).toEqual([0, 0, 0, 0, 0])
    expect(settingOf(model, { settings: new Map() }, 'ignition')).toEqual({ id: 'ignition', value: 'off' })
    expect(settingOf(model, found, 'stand')).toBeNull()
  })
})

describe('acts one after another', () => {
  const acts = (...list: [Operation, number][]) => list.map(([operation, tookS]) => ({ operation, tookS }))
  const OFF = set('battery', 'on', 'off')
  const OPEN = op({ act: 'open', itemId: 'bag' })
  const wait = op({ act: 'wait' })
  const long = DEFAULT_HOUSE_VALUES.airbagWaitMin * 60
  test('an airbag’s plug: battery off, then the wait, then it is opened', () => {
    const run = simulate(model, found, acts([OFF, 60], [wait, long], [OPEN, 20]), PLAN)
    expect(run).toMatchObject({ ok: true, value: { nowS: 60 + long + 20 } })
    expect(run.ok && [...run.value.open]).toEqual(['bag'])
  })
  test('the first act that is refused is told, with the state it was refused in', () => {
    const early = simulate(model, found, acts([OFF, 60], [wait, long - 1], [OPEN, 20]), PLAN)
    expect(early).toMatchObject({
      ok: false,
      error: { kind: 'refused', at: 2, operation: OPEN, state: { nowS: 59 + long } },
    })
    const live = simulate(model, found, acts([OPEN, 20], [OFF, 60]), PLAN)
    expect(live).toMatchObject({ ok: false, error: { at: 0, state: { nowS: 0 } } })
    expect(!live.ok && live.error.breaches.length).toBeGreaterThan(0)
  })
  test('an act may be judged as another than it is: the work at a station', () => {
    const judged = { act: 'open' as const, itemId: 'bag' }
    const run = simulate(model, found, [{ operation: op({ act: 'undo', itemId: 'screws' }), judged, tookS: 5 }], PLAN)
    expect(run).toMatchObject({ ok: false, error: { at: 0 } })
  })
  test('nothing at all is refused by nothing, and a state that was never safe stays the last act’s to answer for', () => {
    expect(simulate(model, found, [], PLAN)).toEqual({ ok: true, value: found })
    const invariant = Rule.parse({
      ...{ id: 'shop-open', severity: 'WARNING', sentence: 'Nothing is open with the ignition on.', origin: 'test' },
      ...{ effect: 'refuses', at: null, while: [{ kind: 'open', circuits: ['hazard'] }] },
    })
    const open = { ...found, open: new Set(['hazard']) }
    const judgedBy: Circumstances = { ...PLAN, rules: [invariant] }
    expect(simulate(model, open, [], judgedBy).ok).toBe(true)
    expect(simulate(model, open, acts([wait, 5]), judgedBy)).toMatchObject({ ok: false, error: { at: 0 } })
    // It does not refuse the way out.
    expect(simulate(model, open, acts([op({ act: 'close', itemId: 'hazard' }), 5]), judgedBy).ok).toBe(true)
    expect(refusals(model, open, { act: 'undo', itemId: 'screws' }, judgedBy)).toEqual([])
    expect(refusals(model, found, { act: 'open', itemId: 'hazard' }, judgedBy)).toHaveLength(1)
  })
})
