import { Kit } from '@/core/shop/kit'
import { on, recorderView } from '../drawings/kitDrawings'
import {
  act,
  cavity,
  fasten,
  fit,
  leadThrough,
  lookAt,
  part,
  plug,
  plugIn,
  press,
  read,
  screws,
  set,
  work,
} from './pieces'

/** A recorder behind the radio, its microphone on the pillar, its antenna above the glovebox. */
export function recorderKit(van: string): Kit {
  return Kit.parse({
    id: crypto.randomUUID(),
    name: 'Fit a recorder',
    note: 'Recorder behind the radio, microphone on the pillar, antenna under the dash top.',
    views: [recorderView()],
    parts: [
      part('rec-box', 'Recorder', 'SF-R40', 32_900, { massKg: 0.6 }),
      part('rec-bracket', 'Recorder bracket', 'SF-R41', 1_450),
      part('rec-lead', 'Recorder lead', 'SF-R42', 2_900),
      part('rec-mic', 'Microphone', 'SF-R43', 2_400),
      part('rec-antenna', 'Satellite antenna', 'SF-R44', 3_800),
      part('rec-pads', 'Adhesive pads', 'SF-C03', 90, { count: 4, supply: { consumable: true } }),
    ],
    holders: [
      screws(
        'rec-bracket-screws',
        4,
        'rec-box',
        'PH2',
        [3, 6],
        on('rec-view', [60, 54], [200, 54], [60, 126], [200, 126]),
      ),
      screws('rec-box-screws', 2, 'rec-bracket', '7', [4, 12], on('rec-view', [34, 90], [228, 140])),
      { id: 'rec-mic-clip', kind: 'spring clip', count: 1, holds: ['rec-mic'] },
    ],
    plugs: [
      plug('rec-main', 'main', 'rec-box', 'lever', 'the recorder lead', on('rec-view', [216, 71])),
      plug('rec-mic-plug', 'microphone', 'rec-mic', 'press tab', 'the recorder', { leadThrough: 'the pillar foot' }),
      plug('rec-antenna-plug', 'antenna', 'rec-antenna', 'threaded', 'the recorder', on('rec-view', [216, 109])),
    ],
    settings: [
      {
        ...{ id: 'rec-program', name: 'Recorder program', kind: 'program', partId: 'rec-box', values: ['1', '2', '3'] },
        expected: [{ id: 'rec-program-van', value: '2', source: 'print' }],
      },
    ],
    leads: [
      {
        ...{ id: 'rec-supply', name: 'Recorder supply lead', class: 'supply', diameterMm: 4 },
        ends: [{ to: 'device' }, { to: 'supply' }],
        electric: { currentA: 4 },
      },
      {
        ...{ id: 'rec-sound-lead', name: 'Microphone lead', class: 'signal', diameterMm: 3, suppliedMm: 3000 },
        ...{ mayGetWet: 'no', ends: [{ to: 'device' }, { to: 'microphone', connector: { widthMm: 8, heightMm: 8 } }] },
      },
      {
        ...{ id: 'rec-sky-lead', name: 'Antenna lead', class: 'antenna', diameterMm: 3, suppliedMm: 1000 },
        ...{ mayGetWet: 'no', ends: [{ to: 'device' }, { to: 'antenna' }] },
      },
    ],
    works: [
      work('bracket', 'Bracket on the recorder', 'mount', { station: 'bench', tool: 'cross PH2', durationS: 150 }, [
        set('rec-program', { words: 'before the bracket hides the dial' }),
        fit('rec-bracket'),
        fasten('rec-bracket-screws'),
      ]),
      work(
        'mount',
        'Mount the recorder',
        'mount',
        {
          station: 'centre',
          tool: 'hex 7',
          durationS: 180,
          afterWork: ['bracket', 'mic', 'antenna', 'tap', 'rec-sound-lead', 'rec-sky-lead'],
        },
        [
          plugIn('rec-main'),
          plugIn('rec-mic-plug'),
          plugIn('rec-antenna-plug'),
          fit('rec-box', { words: 'vents free, no force on a plug' }),
          fasten('rec-box-screws'),
        ],
      ),
      work(
        'mic',
        'Microphone on the pillar',
        'mount',
        { station: 'driver side', durationS: 210, placing: { of: 'microphone', partId: 'rec-mic' } },
        [
          leadThrough('rec-mic-plug', { caution: 'behind the airbag, never across it: keep to the maker’s lead' }),
          fit('rec-mic', { words: 'at head height, off the vents' }),
          press('rec-mic-clip'),
        ],
      ),
      work(
        'antenna',
        'Antenna under the dash top',
        'glue',
        {
          ...{ station: 'centre', durationS: 240, unattendedS: 600, consumables: ['alcohol wipe'] },
          placing: { of: 'satellite antenna', partId: 'rec-antenna' },
        },
        [
          act('degrease the place, let it dry'),
          fit('rec-antenna', { words: 'no metal above it, sky through the glass, 20 cm from other antennas' }),
          lookAt('lead laid in a figure of eight, not behind the unit'),
        ],
      ),
      work(
        'tap',
        'Join supply and ignition',
        'join',
        {
          station: 'driver side',
          tool: 'crimper',
          durationS: 300,
          afterWork: ['rec-supply'],
          alsoTools: ['stripper', 'meter'],
        },
        [
          fit('rec-lead', { words: 'its bare ends at the fuse box' }),
          read('supply at the fuse', 'V', 11.5, 15),
          act('join supply, ignition and ground, sleeve each joint'),
          read('ground to the body', 'ohm', 0, 0.5),
        ],
      ),
    ],
    functions: [
      {
        ...{ id: 'records', name: 'Recorder', how: 'its light turns green within a minute', power: 'ignition' },
        ...{ warmUpS: 60, afterWork: ['mount', 'tap'], show: 'the light, and how an event is marked' },
        troubles: [
          {
            ...{ symptom: 'the light stays red', check: 'measure the supply at its plug' },
            ...{ cause: 'joined to a fuse that sleeps', cure: 'join it to one that stays on' },
          },
        ],
        needs: [
          { of: 'plug', id: 'rec-main' },
          { of: 'setting', id: 'rec-program', because: 'by the model it is in' },
        ],
      },
      {
        ...{ id: 'rec-sound', name: 'Recorded speech', how: 'a sentence is heard back', power: 'ignition' },
        ...{ optional: true, show: 'that speech is kept, and how it is switched off' },
        needs: [
          { of: 'function', id: 'records' },
          { of: 'part', id: 'rec-mic' },
          { of: 'plug', id: 'rec-mic-plug' },
        ],
      },
    ],
    fits: [
      {
        procedureId: van,
        access: {
          mount: [cavity('radio-cavity')],
          mic: [cavity('pillar-cavity')],
          antenna: [cavity('radio-cavity')],
          tap: [cavity('knee-cavity')],
        },
      },
    ],
  })
}
