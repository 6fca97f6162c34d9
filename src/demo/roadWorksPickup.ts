import type { ProcedureDocument } from '@/core/procedure/document'
import { Author } from './author'
import { stateParkingBrakeAndWheels, statePowerAndBrake } from './commonSettings'
import { along, spots } from './drawings/pen'
import { pickupDash } from './drawings/pickupDash'
import { pickupWays } from './otherWays'

const { pen, sizeMm } = pickupDash()
const on = (...points: [number, number][]) => ({ viewId: 'dash', points: pen.all(...points) })
const at = (...points: [number, number][]) => spots('dash', ...pen.all(...points))
const box = (x: number, y: number, w: number, h: number) => on([x, y], [x + w, y], [x + w, y + h], [x, y + h])
const SURROUND = on([286, 290], [420, 290], [416, 452], [290, 452])
const VENTS = box(288, 250, 130, 34)
const ROOF = on([272, 12], [428, 12], [436, 66], [264, 66])
const KNEE = on([60, 400], [282, 400], [270, 462], [60, 456])

/** A road-works pickup with a beacon switch panel and a camera console in the roof. */
export function roadWorksPickup(): ProcedureDocument {
  const a = new Author(
    'Road-works pickup',
    'Square dash, beacon switches in the middle, map lights with the camera console above.',
  )
  a.view('dash', 'dash and roof console', sizeMm, { backdrop: pen.lines, leftWord: 'driver', rightWord: 'passenger' })
  a.facet('beacon-switches', 'Beacon switches', { fitted: 'five rockers under the unit', blank: 'a plain cover there' })
  a.facet('cab', 'Cab', { single: 'two seats', double: 'a rear bench' })
  a.test('t-radio', 'Radio', 'plays, finds stations', 'ignition', 'V')
  a.test('t-beacon', 'Beacons', 'all turn, tell-tale lit', 'ignition')
  a.test('t-hazard', 'Hazard lights', 'all four flash', 'battery', 'per min')
  a.test('t-map', 'Map lights', 'both light', 'battery')
  a.test('t-camera', 'Camera', 'picture upright and clear', 'ignition')
  a.test('t-lamps', 'Lamp switch', 'side, dipped, fog', 'ignition')
  a.test('t-blower', 'Blower', 'all four steps', 'ignition')
  a.test('t-bag-lamp', 'Airbag-off lamp', 'lights with the ignition, then as switched', 'ignition')
  middle(a)
  sides(a)
  above(a)
  statePowerAndBrake(a)
  stateParkingBrakeAndWheels(a)
  a.cavity('radio-cavity', 'Radio cavity', { unit: 'off' })
  a.cavity('beacon-cavity', 'Beacon relay', { surround: 'off' })
  a.cavity('knee-cavity', 'Space behind the knee panel', { knee: 'off' })
  a.cavity('roof-cavity', 'Roof console', { console: 'off' })
  a.cavity('glove-cavity', 'Behind the glovebox', { glovebox: 'free' }, { 'glove-cover': 'off' })
  pickupWays(a)
  return a.document
}

