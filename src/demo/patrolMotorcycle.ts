import type { ProcedureDocument } from '@/core/procedure/document'
import { Author } from './author'
import { motorcycleLeft } from './drawings/motorcycle'
import { along, spots } from './drawings/pen'
import { motorcycleWays } from './otherWays'

const { pen, sizeMm } = motorcycleLeft()
const on = (...points: [number, number][]) => ({ viewId: 'left', points: pen.all(...points) })
const at = (...points: [number, number][]) => spots('left', ...pen.all(...points))
/** Quarter-turns with a slot, a quarter to the left facing them. */
const TURN = {
  drives: [{ drive: 'slot' as const, size: '8', seen: 6 }],
  turn: { sense: 'anticlockwise' as const, angleDeg: 90, seenFrom: 'outside' },
}
const WITH_BOX = { radio: ['with-box'] }

const LEFT = on(
  [220, 210],
  [252, 186],
  [282, 190],
  [330, 224],
  [390, 246],
  [428, 252],
  [420, 268],
  [372, 286],
  [320, 308],
  [296, 328],
  [246, 334],
  [208, 318],
  [192, 290],
)
const NOSE = on(
  [142, 224],
  [156, 206],
  [190, 196],
  [232, 190],
  [252, 186],
  [220, 210],
  [192, 290],
  [156, 276],
  [140, 250],
)
const BELLY = on(
  [222, 366],
  [292, 372],
  [324, 400],
  [330, 440],
  [420, 434],
  [430, 446],
  [400, 458],
  [320, 460],
  [260, 450],
  [236, 424],
)
const LOWER = on([212, 318], [246, 334], [296, 328], [324, 344], [324, 400], [292, 372], [222, 366])

/**
 * A full-faired patrol motorcycle: tongues and slots, turn fasteners, push-pins, a windscreen, panels that bear their
 * own weight.
 */
export function patrolMotorcycle(): ProcedureDocument {
  const a = new Author('Patrol motorcycle', 'Full fairing, on its centre stand and strapped in the front-wheel chock.')
  a.document.wheels = 'two'
  a.view('left', 'left side', sizeMm, { backdrop: pen.lines, leftWord: 'nose', rightWord: 'tail', looking: 'right' })
  a.facet('radio', 'Radio box', { 'with-box': 'a box behind the seat', 'no-box': 'a plain carrier' })
  a.facet('windscreen', 'Windscreen', { low: 'ends below the mirrors', electric: 'a rocker on the left bar' })
  tests(a)
  seatAndCovers(a)
  fairing(a)
  frontEnd(a)
  settings(a)
  a.cavity('left-cavity', 'Space behind the left fairing', { 'fairing-left': 'off' })
  a.cavity('tank-cavity', 'Bay under the tank cover', { 'tank-cover': 'off' })
  a.cavity('nose-cavity', 'Behind the headlamp', { nose: 'off' })
  a.cavity('seat-cavity', 'Tracker tray under the seat', { seat: 'off' })
  motorcycleWays(a)
  return a.document
}

function tests(a: Author): void {
  a.test('t-indicators', 'Indicators', 'left, right and hazard flash', 'ignition', 'per min')
  a.test('t-lamp', 'Headlamp', 'dipped, main, aim on the wall', 'ignition')
  a.test('t-screen', 'Windscreen drive', 'runs up and down', 'ignition')
  a.test('t-seat-heater', 'Seat heater', 'warm within a minute', 'ignition')
  a.test('t-socket', 'Power outlet', 'supplies', 'ignition', 'V')
  a.test('t-box', 'Radio box', 'unlocks and lights', 'ignition')
  a.test('t-sidestand', 'Side-stand switch', 'the engine stops in gear when it is out', 'engine')
}

