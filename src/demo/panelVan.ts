import type { ProcedureDocument } from '@/core/procedure/document'
import { Author } from './author'
import { stateParkingBrakeAndWheels, statePowerAndBrake } from './commonSettings'

const AUTO = { gearbox: ['automatic'] }

/** The panel van of the worked example, and around it the glovebox, the knee panel and the sill, as a crew would find them. */
export function panelVan(): ProcedureDocument {
  const a = new Author('Panel van', 'Municipal panel van, second dash. Recorded with the left-hand drive.')
  a.facet('gearbox', 'Gearbox', { automatic: 'P R N D beside the lever', manual: 'a pattern on the knob' })
  a.facet('starter', 'Starter', { key: 'a lock on the column', button: 'a round button on the climate panel' })
  a.facet('steering', 'Steering side', { left: 'the wheel is on the left', right: 'the wheel is on the right' })
  centreStack(a)
  pillar(a)
  settings(a)
  cavities(a)
  return a.document
}

function centreStack(a: Author): void {
  a.test('t-climate', 'Climate', 'blower runs, temperature follows the knob')
  a.test('t-start', 'Starter button', 'the engine starts from the button, lever in park', 'engine')
  a.test('t-hazard', 'Hazard lights', 'all four flash', 'none', 'per min')
  a.test('t-airbag-lamp', 'Airbag lamp', 'lights with the ignition, then goes out', 'ignition', 's')
  a.test('t-unit', 'Radio', 'plays, finds stations', 'ignition', 'V')

  a.part('liner', 'Rubber liner', 'centre', { synonyms: ['mat', 'rubber insert'], fixing: 'press fit', zone: 'upper tray', release: { motions: [{ move: 'lift', directions: ['up'] }] } })
  a.part('climate', 'Climate panel', 'centre', {
    synonyms: ['heater panel', 'control panel'],
    rests: [{ level: 'free', how: 'hangs on its leads' }],
    release: { start: 'lower left', motions: [{ move: 'pull', directions: ['rearward'] }], effort: 'firm', protect: 'cloth under the pry tool' },
  })
  a.clips('climate-clips', 'spring clip', 6, 'climate')
  a.tether('climate-plug', 'climate', 'climate', { latch: 'press tab', tabSide: 'top', pressAt: 'close to the panel', circuit: 'climate', functions: ['t-climate'] })
  a.tether('start-plug', 'start', 'climate', { latch: 'press tab', tabSide: 'bottom', circuit: 'start', functions: ['t-start'], when: { starter: ['button'] } })

  a.part('surround', 'Centre surround', 'centre', {
    synonyms: ['bezel', 'fascia', 'finisher', 'trim ring'],
    brittle: true,
    rests: [{ level: 'free', how: 'on a cloth', note: 'within reach of its leads, not hanging' }],
    release: { start: 'bottom', motions: [{ move: 'pull', directions: ['rearward'] }], effort: 'firm', protect: 'cloth on the lever', mustNot: 'Never up: the front hooks break' },
    refit: { last: 'top edge last', confirm: 'flush all round' },
  })
  a.screws('surround-t20', 'six-lobe', 'T20', 2, 'surround', [4, 12])
  a.screws('surround-hex7', 'hex', '7', 1, 'surround', [4, 25])
  a.clips('surround-clips', 'spring clip', 9, 'surround')
  a.covers('surround-t20', 'climate', 'free')
  a.covers('surround-hex7', 'liner', 'off')
  a.tether('hazard', 'hazard', 'surround', { latch: 'press tab', tabSide: 'driver side', pressAt: 'close to the panel', circuit: 'hazard', functions: ['t-hazard'] })
  a.tether('airbag-lamp', 'airbag lamp', 'surround', {
    latch: 'press tab',
    tabSide: 'driver side',
    colour: 'yellow',
    circuit: 'srs-indicator',
    functions: ['t-airbag-lamp'],
    leadThrough: 'its window in the surround',
  })
  a.caution('NOTICE', 'surround', 'release', 'Never up: the front hooks break.')

  a.part('unit', 'Radio unit', 'centre', {
    synonyms: ['radio', 'head unit', 'deck'],
    massKg: 1.8,
    release: { motions: [{ move: 'slide', directions: ['rearward'] }], effort: 'light', mustNot: 'Do not let it hang on its leads' },
    refit: { align: 'bracket ears over the four screw holes' },
  })
  a.screws('unit-hex7', 'hex', '7', 4, 'unit', [4, 16])
  a.covers('unit-hex7', 'surround', 'off')
  a.tether('main', 'main', 'unit', { latch: 'lever', tabSide: 'top', circuit: 'audio', functions: ['t-unit'], beforePlugging: 'lever fully open' })
  a.tether('antenna', 'antenna', 'unit', { kind: 'coax', latch: 'push-on', tabSide: 'rear', circuit: 'antenna', functions: ['t-unit'] })
  const lever = { kind: 'setting', settingId: 'lever', value: 'out of park' }
  a.need({ act: 'release', id: 'unit' }, lever, 'setting', AUTO, 'the unit fouls the lever in park')
  a.need({ act: 'seat', id: 'unit' }, lever, 'setting', AUTO, 'the unit fouls the lever in park')

  a.part('cover', 'Small cover', 'centre', { synonyms: ['cap beside the lever'], fixing: 'press fit', release: { tool: 'pry tool', motions: [{ move: 'pry', directions: ['up'] }] }, when: AUTO })
}

