import { Kit } from '@/core/shop/kit'
import { on, signView } from '../drawings/kitDrawings'
import { act, cavity, fasten, fit, part, partAt, plug, plugIn, read, screws, set, work } from './pieces'

/** A destination sign with spoken stops: the sign above the driver, its amplifier in the recorder bay. */
export function signKit(bus: string): Kit {
  return Kit.parse({
    id: crypto.randomUUID(),
    name: 'Fit a destination sign with audio',
    note: 'Sign driver above the driver, amplifier in the recorder bay.',
    views: [signView()],
    parts: [
      part('sgn-driver', 'Sign driver', 'SF-D10', 21_000),
      part('sgn-amp', 'Speech amplifier', 'SF-D20', 9_800, { massKg: 0.9 }),
      part('sgn-lead', 'Sign lead, 2 m', 'SF-D11', 1_800),
      part('sgn-panel', 'Switch panel with a sign key', 'SF-D30', 3_400),
    ],
    holders: [
      screws(
        'sgn-driver-screws',
        4,
        'sgn-driver',
        'T20',
        [4, 10],
        on('sgn-view', [34, 34], [246, 34], [34, 116], [246, 116]),
      ),
      screws('sgn-amp-screws', 4, 'sgn-amp', '8', [5, 16]),
      screws('sgn-panel-screws', 2, 'sgn-panel', 'T20', [4, 12]),
    ],
    plugs: [
      plug('sgn-main', 'sign', 'sgn-driver', 'sliding lock', 'the sign lead', on('sgn-view', [212, 106])),
      plug('sgn-speech', 'speech', 'sgn-amp', 'lever', 'the announcement lead'),
    ],
    settings: [
      {
        ...{ id: 'sgn-address', name: 'Address of the sign', kind: 'address', partId: 'sgn-driver' },
        expected: [{ id: 'sgn-address-front', value: '01', source: 'print' }],
      },
    ],
    works: [
      work('sgn-mount', 'Sign driver in', 'mount', { station: 'driver side', tool: 'six-lobe T20', durationS: 240 }, [
        set('sgn-address', { words: 'the dial is hidden once it is in' }),
        plugIn('sgn-main'),
        fit('sgn-lead'),
        fit('sgn-driver'),
        fasten('sgn-driver-screws'),
      ]),
      work(
        'sgn-audio',
        'Amplifier in the bay',
        'mount',
        { station: 'driver side', tool: 'hex 8', durationS: 300, alsoTools: ['meter'] },
        [
          read('supply at the bay', 'V', 22, 29),
          act('join speech and ground, sleeve each joint'),
          fit('sgn-amp', { words: 'vents free' }),
          fasten('sgn-amp-screws', 'started'),
          fasten('sgn-amp-screws', 'snug'),
          plugIn('sgn-speech'),
        ],
      ),
      work('sgn-panel-in', 'New switch panel in', 'mount', { station: 'driver side', durationS: 120 }, [
        fit('sgn-panel', { words: 'the sign key on the driver’s side' }),
        fasten('sgn-panel-screws', 'snug', { tool: 'six-lobe T20' }),
      ]),
    ],
    functions: [
      {
        id: 'sgn-shows',
        name: 'New sign',
        how: 'shows line and end, the same inside',
        power: 'ignition',
        afterWork: ['sgn-mount'],
      },
      {
        id: 'sgn-speaks',
        name: 'Spoken stops',
        how: 'heard inside and at the front door',
        power: 'ignition',
        afterWork: ['sgn-audio'],
      },
    ],
    fits: [
      {
        procedureId: bus,
        access: {
          'sgn-mount': [cavity('sign-cavity')],
          'sgn-audio': [cavity('recorder-cavity')],
          'sgn-panel-in': [partAt('switches', 'off')],
        },
        // The switch block goes over to the new panel, on its own clips.
        endings: [{ itemId: 'switches', ending: 'moved', onto: 'sgn-panel', fastenedBy: ['switch-clips'] }],
      },
    ],
  })
}
