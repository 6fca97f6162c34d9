import { describe, expect, test } from '@jest/globals'
import { seededRandom } from '../base/random'
import { forBuild, type ProcedureForBuild } from '../procedure/forBuild'
import { randomProcedure } from '../procedure/randomProcedure.testing'
import { Tether } from '../procedure/tether'
import { DEFAULT_HOUSE_VALUES } from '../shop/houseValues'
import { BUILT_IN_RULES } from './builtInRules'
import { whilePlanning, type Circumstances } from './circumstances'
import { cautionsFor } from './cautionsFor'
import { breaches, refusals, waitLeftS, type JudgedAct } from './judge'
import { afterPutBack, forbiddenBy, powerGate, type PutBack } from './powerGate'
import { POWERS } from './powers'
import { Rule, ShopRules } from './rule'
import { rulesInForce } from './rulesInForce'
import { asFoundState, type VehicleState } from './vehicleState'
import { panelVan, patrolMotorcycle, smallBus } from '../testing/vehicles.testing'

const circumstances = whilePlanning(DEFAULT_HOUSE_VALUES)
const bus = forBuild(smallBus(), { 'sign-kind': 'led', gearbox: 'manual' })
const at = (
  model: ProcedureForBuild,
  settings: Record<string, string>,
  open: string[] = [],
  more: Partial<VehicleState> = {},
): VehicleState => {
  const found = asFoundState(model)
  return { ...found, settings: new Map([...found.settings, ...Object.entries(settings)]), open: new Set(open), ...more }
}
const setting = (settingId: string, from: string, to: string): JudgedAct => ({
  act: 'set',
  itemId: settingId,
  setting: { settingId, from, to, methodId: 'x' },
})
const ids = (model: ProcedureForBuild, state: VehicleState, act: JudgedAct, c: Circumstances = circumstances) =>
  refusals(model, state, act, c).map((breach) => breach.rule.id)

describe('airbag circuits', () => {
  test('battery on is refused while a firing circuit is open', () => {
    expect(ids(bus, at(bus, { battery: 'off' }, ['knee-bag']), setting('battery', 'off', 'on'))).toEqual([
      'srs-firing-live',
    ])
    expect(ids(bus, at(bus, { battery: 'off' }), setting('battery', 'off', 'on'))).toEqual([])
  })
  test('opened only with ignition and battery off and the wait over; a lamp needs no more than the ignition off', () => {
    const open: JudgedAct = { act: 'open', itemId: 'knee-bag' }
    expect(ids(bus, at(bus, {}), open)).toEqual(['srs-firing-power', 'srs-firing-live'])
    const off = (nowS: number) => at(bus, { battery: 'off' }, [], { nowS, changedAtS: new Map([['battery', 0]]) })
    expect(ids(bus, off(599), open)).toEqual(['srs-firing-wait'])
    expect(waitLeftS(bus, off(599), open, circumstances)).toBe(1)
    expect(ids(bus, off(600), open)).toEqual([])
    const van = forBuild(panelVan(), {})
    expect(ids(van, at(van, { ignition: 'on' }), { act: 'open', itemId: 'airbag-lamp' })).toContain('srs-ignition')
    expect(ids(van, at(van, { ignition: 'on' }, ['airbag-lamp']), { act: 'close', itemId: 'airbag-lamp' })).toEqual([
      'srs-ignition',
    ])
    expect(ids(van, at(van, {}), { act: 'open', itemId: 'airbag-lamp' })).toEqual([])
  })
  test('the maker’s wait goes before the house’s', () => {
    const document = smallBus()
    document.settings.find((item) => item.role === 'battery')!.waitMin = 3
    const model = forBuild(document, {})
    expect(
      waitLeftS(
        model,
        at(model, { battery: 'off' }, [], { nowS: 60, changedAtS: new Map([['battery', 0]]) }),
        { act: 'open', itemId: 'knee-bag' },
        circumstances,
      ),
    ).toBe(120)
  })
  test('a firing circuit is for people who are authorised: planning asks nobody, a job asks the person', () => {
    const ready = at(bus, { battery: 'off' }, [], { nowS: 900, changedAtS: new Map([['battery', 0]]) })
    const open: JudgedAct = { act: 'open', itemId: 'knee-bag' }
    expect(ids(bus, ready, open, { ...circumstances, authorised: new Set() })).toEqual(['srs-firing-people'])
    expect(ids(bus, ready, open, { ...circumstances, authorised: new Set(['airbag circuits']) })).toEqual([])
  })
})

