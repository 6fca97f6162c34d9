import { describe, expect, test } from '@jest/globals'
import type { Operation, SettingAct } from '../order/operation'
import { forBuild } from '../procedure/forBuild'
import { Tether } from '../procedure/tether'
import { DEFAULT_HOUSE_VALUES } from '../shop/houseValues'
import { smallDash } from '../testing/smallDash.testing'
import { BUILT_IN_RULES } from './builtInRules'
import { whilePlanning, type Circumstances } from './circumstances'
import { actsIn, askedByRules, refusals, waitLeftS } from './judge'
import { ActPattern, Rule } from './rule'
import { rulesInForce } from './rulesInForce'
import { simulate } from './simulate'
import { after, asFoundState, settingOf, type VehicleState } from './vehicleState'

// What each act does to the state, how long a wait still takes, and what the rules ask for: written out by hand.

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
  const offSince = (seconds: number) => ({
    ...after(model, found, set('battery', 'on', 'off'), 60),
    nowS: 60 + seconds,
  })
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

describe('the rules in force', () => {
  const [first] = BUILT_IN_RULES
  const own = (id: string) =>
    Rule.parse({
      id,
      severity: 'NOTICE',
      sentence: 'Ours.',
      origin: 'test',
      effect: 'cautions',
      at: { acts: ['open'] },
    })
  test('a shop adds rules, and replaces none that is built in', () => {
    const rules = rulesInForce({ added: [own('ours'), own(first!.id)], raised: {} })
    expect(rules.map(({ id }) => id)).toEqual([...BUILT_IN_RULES.map(({ id }) => id), 'ours'])
    expect(rules.find(({ id }) => id === first!.id)).toEqual(first)
    expect(rulesInForce()).toEqual(BUILT_IN_RULES)
  })
  test('and takes one more seriously, never less', () => {
    const caution = BUILT_IN_RULES.find(({ severity }) => severity === 'CAUTION')!
    const severityOf = (severity: Rule['severity']) =>
      rulesInForce({ added: [], raised: { [caution.id]: severity } }).find(({ id }) => id === caution.id)!.severity
    expect((['DANGER', 'WARNING', 'CAUTION', 'NOTICE'] as const).map(severityOf)).toEqual([
      'DANGER',
      'WARNING',
      'CAUTION',
      'CAUTION',
    ])
    // Of the others nothing changes.
    const others = (rules: readonly Rule[]) => rules.filter(({ id }) => id !== caution.id)
    expect(others(rulesInForce({ added: [], raised: { [caution.id]: 'DANGER' } }))).toEqual(others(BUILT_IN_RULES))
  })
  test('a pattern without an act is no rule', () => expect(ActPattern.safeParse({ acts: [] }).success).toBe(false))
})
