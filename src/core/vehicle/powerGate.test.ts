import { describe, expect, test } from '@jest/globals'
import { forBuild } from '../procedure/forBuild'
import { smallDash } from '../testing/smallDash.testing'
import { DEFAULT_HOUSE_VALUES } from '../shop/houseValues'
import { whilePlanning, type Circumstances } from './circumstances'
import { afterPutBack, powerGate } from './powerGate'
import { Rule } from './rule'
import { asFoundState, type VehicleState } from './vehicleState'

// The gate of the power by rules written for it, one kind of condition at a time.

const model = forBuild(smallDash(), {})
const found = asFoundState(model)
const rule = (id: string, while_: object[], more: object = {}) =>
  Rule.parse({
    ...{ id, severity: 'WARNING', sentence: `${id}.`, origin: 'test', effect: 'refuses' },
    at: { acts: ['power'], powers: ['ignition'] },
    while: while_,
    ...more,
  })
const by = (...rules: Rule[]): Circumstances => ({ ...whilePlanning(DEFAULT_HOUSE_VALUES), rules })
const state = (settings: Record<string, string>, open: string[] = [], more: Partial<VehicleState> = {}) => ({
  ...found,
  ...{ settings: new Map([...found.settings, ...Object.entries(settings)]), open: new Set(open) },
  ...more,
})
const gate = (at: VehicleState, ...rules: Rule[]) => powerGate(model, at, by(...rules)).ignition

const OPEN = { kind: 'open', circuits: ['hazard'] }
const LEVER_NOT = { kind: 'setting not', role: 'gear lever', values: ['park'] }
const LEVER_IS = { kind: 'setting is', role: 'gear lever', values: ['out of park'] }

describe('what has to be put back before the power may come on', () => {
  test('a plug, brought near its socket only where its part is off', () => {
    expect(gate(state({}, ['hazard']), rule('a', [OPEN])).putBack).toEqual([
      { kind: 'plug', tetherId: 'hazard', bringPartId: null },
    ])
    const off = state({}, ['hazard'], { levels: new Map([['panel', 'off' as const]]) })
    expect(gate(off, rule('a', [OPEN])).putBack).toEqual([{ kind: 'plug', tetherId: 'hazard', bringPartId: 'panel' }])
  })
  test('a setting to a value that is wanted, or away from one that is not', () => {
    const to = (value: string) => [{ kind: 'set', settingId: 'lever', value }]
    expect(gate(state({ lever: 'out of park' }), rule('a', [LEVER_NOT])).putBack).toEqual(to('park'))
    expect(gate(state({ lever: 'out of park' }), rule('a', [LEVER_IS])).putBack).toEqual(to('park'))
    expect(gate(state({}), rule('a', [LEVER_NOT])).allowed).toBe(true)
  })
  test('either of two that bite together only: the fewest, by name where as few', () => {
    expect(gate(state({ lever: 'out of park' }, ['hazard']), rule('a', [OPEN, LEVER_NOT])).putBack).toEqual([
      { kind: 'plug', tetherId: 'hazard', bringPartId: null },
    ])
    // Where another rule asks for the lever in any case, that is enough for both.
    expect(
      gate(state({ lever: 'out of park' }, ['hazard']), rule('a', [OPEN, LEVER_NOT]), rule('b', [LEVER_NOT])).putBack,
    ).toEqual([{ kind: 'set', settingId: 'lever', value: 'park' }])
  })
  test('what nobody puts back leaves no way: the ignition itself, a high-voltage plug, who is there, the cold', () => {
    const none = (at: VehicleState, while_: object[], more: Partial<Circumstances> = {}) =>
      powerGate(model, at, { ...by(rule('a', while_)), ...more }).ignition
    const IGNITION = { kind: 'setting is', role: 'ignition', values: ['on'] }
    expect(none(state({ ignition: 'on' }), [IGNITION])).toMatchObject({ allowed: false, putBack: null })
    const dash = smallDash()
    dash.tethers[1]!.circuit = 'high-voltage'
    const orange = forBuild(dash, {})
    const open = rule('a', [{ kind: 'open', circuits: ['high-voltage'] }])
    expect(powerGate(orange, { ...asFoundState(orange), open: new Set(['hazard']) }, by(open)).ignition).toMatchObject({
      ...{ allowed: false, putBack: null },
    })
    expect(none(found, [{ kind: 'colder than the house value' }], { temperatureC: -40 })).toMatchObject({
      ...{ allowed: false, putBack: null },
    })
    // Beside something that can be put back it is that.
    expect(
      none(state({}, ['hazard']), [{ kind: 'colder than the house value' }, OPEN], { temperatureC: -40 }).putBack,
    ).toEqual([{ kind: 'plug', tetherId: 'hazard', bringPartId: null }])
  })
  test('what putting back wakes is put back as well, in an order that no rule refuses', () => {
    // The lever back asks for the brake, which is off.
    const wakes = rule('b', [
      { kind: 'setting is', role: 'gear lever', values: ['park'] },
      { kind: 'setting is', role: 'parking brake', values: ['off'] },
    ])
    const first = rule('c', [{ kind: 'setting is', role: 'parking brake', values: ['off'] }], {
      at: { acts: ['set'], roles: ['gear lever'] },
    })
    expect(gate(state({ lever: 'out of park', brake: 'off' }), rule('a', [LEVER_NOT]), wakes, first).putBack).toEqual([
      { kind: 'set', settingId: 'brake', value: 'on' },
      { kind: 'set', settingId: 'lever', value: 'park' },
    ])
  })
  test('two rules that want the opposite leave no way', () => {
    const opposite = rule('b', [{ kind: 'setting not', role: 'gear lever', values: ['out of park'] }])
    expect(gate(state({ lever: 'out of park' }), rule('a', [LEVER_NOT]), opposite)).toMatchObject({
      ...{ allowed: false, putBack: null },
    })
  })
  test('what has to be seen to is asked of this power’s rules, whether they bite or not', () => {
    const asks = rule('a', [OPEN], { confirm: ['Doors shut.'] })
    const other = rule('b', [OPEN], { confirm: ['Never.'], at: { acts: ['power'], powers: ['accessory'] } })
    expect([gate(found, asks, other).confirm, gate(state({}, ['hazard']), asks, other).confirm]).toEqual([
      ['Doors shut.'],
      ['Doors shut.'],
    ])
  })
  test('an item put back: closed, or set, and nothing else', () => {
    const closed = afterPutBack(model, state({}, ['hazard', 'main']), {
      ...{ kind: 'plug', tetherId: 'hazard', bringPartId: null },
    } as const)
    expect([[...closed.open], closed.settings.get('lever')]).toEqual([['main'], 'park'])
    const set = afterPutBack(model, state({}, ['main']), { kind: 'set', settingId: 'lever', value: 'out of park' })
    expect([[...set.open], set.settings.get('lever'), set.settings.get('brake')]).toEqual([
      ['main'],
      'out of park',
      'on',
    ])
  })
})