test('the battery goes off only after its preparations were confirmed, and only with the ignition off', () => {
  const off = setting('battery', 'on', 'off')
  expect(ids(bus, at(bus, {}), off, { ...circumstances, confirmed: new Set() })).toEqual(['battery-preparations'])
  expect(ids(bus, at(bus, {}), off, { ...circumstances, confirmed: new Set(['battery-preparations']) })).toEqual([])
  expect(ids(bus, at(bus, { ignition: 'on' }), off)).toEqual(['battery-ignition'])
})

describe('a vehicle that starts by a button', () => {
  const document = smallBus()
  document.tethers.push(Tether.parse({ id: 'button', name: 'start', partId: document.parts[0]!.id, circuit: 'start' }))
  const model = forBuild(document, {})
  test('with its plug open nothing comes on, and the gate’s remedy is that plug', () => {
    const gate = powerGate(model, at(model, {}, ['button']), circumstances)
    for (const power of POWERS)
      expect([power, gate[power]]).toMatchObject([
        power,
        {
          allowed: false,
          putBack: expect.arrayContaining([expect.objectContaining({ kind: 'plug', tetherId: 'button' })]),
        },
      ])
    expect(
      forbiddenBy(model, at(model, {}, ['button']), circumstances, 'accessory').map((breach) => breach.rule.remedy),
    ).toContain('Plug the start control by hand, then switch on.')
    expect(powerGate(model, at(model, {}), circumstances).accessory.allowed).toBe(true)
  })
  test('the ignition is not switched on as a step either', () => {
    expect(ids(model, at(model, {}, ['button']), setting('ignition', 'off', 'on'))).toContain('start-open-ignition')
    expect(ids(model, at(model, {}), setting('ignition', 'off', 'on'))).not.toContain('start-open-ignition')
  })
})

test('a plug nobody has classified keeps the ignition off as one of the airbags would, until somebody says what it feeds', () => {
  const document = smallBus()
  const withPlug = (more: object) =>
    forBuild(
      {
        ...document,
        tethers: [
          ...document.tethers,
          Tether.parse({ id: 'plug', name: 'grey one', partId: document.parts[0]!.id, ...more }),
        ],
      },
      {},
    )
  const ignition = (more: object) => powerGate(withPlug(more), at(withPlug(more), {}, ['plug']), circumstances).ignition
  expect(ignition({ circuit: null })).toMatchObject({ allowed: false, putBack: [{ kind: 'plug', tetherId: 'plug' }] })
  expect(ignition({ circuit: null, colour: 'yellow' }).allowed).toBe(false)
  expect(ignition({ circuit: 'audio' }).allowed).toBe(true)
})

test('a motorcycle is not taken apart on its side stand, high voltage is never opened, a signal never bypassed', () => {
  const bike = forBuild(patrolMotorcycle(), {})
  const part = [...bike.parts.keys()][0]!
  expect(ids(bike, at(bike, { stand: 'side stand' }), { act: 'release', itemId: part })).toEqual(['stand'])
  expect(ids(bike, at(bike, { stand: 'strapped' }), { act: 'release', itemId: part })).toEqual([])
  const document = smallBus()
  document.tethers.push(
    Tether.parse({ id: 'hv', name: 'high voltage', partId: document.parts[0]!.id, circuit: 'high-voltage' }),
  )
  const electric = forBuild(document, {})
  expect(ids(electric, asFoundState(electric), { act: 'open', itemId: 'hv' })).toContain('high-voltage')
  expect(powerGate(electric, at(electric, {}, ['hv']), circumstances).ignition).toMatchObject({
    allowed: false,
    putBack: null,
  })
  expect(ids(bus, asFoundState(bus), { act: 'work', itemId: 'w', work: 'bypass a signal' })).toEqual(['bypass'])
})

