import { describe, expect, test } from '@jest/globals'
import { forBuild } from '../procedure/forBuild'
import { Tether } from '../procedure/tether'
import { DEFAULT_HOUSE_VALUES } from '../shop/houseValues'
import { smallDash } from '../testing/smallDash.testing'
import { whilePlanning, type Circumstances } from './circumstances'
import { actsIn, askedByRules, breaches, refusals, waitLeftS } from './judge'
import { Rule } from './rule'
import { asFoundState, type VehicleState } from './vehicleState'

// What the rules see, name, wait for and ask for, by rules written for it.

const dash = smallDash()
dash.tethers.push(Tether.parse({ id: 'bag', name: 'airbag', partId: 'unit', circuit: 'srs-firing' }))
const model = forBuild(dash, {})
const found = asFoundState(model)
const PLAN = whilePlanning(DEFAULT_HOUSE_VALUES)
const by = (...rules: Rule[]): Circumstances => ({ ...PLAN, rules })
const ruleOf = (while_: object[], more: object = {}) =>
  Rule.parse({
    ...{ id: 'a', severity: 'WARNING', sentence: 'Not so.', origin: 'test', effect: 'refuses' },
    at: { acts: ['undo'] },
    while: while_,
    ...more,
  })
const state = (settings: Record<string, string>, open: string[] = [], more: Partial<VehicleState> = {}) => ({
  ...found,
  ...{ settings: new Map([...found.settings, ...Object.entries(settings)]), open: new Set(open) },
  ...more,
})
const OPEN = { kind: 'open', circuits: ['hazard'] }
const LEVER_NOT = { kind: 'setting not', role: 'gear lever', values: ['park'] }
const LEVER_IS = { kind: 'setting is', role: 'gear lever', values: ['out of park'] }

describe('what an act is besides its own name', () => {
  test.each([
    [{ act: 'release', pulled: ['c'] }, ['release', 'undo']],
    [{ act: 'ease', pulled: ['c'] }, ['ease', 'undo']],
    [{ act: 'seat', pulled: ['c'] }, ['seat', 'fasten']],
    [{ act: 'release', pulled: [] }, ['release']],
    [{ act: 'release' }, ['release']],
    [{ act: 'restore' }, ['set']],
  ] as const)('%j is %j', (act, names) => expect(actsIn(act)).toEqual(names))
})

describe('the wait after the battery was taken off', () => {
  const OPEN = { act: 'open', itemId: 'bag' } as const
  const waitMin = DEFAULT_HOUSE_VALUES.airbagWaitMin
  const offSince = (seconds: number) =>
    state({ battery: 'off' }, [], { nowS: 60 + seconds, changedAtS: new Map([['battery', 60]]) })
  test('counts from the change, to the house’s minutes', () => {
    expect(waitMin).toBeGreaterThan(0)
    expect(waitLeftS(model, offSince(0), OPEN, PLAN)).toBe(waitMin * 60)
    expect(waitLeftS(model, offSince(waitMin * 60 - 1), OPEN, PLAN)).toBe(1)
    expect(waitLeftS(model, offSince(waitMin * 60), OPEN, PLAN)).toBe(0)
    expect(waitLeftS(model, offSince(waitMin * 60 + 500), OPEN, PLAN)).toBe(0)
  })
  test('to the maker’s where the record has them', () => {
    const own = smallDash()
    own.settings.find(({ id }) => id === 'battery')!.waitMin = 25
    own.tethers = dash.tethers
    expect(waitLeftS(forBuild(own, {}), offSince(0), OPEN, PLAN)).toBe(25 * 60)
  })
  test('a battery that was off already counts from the start of the job', () => {
    const state = { ...found, settings: new Map(found.settings).set('battery', 'off'), startedS: 100, nowS: 160 }
    expect(waitLeftS(model, state, OPEN, PLAN)).toBe(waitMin * 60 - 60)
  })
  test('none while it is on, none for other plugs, none where no rule asks for it', () => {
    expect(waitLeftS(model, found, OPEN, PLAN)).toBe(0)
    expect(waitLeftS(model, offSince(0), { act: 'open', itemId: 'main' }, PLAN)).toBe(0)
    expect(waitLeftS(model, offSince(0), { act: 'close', itemId: 'main' }, PLAN)).toBe(0)
    expect(waitLeftS(model, offSince(0), OPEN, { ...PLAN, rules: [] })).toBe(0)
  })
})

