import type { ProcedureDocument } from '@/core/procedure/document'
import { Author } from './author'
import { stateParkingBrakeAndWheels, statePowerAndBrake } from './commonSettings'
import { busCab } from './drawings/busCab'
import { along, spots } from './drawings/pen'
import { busWays } from './otherWays'

const { pen, sizeMm } = busCab()
const on = (...points: [number, number][]) => ({ viewId: 'cab', points: pen.all(...points) })
const at = (...points: [number, number][]) => spots('cab', ...pen.all(...points))
const box = (x: number, y: number, w: number, h: number) => on([x, y], [x + w, y], [x + w, y + h], [x, y + h])
const PANEL = on([330, 292], [484, 298], [480, 432], [336, 432])
const KNEE = on([60, 446], [330, 452], [322, 500], [70, 496])
const CLUSTER = on([70, 300], [130, 276], [210, 272], [284, 280], [320, 304], [300, 340], [84, 340])

/**
 * A small bus: recorder in the side console, sign above the windscreen, ticket post, a knee airbag that must never be
 * met with the battery on.
 */
export function smallBus(): ProcedureDocument {
  const a = new Author('Small bus', 'Driver’s place with side console, ticket post and destination sign.')
  a.view('cab', 'driver’s place', sizeMm, { backdrop: pen.lines, leftWord: 'driver', rightWord: 'door' })
  a.facet('sign-kind', 'Destination sign', { led: 'a dark matrix', roller: 'a printed blind' })
  a.facet('gearbox', 'Gearbox', { automatic: 'push buttons R N D', manual: 'a lever on the console' })
  a.test('t-recorder', 'Recorder', 'records, all cameras seen', 'ignition', 'V')
  a.test('t-cluster', 'Instrument cluster', 'needles sweep, no warning stays', 'ignition')
  a.test('t-door', 'Door controls', 'front and rear door open and close', 'ignition')
  a.test('t-sign', 'Destination sign', 'shows the line', 'ignition')
  a.test('t-ticket', 'Ticket printer', 'prints a test ticket', 'accessory')
  a.test('t-speech', 'Announcements', 'heard inside and outside', 'accessory')
  a.test('t-knee-bag', 'Airbag lamp', 'lights with the ignition, then goes out', 'ignition', 's')
  a.test('t-saloon', 'Saloon lamps', 'both rows light', 'ignition')
  driver(a)
  post(a)
  above(a)
  statePowerAndBrake(a)
  stateParkingBrakeAndWheels(a)
  a.cavity('recorder-cavity', 'Recorder bay', { console: 'off' })
  a.cavity('cluster-cavity', 'Behind the cluster', { cluster: 'off' })
  a.cavity('column-cavity', 'Column wiring', { knee: 'off' })
  a.cavity('sign-cavity', 'Destination sign', { 'sign-cover': 'free' })
  a.cavity('ticket-cavity', 'Ticket post', { 'post-cover': 'off' })
  busWays(a)
  return a.document
}

