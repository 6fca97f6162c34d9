import type { Rule } from './rule'
import { at, openClose, rule } from './ruleParts'

/** High voltage, and what hurts hands, lungs, eyes and paint. */
export const WORK: readonly Rule[] = [
  rule(
    'high-voltage',
    'DANGER',
    'High voltage is never opened here.',
    'Stop and hand this to people licensed for high voltage.',
    { effect: 'refuses', at: openClose(['high-voltage']) },
  ),
  rule(
    'high-voltage-open',
    'DANGER',
    'A high-voltage connector is open.',
    'Stop, keep away, and hand the vehicle to people licensed for high voltage.',
    { effect: 'refuses', at: null, while: [{ kind: 'open', circuits: ['high-voltage'] }] },
  ),
  rule(
    'high-voltage-power',
    'DANGER',
    'No power while a high-voltage connector is open.',
    'Stop and hand this to people licensed for high voltage.',
    { effect: 'refuses', at: at(['power']), while: [{ kind: 'open', circuits: ['high-voltage'] }] },
  ),
  rule(
    'leads',
    'CAUTION',
    'No lead across an airbag’s path, an actuator, a hinge, the pedals or the column; none that blocks a vent or rests on an edge.',
    'Route it along the maker’s loom.',
    { effect: 'cautions', at: at(['work'], { works: ['route a lead', 'mount'], atVehicle: true }) },
  ),
  rule('cold', 'CAUTION', 'It is cold: brittle parts break.', 'Warm the cabin first.', {
    effect: 'cautions',
    at: at(['undo', 'ease', 'release'], { brittle: true }),
    while: [{ kind: 'colder than the house value' }],
  }),
  rule(
    'cutting',
    'CAUTION',
    'Eye protection on, finish taped, the space behind it known, the bare edge treated, the customer’s consent in writing.',
    'Do not begin before all of it is so.',
    { effect: 'cautions', at: at(['work'], { works: ['cut', 'file', 'drill', 'scrape'] }) },
  ),
  rule(
    'live-supply',
    'CAUTION',
    'No joint and no plug on a live supply: fuse out or battery off, and the meter says dead.',
    'Take the fuse out or the battery off, and measure before you join.',
    { effect: 'cautions', at: at(['work'], { works: ['join', 'solder'] }) },
  ),
  rule('soldering', 'CAUTION', 'Solder only with the doors open or the fumes drawn off.', 'Open the doors.', {
    effect: 'cautions',
    at: at(['work'], { works: ['solder'] }),
  }),
  rule('heavy', 'CAUTION', 'Two people lift this.', 'Call somebody.', {
    effect: 'cautions',
    at: at(['release', 'lift', 'place', 'seat'], { heavy: true }),
  }),
  rule(
    'under-vehicle',
    'DANGER',
    'Never alone under a vehicle that stands on a jack.',
    'Stands under it, and a second person near.',
    {
      effect: 'cautions',
      at: at(['undo', 'release', 'lift', 'fasten', 'seat', 'place', 'work'], { stations: ['under the vehicle'] }),
    },
  ),
  rule(
    'stand',
    'WARNING',
    'The motorcycle must be strapped or on a stand that holds without the parts that come off.',
    'Strap it first.',
    {
      effect: 'refuses',
      at: at(['release', 'lift']),
      while: [
        { kind: 'wheels', wheels: 'two' },
        { kind: 'setting not', role: 'stand', values: ['strapped', 'on its stand'] },
      ],
      quiet: true,
    },
  ),
  rule('hot', 'CAUTION', 'Hot exhaust or coolant.', 'Wait until a hand can rest on it.', {
    effect: 'cautions',
    at: at(['undo', 'release'], { hot: true }),
  }),
  rule(
    'fuel',
    'WARNING',
    'A raised tank: no ignition source near it, and it is propped.',
    'Battery off where sparks are possible, prop in, cap closed.',
    { effect: 'cautions', at: at(['release', 'lift'], { fuel: true }) },
  ),
  rule('painted-down', 'NOTICE', 'Painted faces never lie down.', 'Painted face up, on the cloth.', {
    effect: 'cautions',
    at: at(['lift'], { painted: true }),
    while: [{ kind: 'wheels', wheels: 'two' }],
  }),
  rule(
    'bypass',
    'DANGER',
    'A signal that keeps the driver from watching or typing on the move is joined to the real signal. Bypassing it is never planned; local law decides.',
    'Take the real parking-brake, speed or reverse signal.',
    { effect: 'refuses', at: at(['work'], { works: ['bypass a signal'] }) },
  ),
]