function seatAndCovers(a: Author): void {
  a.part('seat', 'Rider seat', 'outside left', {
    outline: on([416, 222], [450, 244], [500, 246], [540, 220], [556, 244], [510, 262], [456, 262], [420, 240]),
    synonyms: ['saddle'],
    fixing: 'rests',
    release: {
      start: 'lock under the tail',
      motions: [
        { move: 'lift', directions: ['up'] },
        { move: 'slide', directions: ['rearward'], note: 'off the tank hook' },
      ],
    },
    refit: { first: 'hook under the tank first', confirm: 'it locks with a click' },
  })
  a.tether('seat-heater', 'seat heater', 'seat', {
    latch: 'press tab',
    tabSide: 'top',
    circuit: 'climate',
    functions: ['t-seat-heater'],
    positions: at([470, 254]),
  })
  a.part('side-left', 'Side cover, left', 'outside left', {
    outline: on([430, 262], [480, 266], [498, 290], [486, 330], [440, 322]),
    synonyms: ['left side panel'],
    painted: true,
    release: {
      start: 'lower corner',
      motions: [{ move: 'pull', directions: ['outboard'] }],
      effort: 'firm',
      mustNot: 'Never twist: the pegs shear',
    },
    refit: { align: 'three pegs to their grommets' },
  })
  a.clips('side-left-pegs', 'stud and grommet', 3, 'side-left', {
    letsGo: 'with the pull',
    positions: at([440, 272], [488, 290], [448, 316]),
  })
  a.screws('side-left-screw', 'hex socket', '5', 1, 'side-left', [6, 20], {
    positions: at([470, 268]),
    note: 'Screw, washer and sleeve, in this order.',
  })
  a.covers('side-left-screw', 'seat', 'off')
  a.part('side-right', 'Side cover, right', 'outside right', {
    synonyms: ['right side panel'],
    painted: true,
    release: {
      start: 'lower corner',
      motions: [{ move: 'pull', directions: ['outboard'] }],
      effort: 'firm',
      mustNot: 'Never twist: the pegs shear',
    },
    refit: { align: 'three pegs to their grommets' },
  })
  a.clips('side-right-pegs', 'stud and grommet', 3, 'side-right', { letsGo: 'with the pull' })
  a.part('tank-cover', 'Tank cover', 'outside left', {
    outline: on([286, 196], [310, 172], [356, 166], [398, 190], [420, 220], [390, 246], [330, 224]),
    synonyms: ['tank shroud'],
    painted: true,
    rests: [],
    release: {
      start: 'rear edge',
      motions: [
        { move: 'lift', directions: ['up'] },
        { move: 'slide', directions: ['rearward'] },
      ],
    },
    refit: { first: 'front tongues into the dash panel', align: 'filler neck centred' },
  })
  a.screws('tank-screws', 'hex socket', '5', 2, 'tank-cover', [6, 20], { positions: at([404, 214], [414, 226]) })
  a.covers('tank-screws', 'seat', 'off')
  a.clips('tank-turns', 'quarter-turn', 2, 'tank-cover', {
    drives: [{ drive: 'hex socket', size: '4', seen: 3 }],
    positions: at([300, 198], [350, 222]),
  })
  a.traps('tank-cover', 'fairing-left', 'off')
  a.part('box', 'Radio box', 'outside left', {
    outline: on([540, 142], [626, 142], [626, 202], [540, 202]),
    persons: 2,
    massKg: 14,
    release: { motions: [{ move: 'lift', directions: ['up'] }] },
    when: WITH_BOX,
  })
  a.screws('box-bolts', 'hex', '10', 4, 'box', [6, 25], {
    kind: 'bolt',
    positions: at([550, 198], [576, 198], [594, 198], [618, 198]),
    torqueNm: 10,
  })
  a.tether('box-plug', 'radio box', 'box', {
    latch: 'spring-loaded collar',
    circuit: 'audio',
    functions: ['t-box'],
    positions: at([560, 196]),
  })
}

