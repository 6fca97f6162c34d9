import type { ProcedureDocument } from '@/core/procedure/document'
import { Author } from './author'
import { along, spots } from './drawings/pen'
import { vanDash } from './drawings/vanDash'
import { vanWays } from './vanWays'
import { stateParkingBrakeAndWheels, statePowerAndBrake } from './commonSettings'

const AUTO = { gearbox: ['automatic'] }
const { pen } = vanDash()
/** Outline of a part on the dash, in the units of the sketch. */
const on = (...points: [number, number][]) => ({ viewId: 'dash', points: pen.all(...points) })
const at = (...points: [number, number][]) => spots('dash', ...pen.all(...points))
const box = (x: number, y: number, w: number, h: number) => on([x, y], [x + w, y], [x + w, y + h], [x, y + h])
const SURROUND = on([567, 284], [702, 284], [693, 499], [576, 499])
const CLIMATE = box(588, 420, 92, 46)
const KNEE = on([300, 482], [526, 482], [518, 538], [302, 538])
const SILL = on([226, 572], [282, 560], [286, 590], [226, 604])
const UPPER = on([740, 306], [830, 306], [836, 358], [740, 358])

/**
 * The panel van of the worked example, and around it the glovebox, the knee panel and the sill, as a crew would find
 * them.
 */
export function panelVan(): ProcedureDocument {
  const a = new Author('Panel van', 'Municipal panel van, second dash. Recorded with the left-hand drive.')
  const { pen, sizeMm } = vanDash()
  a.view('dash', 'dash from the seat', sizeMm, { backdrop: pen.lines, leftWord: 'driver', rightWord: 'passenger' })
  a.facet('gearbox', 'Gearbox', { automatic: 'P R N D beside the lever', manual: 'a pattern on the knob' })
  a.facet('starter', 'Starter', { key: 'a lock on the column', button: 'a round button on the climate panel' })
  a.facet(
    'steering',
    'Steering side',
    { left: 'the wheel is on the left', right: 'the wheel is on the right' },
    null,
    'steering side',
  )
  a.facet(
    'audio',
    'Audio',
    { amplified: 'eight thin leads and a shielded one in the unit’s plug', plain: 'four pairs of thick leads there' },
    { partId: 'unit', level: 'off' },
  )
  a.tells('audio', 'amplified', [
    ['four speakers and a tweeter pair in the doors', 9, 10],
    ['a subwoofer under the seat', 9, 10],
    ['the audio maker’s badge on the grilles', 9, 10],
  ])
  centreStack(a)
  pillar(a)
  around(a)
  settings(a)
  cavities(a)
  vanWays(a)
  return a.document
}

