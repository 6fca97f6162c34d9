import type { Circuit } from '../procedure/circuits'
import type { Severity } from '../procedure/severity'
import type { ActPattern, Rule } from './rule'

const practice = "Common practice, no source; the maker's data and local rules go first."
/** What is published on the subject, by the beginning of a rule's id: named from memory, to be looked up by a lead. */
const PUBLISHED: readonly [id: string, what: string][] = [
  ['srs-', 'Pyrotechnic articles for vehicles: Directive 2013/29/EU; airbag components: ISO 12097'],
  [
    'high-voltage',
    'Electric power trains: UN Regulation 100; work on live parts: EN 50110-1, the five rules of safety',
  ],
  ['battery-', 'Isolating before work: EN 50110-1, the first of its five rules of safety'],
  [
    'live-supply',
    'Isolating before work and proving dead: EN 50110-1, the first and third of its five rules of safety',
  ],
  ['heavy', 'Lifting by hand: ISO 11228-1, reference masses of 25 kg and, for more of the working population, 20 kg'],
  ['under-vehicle', 'Mobile jacks: EN 1494; nobody works under a load that a jack alone holds'],
  ['cutting', 'Eye protection: EN 166'],
  ['bypass', 'Attention of the driver: Convention on Road Traffic of 1968, article 8'],
]
function originOf(id: string): string {
  const found = PUBLISHED.find(([begins]) => id.startsWith(begins))
  return found ? `${found[1]} (from memory). The maker's data and local rules go first.` : practice
}
const AIRBAG = ['srs-firing', 'srs-indicator'] as const
type Rest = Pick<Rule, 'effect' | 'at'> & Partial<Pick<Rule, 'while' | 'confirm' | 'quiet'>>
const rule = (id: string, severity: Severity, sentence: string, remedy: string, rest: Rest): Rule => ({
  id,
  severity,
  sentence,
  remedy,
  origin: originOf(id),
  while: [],
  confirm: [],
  quiet: false,
  ...rest,
})

const people = 'Only for people trained and authorised under local rules.'
const firing = `It can fire. Ignition off, battery off, the maker’s wait over (10 minutes where nobody knows), until it is closed again. ${people}`
const firingRemedy = 'Ignition off, battery off, then wait as long as the maker says.'
const offRemedy = 'Turn the ignition off, close the plug, then switch on.'
const at = (acts: ActPattern['acts'], more: Omit<ActPattern, 'acts'> = {}): ActPattern => ({ acts, ...more })
const openClose = (circuits: Circuit[]) => at(['open', 'close'], { circuits })

/** Airbag circuits, and what they ask of ignition and battery. */
const AIRBAGS: Rule[] = [
  rule('srs-firing-power', 'DANGER', firing, firingRemedy, {
    effect: 'refuses',
    at: openClose(['srs-firing']),
    while: [{ kind: 'setting not', role: 'battery', values: ['off'] }],
  }),
  rule(
    'srs-firing-wait',
    'DANGER',
    'The airbag can still fire: the wait since battery off is not over.',
    'Wait as long as the maker says, 10 minutes where nobody knows. Do something else meanwhile.',
    { effect: 'refuses', at: openClose(['srs-firing']), while: [{ kind: 'waited too short' }], quiet: true },
  ),
  rule(
    'srs-firing-people',
    'DANGER',
    'This circuit fires an airbag or a tensioner. It is for people trained and authorised for airbag circuits under local rules.',
    'Tap the name at the top and hand this card to somebody who is authorised.',
    {
      effect: 'refuses',
      at: openClose(['srs-firing']),
      while: [{ kind: 'not authorised', what: 'airbag circuits' }],
      quiet: true,
    },
  ),
  rule(
    'srs-firing-live',
    'DANGER',
    'The battery stays off while a firing circuit is open.',
    'Close the plug first, then switch the battery on.',
    {
      effect: 'refuses',
      at: null,
      while: [
        { kind: 'open', circuits: ['srs-firing'] },
        { kind: 'setting not', role: 'battery', values: ['off'] },
      ],
    },
  ),
  rule(
    'srs-ignition',
    'WARNING',
    `Ignition off while this is opened, open or being closed, or a fault is stored. ${people}`,
    offRemedy,
    {
      effect: 'refuses',
      at: openClose(['srs-indicator']),
      while: [{ kind: 'setting not', role: 'ignition', values: ['off'] }],
    },
  ),
  rule(
    'srs-firing-ignition',
    'DANGER',
    'Ignition off while a firing circuit is opened, open or being closed.',
    offRemedy,
    {
      effect: 'refuses',
      at: openClose(['srs-firing']),
      while: [{ kind: 'setting not', role: 'ignition', values: ['off'] }],
      quiet: true,
    },
  ),
  rule(
    'srs-ignition-open',
    'WARNING',
    'Ignition stays off while a plug of the airbag system is open, or a fault is stored that needs a tester.',
    offRemedy,
    {
      effect: 'refuses',
      at: null,
      while: [
        { kind: 'open', circuits: [...AIRBAG] },
        { kind: 'setting not', role: 'ignition', values: ['off'] },
      ],
    },
  ),
  rule(
    'srs-power',
    'WARNING',
    'No power while a plug of the airbag system is open, or a fault is stored that needs a tester.',
    offRemedy,
    { effect: 'refuses', at: at(['power']), while: [{ kind: 'open', circuits: [...AIRBAG] }] },
  ),
]

