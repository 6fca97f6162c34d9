import type { Rule } from './rule'
import { at, rule } from './ruleParts'

/** Lever, battery and engine. */
export const POWER: readonly Rule[] = [
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