function centreStack(a: Author): void {
  a.test('t-climate', 'Climate', 'blower runs, temperature follows the knob')
  a.test('t-start', 'Starter button', 'the engine starts from the button, lever in park', 'engine')
  a.test('t-hazard', 'Hazard lights', 'all four flash', 'battery', 'per min')
  a.test('t-airbag-lamp', 'Airbag lamp', 'lights with the ignition, then goes out', 'ignition', 's')
  a.test('t-unit', 'Radio', 'plays, finds stations', 'ignition', 'V')

  a.part('liner', 'Rubber liner', 'centre', {
    outline: box(590, 295, 88, 20),
    synonyms: ['mat', 'rubber insert'],
    fixing: 'press fit',
    zone: 'upper tray',
    release: { motions: [{ move: 'lift', directions: ['up'] }] },
  })
  a.part('climate', 'Climate panel', 'centre', {
    outline: CLIMATE,
    synonyms: ['heater panel', 'control panel'],
    rests: [{ level: 'free', how: 'hangs on its leads' }],
    release: {
      start: 'lower left',
      motions: [{ move: 'pull', directions: ['rearward'] }],
      effort: 'firm',
      protect: 'cloth under the pry tool',
    },
  })
  a.clips('climate-clips', 'spring clip', 6, 'climate', { positions: along('dash', CLIMATE.points, 6, 12, 0.1) })
  a.tether('climate-plug', 'climate', 'climate', {
    latch: 'press tab',
    tabSide: 'top',
    pressAt: 'close to the panel',
    circuit: 'climate',
    functions: ['t-climate'],
    positions: at([622, 458]),
  })
  a.tether('start-plug', 'start', 'climate', {
    latch: 'press tab',
    tabSide: 'bottom',
    circuit: 'start',
    functions: ['t-start'],
    positions: at([648, 458]),
    when: { starter: ['button'] },
  })

  a.part('surround', 'Centre surround', 'centre', {
    outline: SURROUND,
    synonyms: ['bezel', 'fascia', 'finisher', 'trim ring'],
    brittle: true,
    rests: [{ level: 'free', how: 'on a cloth', note: 'within reach of its leads, not hanging' }],
    release: {
      start: 'bottom',
      motions: [{ move: 'pull', directions: ['rearward'] }],
      effort: 'firm',
      protect: 'cloth on the lever',
      mustNot: 'Never up: the front hooks break',
    },
    refit: { last: 'top edge last', confirm: 'flush all round' },
  })
  a.screws('surround-t20', 'six-lobe', 'T20', 2, 'surround', [4, 12], { positions: at([596, 455], [672, 455]) })
  a.screws('surround-hex7', 'hex', '7', 1, 'surround', [4, 25], { positions: at([634, 305]) })
  a.clips('surround-clips', 'spring clip', 9, 'surround', {
    positions: at(
      [598, 491],
      [634, 493],
      [670, 491],
      [577, 426],
      [573, 354],
      [604, 290],
      [664, 290],
      [695, 354],
      [691, 426],
    ),
  })
  a.covers('surround-t20', 'climate', 'free')
  a.covers('surround-hex7', 'liner', 'off')
  a.tether('hazard', 'hazard', 'surround', {
    latch: 'press tab',
    tabSide: 'driver side',
    pressAt: 'close to the panel',
    circuit: 'hazard',
    functions: ['t-hazard'],
    positions: at([610, 329]),
  })
  a.tether('airbag-lamp', 'airbag lamp', 'surround', {
    latch: 'press tab',
    tabSide: 'driver side',
    colour: 'yellow',
    circuit: 'srs-indicator',
    functions: ['t-airbag-lamp'],
    leadThrough: 'its window in the surround',
    positions: at([669, 329]),
  })
  a.caution('NOTICE', 'surround', 'release', 'Never up: the front hooks break.')

  a.part('unit', 'Radio unit', 'centre', {
    outline: box(584, 344, 100, 66),
    synonyms: ['radio', 'head unit', 'deck'],
    massKg: 1.8,
    release: {
      motions: [{ move: 'slide', directions: ['rearward'] }],
      effort: 'light',
      mustNot: 'Do not let it hang on its leads',
    },
    refit: { align: 'bracket ears over the four screw holes' },
  })
  a.screws('unit-hex7', 'hex', '7', 4, 'unit', [4, 16], {
    positions: at([590, 350], [678, 350], [590, 404], [678, 404]),
  })
  a.covers('unit-hex7', 'surround', 'off')
  a.tether('main', 'main', 'unit', {
    latch: 'lever',
    tabSide: 'top',
    circuit: 'audio',
    functions: ['t-unit'],
    beforePlugging: 'lever fully open',
    positions: at([620, 392]),
  })
  a.tether('antenna', 'antenna', 'unit', {
    kind: 'coax',
    latch: 'push-on',
    circuit: 'antenna',
    functions: ['t-unit'],
    positions: at([650, 392]),
  })
  const lever = { kind: 'setting', settingId: 'lever', value: 'out of park' }
  a.need({ act: 'release', id: 'unit' }, lever, 'setting', AUTO, 'the unit fouls the lever in park')
  a.need({ act: 'seat', id: 'unit' }, lever, 'setting', AUTO, 'the unit fouls the lever in park')

  a.part('cover', 'Small cover', 'centre', {
    outline: box(603, 516, 24, 36),
    synonyms: ['cap beside the lever'],
    fixing: 'press fit',
    release: { tool: 'pry tool', motions: [{ move: 'pry', directions: ['up'] }] },
    when: AUTO,
  })
}

