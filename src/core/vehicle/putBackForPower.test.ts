import { describe, expect, test } from '@jest/globals'
import { forBuild } from '../procedure/forBuild'
import { smallDash } from '../testing/smallDash.testing'
import { DEFAULT_HOUSE_VALUES } from '../shop/houseValues'
import { whilePlanning, type Circumstances } from './circumstances'
import { cautionsFor } from './cautionsFor'
import { breaches, refusals, waitLeftS } from './judge'
import { afterPutBack, powerGate } from './powerGate'
import { Rule } from './rule'
import { smallestSet } from './smallestSet'
import { asFoundState, type VehicleState } from './vehicleState'
import { newCaution } from '../procedure/caution'

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

describe('what a rule that bites names', () => {
  const named = (while_: object[], at: VehicleState) => {
    const breach = refusals(
      model,
      at,
      { act: 'undo', itemId: 'screws' },
      by(rule('a', while_, { at: { acts: ['undo'] } })),
    )
    return breach.map(({ tetherIds, settingIds }) => [tetherIds, settingIds])
  }
  test('the plugs that are open, the settings that stand so, the battery it waits for', () => {
    expect(named([OPEN], state({}, ['hazard', 'main']))).toEqual([[['hazard'], []]])
    expect(named([LEVER_IS], state({ lever: 'out of park' }))).toEqual([[[], ['lever']]])
    expect(named([LEVER_NOT], state({ lever: 'out of park' }))).toEqual([[[], ['lever']]])
    expect(named([{ kind: 'waited too short' }], state({ battery: 'off' }))).toEqual([[[], ['battery']]])
    expect(named([{ kind: 'wheels', wheels: 'four' }], found)).toEqual([[[], []]])
  })
  test('an invariant likewise, and only while it is broken', () => {
    const invariant = rule('a', [OPEN, LEVER_IS], { at: null })
    expect(breaches(model, state({ lever: 'out of park' }, ['hazard']), by(invariant))).toMatchObject([
      { tetherIds: ['hazard'], settingIds: ['lever'] },
    ])
    expect(breaches(model, state({ lever: 'out of park' }), by(invariant))).toEqual([])
    expect(breaches(model, state({}, ['hazard']), by(invariant))).toEqual([])
    // A rule of an act is no invariant, and neither is one that asks for nothing.
    expect(breaches(model, found, by(rule('b', [], { at: null }), rule('c', [])))).toEqual([])
  })
})

describe('only a rule that refuses for the wait makes anybody wait', () => {
  const left = (more: object, while_: object[] = [{ kind: 'waited too short' }]) =>
    waitLeftS(model, state({ battery: 'off' }), { act: 'open', itemId: 'hazard' }, by(rule('a', while_, more)))
  const WHOLE = DEFAULT_HOUSE_VALUES.airbagWaitMin * 60
  test('at its act and circuits, alone or beside other conditions', () => {
    expect(left({ at: { acts: ['open'], circuits: ['hazard'] } })).toBe(WHOLE)
    expect(left({ at: { acts: ['open'] } }, [LEVER_IS, { kind: 'waited too short' }])).toBe(WHOLE)
    expect(left({ at: { acts: ['open'], circuits: ['audio'] } })).toBe(0)
    expect(left({ at: { acts: ['close'] } })).toBe(0)
    expect(left({ at: null })).toBe(0)
  })
  test('one that only cautions does not, nor one that asks for something else', () => {
    expect(left({ at: { acts: ['open'] }, effect: 'cautions' })).toBe(0)
    expect(left({ at: { acts: ['open'] } }, [LEVER_IS])).toBe(0)
  })
})

test('a caution of the record asks for nothing to be ticked; a rule’s does where it has something', () => {
  const dash = smallDash()
  dash.cautions.push(newCaution('sharp', 'cover', 'Sharp edges.'))
  const said = rule('a', [], { at: { acts: ['lift'] }, effect: 'cautions', confirm: ['Gloves on.'], remedy: 'Slowly.' })
  expect(cautionsFor(forBuild(dash, {}), { act: 'lift', itemId: 'cover' }, by(said))).toEqual([
    { id: 'a', severity: 'WARNING', sentence: 'a.', remedy: 'Slowly.', confirm: ['Gloves on.'], builtIn: true },
    { id: 'sharp', severity: 'CAUTION', sentence: 'Sharp edges.', remedy: '', confirm: [], builtIn: false },
  ])
})

test('the smallest set of acts: what is forced, then whichever alternatives are fewest together', () => {
  expect(smallestSet([])).toEqual([])
  expect(smallestSet([[['b', 'a']], [['c']]])).toEqual(['a', 'b', 'c'])
  expect(smallestSet([[['a']], []])).toBeNull()
  expect(smallestSet([[['a'], ['b', 'c']], [['c'], ['d']], [['c']]])).toEqual(['a', 'c'])
  expect(
    smallestSet([
      [['a', 'b'], ['c']],
      [['c'], ['a']],
    ]),
  ).toEqual(['c'])
  // As few either way: by name.
  expect(smallestSet([[['b'], ['a']]])).toEqual(['a'])
})

test('acts that decide the same otherwise are never both in it; what is so already is no act', () => {
  const known = {
    excludes: (act: string) => (act.startsWith('lever=') ? 'lever' : null),
    isFree: (act: string) => act === 'lever=out',
  }
  // Leaving the lever where it is would be least, but it is wanted elsewhere.
  expect(smallestSet([[['lever=park']], [['lever=out'], ['brake=on']]], known)).toEqual(['brake=on', 'lever=park'])
  expect(smallestSet([[['lever=out'], ['brake=on']]], known)).toEqual([])
  expect(smallestSet([[['lever=park']], [['lever=out']]], known)).toBeNull()
  expect(
    smallestSet(
      [
        [['lever=park'], ['a', 'b']],
        [['lever=out'], ['c', 'd', 'e']],
      ],
      known,
    ),
  ).toEqual(['a', 'b'])
})
