import { ProcedureDocument, emptyDocument } from '../../procedure/document'
import { Kit } from '../../shop/kit'
import { KitFit } from '../../shop/kitFit'
import type { KitLead } from '../../shop/lead'

/*
 * The invented delivery van of the design as a whole record: eight panels that open for leads, a radio, eleven points,
 * fourteen ways, and a kit with three leads. The design's figures for it were computed apart from this program.
 */

type Panel = [id: string, station: string, clips: number, screws: number, more?: object]
const PANELS: readonly Panel[] = [
  ['knee', 'driver side', 6, 0, { rests: [{ level: 'free', how: 'hangs on its leads' }] }],
  ['glovebox', 'passenger side', 0, 2, { rests: [{ level: 'free', how: 'hinged' }] }],
  ['driver-pillar', 'driver side', 3, 0],
  ['driver-sill', 'driver side', 4, 2],
  ['passenger-sill', 'passenger side', 4, 2],
  ['left-lining', 'load space', 7, 0],
  ['right-lining', 'load space', 5, 0],
  ['surround', 'centre', 6, 0],
]

const part = (id: string, station: string, more: object = {}) => ({
  ...{ id, name: id.replace('-', ' '), station, release: { motions: [{ move: 'pull', directions: ['rearward'] }] } },
  ...more,
})
const clips = (id: string, count: number, holds: string) => ({ id, kind: 'spring clip', count, holds: [holds] })
const screws = (id: string, count: number, holds: string, size = 'T20') => ({
  ...{ id, kind: 'machine screw', count, holds: [holds] },
  drives: [size.startsWith('T') ? { drive: 'six-lobe', size, seen: 3 } : { drive: 'hex', size, seen: 3 }],
})
const open = (partId: string, level = 'off') => ({ kind: 'part', partId, level })

const POINTS: readonly [id: string, name: string, station: string, leaveMm: number, more?: object][] = [
  ['U', 'behind the radio', 'centre', 250, { kind: 'device', access: [{ kind: 'cavity', cavityId: 'radio' }] }],
  ['K', 'behind the knee panel', 'driver side', 150],
  ['G', 'behind the glovebox', 'passenger side', 150],
  ['L', 'driver pillar foot', 'driver side', 150],
  ['R', 'passenger pillar foot', 'passenger side', 150],
  ['H', 'roof hole', 'driver side', 100, { kind: 'antenna' }],
  ['E', 'battery', 'outside left', 200, { kind: 'supply', wet: true, supply: { from: 'battery' } }],
  ['S', 'driver sill rear', 'driver side', 150],
  ['T', 'under the passenger seat', 'passenger side', 200, { kind: 'socket' }],
  ['D', 'left tail lamp pocket', 'load space', 150],
  ['C', 'bumper', 'outside rear', 150, { kind: 'camera', wet: true }],
]

type Manner = [how: string, access: object[], readyS?: number]
const WAYS: readonly [id: string, ends: string, mm: number, manners: Manner[], more?: object][] = [
  [
    ...(['w1', 'UK', 600, [['laid in', [open('knee', 'free')]]]] as const),
    { passes: [{ kind: 'steering column', how: 'beside', distanceMm: 60 }] },
  ] as never,
  [
    ...(['w2', 'UG', 500, [['laid in', [open('glovebox', 'free')]]]] as const),
    { passes: [{ kind: 'actuator', how: 'beside', distanceMm: 40 }] },
  ] as never,
  ['w3', 'KL', 350, [['laid in', [open('knee', 'free')]]]],
  ['w4', 'GR', 400, [['laid in', [open('glovebox', 'free')]]]],
  ['w5', 'LH', 1200, [['laid in', [open('driver-pillar')]]]],
  ['w6', 'RH', 1450, [['laid in', [open('passenger-pillar')]], ['tucked', [open('passenger-pillar', 'eased')]]]], // prettier-ignore
  ['w7', 'LS', 1500, [['laid in', [open('driver-sill')]]]],
  ['w8', 'RT', 1600, [['laid in', [open('passenger-sill')]]]],
  ['w9', 'SD', 2200, [['laid in', [open('left-lining')]]]],
  ['w10', 'TD', 2700, [['laid in', [open('right-lining')]]]],
  ['w11', 'EK', 300, [['threaded', [open('knee', 'free')], 60]], { bore: { shape: 'round', diameterMm: 14 }, passage: {} }], // prettier-ignore
  ['w12', 'EG', 450, [['threaded', [open('glovebox', 'free')], 30]], { bore: { shape: 'round', diameterMm: 22 }, passage: {} }], // prettier-ignore
  ['w13', 'ST', 1100, [['threaded', [], 120]], { bore: { shape: 'slot', widthMm: 300, heightMm: 12 } }],
  ['w14', 'DC', 400, [['threaded', [], 30]], { bore: { shape: 'round', diameterMm: 12 }, passage: { through: 'body side' } }], // prettier-ignore
]