function fairing(a: Author): void {
  a.part('fairing-left', 'Left fairing', 'outside left', {
    outline: LEFT,
    synonyms: ['upper left panel', 'cowl', 'side panel'],
    painted: true,
    brittle: true,
    release: {
      start: 'rear tip',
      motions: [
        { move: 'slide', directions: ['rearward'] },
        { move: 'pull', directions: ['outboard'] },
      ],
      protect: 'support the panel while the last turn comes out',
      mustNot: 'Never outward first: the three tongues break',
    },
    refit: {
      first: 'tongues into the nose first',
      last: 'start all by hand, then snug',
      confirm: 'gap even along the nose',
    },
    note: 'Three moulded tongues sit in slots of the nose: shown, not counted.',
  })
  a.clips('left-turns', 'quarter-turn', 3, 'fairing-left', {
    ...TURN,
    positions: at([230, 312], [302, 316], [364, 280]),
  })
  a.clips('left-top-turn', 'quarter-turn', 1, 'fairing-left', { ...TURN, bearsWeight: true, positions: at([258, 196]) })
  a.clips('left-pins', 'push-pin', 3, 'fairing-left', { positions: at([236, 328], [262, 330], [288, 326]) })
  a.screws('left-screw', 'hex socket', '5', 1, 'fairing-left', [6, 20], {
    positions: at([416, 256]),
    note: 'Screw, washer and sleeve, in this order.',
  })
  a.covers('left-screw', 'seat', 'off')
  a.tether('left-indicator', 'left indicator', 'fairing-left', {
    latch: 'press tab',
    tabSide: 'top',
    circuit: 'lighting',
    functions: ['t-indicators'],
    positions: at([218, 282]),
  })
  a.caution(
    'WARNING',
    'fairing-left',
    'any',
    'Exhaust and engine hot: wait 30 minutes after a ride, or touch nothing metal below the panel.',
  )
  a.part('lower-left', 'Lower left fairing', 'outside left', {
    outline: LOWER,
    painted: true,
    release: {
      start: 'rear edge',
      motions: [
        { move: 'pull', directions: ['outboard'] },
        { move: 'slide', directions: ['down'] },
      ],
    },
    refit: { first: 'upper lip behind the left fairing' },
  })
  a.clips('lower-turns', 'quarter-turn', 3, 'lower-left', {
    ...TURN,
    positions: at([226, 344], [316, 352], [316, 388]),
  })
  a.traps('lower-left', 'fairing-left', 'off')
  a.part('belly', 'Belly pan', 'outside left', {
    outline: BELLY,
    synonyms: ['belly', 'keel'],
    persons: 1,
    release: { motions: [{ move: 'lift', directions: ['down'] }], protect: 'hold it while the last bolt turns' },
    refit: { confirm: 'clear of the exhaust all along' },
  })
  a.screws('belly-bolts', 'hex', '8', 4, 'belly', [6, 16], {
    kind: 'bolt',
    positions: along('left', BELLY.points, 4, 26, 0.3),
  })
  a.clips('belly-pins', 'push-pin', 4, 'belly', { positions: along('left', BELLY.points, 4, 26, 0.8) })
  a.traps('belly', 'lower-left', 'off')
  a.part('fairing-right', 'Right fairing', 'outside right', {
    synonyms: ['upper right panel'],
    painted: true,
    brittle: true,
    release: {
      start: 'rear tip',
      motions: [
        { move: 'slide', directions: ['rearward'] },
        { move: 'pull', directions: ['outboard'] },
      ],
      mustNot: 'Never outward first: the three tongues break',
    },
    refit: { first: 'tongues into the nose first', last: 'start all by hand, then snug' },
  })
  a.clips('right-turns', 'quarter-turn', 3, 'fairing-right', TURN)
  a.clips('right-top-turn', 'quarter-turn', 1, 'fairing-right', { ...TURN, bearsWeight: true })
  a.clips('right-pins', 'push-pin', 3, 'fairing-right')
  a.screws('right-screw', 'hex socket', '5', 1, 'fairing-right', [6, 20])
  a.covers('right-screw', 'seat', 'off')
  a.tether('right-indicator', 'right indicator', 'fairing-right', {
    latch: 'press tab',
    tabSide: 'top',
    circuit: 'lighting',
    functions: ['t-indicators'],
  })
}

