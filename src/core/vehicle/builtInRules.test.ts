import { describe, expect, test } from '@jest/globals'
import { CIRCUITS, type Circuit } from '../procedure/circuits'
import { emptyDocument } from '../procedure/document'
import { forBuild, type ProcedureForBuild } from '../procedure/forBuild'
import { Holder } from '../procedure/holder'
import { Part } from '../procedure/part'
import { Setting, type SettingRole } from '../procedure/setting'
import { Tether } from '../procedure/tether'
import { DEFAULT_HOUSE_VALUES } from '../shop/houseValues'
import { WORK_KINDS } from '../shop/workItem'
import { BUILT_IN_RULES } from './builtInRules'
import { cautionsFor } from './cautionsFor'
import { whilePlanning, type Circumstances } from './circumstances'
import { breaches, refusals, type JudgedAct } from './judge'
import { HAZARDS, type Hazard } from '../procedure/wayWords'
import { POWERS } from './powers'
import { Rule } from './rule'
import type { VehicleState } from './vehicleState'

/**
 * Every built-in rule written out a second time, by hand: at which acts it bites, in which state, and in which states
 * next to it it does not. A rule without a row fails, and so does a row that says one act too many or too few.
 */
type World = {
  /** Settings by role; what is not named stands safe. */
  set?: Partial<Record<SettingRole, string>>
  /** Circuits of which a plug is open. */
  open?: Circuit[]
  part?: object
  wheels?: 'two'
  people?: Partial<Pick<Circumstances, 'authorised' | 'confirmed' | 'temperatureC'>>
  /** Minutes since the battery was changed. */
  sinceMin?: number
  station?: string
}
type Row = { bites: string[]; in: World; not: World[] }

const SAFE: Record<string, [found: string, ...others: string[]]> = {
  battery: ['on', 'off'],
  ignition: ['off', 'accessory', 'on'],
  'gear lever': ['park', 'neutral', 'out of park'],
  'parking brake': ['on', 'off'],
  wheels: ['chocked', 'free'],
  stand: ['strapped', 'on its stand', 'free'],
}
const PART_ACTS = ['ease', 'release', 'lift', 'place', 'seat'] as const
const HOLDER_ACTS = ['undo', 'fasten', 'start'] as const
const TETHER_ACTS = ['open', 'close', 'feed'] as const