/** The record; `ways`: what is otherwise of a way. */
export function deliveryVanRecord(ways: Readonly<Record<string, object>> = {}): ProcedureDocument {
  return ProcedureDocument.parse({
    ...emptyDocument('Delivery van'),
    parts: [
      ...PANELS.map(([id, station, , , more]) => part(id, station, more)),
      part('passenger-pillar', 'passenger side', {
        ease: { holderIds: ['passenger-pillar-upper'], loosens: 'its upper edge' },
      }),
      part('unit', 'centre'),
    ],
    holders: [
      ...PANELS.flatMap(([id, , clip, screw]) => [
        ...(clip > 0 ? [clips(`${id}-clips`, clip, id)] : []),
        ...(screw > 0 ? [screws(`${id}-screws`, screw, id)] : []),
      ]),
      clips('passenger-pillar-upper', 2, 'passenger-pillar'),
      clips('passenger-pillar-lower', 1, 'passenger-pillar'),
      screws('passenger-pillar-screws', 2, 'passenger-pillar'),
      screws('unit-screws', 4, 'unit', '7'),
    ],
    tethers: [{ id: 'unit-plug', name: 'main', partId: 'unit', latch: 'press tab', circuit: 'audio' }],
    needs: [
      {
        id: 'screws-behind',
        dependent: { act: 'undo', id: 'unit-screws' },
        needs: open('surround'),
        reason: 'covers',
      },
    ],
    cavities: [{ id: 'radio', name: 'Radio cavity', openings: [{ id: 'radio-1', parts: [{ partId: 'unit', level: 'off' }] }] }], // prettier-ignore
    waypoints: POINTS.map(([id, name, station, leaveMm, more]) => ({ id, name, station, leaveMm, ...more })),
    ways: WAYS.map(([id, ends, lengthMm, manners, more]) => ({
      ...{ id, name: id, from: ends[0], to: ends[1], station: POINTS.find(([name]) => name === ends[0])![2] },
      ...{ lengthMm, lengthKnown: 'measured', apartMm: 120, looked: true },
      layings: manners.map(([how, access, readyS], i) => ({
        id: `${id}-${i + 1}`,
        how,
        access,
        readyS: readyS ?? null,
      })),
      ...more,
      ...ways[id],
    })),
  })
}

const LEADS = {
  A: {
    ...{ id: 'A', name: 'Antenna lead', class: 'antenna', diameterMm: 3, suppliedMm: 5000, mayGetWet: 'in a sheath' },
    ends: [{ to: 'antenna' }, { to: 'device' }],
  },
  B: {
    ...{ id: 'B', name: 'Camera lead', class: 'signal', diameterMm: 5, suppliedMm: 8000, mayGetWet: 'in a sheath' },
    ends: [
      { to: 'camera', connector: { widthMm: 24, heightMm: 24 } },
      { to: 'device', connector: { widthMm: 8, heightMm: 8 } },
    ],
  },
  P: {
    ...{ id: 'P', name: 'Supply lead', class: 'supply', diameterMm: 7, mayGetWet: 'in a sheath' },
    ends: [{ to: 'supply' }, { to: 'socket' }],
    electric: { currentA: 25 },
  },
} as const

/** The kit of these leads; `more`: what is otherwise of one. */
export function threeLeads(
  names: string,
  more: Readonly<Partial<Record<keyof typeof LEADS, Partial<KitLead>>>> = {},
): { kit: Kit; fit: KitFit } {
  const leads = ([...names] as (keyof typeof LEADS)[]).map((name) => ({ ...LEADS[name], ...more[name] }))
  return {
    kit: Kit.parse({
      ...{ id: 'kit', name: 'Recorder and camera', leads },
      works: [{ id: 'mount', name: 'Mount it', durationS: 150, station: 'centre', kind: 'mount' }],
    }),
    fit: KitFit.parse({ procedureId: 'van', access: { mount: [{ kind: 'cavity', cavityId: 'radio' }] } }),
  }
}