function frontEnd(a: Author): void {
  a.part('screen', 'Windscreen', 'outside front', {
    outline: on([170, 196], [196, 134], [236, 92], [256, 84], [268, 96], [262, 142], [248, 188]),
    synonyms: ['screen'],
    brittle: true,
    release: { motions: [{ move: 'lift', directions: ['up'] }], protect: 'clean cloth, nothing gritty' },
    refit: { last: 'all four by hand, then snug crosswise' },
  })
  a.screws('screen-screws', 'hex socket', '4', 4, 'screen', [5, 16], {
    positions: at([192, 176], [214, 182], [236, 180], [252, 164]),
    note: 'With rubber well nuts: tight enough to hold, never to squeeze.',
  })
  a.part('mirror-left', 'Left mirror', 'outside left', {
    outline: on([262, 146], [272, 132], [298, 130], [310, 142], [306, 160], [278, 162]),
    release: { motions: [{ move: 'pull', directions: ['forward'] }], effort: 'firm' },
    refit: { confirm: 'three pegs click' },
  })
  a.screws('mirror-nuts', 'hex', '10', 2, 'mirror-left', [6, 12], {
    kind: 'nut',
    positions: at([272, 178], [280, 172]),
  })
  a.part('nose', 'Nose', 'outside front', {
    outline: NOSE,
    synonyms: ['front cowl', 'headlamp surround'],
    painted: true,
    massKg: 4.5,
    release: { motions: [{ move: 'slide', directions: ['forward'] }], protect: 'cloth over the mudguard' },
    refit: { align: 'two guide pins', confirm: 'leads slack lock to lock' },
  })
  a.screws('nose-bolts', 'hex', '8', 4, 'nose', [6, 22], {
    kind: 'bolt',
    positions: at([168, 212], [208, 200], [158, 266], [184, 282]),
  })
  a.covers('nose-bolts', 'screen', 'off')
  a.traps('nose', 'fairing-left', 'off')
  a.traps('nose', 'fairing-right', 'off')
  a.traps('nose', 'mirror-left', 'off')
  a.tether('headlamp', 'headlamp', 'nose', {
    latch: 'sliding lock',
    tabSide: 'rear',
    circuit: 'lighting',
    functions: ['t-lamp'],
    positions: at([196, 254]),
  })
  a.tether('screen-drive', 'windscreen drive', 'nose', {
    latch: 'press tab',
    tabSide: 'bottom',
    circuit: 'other',
    functions: ['t-screen'],
    positions: at([222, 206]),
    when: { windscreen: ['electric'] },
  })
  a.tether('socket', 'power outlet', 'nose', {
    latch: 'press tab',
    tabSide: 'top',
    circuit: 'power-outlet',
    functions: ['t-socket'],
    positions: at([230, 222]),
  })
  a.caution(
    'CAUTION',
    'nose',
    'seat',
    'Steering lock to lock and full fork travel: no lead may tighten, no panel may touch.',
  )
}

function settings(a: Author): void {
  a.setting('battery', 'battery', {
    role: 'battery',
    values: ['on', 'off'],
    asFound: 'on',
    methods: [
      { id: 'battery-off', name: 'unclamp the negative pole', to: 'off', stations: ['outside left'], durationS: 40 },
      { id: 'battery-on', name: 'clamp the negative pole', to: 'on', stations: ['outside left'], durationS: 40 },
    ],
  })
  a.setting('ignition', 'ignition', {
    role: 'ignition',
    values: ['on', 'off'],
    asFound: 'off',
    methods: [
      { id: 'ignition-on', name: 'turn the key', to: 'on', stations: ['outside left'], durationS: 3 },
      { id: 'ignition-off', name: 'turn the key', to: 'off', stations: ['outside left'], durationS: 3 },
    ],
  })
  a.setting('stand', 'stand', {
    role: 'stand',
    values: ['strapped', 'side stand'],
    asFound: 'strapped',
    methods: [
      { id: 'strap', name: 'strap it in the chock', to: 'strapped', stations: ['outside front'], durationS: 60 },
      { id: 'unstrap', name: 'take the straps off', to: 'side stand', stations: ['outside front'], durationS: 30 },
    ],
  })
  a.setting('bars', 'handlebar', {
    values: ['straight', 'turned right'],
    asFound: 'straight',
    methods: [
      {
        id: 'bars-right',
        name: 'turn the bars right',
        to: 'turned right',
        stations: ['outside left', 'outside right'],
        durationS: 3,
      },
      {
        id: 'bars-straight',
        name: 'bars straight',
        to: 'straight',
        stations: ['outside left', 'outside right'],
        durationS: 3,
      },
    ],
  })
  a.need(
    { act: 'release', id: 'fairing-left' },
    { kind: 'setting', settingId: 'bars', value: 'turned right' },
    'setting',
    {},
    'the lever guard passes behind the panel only with the bars to the right',
  )
}