function modelOf({ part, wheels }: World): ProcedureForBuild {
  const document = emptyDocument('Rules')
  document.parts.push(Part.parse({ id: 'p', name: 'panel', station: 'centre', ...part }))
  document.holders.push(Holder.parse({ id: 'h', kind: 'machine screw', count: 1, holds: ['p'] }))
  for (const circuit of CIRCUITS)
    document.tethers.push(Tether.parse({ id: circuit, name: circuit, partId: 'p', circuit }))
  for (const [role, values] of Object.entries(SAFE))
    document.settings.push(Setting.parse({ id: role.replace(' ', '-'), name: role, role, values, asFound: values[0] }))
  return forBuild({ ...document, ...(wheels && { wheels }) }, {})
}
function stateOf({ set = {}, open = [], sinceMin = 60 }: World): VehicleState {
  const settings = Object.entries(SAFE).map(([role, [found]]) => [
    role.replace(' ', '-'),
    set[role as SettingRole] ?? found,
  ])
  return {
    settings: new Map(settings as [string, string][]),
    open: new Set(open),
    levels: new Map(),
    undone: new Set(),
    nowS: sinceMin * 60,
    startedS: 0,
    changedAtS: new Map([['battery', 0]]),
  }
}
/** Every act there is, by the name the rows use. */
function actsIn(world: World): Map<string, JudgedAct> {
  const station = world.station
  return new Map<string, JudgedAct>([
    ...PART_ACTS.map((act): [string, JudgedAct] => [act, { act, itemId: 'p', station }]),
    ...HOLDER_ACTS.map((act): [string, JudgedAct] => [act, { act, itemId: 'h', station }]),
    ...TETHER_ACTS.flatMap((act) =>
      CIRCUITS.map((itemId): [string, JudgedAct] => [`${act} ${itemId}`, { act, itemId, station }]),
    ),
    ...Object.entries(SAFE).flatMap(([role, values]) =>
      values.map((to): [string, JudgedAct] => {
        const settingId = role.replace(' ', '-')
        const setting = { settingId, from: '', to, methodId: '' }
        return [`set ${role} ${to}`, { act: 'set', itemId: settingId, setting, station }]
      }),
    ),
    ...WORK_KINDS.map((work): [string, JudgedAct] => [`work ${work}`, { act: 'work', itemId: 'w', work, station }]),
    ...POWERS.map((power): [string, JudgedAct] => [`power ${power}`, { act: 'power', itemId: '', power }]),
    ['test', { act: 'test', itemId: 'f', station }],
    ...lays(),
  ])
}
/** Distances on both sides of every one that a rule names; null: nobody measured. */
const DISTANCES_MM = [null, 20, 40, 60, 150, 250] as const
/** A lead laid across each thing there is, and beside it at each distance. */
function lays(): [string, JudgedAct][] {
  const lay = (name: string, passed: JudgedAct['passed']): [string, JudgedAct] => [
    name,
    { act: 'lay', itemId: 'way', passed },
  ]
  return HAZARDS.flatMap((kind) => [
    lay(`lay across ${kind}`, { kind, how: 'crosses', distanceMm: null }),
    ...DISTANCES_MM.map((distanceMm) => lay(`lay ${distanceMm} from ${kind}`, { kind, how: 'beside', distanceMm })),
  ])
}
/** The acts at which a rule bites in a world; "the state" where it is about how the vehicle stands. */
function bitesAt(id: string, world: World): string[] {
  const rule = BUILT_IN_RULES.find((item) => item.id === id)!
  const model = modelOf(world)
  const state = stateOf(world)
  const circumstances = { ...whilePlanning(DEFAULT_HOUSE_VALUES), ...world.people }
  if (rule.at === null) return breaches(model, state, circumstances).some((b) => b.rule.id === id) ? ['the state'] : []
  return [...actsIn(world)]
    .filter(([, act]) =>
      rule.effect === 'cautions'
        ? cautionsFor(model, act, circumstances).some((caution) => caution.id === id)
        : refusals(model, state, act, circumstances).some((breach) => breach.rule.id === id),
    )
    .map(([name]) => name)
}

const openClose = (...circuits: Circuit[]) => circuits.flatMap((circuit) => [`open ${circuit}`, `close ${circuit}`])
const powers = POWERS.map((power) => `power ${power}`)
const works = (...kinds: string[]) => kinds.map((kind) => `work ${kind}`)
const across = (...kinds: Hazard[]) => kinds.map((kind) => `lay across ${kind}`)
const from = (distances: (number | null)[], ...kinds: Hazard[]) =>
  kinds.flatMap((kind) => distances.map((mm) => `lay ${mm} from ${kind}`))