function driver(a: Author): void {
  a.part('console-mat', 'Console mat', 'driver side', {
    outline: box(346, 370, 122, 20),
    synonyms: ['switch strip liner'],
    fixing: 'press fit',
    release: { tool: 'pry tool', start: 'right end', motions: [{ move: 'pry', directions: ['rearward'] }] },
  })
  a.tether('door-switches', 'door switches', 'console-mat', {
    latch: 'squeeze two tabs',
    tabSide: 'both sides',
    circuit: 'other',
    functions: ['t-door'],
    positions: at([430, 380]),
  })
  a.part('console', 'Side console', 'driver side', {
    outline: PANEL,
    synonyms: ['centre surround', 'bezel'],
    release: { start: 'lower edge', motions: [{ move: 'pull', directions: ['rearward'] }], effort: 'firm' },
    refit: { last: 'top edge last', confirm: 'flush to the dash' },
  })
  a.screws('console-t30', 'six-lobe', 'T30', 2, 'console', [6, 25], { positions: at([356, 380], [458, 380]) })
  a.covers('console-t30', 'console-mat', 'off')
  a.clips('console-clips', 'spring clip', 7, 'console', { positions: along('cab', PANEL.points, 7, 16, 0.4) })
  a.tether('recorder', 'recorder', 'console', {
    latch: 'lever',
    tabSide: 'top',
    circuit: 'video',
    functions: ['t-recorder'],
    beforePlugging: 'lever fully open',
    positions: at([392, 350]),
  })
  a.tether('speech', 'announcement', 'console', {
    latch: 'press tab',
    tabSide: 'passenger side',
    circuit: 'audio',
    functions: ['t-speech'],
    positions: at([436, 350]),
  })
  a.part('cluster-trim', 'Cluster trim', 'driver side', {
    outline: CLUSTER,
    synonyms: ['binnacle trim'],
    brittle: true,
    release: { start: 'top', motions: [{ move: 'pull', directions: ['rearward'] }], protect: 'cloth on the column' },
  })
  a.clips('trim-clips', 'spring clip', 6, 'cluster-trim', { positions: along('cab', CLUSTER.points, 6, 18, 0.3) })
  a.part('cluster', 'Instrument cluster', 'driver side', {
    outline: box(112, 282, 160, 52),
    synonyms: ['clocks', 'gauges'],
    release: { motions: [{ move: 'tilt', directions: ['rearward'] }] },
  })
  a.screws('cluster-t20', 'six-lobe', 'T20', 4, 'cluster', [4, 16], {
    positions: at([120, 288], [264, 288], [120, 330], [264, 330]),
  })
  a.covers('cluster-t20', 'cluster-trim', 'off')
  a.tether('cluster-plug', 'cluster', 'cluster', {
    latch: 'lever',
    tabSide: 'top',
    circuit: 'can',
    functions: ['t-cluster'],
    positions: at([192, 300]),
  })
  a.part('knee', 'Knee panel', 'driver side', {
    outline: KNEE,
    synonyms: ['knee bolster'],
    massKg: 6,
    release: { start: 'both ends', motions: [{ move: 'pull', directions: ['rearward'] }], effort: 'firm' },
    refit: { confirm: 'nothing in the airbag’s way' },
  })
  a.screws('knee-hex10', 'hex', '10', 4, 'knee', [6, 20], {
    kind: 'bolt',
    torqueNm: 9,
    positions: at([80, 456], [312, 462], [84, 488], [306, 492]),
  })
  a.tether('knee-bag', 'knee airbag', 'knee', {
    latch: 'sliding lock',
    tabSide: 'driver side',
    colour: 'yellow',
    circuit: 'srs-firing',
    functions: ['t-knee-bag'],
    positions: at([196, 476]),
  })
  a.caution(
    'DANGER',
    'knee',
    'any',
    'Knee airbag in this panel: never in front of it, never a meter on its plug, carried with the soft side away from you. The maker’s procedure goes first.',
  )
}

function post(a: Author): void {
  a.part('roll-flap', 'Paper flap', 'centre', {
    outline: box(552, 222, 62, 50),
    fixing: 'rests',
    release: { motions: [{ move: 'swing', directions: ['up'] }] },
  })
  a.part('post-cover', 'Ticket post cover', 'centre', {
    outline: box(540, 210, 86, 124),
    release: { motions: [{ move: 'pull', directions: ['rearward'] }], start: 'lower edge' },
    refit: { first: 'upper hook first' },
  })
  a.screws('post-ph2', 'cross', 'PH2', 2, 'post-cover', [4, 20], { positions: at([562, 264], [604, 264]) })
  a.covers('post-ph2', 'roll-flap', 'off')
  a.screws('post-hex8', 'hex', '8', 2, 'post-cover', [5, 16], { positions: at([552, 326], [614, 326]) })
  a.tether('ticket', 'ticket printer', 'post-cover', {
    latch: 'threaded',
    tabSide: 'bottom',
    circuit: 'other',
    functions: ['t-ticket'],
    positions: at([584, 316]),
  })
  a.part('post-foot', 'Post foot cover', 'centre', {
    outline: on([520, 470], [644, 470], [652, 548], [512, 548]),
    pieces: 2,
    release: { motions: [{ move: 'pull', directions: ['up'] }] },
  })
  a.clips('foot-pins', 'push-pin', 4, 'post-foot', { positions: at([526, 484], [638, 484], [522, 538], [642, 538]) })
}