/** Lever, battery and engine. */
const POWER: Rule[] = [
  rule(
    'lever-out',
    'CAUTION',
    'Lever out of park only with the parking brake on and the wheels chocked.',
    'Parking brake on, chocks in, service brake held from the driver’s seat when it is done by the ignition.',
    { effect: 'cautions', at: at(['set'], { roles: ['gear lever'] }) },
  ),
  rule(
    'lever-out-brake',
    'CAUTION',
    'The lever is out of park and the parking brake is not on.',
    'Parking brake on first.',
    {
      effect: 'refuses',
      at: null,
      while: [
        { kind: 'setting not', role: 'gear lever', values: ['park', 'neutral'] },
        { kind: 'setting not', role: 'parking brake', values: ['on'] },
      ],
    },
  ),
  rule('lever-out-wheels', 'CAUTION', 'The lever is out of park and the wheels are not chocked.', 'Chocks in first.', {
    effect: 'refuses',
    at: null,
    while: [
      { kind: 'setting not', role: 'gear lever', values: ['park', 'neutral'] },
      { kind: 'setting not', role: 'wheels', values: ['chocked'] },
    ],
  }),
  rule(
    'battery-preparations',
    'NOTICE',
    'Battery off only with the ignition off, codes known, media ejected, keys outside.',
    'Ignition off first. Note security codes, eject media, keys outside, windows where they are wanted.',
    {
      effect: 'refuses',
      at: at(['set'], { roles: ['battery'], to: ['off'] }),
      while: [{ kind: 'not confirmed' }],
      confirm: [
        'security codes known',
        'media ejected',
        'windows and seats where they are wanted',
        'keys outside',
        'electric latches open',
      ],
    },
  ),
  rule('battery-ignition', 'NOTICE', 'The battery goes off only with the ignition off.', 'Ignition off first.', {
    effect: 'refuses',
    at: null,
    while: [
      { kind: 'setting is', role: 'battery', values: ['off'] },
      { kind: 'setting not', role: 'ignition', values: ['off'] },
    ],
  }),
  rule('power-battery', 'NOTICE', 'No power comes on with the battery off.', 'Battery on first.', {
    effect: 'refuses',
    at: at(['power']),
    while: [{ kind: 'setting is', role: 'battery', values: ['off'] }],
  }),
  rule(
    'start-open',
    'NOTICE',
    'With the start control unplugged nothing comes on.',
    'Plug the start control by hand, then switch on.',
    { effect: 'refuses', at: at(['power']), while: [{ kind: 'open', circuits: ['start'] }] },
  ),
  rule(
    'start-open-ignition',
    'NOTICE',
    'With the start control unplugged the ignition can’t come on.',
    'Plug the start control by hand, then switch on.',
    {
      effect: 'refuses',
      at: at(['set'], { roles: ['ignition'], to: ['accessory', 'on'] }),
      while: [{ kind: 'open', circuits: ['start'] }],
      quiet: true,
    },
  ),
  rule(
    'engine-start',
    'WARNING',
    'Engine only with the start control plugged, the lever in park or neutral, the parking brake on.',
    'Plug the start control, lever to park, parking brake on.',
    {
      effect: 'refuses',
      at: at(['power'], { powers: ['engine'] }),
      while: [{ kind: 'open', circuits: ['start', 'brake-control'] }],
      confirm: [
        'nothing in the column, at the pedals or near moving parts',
        'exhaust led out',
        'a supported supply instead, when power is needed for long',
      ],
    },
  ),
  rule('engine-lever', 'WARNING', 'The engine starts only with the lever in park or neutral.', 'Lever to park.', {
    effect: 'refuses',
    at: at(['power'], { powers: ['engine'] }),
    while: [{ kind: 'setting not', role: 'gear lever', values: ['park', 'neutral'] }],
  }),
  rule('engine-brake', 'WARNING', 'The engine starts only with the parking brake on.', 'Parking brake on.', {
    effect: 'refuses',
    at: at(['power'], { powers: ['engine'] }),
    while: [{ kind: 'setting not', role: 'parking brake', values: ['on'] }],
  }),
]

/** High voltage, and what hurts hands, lungs, eyes and paint. */
const WORK: Rule[] = [
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
    { effect: 'cautions', at: at(['work'], { works: ['route a lead', 'mount'] }) },
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

/** Every built-in rule. Shops add to them and raise them; nothing switches one off. */
export const BUILT_IN_RULES: readonly Rule[] = [...AIRBAGS, ...POWER, ...WORK]