test('cold, heavy, hot and cutting are said where they bite', () => {
  const brittle = {
    ...bus,
    parts: new Map([...bus.parts].map(([id, part]) => [id, { ...part, brittle: true, massKg: 30 }])),
  }
  const act: JudgedAct = { act: 'release', itemId: [...bus.parts.keys()][0]! }
  const said = (c: Circumstances) => cautionsFor(brittle, act, c).map((caution) => caution.id)
  expect(said({ ...circumstances, temperatureC: 4 })).toEqual(expect.arrayContaining(['cold', 'heavy']))
  expect(said({ ...circumstances, temperatureC: 18 })).not.toContain('cold')
  expect(
    cautionsFor(bus, { act: 'work', itemId: 'w', work: 'drill' }, circumstances).map((caution) => caution.id),
  ).toContain('cutting')
})

describe('rules of a shop', () => {
  const own = Rule.parse({
    id: 'no-radio-on',
    severity: 'WARNING',
    sentence: 'No ignition with an audio plug open.',
    origin: 'this shop',
    effect: 'refuses',
    at: null,
    while: [
      { kind: 'open', circuits: ['audio'] },
      { kind: 'setting not', role: 'ignition', values: ['off'] },
    ],
  })
  test('are obeyed like the built-in ones, and the gate’s smallest set follows them', () => {
    const model = forBuild(randomProcedure(3), {})
    const audio = [...model.tethers.values()].find((tether) => tether.circuit === 'audio')!
    const state = at(model, {}, [audio.id])
    expect(powerGate(model, state, circumstances).ignition.allowed).toBe(true)
    const { ignition } = powerGate(model, state, {
      ...circumstances,
      rules: rulesInForce(ShopRules.parse({ added: [own] })),
    })
    expect(ignition.putBack).toMatchObject([{ kind: 'plug', tetherId: audio.id }])
  })
  test('can raise a severity, never lower one, never replace a built-in rule', () => {
    const severityOf = (raised: Record<string, string>) =>
      rulesInForce(ShopRules.parse({ raised })).find((rule) => rule.id === 'lever-out')!.severity
    expect(severityOf({ 'lever-out': 'WARNING' })).toBe('WARNING')
    expect(severityOf({ 'lever-out': 'NOTICE' })).toBe('CAUTION')
    const replaced = rulesInForce(ShopRules.parse({ added: [{ ...own, id: 'srs-ignition', sentence: 'Never mind.' }] }))
    expect(replaced).toEqual(BUILT_IN_RULES)
  })
})

test.each(BUILT_IN_RULES)('the built-in rule $id is what a rule may be', (rule) => {
  expect(Rule.parse(rule)).toEqual(rule)
})

