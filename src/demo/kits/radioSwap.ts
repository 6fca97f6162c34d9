import { Kit } from '@/core/shop/kit'
import { newUnitView, on } from '../drawings/kitDrawings'
import {
  act,
  cavity,
  clips,
  fasten,
  fit,
  lookAt,
  part,
  partAt,
  plug,
  plugIn,
  press,
  read,
  screws,
  set,
  work,
} from './pieces'

const AMPLIFIED = { audio: ['amplified'] }
const PLAIN = { audio: ['plain'] }

/** A new unit with its adapter and a module for the buttons on the wheel; two branches by the vehicle's audio. */
export function radioSwapKit(van: string): Kit {
  return Kit.parse({
    id: crypto.randomUUID(),
    name: 'Swap the radio unit',
    note: 'The new unit is a little larger: the surround is filed.',
    facets: [
      {
        ...{ id: 'unit-family', kind: 'unit family', name: 'Unit' },
        choices: [
          { id: 'unit-plain', name: 'plain display' },
          { id: 'unit-maps', name: 'with maps' },
        ],
      },
    ],
    views: [newUnitView()],
    parts: [
      part('swap-unit', 'New unit', 'SF-U10', 19_500, { massKg: 1.4 }),
      part('swap-left', 'Left bracket', 'SF-U11', 900),
      part('swap-right', 'Right bracket', 'SF-U12', 900),
      part('swap-display', 'Display', 'SF-U13', 14_000),
      part('swap-adapter', 'Adapter lead', 'SF-U20', 4_500),
      part('swap-amp-lead', 'Amplifier lead', 'SF-U21', 6_200, { when: AMPLIFIED }),
      part('swap-speaker-lead', 'Speaker lead', 'SF-U22', 1_900, { when: PLAIN }),
      part('swap-module', 'Wheel button module', 'SF-U30', 5_900),
      part('swap-map-antenna', 'Map antenna', 'SF-U40', 2_600, { when: { 'unit-family': ['unit-maps'] } }),
    ],
    holders: [
      screws(
        'swap-left-screws',
        4,
        'swap-left',
        'PH2',
        [3, 6],
        on('swap-view', [120, 112], [150, 112], [180, 112], [202, 112]),
      ),
      screws('swap-right-screws', 4, 'swap-right', 'PH2', [3, 6]),
      screws('swap-unit-screws', 4, 'swap-unit', '7', [4, 12], on('swap-view', [128, 132], [202, 132])),
      screws('swap-display-screws', 4, 'swap-display', 'PH2', [3, 8], {
        tell: 'longer than those of the brackets',
        ...on('swap-view', [49, 34], [49, 134]),
      }),
      clips('swap-display-clips', 6, 'swap-display'),
    ],
    plugs: [
      plug('swap-main', 'main', 'swap-adapter', 'lever', 'the new unit', on('swap-view', [257, 65])),
      plug('swap-parking', 'parking signal', 'swap-adapter', 'press tab', 'the parking brake lead'),
      plug('swap-amp', 'amplifier', 'swap-amp-lead', 'press tab', 'the adapter', { when: AMPLIFIED }),
      plug('swap-speakers', 'speakers', 'swap-speaker-lead', 'press tab', 'the adapter', { when: PLAIN }),
      plug('swap-buttons', 'wheel buttons', 'swap-module', 'friction fit', 'the adapter'),
      plug('swap-sky', 'satellite', 'swap-map-antenna', 'threaded', 'the new unit', {
        when: { 'unit-family': ['unit-maps'] },
      }),
    ],
    settings: [
      {
        ...{ id: 'swap-switches', name: 'Switches of the button module', kind: 'switches', partId: 'swap-module' },
        expected: [
          { id: 'swap-switches-plain', value: '0110', when: PLAIN },
          { id: 'swap-switches-amp', value: '0111', when: AMPLIFIED },
        ],
      },
    ],
    works: [
      work('swap-brackets', 'Brackets on the unit', 'mount', { station: 'bench', tool: 'cross PH2', durationS: 240 }, [
        fit('swap-left', { words: 'L on the flange, notch forward' }),
        fit('swap-right'),
        fasten('swap-left-screws', 'started', { count: 3, words: 'the hole in the middle stays free' }),
        fasten('swap-right-screws', 'started', { count: 3 }),
        fasten('swap-left-screws', 'snug', { count: 3 }),
        fasten('swap-right-screws', 'snug', { count: 3 }),
      ]),
      work(
        'file',
        'File the surround',
        'file',
        { station: 'bench', tool: 'half-round file', durationS: 420, heldMeanwhile: 'the surround, on cloth' },
        [
          lookAt('hold the display against it: where does it bind?'),
          act('file a little, try, file again', { tool: 'half-round file' }),
        ],
      ),
      work(
        'swap-leads',
        'Adapter and button module in',
        'join',
        {
          ...{ station: 'centre', tool: 'crimper', durationS: 420, alsoTools: ['meter'], consumables: ['sleeve'] },
          placing: { of: 'module', partId: 'swap-module' },
        },
        [
          set('swap-switches', { words: 'before it is tied away behind the unit' }),
          fit('swap-adapter'),
          plugIn('swap-parking'),
          fit('swap-amp-lead', { when: AMPLIFIED }),
          plugIn('swap-amp', { when: AMPLIFIED }),
          fit('swap-speaker-lead', { when: PLAIN }),
          plugIn('swap-speakers', { when: PLAIN }),
          fit('swap-module', { words: 'vents free, not right behind the unit' }),
          plugIn('swap-buttons'),
          read('supply at the adapter, ignition off', 'V', 11.5, 13.2),
        ],
      ),
      work(
        'swap-sky-antenna',
        'Map antenna under the dash top',
        'mount',
        {
          ...{ station: 'centre', durationS: 240, when: { 'unit-family': ['unit-maps'] } },
          placing: { of: 'satellite antenna', partId: 'swap-map-antenna' },
        },
        [fit('swap-map-antenna', { words: 'no metal above it, sky through the glass' })],
      ),
      work(
        'swap-in',
        'Unit in',
        'mount',
        {
          station: 'centre',
          tool: 'hex 7',
          durationS: 210,
          afterWork: ['swap-brackets', 'swap-leads', 'swap-sky-antenna', 'file'],
        },
        [
          plugIn('swap-main'),
          plugIn('swap-sky', { when: { 'unit-family': ['unit-maps'] } }),
          fit('swap-unit', { words: 'leads above it, nothing pinched' }),
          fasten('swap-unit-screws'),
        ],
      ),
      work(
        'swap-display-on',
        'Display on',
        'mount',
        {
          ...{ station: 'centre', tool: 'cross PH2', durationS: 120, afterWork: ['swap-in'] },
          placing: { of: 'screen', partId: 'swap-display' },
        },
        [fit('swap-display'), fasten('swap-display-screws'), press('swap-display-clips')],
      ),
      work(
        'swap-teach',
        'Teach the wheel buttons',
        'set up',
        { station: 'driver side', durationS: 120, afterWork: ['swap-display-on'] },
        [act('hold the wheel button until the module blinks', { count: 5 })],
      ),
    ],
    functions: [
      {
        ...{
          id: 'swap-plays',
          name: 'New unit',
          how: 'plays from four corners, the wheel buttons answer',
          power: 'ignition',
        },
        ...{ warmUpS: 20, afterWork: ['swap-display-on'], needs: [{ of: 'plug', id: 'swap-main' }] },
        show: 'volume, stations, and where the clock is set',
        troubles: [
          {
            ...{ symptom: 'no sound from the rear', check: 'are both pairs in the speaker lead?' },
            ...{ cause: 'a pin of the speaker lead pushed back', cure: 'push it forward until it locks' },
          },
        ],
      },
      {
        ...{
          id: 'swap-wheel',
          name: 'Wheel buttons',
          how: 'each button does what is printed on it',
          power: 'ignition',
        },
        ...{ optional: true, show: 'each button once', afterWork: ['swap-teach'] },
        needs: [
          { of: 'function', id: 'swap-plays' },
          { of: 'part', id: 'swap-module' },
          { of: 'plug', id: 'swap-buttons' },
          { of: 'setting', id: 'swap-switches', because: 'by the audio of the van' },
        ],
      },
      {
        ...{ id: 'swap-projection', name: 'Phone on the display', how: 'starts with the brake set, not without' },
        ...{ power: 'ignition', optional: true, show: 'the customer pairs their own telephone' },
        testWith: [{ role: 'parking brake', value: 'on' }],
        needs: [
          { of: 'function', id: 'swap-plays' },
          { of: 'plug', id: 'swap-parking', because: 'the real signal, never a bypass' },
        ],
      },
      {
        ...{ id: 'swap-maps', name: 'Maps', how: 'finds its place under the open sky', power: 'ignition', warmUpS: 60 },
        ...{ when: { 'unit-family': ['unit-maps'] }, show: 'a way home' },
        needs: [
          { of: 'part', id: 'swap-map-antenna' },
          { of: 'plug', id: 'swap-sky' },
        ],
      },
    ],
    changes: [
      {
        ...{
          id: 'edge',
          what: 'file',
          where: 'opening of the centre surround',
          how: '1.6 to 2 mm all round, 800 grit',
        },
        ...{ consent: true, edgeTreated: true },
      },
    ],
    fits: [
      {
        procedureId: van,
        access: {
          file: [cavity('radio-cavity'), partAt('surround', 'off')],
          'swap-leads': [cavity('radio-cavity')],
          'swap-sky-antenna': [cavity('radio-cavity')],
          'swap-in': [cavity('radio-cavity')],
          'swap-display-on': [cavity('radio-cavity')],
        },
        endings: [{ itemId: 'unit', ending: 'replaced', by: 'swap-unit' }],
        adapted: [{ tetherId: 'main', partId: 'swap-adapter', plugIds: ['swap-main'] }],
        functionsChanged: ['t-unit'],
      },
    ],
  })
}