function pillar(a: Author): void {
  a.part('caps', 'Grab-handle caps', 'passenger side', {
    outline: on([833, 152], [846, 148], [852, 164], [838, 169]),
    pieces: 2,
    fixing: 'press fit',
    release: { tool: 'pry tool', motions: [{ move: 'pry', directions: ['inboard'] }] },
  })
  a.part('handle', 'Grab handle', 'passenger side', {
    outline: on([834, 152], [846, 150], [874, 230], [866, 238], [856, 228]),
    synonyms: ['pull handle'],
    release: { motions: [{ move: 'pull', directions: ['inboard'] }] },
  })
  a.screws('handle-hex10', 'hex', '10', 2, 'handle', [6, 20], {
    kind: 'bolt',
    torqueNm: 9,
    positions: at([843, 160], [866, 226]),
  })
  a.covers('handle-hex10', 'caps', 'off')
  a.part('seal', 'Door seal', 'passenger side', {
    outline: on([862, 72], [870, 72], [892, 140], [914, 206], [914, 228], [884, 142]),
    synonyms: ['weather strip', 'door rubber'],
    fixing: 'press fit',
    rests: [{ level: 'free', how: 'swung aside' }],
    release: { start: 'top of the pillar', motions: [{ move: 'pull', directions: ['outboard'] }] },
  })
  a.part('pillar', 'A-pillar trim', 'passenger side', {
    outline: on([824, 110], [850, 104], [906, 262], [884, 272]),
    synonyms: ['pillar trim', 'post trim'],
    release: {
      start: 'top',
      motions: [
        { move: 'pull', directions: ['inboard'] },
        { move: 'lift', directions: ['up'], note: 'off the moulded tab at the bottom' },
      ],
      effort: 'firm',
    },
    refit: { first: 'tab at the bottom first' },
  })
  a.clips('pillar-clips', 'fir-tree clip', 2, 'pillar', { positions: at([838, 122], [888, 258]) })
  a.traps('pillar', 'handle', 'off')
  a.traps('pillar', 'seal', 'free')
  a.caution(
    'WARNING',
    'pillar',
    'any',
    'Curtain airbag behind this trim: no ignition while anyone is at it, nothing pushed behind it, no lead across it.',
  )
}

/**
 * What lies around the centre: knee panel with the diagnostic socket, sill, glovebox with its damper, the panel above
 * it.
 */
