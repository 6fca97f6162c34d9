import { seededRandom } from '../base/random'
import { Caution } from './caution'
import { Cavity } from './cavity'
import { emptyDocument, type ProcedureDocument } from './document'
import { Facet } from './facet'
import { Holder } from './holder'
import { HOLDER_KINDS, PULLED_KINDS, THREADED_KINDS, type HolderKind } from './holderKinds'
import { coversNeed, Need, trapsNeed } from './need'
import { Part } from './part'
import { Setting } from './setting'
import { Tether } from './tether'
import { VehicleFunction } from './vehicleFunction'

export type RandomOptions = { kind?: 'dash' | 'fairing'; size?: number; facets?: boolean }
type Random = ReturnType<typeof seededRandom>

const DASH_CLIPS: readonly HolderKind[] = [
  'spring clip',
  'fir-tree clip',
  'machine screw',
  'self-tapping screw',
  'bolt',
]
const FAIRING_CLIPS: readonly HolderKind[] = [
  'quarter-turn',
  'push-pin',
  'bolt',
  'machine screw',
  'stud and grommet',
  'well nut',
]

/**
 * A believable dash or fairing from a seed: panels that cover, trap and carry only deeper ones (so that an order exists
 * nearly always), some that rest or ease, clips and screws with look-alike heads, plugs reached before or after the
 * release, airbag circuits, a vent to be turned up for screws and down for clips, a lever by ignition or by a release
 * under a cap, a facet told only once a panel is free, tests with their power, habits and observed orders.
 */
export function randomProcedure(seed: number, options: RandomOptions = {}): ProcedureDocument {
  const random = seededRandom(seed)
  const kind = options.kind ?? 'dash'
  const size = options.size ?? 8
  const document = {
    ...emptyDocument(`Random ${kind} ${seed}`),
    wheels: kind === 'fairing' ? ('two' as const) : ('four' as const),
  }
  addFunctions(document)
  for (let i = 0; i < size; i++) addPanel(document, random, i, kind)
  if (kind === 'dash') addCarried(document, random, size)
  addPower(document)
  if (kind === 'dash') addLever(document, random, size)
  else addStandAndBars(document, random, size)
  addVent(document, random, size)
  addSoftOrders(document, random, size)
  if (options.facets && size > 2) addFacet(document, random, size)
  const shallow = random.below(size)
  document.cavities.push(
    Cavity.parse({
      id: 'cavity',
      name: 'Cavity',
      openings: [
        {
          id: 'way',
          parts: [
            { partId: `p${size - 1}`, level: 'off' },
            ...(shallow < size - 1 ? [{ partId: `p${shallow}`, level: random.chance(0.3) ? 'eased' : 'free' }] : []),
          ],
        },
      ],
    }),
  )
  document.cautions.push(
    Caution.parse({
      id: 'caution',
      severity: 'CAUTION',
      sentence: 'Mind the edge.',
      at: { itemId: 'p0', act: 'release' },
    }),
  )
  saySomeOtherwise(document, seededRandom(seed + 100_000))
  return document
}

/** A clip squeezed from behind first, pegs that come with the pull, a screw that bears the weight. */
function saySomeOtherwise(document: ProcedureDocument, random: Random): void {
  for (const holder of document.holders) {
    if (random.chance(0.1) && !THREADED_KINDS.includes(holder.kind))
      holder.letsGo = PULLED_KINDS.includes(holder.kind) ? 'by itself' : 'with the pull'
    holder.bearsWeight = THREADED_KINDS.includes(holder.kind) && random.chance(0.1)
  }
}

function addFunctions(document: ProcedureDocument): void {
  const add = (id: string, power: string) => document.functions.push(VehicleFunction.parse({ id, name: id, power }))
  for (const [id, power] of [
    ['t-none', 'none'],
    ['t-radio', 'ignition'],
    ['t-bag', 'ignition'],
    ['t-start', 'engine'],
  ] as const)
    add(id, power)
}

