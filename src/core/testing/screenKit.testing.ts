import { Kit } from '../shop/kit'
import { KitFit } from '../shop/kitFit'
import type { FittedKit } from '../shop/kitHere'

/** Projection needs the parking signal, a lead of the adapter, which works without it; a camera is its own option. */
export const SCREEN_KIT: Kit = Kit.parse({
  id: 'screen-kit',
  name: 'Screen',
  parts: [
    { id: 'screen', name: 'Screen' },
    { id: 'lead', name: 'Adapter lead' },
    { id: 'camera', name: 'Camera' },
  ],
  holders: [{ id: 'camera-screws', kind: 'machine screw', count: 2, holds: ['camera'] }],
  plugs: [
    { id: 'power', name: 'power', partId: 'lead', circuit: 'audio' },
    { id: 'parking', name: 'parking signal', partId: 'lead', circuit: 'brake-control' },
    { id: 'video', name: 'video', partId: 'camera', circuit: 'video' },
  ],
  settings: [{ id: 'input', name: 'Camera input', partId: 'screen', expected: [{ id: 'e', value: 'on' }] }],
  works: [
    {
      id: 'connect',
      name: 'Connect',
      steps: [
        { id: 'c1', act: 'fit', itemId: 'lead' },
        { id: 'c2', act: 'plug', itemId: 'power' },
        { id: 'c3', act: 'plug', itemId: 'parking' },
      ],
    },
    { id: 'in', name: 'Screen in', afterWork: ['connect'], steps: [{ id: 'i1', act: 'fit', itemId: 'screen' }] },
    { id: 'hole', name: 'Hole for the camera', kind: 'drill' },
    {
      id: 'see',
      name: 'Look at the picture',
      kind: 'inspect',
      placing: { of: 'camera', partId: 'camera' },
    },
    {
      id: 'cam',
      name: 'Camera on',
      afterWork: ['hole'],
      steps: [
        { id: 'k1', act: 'fit', itemId: 'camera' },
        { id: 'k2', act: 'fasten', itemId: 'camera-screws' },
        { id: 'k3', act: 'plug', itemId: 'video' },
        { id: 'k4', act: 'set', itemId: 'input' },
      ],
    },
  ],
  functions: [
    { id: 'plays', name: 'Screen', afterWork: ['in'] },
    {
      id: 'projection',
      name: 'Projection',
      optional: true,
      needs: [
        { of: 'function', id: 'plays' },
        { of: 'plug', id: 'parking', because: 'the real signal, never a bypass' },
      ],
    },
    {
      id: 'rear-view',
      name: 'Rear view',
      optional: true,
      afterWork: ['cam'],
      needs: [
        { of: 'function', id: 'plays' },
        { of: 'part', id: 'camera' },
        { of: 'plug', id: 'video' },
        { of: 'setting', id: 'input' },
      ],
    },
  ],
})

/** As it meets the small dash: the unit has to be out for its leads and for itself. */
export const SCREEN: FittedKit = {
  kit: SCREEN_KIT,
  fit: KitFit.parse({
    procedureId: 'small-dash',
    access: {
      connect: [{ kind: 'part', partId: 'unit', level: 'off' }],
      in: [{ kind: 'part', partId: 'unit', level: 'off' }],
    },
    endings: [{ itemId: 'unit', ending: 'replaced' }],
  }),
}
