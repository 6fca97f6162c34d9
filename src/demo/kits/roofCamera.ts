import { Kit } from '@/core/shop/kit'
import { cavity, fit, lookAt, part, partAt, plug, plugIn, work } from './pieces'

/** A camera over the door of the bus, its lead along the roof. */
export function roofCameraKit(bus: string): Kit {
  return Kit.parse({
    id: crypto.randomUUID(),
    name: 'Fit a roof camera',
    note: 'Camera at the ceiling hatch, to the recorder bay.',
    parts: [
      part('roof-eye', 'Roof camera', 'SF-K20', 13_400),
      part('roof-lead', 'Roof camera lead, 6 m', 'SF-K21', 2_900),
    ],
    plugs: [plug('roof-plug', 'camera', 'roof-eye', 'threaded', 'the roof camera lead')],
    leads: [
      {
        ...{ id: 'roof-run', name: 'Roof camera lead', class: 'signal', diameterMm: 6, suppliedMm: 6000 },
        ...{ mayGetWet: 'no', ends: [{ to: 'device' }, { to: 'camera', connector: { widthMm: 16, heightMm: 16 } }] },
      },
    ],
    works: [
      work(
        'roof-look',
        'Look before it is fixed',
        'inspect',
        { station: 'centre', durationS: 90, placing: { of: 'camera', partId: 'roof-eye' } },
        [lookAt('hold the camera at the hatch: the door and the steps in the picture')],
      ),
      work(
        'roof-mount',
        'Mount the camera',
        'mount',
        { station: 'centre', durationS: 150, afterWork: ['roof-look', 'roof-run'] },
        [fit('roof-lead'), fit('roof-eye'), plugIn('roof-plug')],
      ),
    ],
    functions: [
      {
        ...{ id: 'roof-picture', name: 'Roof camera', how: 'picture upright, the steps seen', power: 'ignition' },
        ...{ afterWork: ['roof-mount', 'roof-run'], needs: [{ of: 'plug', id: 'roof-plug' }] },
      },
    ],
    fits: [
      {
        procedureId: bus,
        access: {
          'roof-look': [partAt('ceiling', 'off')],
          'roof-mount': [partAt('ceiling', 'off'), cavity('recorder-cavity')],
        },
      },
    ],
  })
}