function addPanel(document: ProcedureDocument, random: Random, i: number, kind: 'dash' | 'fairing'): void {
  const id = `p${i}`
  const stations =
    kind === 'dash' ? ['driver side', 'centre', 'passenger side'] : ['outside left', 'outside right', 'outside front']
  const rests = random.chance(0.4)
    ? [{ level: 'free', how: kind === 'dash' ? 'hangs on its leads' : 'on a cloth' }]
    : []
  const part = Part.parse({
    id,
    name: `Panel ${i}`,
    station: stations[random.below(3)],
    rests,
    brittle: random.chance(0.2),
    painted: kind === 'fairing',
    refit: { hardToUndo: random.chance(0.1), startAllFirst: kind === 'fairing' && random.chance(0.4) },
  })
  const holderIds: string[] = []
  for (let h = random.below(3); h >= 0; h--) {
    const holderId = `h${i}-${h}`
    holderIds.push(holderId)
    const kindOf = random.pick(random.chance(0.2) ? HOLDER_KINDS : kind === 'dash' ? DASH_CLIPS : FAIRING_CLIPS)
    const drives = random.chance(0.5)
      ? [
          { drive: 'hex', size: random.pick(['7', '8', '10']), seen: 2 },
          ...(random.chance(0.2) ? [{ drive: 'six-lobe', size: 'T20', seen: 1 }] : []),
        ]
      : []
    document.holders.push(
      Holder.parse({
        id: holderId,
        kind: kindOf,
        drives,
        count: 1 + random.below(9),
        holds: i > 0 && random.chance(0.1) ? [id, `p${random.below(i)}`] : [id],
        captive: random.chance(0.1),
      }),
    )
    if (i > 0 && random.chance(0.4))
      document.needs.push(
        coversNeed(`c${i}-${h}`, holderId, `p${random.below(i)}`, random.chance(0.5) ? 'free' : 'off'),
      )
  }
  if (random.chance(0.3)) part.ease = { holderIds: [holderIds[0]!], gapMm: 20, mustNot: '' }
  document.parts.push(part)
  if (i > 0 && random.chance(0.4))
    document.needs.push(trapsNeed(`t${i}`, id, `p${random.below(i)}`, random.chance(0.5) ? 'free' : 'off'))
  if (i > 0 && random.chance(0.15))
    document.needs.push(
      Need.parse({
        id: `e${i}`,
        dependent: { act: 'release', id },
        needs: { kind: 'part', partId: `p${random.below(i)}`, level: 'eased' },
        reason: 'reaches',
      }),
    )
  for (let t = random.below(3); t > 0; t--) addTether(document, random, i, t)
}

function addTether(document: ProcedureDocument, random: Random, i: number, t: number): void {
  const circuit = random.chance(0.15)
    ? 'srs-indicator'
    : random.chance(0.08)
      ? 'srs-firing'
      : random.chance(0.15)
        ? 'start'
        : 'audio'
  const functions =
    circuit === 'srs-indicator' || circuit === 'srs-firing'
      ? ['t-bag']
      : circuit === 'start'
        ? ['t-start']
        : [random.pick(['t-none', 't-radio'])]
  document.tethers.push(
    Tether.parse({
      id: `w${i}-${t}`,
      name: `plug ${i}-${t}`,
      partId: `p${i}`,
      kind: random.chance(0.1) ? 'duct' : 'electrical',
      circuit,
      functions,
      latch: 'press tab',
      tabSide: 'top',
      mustOpenFor: random.chance(0.3) ? 'free' : 'off',
      reached: random.chance(0.3) ? 'before the release' : 'after the release',
      leadThrough: random.chance(0.15) ? 'the window' : '',
    }),
  )
}

/** A clock that stays in its bezel and is taken out of it at the bench. */
function addCarried(document: ProcedureDocument, random: Random, size: number): void {
  if (!random.chance(0.4)) return
  const carrier = `p${random.below(size)}`
  document.parts.push(Part.parse({ id: 'clock', name: 'Clock', station: 'centre', carriedBy: carrier }))
  document.holders.push(
    Holder.parse({
      id: 'clock-screws',
      kind: 'self-tapping screw',
      drives: [{ drive: 'cross', size: 'PH2' }],
      count: 2,
      holds: ['clock'],
    }),
  )
  document.tethers.push(
    Tether.parse({ id: 'clock-plug', name: 'clock', partId: 'clock', circuit: 'other', functions: ['t-none'] }),
  )
  if (random.chance(0.5))
    document.cavities.push(
      Cavity.parse({
        id: 'clock-out',
        name: 'Clock',
        openings: [{ id: 'clock-way', parts: [{ partId: 'clock', level: 'off' }] }],
      }),
    )
}

const method = (id: string, to: string, stations: string[]) => ({ id, name: id, to, stations })
const asks = (id: string, dependent: object, settingId: string, value: string, reason: string) =>
  Need.parse({ id, dependent, needs: { kind: 'setting', settingId, value }, reason })

function addPower(document: ProcedureDocument): void {
  document.settings.push(
    Setting.parse({
      id: 'battery',
      name: 'battery',
      role: 'battery',
      values: ['on', 'off'],
      asFound: 'on',
      methods: [method('b-off', 'off', ['engine bay']), method('b-on', 'on', ['engine bay'])],
    }),
    Setting.parse({
      id: 'ignition',
      name: 'ignition',
      role: 'ignition',
      values: ['on', 'off'],
      asFound: 'off',
      methods: [method('i-on', 'on', ['driver side']), method('i-off', 'off', ['driver side'])],
    }),
  )
  document.needs.push(asks('ignition-power', { act: 'method', id: 'i-on' }, 'battery', 'on', 'method'))
}