function above(a: Author): void {
  a.part('sign-cover', 'Sign cover', 'outside front', {
    outline: box(20, 16, 470, 56),
    synonyms: ['destination box lid'],
    persons: 2,
    massKg: 9,
    rests: [{ level: 'free', how: 'hinged', note: 'on its two stays' }],
    release: { motions: [{ move: 'swing', directions: ['up'] }] },
  })
  a.clips('sign-turns', 'quarter-turn', 4, 'sign-cover', {
    drives: [{ drive: 'slot', size: '10', seen: 3 }],
    positions: at([34, 62], [180, 64], [330, 64], [476, 62]),
  })
  a.part('sign-board', 'Sign board', 'outside front', {
    outline: box(120, 24, 210, 36),
    release: { motions: [{ move: 'slide', directions: ['forward'] }] },
    when: { 'sign-kind': ['led'] },
  })
  a.screws('board-nuts', 'hex', '8', 4, 'sign-board', [5, 10], {
    kind: 'nut',
    positions: at([124, 28], [326, 28], [124, 56], [326, 56]),
    when: { 'sign-kind': ['led'] },
  })
  a.covers('board-nuts', 'sign-cover', 'free')
  a.tether('sign', 'sign', 'sign-board', {
    latch: 'sliding lock',
    tabSide: 'rear',
    circuit: 'can',
    functions: ['t-sign'],
    positions: at([226, 46]),
    when: { 'sign-kind': ['led'] },
  })
  a.part('ceiling', 'Ceiling hatch', 'centre', {
    outline: box(630, 16, 76, 70),
    synonyms: ['headliner hatch'],
    rests: [{ level: 'free', how: 'hinged' }],
    release: { motions: [{ move: 'swing', directions: ['down'] }] },
  })
  a.clips('hatch-turns', 'quarter-turn', 2, 'ceiling', {
    drives: [{ drive: 'slot', size: '8', seen: 3 }],
    positions: at([640, 78], [696, 78]),
  })
  a.part('speaker', 'Speaker grille', 'centre', {
    outline: box(536, 100, 94, 60),
    fixing: 'press fit',
    release: { tool: 'pry tool', motions: [{ move: 'pry', directions: ['rearward'] }] },
  })
  a.part('lamp-row', 'Saloon lamp, front', 'rear seats', {
    release: { motions: [{ move: 'pull', directions: ['down'] }] },
  })
  a.clips('lamp-clips', 'spring clip', 4, 'lamp-row')
  a.tether('lamp-plug', 'saloon lamp', 'lamp-row', {
    latch: 'press tab',
    tabSide: 'front',
    circuit: 'lighting',
    functions: ['t-saloon'],
  })
  a.part('switches', 'Switch block', 'driver side', {
    outline: box(24, 318, 50, 60),
    release: { motions: [{ move: 'pull', directions: ['rearward'] }] },
  })
  a.clips('switch-clips', 'spring clip', 4, 'switches', { positions: at([30, 322], [68, 322], [30, 374], [68, 374]) })
  a.tether('switch-plug', 'switch block', 'switches', {
    latch: 'squeeze two tabs',
    tabSide: 'both sides',
    circuit: 'lighting',
    functions: ['t-saloon'],
    positions: at([50, 366]),
  })
}