describe('seeded vehicles in seeded states', () => {
  const cases = Array.from({ length: 150 }, (_, seed) => {
    const random = seededRandom(9000 + seed)
    const model = forBuild(randomProcedure(seed, { kind: seed % 3 ? 'dash' : 'fairing' }), {})
    const settings = Object.fromEntries(
      [...model.settings.values()].filter(() => random.chance(0.4)).map((item) => [item.id, random.pick(item.values)]),
    )
    const open = [...model.tethers.keys()].filter(() => random.chance(0.4))
    return { seed, model, state: at(model, settings, open), random }
  })

  test('more open connectors never allow more power', () => {
    for (const { seed, model, state } of cases)
      for (const more of [...model.tethers.keys()].filter((id) => !state.open.has(id)))
        for (const power of POWERS) {
          const wider = { ...state, open: new Set([...state.open, more]) }
          if (forbiddenBy(model, state, circumstances, power).length > 0)
            expect([seed, power, more, forbiddenBy(model, wider, circumstances, power).length > 0]).toEqual([
              seed,
              power,
              more,
              true,
            ])
        }
  })

  test('putting back what the gate names always allows it, no act of it is refused, and nothing smaller does', () => {
    let searched = 0
    for (const { seed, model, state } of cases)
      for (const power of POWERS) {
        const answer = powerGate(model, state, circumstances)[power]
        if (answer.putBack === null) continue
        const allows = (items: readonly PutBack[]) =>
          forbiddenBy(
            model,
            items.reduce((s, item) => afterPutBack(model, s, item), state),
            circumstances,
            power,
          ).length === 0
        expect([seed, power, allows(answer.putBack)]).toEqual([seed, power, true])
        if (answer.putBack.length > 3) continue
        searched += 1
        for (const smaller of subsetsBelow(everyPutBack(model, state), answer.putBack.length))
          expect([seed, power, smaller, allows(smaller)]).toEqual([seed, power, smaller, false])
      }
    expect(searched).toBeGreaterThan(150)
  })

  test('from a state that breaks no rule, acts that are not refused lead to states that break none', () => {
    const tried = { allowed: 0, refused: 0 }
    for (const { model, state } of cases) {
      if (breaches(model, state, circumstances).length > 0) continue
      const sets = [...model.settings.values()].flatMap((item) =>
        item.values.map((to) => setting(item.id, state.settings.get(item.id)!, to)),
      )
      const opens = [...model.tethers.keys()].map((itemId): JudgedAct => ({ act: 'open', itemId }))
      for (const act of [...sets, ...opens]) {
        const next = act.setting
          ? { ...state, settings: new Map(state.settings).set(act.itemId, act.setting.to) }
          : { ...state, open: new Set(state.open).add(act.itemId) }
        const refused = ids(model, state, act).length > 0
        tried[refused ? 'refused' : 'allowed'] += 1
        if (breaches(model, next, circumstances).length > 0) expect([act, refused]).toEqual([act, true])
      }
    }
    expect(Math.min(tried.allowed, tried.refused)).toBeGreaterThan(50)
  })
  test('where a rule is broken already, one more plug is refused and closing one is not', () => {
    const own = Rule.parse({
      id: 'no-radio-on',
      severity: 'WARNING',
      sentence: 'No ignition with an audio plug open.',
      origin: 'this shop',
      effect: 'refuses',
      at: null,
      while: [
        { kind: 'open', circuits: ['audio'] },
        { kind: 'setting not', role: 'ignition', values: ['off'] },
      ],
    })
    const document = randomProcedure(3)
    document.tethers.push(
      Tether.parse({ id: 'second', name: 'second', partId: document.parts[0]!.id, circuit: 'audio' }),
    )
    const model = forBuild(document, {})
    const audio = [...model.tethers.values()].find((tether) => tether.circuit === 'audio' && tether.id !== 'second')!
    const broken = at(model, { ignition: 'on' }, [audio.id])
    const byShop = { ...circumstances, rules: rulesInForce(ShopRules.parse({ added: [own] })) }
    expect(ids(model, broken, { act: 'open', itemId: 'second' }, byShop)).toEqual(['no-radio-on'])
    expect(ids(model, broken, { act: 'close', itemId: audio.id }, byShop)).toEqual([])
  })
})

/** Every single thing that could be put back: each open plug, each setting at each other value but the ignition. */
function everyPutBack(model: ProcedureForBuild, state: VehicleState): PutBack[] {
  const plugs = [...state.open].map((tetherId): PutBack => ({ kind: 'plug', tetherId, bringPartId: null }))
  const sets = [...model.settings.values()]
    .filter((item) => item.role !== 'ignition')
    .flatMap((item) =>
      item.values
        .filter((value) => value !== state.settings.get(item.id))
        .map((value): PutBack => ({ kind: 'set', settingId: item.id, value })),
    )
  return [...plugs, ...sets]
}

function subsetsBelow<T>(items: readonly T[], size: number): T[][] {
  let all: T[][] = [[]]
  let last: { set: T[]; next: number }[] = [{ set: [], next: 0 }]
  for (let n = 1; n < size; n++) {
    last = last.flatMap(({ set, next }) =>
      items.slice(next).map((item, i) => ({ set: [...set, item], next: next + i + 1 })),
    )
    all = [...all, ...last.map(({ set }) => set)]
  }
  return size === 0 ? [] : all
}