function addLever(document: ProcedureDocument, random: Random, size: number): void {
  document.settings.push(
    Setting.parse({
      id: 'lever',
      name: 'lever',
      role: 'gear lever',
      values: ['park', 'out'],
      asFound: 'park',
      methods: [
        method('by-ignition', 'out', ['driver side']),
        ...(random.chance(0.5) ? [method('by-release', 'out', ['centre'])] : []),
        method('by-hand', 'park', ['driver side', 'centre']),
      ],
    }),
    Setting.parse({
      id: 'brake',
      name: 'brake',
      role: 'parking brake',
      values: ['on', 'off'],
      asFound: 'on',
      methods: [method('k-on', 'on', ['driver side']), method('k-off', 'off', ['driver side'])],
    }),
    Setting.parse({
      id: 'wheels',
      name: 'wheels',
      role: 'wheels',
      values: ['chocked', 'off'],
      asFound: 'chocked',
      methods: [method('w-on', 'chocked', ['outside left']), method('w-off', 'off', ['outside left'])],
    }),
  )
  const part = `p${random.below(size)}`
  document.needs.push(
    asks('lever-release', { act: 'release', id: part }, 'lever', 'out', 'setting'),
    asks('lever-seat', { act: 'seat', id: part }, 'lever', 'out', 'setting'),
    asks('lever-method', { act: 'method', id: 'by-ignition' }, 'ignition', 'on', 'method'),
  )
  if (document.settings.find((setting) => setting.id === 'lever')!.methods.some((m) => m.id === 'by-release')) {
    document.parts.push(Part.parse({ id: 'cap', name: 'Cap', station: 'centre', fixing: 'press fit' }))
    document.needs.push(
      Need.parse({
        id: 'cap-off',
        dependent: { act: 'method', id: 'by-release' },
        needs: { kind: 'part', partId: 'cap', level: 'off' },
        reason: 'reaches',
      }),
    )
  }
}

function addStandAndBars(document: ProcedureDocument, random: Random, size: number): void {
  document.settings.push(
    Setting.parse({
      id: 'stand',
      name: 'stand',
      role: 'stand',
      values: ['strapped', 'side stand'],
      asFound: random.chance(0.5) ? 'strapped' : 'side stand',
      atEnd: 'as found',
      methods: [method('strap', 'strapped', ['outside left']), method('unstrap', 'side stand', ['outside left'])],
    }),
    Setting.parse({
      id: 'bars',
      name: 'bars',
      values: ['straight', 'turned'],
      asFound: 'straight',
      methods: [method('turn', 'turned', ['outside front']), method('straighten', 'straight', ['outside front'])],
    }),
  )
  document.needs.push(
    asks('bars-turned', { act: 'release', id: `p${random.below(size)}` }, 'bars', 'turned', 'reaches'),
  )
}

/** Up for the screws, down for the clips: one setting at two values. */
function addVent(document: ProcedureDocument, random: Random, size: number): void {
  const i = random.below(size)
  const [first, second] = document.holders.filter((holder) => holder.holds[0] === `p${i}`)
  if (!first || !random.chance(0.6)) return
  document.settings.push(
    Setting.parse({
      id: 'vent',
      name: 'vent',
      values: ['middle', 'up', 'down'],
      asFound: 'middle',
      methods: [
        method('v-up', 'up', ['centre']),
        method('v-down', 'down', ['centre']),
        method('v-middle', 'middle', ['centre']),
      ],
    }),
  )
  document.needs.push(asks('vent-up', { act: 'undo', id: first.id }, 'vent', 'up', 'covers'))
  if (second) document.needs.push(asks('vent-down', { act: 'undo', id: second.id }, 'vent', 'down', 'covers'))
}

function addSoftOrders(document: ProcedureDocument, random: Random, size: number): void {
  for (let n = 0; n < 3; n++) {
    const [a, b] = [random.below(size), random.below(size)]
    if (a !== b)
      document.needs.push(
        Need.parse({
          id: `o${n}`,
          dependent: { act: 'release', id: `p${a}` },
          needs: { kind: 'operation', act: 'release', id: `p${b}` },
          reason: 'observed',
        }),
      )
  }
}

function addFacet(document: ProcedureDocument, random: Random, size: number): void {
  const told = random.chance(0.5) ? { partId: `p${random.below(size)}`, level: 'free' } : null
  document.facets.push(
    Facet.parse({
      id: 'audio',
      name: 'Audio',
      choices: [
        { id: 'plain', name: 'plain' },
        { id: 'amplified', name: 'amplified' },
      ],
      toldFrom: told,
    }),
  )
  for (const item of [...document.holders, ...document.tethers])
    if (random.chance(0.15)) item.when = { audio: [random.pick(['plain', 'amplified'])] }
}
