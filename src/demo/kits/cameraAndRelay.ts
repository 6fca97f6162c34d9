import { Kit } from '@/core/shop/kit'
import { cameraView, on } from '../drawings/kitDrawings'
import { act, cavity, fasten, fit, lookAt, part, plug, plugIn, read, screws, work } from './pieces'

/** A camera at the tail, its lead through the floor, and a relay for the beacons. */
export function cameraKit(pickup: string): Kit {
  return Kit.parse({
    id: crypto.randomUUID(),
    name: 'Fit a camera and a beacon relay',
    note: 'Camera at the tail, relay behind the surround.',
    views: [cameraView()],
    parts: [
      part('cam-eye', 'Camera', 'SF-K10', 11_900),
      part('cam-lead', 'Camera lead, 6 m', 'SF-K11', 2_900),
      part('relay-box', 'Beacon relay', 'SF-B05', 1_650),
    ],
    holders: [
      screws('cam-screws', 2, 'cam-eye', 'PH1', [2.5, 6], on('cam-view', [28, 84], [88, 84])),
      screws('relay-screw', 1, 'relay-box', 'T20', [4, 12], on('cam-view', [181, 46])),
    ],
    plugs: [
      plug('cam-plug', 'camera', 'cam-eye', 'threaded', 'the camera lead'),
      plug('relay-plug', 'relay', 'relay-box', 'sliding lock', 'the beacon lead', on('cam-view', [181, 104])),
    ],
    leads: [
      {
        ...{ id: 'cam-run', name: 'Camera lead', class: 'signal', diameterMm: 6, suppliedMm: 6000, mayGetWet: 'yes' },
        ends: [
          { to: 'device', connector: { widthMm: 12, heightMm: 10 } },
          { to: 'camera', connector: { widthMm: 26, heightMm: 26 } },
        ],
      },
    ],
    works: [
      work(
        'cam-look',
        'Look before it is fixed',
        'inspect',
        { station: 'outside rear', durationS: 120, placing: { of: 'camera', partId: 'cam-eye' } },
        [lookAt('hold the camera in its place: the whole bed and both corners in the picture')],
      ),
      work(
        'cam-mount',
        'Mount the camera',
        'mount',
        { station: 'outside rear', tool: 'cross PH1', durationS: 180, afterWork: ['cam-look', 'cam-run'] },
        [fit('cam-lead'), fit('cam-eye'), fasten('cam-screws'), plugIn('cam-plug')],
      ),
      work(
        'relay',
        'Relay on the beacon lead',
        'join',
        { station: 'centre', tool: 'crimper', durationS: 300, alsoTools: ['meter'] },
        [
          read('supply at the beacon fuse', 'V', 11.5, 15),
          act('join the relay, sleeve each joint'),
          fit('relay-box', { words: 'plug down: water runs off' }),
          fasten('relay-screw', 'snug', { tool: 'six-lobe T20' }),
          plugIn('relay-plug'),
        ],
      ),
    ],
    functions: [
      {
        id: 'cam-picture',
        name: 'New camera',
        how: 'picture upright, both corners seen',
        power: 'ignition',
        afterWork: ['cam-run', 'cam-mount'],
        testWith: [{ role: 'gear lever', value: 'out of park' }],
        show: 'lever in reverse, brake held: the picture comes by itself',
        needs: [{ of: 'plug', id: 'cam-plug' }],
      },
      {
        id: 'relay-works',
        name: 'Beacon relay',
        how: 'beacons turn with the switch, and stop',
        power: 'ignition',
        afterWork: ['relay'],
      },
    ],
    fits: [
      {
        procedureId: pickup,
        access: {
          relay: [cavity('beacon-cavity')],
        },
      },
    ],
  })
}