describe('what a rule that bites names', () => {
  const named = (while_: object[], at: VehicleState) => {
    const breach = refusals(model, at, { act: 'undo', itemId: 'screws' }, by(ruleOf(while_)))
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
    const invariant = ruleOf([OPEN, LEVER_IS], { at: null })
    expect(breaches(model, state({ lever: 'out of park' }, ['hazard']), by(invariant))).toMatchObject([
      { tetherIds: ['hazard'], settingIds: ['lever'] },
    ])
    expect(breaches(model, state({ lever: 'out of park' }), by(invariant))).toEqual([])
    expect(breaches(model, state({}, ['hazard']), by(invariant))).toEqual([])
    // A rule of an act is no invariant, and neither is one that asks for nothing.
    expect(breaches(model, found, by(ruleOf([], { at: null }), ruleOf([])))).toEqual([])
  })
})

describe('only a rule that refuses for the wait makes anybody wait', () => {
  const left = (more: object, while_: object[] = [{ kind: 'waited too short' }]) =>
    waitLeftS(model, state({ battery: 'off' }), { act: 'open', itemId: 'hazard' }, by(ruleOf(while_, more)))
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

describe('what the rules ask of the settings at an act', () => {
  const rule = (more: object) =>
    Rule.parse({
      ...{ id: 'shop-a', severity: 'WARNING', sentence: 'Battery off.', origin: 'test', effect: 'refuses' },
      at: { acts: ['open'], circuits: ['hazard'] },
      while: [{ kind: 'setting not', role: 'battery', values: ['off'] }],
      ...more,
    })
  const asked = (more: object, itemId = 'hazard', around: Partial<Circumstances> = {}) =>
    askedByRules(model, { ...PLAN, rules: [rule(more)], ...around })({ act: 'open', itemId }).map(
      ({ settingId, value, because }) => `${settingId}=${value} ${JSON.stringify(because)}`,
    )
  const OFF = 'battery=off {"kind":"rule","ruleId":"shop-a","settingId":"battery"}'
  const elsewhere = { kind: 'setting not', role: 'battery', values: ['off'] }
  test('the value it refuses without, at the acts and circuits it speaks of', () => {
    expect(asked({})).toEqual([OFF])
    expect(asked({}, 'main')).toEqual([])
    expect(asked({ at: { acts: ['close'], circuits: ['hazard'] } })).toEqual([])
    expect(asked({ effect: 'cautions' })).toEqual([])
    expect(asked({ at: null })).toEqual([])
  })
  test('the first of its values that the record has; none where it has none', () => {
    expect(asked({ while: [{ ...elsewhere, values: ['half', 'off', 'on'] }] })).toEqual([OFF])
    expect(asked({ while: [{ ...elsewhere, values: ['half'] }] })).toEqual([])
    expect(asked({ while: [{ ...elsewhere, role: 'stand' }] })).toEqual([])
  })
  test('only where one setting alone decides', () => {
    expect(asked({ while: [elsewhere, { kind: 'setting not', role: 'ignition', values: ['off'] }] })).toEqual([])
    expect(asked({ while: [elsewhere, { kind: 'open', circuits: ['audio'] }] })).toEqual([])
    expect(asked({ while: [{ kind: 'setting is', role: 'battery', values: ['on'] }] })).toEqual([])
  })
  test('what is so all the time counts as it is', () => {
    expect(asked({ while: [elsewhere, { kind: 'wheels', wheels: 'four' }] })).toEqual([OFF])
    expect(asked({ while: [elsewhere, { kind: 'wheels', wheels: 'two' }] })).toEqual([])
    const cold = { while: [elsewhere, { kind: 'colder than the house value' }] }
    expect(asked(cold, 'hazard', { temperatureC: -30 })).toEqual([OFF])
    expect(asked(cold, 'hazard', { temperatureC: 30 })).toEqual([])
  })
})