const anywhere = (...kinds: Hazard[]) => [...across(...kinds), ...from([...DISTANCES_MM], ...kinds)]
const OFF: World['set'] = { battery: 'off' }
const ROWS: Record<string, Row> = {
  'srs-firing-power': { bites: openClose('srs-firing'), in: {}, not: [{ set: OFF }] },
  'srs-firing-wait': {
    bites: openClose('srs-firing'),
    in: { set: OFF, sinceMin: 9.9 },
    not: [{ set: OFF, sinceMin: 10 }],
  },
  'srs-firing-people': {
    bites: openClose('srs-firing'),
    in: { people: { authorised: new Set() } },
    not: [{ people: { authorised: new Set(['airbag circuits']) } }, {}],
  },
  'srs-firing-live': {
    bites: ['the state'],
    in: { open: ['srs-firing'] },
    not: [{ open: ['srs-firing'], set: OFF }, { open: ['srs-indicator'] }, {}],
  },
  'srs-ignition': {
    bites: openClose('srs-indicator'),
    in: { set: { ignition: 'on' } },
    not: [{}],
  },
  'srs-firing-ignition': {
    bites: openClose('srs-firing'),
    in: { set: { ignition: 'accessory' } },
    not: [{}],
  },
  'srs-ignition-open': {
    bites: ['the state'],
    in: { open: ['srs-indicator'], set: { ignition: 'on' } },
    not: [{ open: ['srs-indicator'] }, { open: ['hazard'], set: { ignition: 'on' } }],
  },
  'srs-power': { bites: powers, in: { open: ['srs-firing'] }, not: [{ open: ['hazard'] }, {}] },
  'lever-out': {
    bites: ['set gear lever park', 'set gear lever neutral', 'set gear lever out of park'],
    in: {},
    not: [],
  },
  'lever-out-brake': {
    bites: ['the state'],
    in: { set: { 'gear lever': 'out of park', 'parking brake': 'off' } },
    not: [
      { set: { 'gear lever': 'out of park' } },
      { set: { 'gear lever': 'neutral', 'parking brake': 'off' } },
      { set: { 'parking brake': 'off' } },
    ],
  },
  'lever-out-wheels': {
    bites: ['the state'],
    in: { set: { 'gear lever': 'out of park', wheels: 'free' } },
    not: [{ set: { 'gear lever': 'out of park' } }, { set: { wheels: 'free' } }],
  },
  'battery-preparations': {
    bites: ['set battery off'],
    in: { people: { confirmed: new Set() } },
    not: [{ people: { confirmed: new Set(['battery-preparations']) } }, {}],
  },
  'battery-ignition': {
    bites: ['the state'],
    in: { set: { battery: 'off', ignition: 'on' } },
    not: [{ set: OFF }, { set: { ignition: 'on' } }],
  },
  'power-battery': { bites: powers, in: { set: OFF }, not: [{}] },
  'start-open': { bites: powers, in: { open: ['start'] }, not: [{ open: ['audio'] }, {}] },
  'start-open-ignition': {
    bites: ['set ignition accessory', 'set ignition on'],
    in: { open: ['start'] },
    not: [{ open: ['hazard'] }, {}],
  },
  'engine-start': {
    bites: ['power engine'],
    in: { open: ['brake-control'] },
    not: [{ open: ['climate'] }, {}],
  },
  'engine-lever': {
    bites: ['power engine'],
    in: { set: { 'gear lever': 'out of park' } },
    not: [{ set: { 'gear lever': 'neutral' } }, {}],
  },
  'engine-brake': { bites: ['power engine'], in: { set: { 'parking brake': 'off' } }, not: [{}] },
  'high-voltage': { bites: openClose('high-voltage'), in: {}, not: [] },
  'high-voltage-open': { bites: ['the state'], in: { open: ['high-voltage'] }, not: [{ open: ['start'] }, {}] },
  'high-voltage-power': { bites: powers, in: { open: ['high-voltage'] }, not: [{ open: ['can'] }, {}] },
  leads: { bites: works('mount', 'route a lead'), in: {}, not: [] },
  cold: {
    bites: ['ease', 'release', 'undo'],
    in: { part: { brittle: true }, people: { temperatureC: 9.9 } },
    not: [
      { part: { brittle: true }, people: { temperatureC: 10 } },
      { part: { brittle: true } },
      { people: { temperatureC: 3 } },
    ],
  },
  cutting: { bites: works('cut', 'file', 'drill', 'scrape'), in: {}, not: [] },
  'live-supply': { bites: works('join', 'solder'), in: {}, not: [] },
  soldering: { bites: works('solder'), in: {}, not: [] },
  heavy: {
    bites: ['release', 'lift', 'place', 'seat'],
    in: { part: { massKg: 20.1 } },
    not: [{ part: { massKg: 20 } }, {}],
  },
  'under-vehicle': {
    bites: ['release', 'lift', 'place', 'seat', 'undo', 'fasten', ...WORK_KINDS.map((kind) => `work ${kind}`)],
    in: { station: 'under the vehicle' },
    not: [{ station: 'centre' }, {}],
  },
  stand: {
    bites: ['release', 'lift'],
    in: { wheels: 'two', set: { stand: 'free' } },
    not: [{ wheels: 'two' }, { wheels: 'two', set: { stand: 'on its stand' } }, { set: { stand: 'free' } }],
  },
  hot: { bites: ['release', 'undo'], in: { part: { hot: true } }, not: [{}] },
  fuel: { bites: ['release', 'lift'], in: { part: { fuel: true } }, not: [{}] },
  'painted-down': {
    bites: ['lift'],
    in: { wheels: 'two', part: { painted: true } },
    not: [{ part: { painted: true } }, { wheels: 'two' }],
  },
  bypass: { bites: works('bypass a signal'), in: {}, not: [] },
  'lead-airbag': { bites: across('airbag path', 'airbag module'), in: {}, not: [] },
  'lead-airbag-near': { bites: from([null, 20, 40], 'airbag path', 'airbag module'), in: {}, not: [] },
  'lead-airbag-lead': { bites: anywhere('airbag lead'), in: {}, not: [] },
  'lead-controls': { bites: across('pedal', 'steering column', 'gear or brake linkage'), in: {}, not: [] },
  'lead-controls-near': {
    bites: from([null, 20], 'pedal', 'steering column', 'gear or brake linkage'),
    in: {},
    not: [],
  },
  'lead-controls-beside': {
    bites: from([...DISTANCES_MM], 'pedal', 'steering column', 'gear or brake linkage'),
    in: {},
    not: [],
  },
  'lead-moving': { bites: across('moving linkage', 'actuator', 'seat rail'), in: {}, not: [] },
  'lead-moving-near': { bites: from([null, 20], 'moving linkage', 'actuator', 'seat rail'), in: {}, not: [] },
  'lead-hinge': { bites: anywhere('hinge'), in: {}, not: [] },
  'lead-high-voltage': { bites: anywhere('high-voltage lead'), in: {}, not: [] },
  'lead-heat': { bites: across('hot part'), in: {}, not: [] },
  'lead-heat-near': { bites: from([null, 20, 40, 60], 'hot part'), in: {}, not: [] },
  'lead-heat-beside': { bites: from([null, 20, 40, 60, 150], 'hot part'), in: {}, not: [] },
  'lead-fuel': { bites: across('fuel or brake line'), in: {}, not: [] },
  'lead-fuel-near': { bites: from([null, 20], 'fuel or brake line'), in: {}, not: [] },
  'lead-edge': { bites: anywhere('sharp edge'), in: {}, not: [] },
  'lead-screws': { bites: anywhere('screw points'), in: {}, not: [] },
  'lead-factory-noise': {
    bites: [
      ...across('antenna lead', 'speaker lead', 'high-current lead'),
      ...from([null, 20, 40], 'antenna lead', 'speaker lead', 'high-current lead'),
    ],
    in: {},
    not: [],
  },
}
/** Circuits of which one alone makes the rule bite: each of them, and no other. */
const OPEN_CIRCUITS: Record<string, { circuits: Circuit[]; in: World }> = {
  'srs-firing-live': { circuits: ['srs-firing'], in: {} },
  'srs-ignition-open': { circuits: ['srs-firing', 'srs-indicator'], in: { set: { ignition: 'on' } } },
  'srs-power': { circuits: ['srs-firing', 'srs-indicator'], in: {} },
  'start-open': { circuits: ['start'], in: {} },
  'start-open-ignition': { circuits: ['start'], in: {} },
  'engine-start': { circuits: ['start', 'brake-control'], in: {} },
  'high-voltage-open': { circuits: ['high-voltage'], in: {} },
  'high-voltage-power': { circuits: ['high-voltage'], in: {} },
}