function middle(a: Author): void {
  a.part('mat', 'Tray mat', 'centre', {
    outline: box(230, 232, 240, 16),
    synonyms: ['liner', 'mat'],
    fixing: 'press fit',
    release: { motions: [{ move: 'lift', directions: ['up'] }] },
  })
  a.part('vents', 'Centre vents', 'centre', {
    outline: VENTS,
    synonyms: ['registers', 'louvres'],
    brittle: true,
    release: {
      start: 'top edge',
      motions: [{ move: 'pull', directions: ['rearward'] }],
      tool: 'pry tool',
      protect: 'cloth on the dash',
      mustNot: 'Never by the louvres',
    },
    refit: { align: 'ducts to their tubes', confirm: 'flush, both thumb wheels turn' },
  })
  a.clips('vent-clips', 'spring clip', 4, 'vents', { positions: along('dash', VENTS.points, 4, 10, 0.5) })
  a.screws('vent-screw', 'cross', 'PH2', 1, 'vents', [5, 16], { positions: at([353, 246]) })
  a.covers('vent-screw', 'mat', 'off')
  a.tether('hazard', 'hazard', 'vents', {
    latch: 'press tab',
    tabSide: 'driver side',
    circuit: 'hazard',
    functions: ['t-hazard'],
    positions: at([340, 268]),
  })
  a.part('surround', 'Centre surround', 'centre', {
    outline: SURROUND,
    synonyms: ['bezel', 'fascia'],
    brittle: true,
    rests: [{ level: 'free', how: 'on a cloth', note: 'within reach of the switch leads' }],
    release: {
      start: 'lower left',
      motions: [{ move: 'pull', directions: ['rearward'] }],
      effort: 'firm',
      protect: 'tape on the gear gate',
    },
    refit: { last: 'top edge last', confirm: 'flush all round' },
  })
  a.screws('surround-t25', 'six-lobe', 'T25', 2, 'surround', [5, 20], { positions: at([312, 288], [394, 288]) })
  a.covers('surround-t25', 'vents', 'off')
  a.clips('surround-clips', 'spring clip', 8, 'surround', { positions: along('dash', SURROUND.points, 8, 12, 0.35) })
  a.tether('beacon', 'beacon switches', 'surround', {
    latch: 'squeeze two tabs',
    tabSide: 'both sides',
    circuit: 'lighting',
    functions: ['t-beacon'],
    positions: at([346, 386]),
    when: { 'beacon-switches': ['fitted'] },
  })
  a.tether('bag-lamp', 'airbag-off lamp', 'surround', {
    latch: 'press tab',
    tabSide: 'top',
    colour: 'yellow',
    circuit: 'srs-indicator',
    functions: ['t-bag-lamp'],
    positions: at([384, 404]),
    leadThrough: 'its slot left of the knobs',
  })
  a.tether('blower', 'blower', 'surround', {
    latch: 'press tab',
    tabSide: 'bottom',
    circuit: 'climate',
    functions: ['t-blower'],
    positions: at([324, 436]),
  })
  a.part('unit', 'Radio unit', 'centre', {
    outline: box(298, 300, 110, 60),
    synonyms: ['radio', 'head unit'],
    massKg: 1.4,
    release: { motions: [{ move: 'slide', directions: ['rearward'] }] },
    refit: { before: 'lever of main fully open' },
  })
  a.screws('unit-t25', 'six-lobe', 'T25', 4, 'unit', [5, 14], {
    positions: at([302, 304], [404, 304], [302, 356], [404, 356]),
  })
  a.covers('unit-t25', 'surround', 'free')
  a.tether('main', 'main', 'unit', {
    latch: 'lever',
    tabSide: 'top',
    circuit: 'audio',
    functions: ['t-radio'],
    beforePlugging: 'lever fully open',
    positions: at([338, 346]),
  })
  a.tether('antenna', 'antenna', 'unit', {
    kind: 'coax',
    latch: 'push-on',
    circuit: 'antenna',
    functions: ['t-radio'],
    positions: at([372, 346]),
  })
}