function pillar(a: Author): void {
  a.part('caps', 'Grab-handle caps', 'passenger side', { pieces: 2, fixing: 'press fit', release: { tool: 'pry tool', motions: [{ move: 'pry', directions: ['inboard'] }] } })
  a.part('handle', 'Grab handle', 'passenger side', { synonyms: ['pull handle'], release: { motions: [{ move: 'pull', directions: ['inboard'] }] } })
  a.screws('handle-hex10', 'hex', '10', 2, 'handle', [6, 20], { kind: 'bolt', torqueNm: 9 })
  a.covers('handle-hex10', 'caps', 'off')
  a.part('seal', 'Door seal', 'passenger side', { synonyms: ['weather strip', 'door rubber'], fixing: 'press fit', rests: [{ level: 'free', how: 'swung aside' }], release: { start: 'top of the pillar', motions: [{ move: 'pull', directions: ['outboard'] }] } })
  a.part('pillar', 'A-pillar trim', 'passenger side', {
    synonyms: ['pillar trim', 'post trim'],
    release: { start: 'top', motions: [{ move: 'pull', directions: ['inboard'] }, { move: 'lift', directions: ['up'], note: 'off the moulded tab at the bottom' }], effort: 'firm' },
    refit: { first: 'tab at the bottom first' },
  })
  a.clips('pillar-clips', 'fir-tree clip', 2, 'pillar')
  a.traps('pillar', 'handle', 'off')
  a.traps('pillar', 'seal', 'free')
  a.caution('WARNING', 'pillar', 'any', 'Curtain airbag behind this trim: no ignition while anyone is at it, nothing pushed behind it, no lead across it.')
}

function settings(a: Author): void {
  statePowerAndBrake(a)
  a.setting('lever', 'gear lever', {
    role: 'gear lever',
    values: ['park', 'out of park'],
    asFound: 'park',
    methods: [
      { id: 'lever-by-ignition', name: 'by ignition, service brake held', to: 'out of park', stations: ['driver side'], durationS: 3 },
      { id: 'lever-by-release', name: 'by the release under the small cover', to: 'out of park', stations: ['centre'], durationS: 8 },
      { id: 'lever-to-park', name: 'by hand', to: 'park', stations: ['driver side', 'centre'], durationS: 5 },
    ],
    when: AUTO,
  })
  stateParkingBrakeAndWheels(a)
  a.need({ act: 'method', id: 'lever-by-ignition' }, { kind: 'setting', settingId: 'ignition', value: 'on' }, 'method')
  a.need({ act: 'method', id: 'lever-by-release' }, { kind: 'part', partId: 'cover', level: 'off' }, 'reaches')
}

function cavities(a: Author): void {
  a.cavity('radio-cavity', 'Radio cavity', { unit: 'off' })
  a.cavity('pillar-cavity', 'Pillar cavity', { pillar: 'off' })
}
