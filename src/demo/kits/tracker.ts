import { Kit } from '@/core/shop/kit'
import { on, trackerView } from '../drawings/kitDrawings'
import { act, cavity, fit, lookAt, part, plug, plugIn, read, work } from './pieces'

/** A tracker with its own antenna: sky above it, wet side down. */
export function trackerKit(moto: string, van: string): Kit {
  return Kit.parse({
    id: crypto.randomUUID(),
    name: 'Fit a tracker',
    note: 'Tracker with its own antenna, sky above it.',
    views: [trackerView()],
    parts: [
      part('trk-box', 'Tracker', 'SF-T20', 8_900),
      part('trk-lead', 'Tracker lead, fused', 'SF-T21', 1_900),
      part('trk-ties', 'Cable ties', 'SF-C01', 5, { count: 6, supply: { consumable: true } }),
    ],
    holders: [
      { id: 'trk-pad', kind: 'hook-and-loop', count: 2, holds: ['trk-box'], ...on('trk-view', [46, 76], [100, 76]) },
    ],
    plugs: [plug('trk-plug', 'tracker', 'trk-box', 'press tab', 'the tracker lead', on('trk-view', [132, 55]))],
    leads: [
      {
        ...{ id: 'trk-supply', name: 'Tracker supply lead', class: 'supply', diameterMm: 3 },
        ...{ ends: [{ to: 'device' }, { to: 'supply' }], electric: { currentA: 1 } },
      },
      {
        ...{ id: 'trk-wake', name: 'Tracker ignition lead', class: 'switched', diameterMm: 2 },
        ends: [{ to: 'device' }, { to: 'other', name: 'switched lead' }],
      },
    ],
    works: [
      work(
        'place',
        'Place the tracker',
        'mount',
        { station: 'outside left', durationS: 120, consumables: ['alcohol wipe'] },
        [
          act('degrease the place, let it dry'),
          fit('trk-box', { words: 'label up: nothing of metal above it' }),
          { act: 'fasten', itemId: 'trk-pad' },
        ],
      ),
      work(
        'supply',
        'Join supply',
        'join',
        {
          station: 'outside left',
          tool: 'crimper',
          durationS: 240,
          afterWork: ['place', 'trk-supply', 'trk-wake'],
          alsoTools: ['meter'],
        },
        [
          read('supply at the battery', 'V', 11.5, 14.8),
          fit('trk-lead', { words: 'clear of the exhaust and of the steering head' }),
          plugIn('trk-plug'),
          lookAt('lock to lock: nothing pinched, slack at the head'),
        ],
      ),
    ],
    functions: [
      {
        ...{ id: 'reports', name: 'Tracker', how: 'it reports its place', power: 'battery', warmUpS: 60 },
        afterWork: ['supply'],
      },
    ],
    fits: [
      {
        procedureId: moto,
        access: { place: [cavity('tank-cavity')], supply: [cavity('tank-cavity'), cavity('seat-cavity')] },
        leads: { 'trk-wake': { ends: [['mc-tank'], ['mc-head']] } },
      },
      {
        procedureId: van,
        access: { place: [cavity('knee-cavity')], supply: [cavity('knee-cavity')] },
        leads: {
          'trk-supply': { ends: [['p-knee'], ['p-fuse']] },
          'trk-wake': { ends: [['p-knee'], ['p-fuse']] },
        },
        stations: { place: 'driver side', supply: 'driver side' },
      },
    ],
  })
}