function around(a: Author): void {
  a.test('t-diagnosis', 'Diagnostic socket', 'a tester connects', 'ignition')
  a.test('t-dimmer', 'Dimmer', 'the cluster light follows the wheel', 'ignition')
  a.test('t-glove-lamp', 'Glovebox lamp', 'lights when the lid opens', 'battery')
  a.test('t-belt-lamp', 'Seat-belt lamp', 'goes out when the belt is latched', 'ignition')
  a.part('fuse-cover', 'Fuse cover', 'driver side', {
    outline: box(310, 500, 70, 30),
    synonyms: ['fuse flap'],
    fixing: 'press fit',
    release: { start: 'outboard edge', motions: [{ move: 'pull', directions: ['rearward'] }] },
  })
  a.part('sill', 'Sill trim, driver', 'driver side', {
    outline: SILL,
    synonyms: ['rocker', 'step trim', 'running board'],
    release: { start: 'rear end', motions: [{ move: 'lift', directions: ['up'] }], effort: 'firm' },
    refit: { first: 'front tongue under the kick panel' },
  })
  a.clips('sill-clips', 'fir-tree clip', 4, 'sill', { positions: at([236, 580], [252, 577], [266, 574], [278, 571]) })
  a.part('kick', 'Kick panel, driver', 'driver side', {
    outline: on([226, 500], [276, 512], [282, 560], [226, 572]),
    synonyms: ['kicker', 'kick pad'],
    release: { motions: [{ move: 'pull', directions: ['inboard'] }] },
  })
  a.clips('kick-nut', 'plastic nut', 1, 'kick', {
    drives: [{ drive: 'hex', size: '10', seen: 3 }],
    positions: at([262, 540]),
  })
  a.traps('kick', 'sill', 'off')
  a.part('knee', 'Knee panel', 'driver side', {
    outline: KNEE,
    synonyms: ['knee bolster', 'under-tray', 'lower dash'],
    rests: [{ level: 'free', how: 'hangs on its leads' }],
    release: {
      start: 'top',
      motions: [
        { move: 'pull', directions: ['rearward'] },
        { move: 'lift', directions: ['down'], note: 'off two moulded hooks' },
      ],
      effort: 'firm',
    },
    refit: { first: 'two hooks at the bottom first' },
  })
  a.clips('knee-clips', 'spring clip', 6, 'knee', { positions: along('dash', KNEE.points, 6, 12, 0.2) })
  a.screws('knee-ph2', 'cross', 'PH2', 2, 'knee', [5, 16], { positions: at([320, 515], [370, 515]) })
  a.covers('knee-ph2', 'fuse-cover', 'off')
  a.tether('diagnosis', 'diagnostic socket', 'knee', {
    latch: 'squeeze two tabs',
    tabSide: 'both sides',
    circuit: 'can',
    functions: ['t-diagnosis'],
    positions: at([440, 512]),
  })
  a.tether('dimmer', 'dimmer', 'knee', {
    latch: 'press tab',
    tabSide: 'top',
    circuit: 'lighting',
    functions: ['t-dimmer'],
    positions: at([410, 500]),
  })
  a.part('shroud', 'Column shroud, lower', 'driver side', {
    outline: on([386, 452], [430, 452], [426, 498], [390, 498]),
    synonyms: ['column cowl'],
    rests: [{ level: 'free', how: 'swung aside' }],
    release: { motions: [{ move: 'pull', directions: ['down'] }] },
  })
  a.screws('shroud-ph2', 'cross', 'PH2', 3, 'shroud', [4, 20], { positions: at([394, 460], [422, 460], [408, 490]) })

  a.part('glovebox', 'Glovebox', 'passenger side', {
    outline: on([744, 400], [896, 400], [888, 470], [748, 470]),
    synonyms: ['glove compartment'],
    rests: [{ level: 'free', how: 'hinged', note: 'past its stops, sides squeezed in' }],
    release: { start: 'both side stops', motions: [{ move: 'swing', directions: ['down'] }], effort: 'light' },
    refit: { before: 'damper eye over its peg' },
  })
  a.screws('glovebox-hex10', 'hex', '10', 3, 'glovebox', [6, 16], {
    kind: 'bolt',
    positions: at([764, 464], [818, 464], [872, 464]),
  })
  a.tether('damper', 'damper', 'glovebox', {
    kind: 'damper',
    latch: 'friction fit',
    reached: 'before the release',
    mustOpenFor: 'free',
    positions: at([758, 412]),
  })
  a.tether('glove-lamp', 'glovebox lamp', 'glovebox', {
    latch: 'press tab',
    tabSide: 'top',
    circuit: 'courtesy-lamp',
    functions: ['t-glove-lamp'],
    positions: at([880, 412]),
  })
  a.part('upper', 'Panel above the glovebox', 'passenger side', {
    outline: UPPER,
    brittle: true,
    release: {
      start: 'outboard end',
      motions: [{ move: 'pull', directions: ['rearward'] }],
      effort: 'firm',
      protect: 'tape on the vent edge',
    },
    refit: { last: 'outboard end last', confirm: 'flush with the vent' },
  })
  a.screws('upper-hex10', 'hex', '10', 3, 'upper', [6, 30], { positions: at([752, 352], [788, 352], [824, 352]) })
  a.clips('upper-clips', 'spring clip', 4, 'upper', { positions: at([750, 312], [776, 311], [802, 311], [824, 312]) })
  a.covers('upper-hex10', 'glovebox', 'free')
  a.part('strip', 'Trim strip', 'passenger side', {
    outline: on([740, 370], [900, 370], [902, 390], [740, 390]),
    synonyms: ['finisher', 'insert'],
    painted: true,
    release: {
      start: 'inboard end',
      motions: [{ move: 'pry', directions: ['rearward'] }],
      tool: 'pry tool',
      protect: 'tape above and below',
    },
  })
  a.clips('strip-clips', 'spring clip', 5, 'strip', {
    positions: at([750, 380], [784, 380], [820, 380], [856, 380], [892, 380]),
  })
  a.tether('belt-lamp', 'belt lamp', 'strip', {
    latch: 'press tab',
    tabSide: 'bottom',
    circuit: 'srs-indicator',
    colour: 'yellow',
    functions: ['t-belt-lamp'],
    positions: at([766, 380]),
  })
  a.traps('upper', 'strip', 'off')
  a.caution('CAUTION', 'glovebox', 'release', 'Hold the lid: without its damper it drops on the knees.')
}

function settings(a: Author): void {
  statePowerAndBrake(a)
  a.setting('lever', 'gear lever', {
    role: 'gear lever',
    values: ['park', 'out of park'],
    asFound: 'park',
    methods: [
      {
        id: 'lever-by-ignition',
        name: 'by ignition, service brake held',
        to: 'out of park',
        stations: ['driver side'],
        durationS: 3,
      },
      {
        id: 'lever-by-release',
        name: 'by the release under the small cover',
        to: 'out of park',
        stations: ['centre'],
        durationS: 8,
      },
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
  a.cavity('knee-cavity', 'Space behind the knee panel', { knee: 'free' })
  a.cavity('glove-cavity', 'Space behind the glovebox', { glovebox: 'free' })
  a.cavity('upper-cavity', 'Bay above the glovebox', { upper: 'off' })
}