test('every rule has its row', () => {
  expect(BUILT_IN_RULES.map(({ id }) => id).sort()).toEqual(Object.keys(ROWS).sort())
})
describe.each(Object.entries(ROWS))('%s', (id, row) => {
  test('bites at these acts and at no other', () => expect(bitesAt(id, row.in).sort()).toEqual([...row.bites].sort()))
  if (row.not.length > 0)
    test.each(row.not.map((world) => [JSON.stringify(world), world] as const))('does not bite: %s', (_, world) => {
      expect(bitesAt(id, world)).toEqual([])
    })
  const plugs = OPEN_CIRCUITS[id]
  if (plugs)
    test('minds these plugs and no other', () => {
      const minded = CIRCUITS.filter((circuit) => bitesAt(id, { ...plugs.in, open: [circuit] }).length > 0)
      expect(minded.sort()).toEqual([...plugs.circuits].sort())
    })
})
test('every rule that minds open plugs is among those looked at plug by plug', () => {
  const minding = BUILT_IN_RULES.filter((rule) => rule.while.some((condition) => condition.kind === 'open'))
  expect(minding.map(({ id }) => id).sort()).toEqual(Object.keys(OPEN_CIRCUITS).sort())
})
/** What a person is told to do about it: the word that matters, by hand. */
test.each([
  ['srs-firing-power', 'battery off'],
  ['srs-firing-live', 'Close the plug first'],
  ['srs-ignition-open', 'ignition off'],
  ['lever-out-brake', 'Parking brake on'],
  ['lever-out-wheels', 'Chocks in'],
  ['battery-ignition', 'Ignition off first'],
  ['power-battery', 'Battery on first'],
  ['start-open', 'Plug the start control by hand'],
  ['engine-lever', 'Lever to park'],
  ['engine-brake', 'Parking brake on'],
  ['high-voltage', 'licensed for high voltage'],
  ['stand', 'Strap it first'],
  ['bypass', 'real parking-brake'],
])('%s says: %s', (id, words) => expect(BUILT_IN_RULES.find((rule) => rule.id === id)!.remedy).toContain(words))
test('what kills or fires is DANGER, and nothing less', () => {
  const danger = BUILT_IN_RULES.filter((rule) => rule.severity === 'DANGER').map(({ id }) => id)
  expect(danger.sort()).toEqual(
    [
      ...['srs-firing-power', 'srs-firing-wait', 'srs-firing-people', 'srs-firing-live', 'srs-firing-ignition'],
      ...['high-voltage', 'high-voltage-open', 'high-voltage-power', 'under-vehicle', 'bypass'],
      ...['lead-airbag', 'lead-airbag-near', 'lead-controls', 'lead-controls-near', 'lead-high-voltage'],
    ].sort(),
  )
})