function sides(a: Author): void {
  a.part('sill', 'Sill trim, driver', 'driver side', {
    outline: box(2, 500, 50, 34),
    synonyms: ['step trim', 'rocker'],
    release: { motions: [{ move: 'lift', directions: ['up'] }], effort: 'firm' },
  })
  a.clips('sill-clips', 'fir-tree clip', 5, 'sill', {
    positions: at([8, 508], [18, 520], [28, 508], [38, 520], [48, 508]),
  })
  a.part('knee', 'Knee panel', 'driver side', {
    outline: KNEE,
    synonyms: ['lower dash', 'knee bolster'],
    release: { start: 'upper edge', motions: [{ move: 'pull', directions: ['rearward'] }], effort: 'hard' },
  })
  a.screws('knee-hex10', 'hex', '10', 4, 'knee', [6, 20], {
    kind: 'bolt',
    positions: at([72, 408], [266, 408], [72, 448], [262, 448]),
  })
  a.screws('knee-ph2', 'cross', 'PH2', 1, 'knee', [5, 16], { positions: at([168, 454]) })
  a.traps('knee', 'sill', 'off')
  a.tether('lamp-switch', 'lamp switch', 'knee', {
    latch: 'press tab',
    tabSide: 'top',
    circuit: 'lighting',
    functions: ['t-lamps'],
    positions: at([80, 430]),
  })
  a.part('glovebox', 'Glovebox', 'passenger side', {
    outline: on([446, 352], [620, 352], [614, 436], [450, 436]),
    synonyms: ['glove compartment'],
    rests: [{ level: 'free', how: 'hinged' }],
    release: { motions: [{ move: 'swing', directions: ['down'] }] },
  })
  a.screws('glove-hex8', 'hex', '8', 2, 'glovebox', [6, 14], { positions: at([470, 430], [594, 430]) })
  a.tether('glove-strap', 'stay strap', 'glovebox', {
    kind: 'strap',
    reached: 'before the release',
    mustOpenFor: 'free',
    positions: at([608, 366]),
  })
  a.part('glove-cover', 'Lid above the glovebox', 'passenger side', {
    outline: box(446, 292, 164, 40),
    release: { start: 'left end', motions: [{ move: 'pry', directions: ['rearward'] }], tool: 'pry tool' },
  })
  a.clips('lid-clips', 'spring clip', 6, 'glove-cover', {
    positions: at([456, 298], [500, 296], [550, 296], [602, 298], [480, 326], [576, 326]),
  })
  a.part('rear-trim', 'Rear wall trim', 'rear seats', {
    release: { motions: [{ move: 'pull', directions: ['forward'] }] },
    when: { cab: ['double'] },
  })
  a.clips('rear-clips', 'push-pin', 6, 'rear-trim', { when: { cab: ['double'] } })
}

function above(a: Author): void {
  a.part('map-caps', 'Map-light lenses', 'centre', {
    outline: on([286, 22], [414, 22], [414, 46], [286, 46]),
    pieces: 2,
    fixing: 'press fit',
    release: { tool: 'slot driver', motions: [{ move: 'pry', directions: ['down'] }] },
  })
  a.part('visor', 'Driver’s visor', 'driver side', {
    outline: on([90, 22], [230, 16], [236, 52], [92, 58]),
    release: { motions: [{ move: 'pull', directions: ['down'] }] },
  })
  a.screws('visor-ph2', 'cross', 'PH2', 3, 'visor', [5, 25], { positions: at([222, 24], [226, 36], [214, 30]) })
  a.part('console', 'Roof console', 'centre', {
    outline: ROOF,
    synonyms: ['overhead console', 'map light'],
    persons: 1,
    rests: [{ level: 'free', how: 'hangs on its leads' }],
    release: {
      start: 'front edge',
      motions: [
        { move: 'pull', directions: ['down'] },
        { move: 'slide', directions: ['rearward'] },
      ],
      effort: 'firm',
    },
    refit: { first: 'rear hooks first' },
  })
  a.screws('console-ph2', 'cross', 'PH2', 4, 'console', [4, 20], {
    positions: at([294, 34], [322, 34], [378, 34], [406, 34]),
  })
  a.covers('console-ph2', 'map-caps', 'off')
  a.tether('map-light', 'map lights', 'console', {
    latch: 'press tab',
    tabSide: 'front',
    circuit: 'lighting',
    functions: ['t-map'],
    positions: at([336, 56]),
  })
  a.tether('camera', 'camera', 'console', {
    kind: 'coax',
    latch: 'sliding lock',
    tabSide: 'rear',
    circuit: 'video',
    functions: ['t-camera'],
    positions: at([366, 56]),
  })
  a.caution(
    'WARNING',
    'console',
    'any',
    'Curtain airbags run along the roof edge: nothing is pushed in there and no lead crosses them. No ignition while anyone is at it.',
  )
}