/** Outside checks, from memory: what is published on a subject stands beside its rule, and its number is kept to. */
describe('held against what is published', () => {
  const origin = (id: string) => BUILT_IN_RULES.find((rule) => rule.id === id)!.origin
  test.each([
    ['srs-firing-power', '2013/29/EU'],
    ['srs-power', '2013/29/EU'],
    ['high-voltage-open', 'UN Regulation 100'],
    ['battery-ignition', 'EN 50110-1'],
    ['live-supply', 'EN 50110-1'],
    ['under-vehicle', 'EN 1494'],
    ['cutting', 'EN 166'],
    ['bypass', 'article 8'],
  ])('%s names %s', (id, published) => expect(origin(id)).toContain(published))
  test('every rule says where it comes from and defers to the maker and to local rules', () => {
    for (const rule of BUILT_IN_RULES) {
      expect(rule.origin).toMatch(/from memory|no source/)
      expect(rule.origin).toContain("The maker's data and local rules go first.".slice(4))
      expect(Rule.safeParse(rule).success).toBe(true)
    }
  })
  // ISO 11228-1, from memory: a reference mass of 25 kg, and of 20 kg to protect more of the working population.
  test('one person lifts no more by default than ISO 11228-1 has for most of the working population', () => {
    expect(origin('heavy')).toContain('ISO 11228-1')
    expect(DEFAULT_HOUSE_VALUES.liftMassKg).toBeLessThanOrEqual(20)
  })
  // The five rules of EN 50110-1, from memory: disconnect, secure, prove dead, earth, cover.
  test('joints: disconnected and proved dead, in this order', () => {
    const { sentence, remedy } = BUILT_IN_RULES.find(({ id }) => id === 'live-supply')!
    expect(sentence).toMatch(/fuse out or battery off.*meter says dead/)
    expect(remedy).toMatch(/off.*measure/)
  })
})
