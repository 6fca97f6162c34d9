import { Kit, type Kit as KitType } from '@/core/shop/kit'
import type { Tool } from '@/core/shop/tool'
import { ShopRules } from '@/core/vehicle/rule'

/** What Saltmarsh adds of its own: a rule learnt the hard way, and one built-in rule taken more seriously. */
export const DEMO_RULES: ShopRules = ShopRules.parse({
  raised: { cold: 'WARNING' },
  added: [
    {
      id: 'own-painted-hands',
      severity: 'NOTICE',
      sentence: 'Gloves off, hands wiped: this face is painted.',
      remedy: 'Tape above and below before the pry tool.',
      origin: 'This shop.',
      effect: 'cautions',
      at: { acts: ['release'], painted: true },
      while: [],
    },
  ],
})

export const DEMO_TOOLS: Tool[] = [
  ['pry tool', '', 4, 'each bag'],
  ['hex 7 nut driver', 'hex 7', 3, 'each bag'],
  ['hex 8 nut driver', 'hex 8', 2, 'wall'],
  ['hex 10 ratchet', 'hex 10', 2, 'wall'],
  ['T20 driver', 'six-lobe T20', 3, 'each bag'],
  ['PH2 driver', 'cross PH2', 3, 'each bag'],
  ['coax release key', '', 1, 'drawer 3'],
].map(([name, head, count, kept], i) => ({
  id: `tool-${i + 1}`,
  name: String(name),
  head: String(head),
  count: Number(count),
  kept: String(kept),
}))

/** What this crew calls things. */
export const DEMO_WORDS = [
  { word: 'wotsit', means: 'spring clip' },
  { word: 'bin lid', means: 'glovebox' },
]

/** The kits, each with its fit on the models it meets. `models`: procedure ids by the demo's short names. */
export function demoKits(models: Record<string, string>): KitType[] {
  const cavity = (cavityId: string) => [{ kind: 'cavity', cavityId }]
  return [
    Kit.parse({
      id: crypto.randomUUID(),
      name: 'Fit a recorder',
      note: 'Recorder behind the radio, switch lead to the knee panel.',
      works: [
        {
          id: 'bracket',
          name: 'Glue the bracket',
          kind: 'glue',
          station: 'centre',
          tool: 'adhesive',
          durationS: 90,
          unattendedS: 600,
          note: 'clean with alcohol first',
        },
        {
          id: 'mount',
          name: 'Mount the recorder',
          kind: 'mount',
          station: 'centre',
          tool: 'hex 7',
          durationS: 180,
          afterWork: ['bracket'],
        },
        { id: 'lead', name: 'Lead to the knee panel', kind: 'route a lead', station: 'driver side', durationS: 240 },
        {
          id: 'tap',
          name: 'Join supply and ignition',
          kind: 'join',
          station: 'driver side',
          tool: 'crimper',
          durationS: 300,
          afterWork: ['lead'],
        },
      ],
      functions: [
        {
          id: 'records',
          name: 'Recorder',
          how: 'its light turns green within a minute',
          power: 'ignition',
          warmUpS: 60,
          afterWork: ['mount', 'tap'],
        },
      ],
      fits: [
        {
          procedureId: models.van!,
          access: {
            bracket: cavity('radio-cavity'),
            mount: cavity('radio-cavity'),
            lead: [...cavity('radio-cavity'), ...cavity('knee-cavity')],
            tap: cavity('knee-cavity'),
          },
        },
      ],
    }),
    Kit.parse({
      id: crypto.randomUUID(),
      name: 'Fit a tracker',
      note: 'Tracker with its own antenna, sky above it.',
      works: [
        { id: 'place', name: 'Place the tracker', kind: 'mount', station: 'outside left', durationS: 120 },
        {
          id: 'supply',
          name: 'Join supply',
          kind: 'join',
          station: 'outside left',
          tool: 'crimper',
          durationS: 240,
          afterWork: ['place'],
        },
      ],
      functions: [
        {
          id: 'reports',
          name: 'Tracker',
          how: 'it reports its place',
          power: 'none',
          warmUpS: 60,
          afterWork: ['supply'],
        },
      ],
      fits: [
        { procedureId: models.moto!, access: { place: cavity('seat-cavity'), supply: cavity('seat-cavity') } },
        {
          procedureId: models.van!,
          access: { place: cavity('knee-cavity'), supply: cavity('knee-cavity') },
          stations: { place: 'driver side', supply: 'driver side' },
        },
      ],
    }),
    Kit.parse({
      id: crypto.randomUUID(),
      name: 'Swap the radio unit',
      note: 'The new unit is a little larger: the surround is filed.',
      works: [
        {
          id: 'file',
          name: 'File the surround',
          kind: 'file',
          station: 'bench',
          tool: 'half-round file',
          durationS: 420,
        },
      ],
      changes: [
        {
          id: 'edge',
          what: 'file',
          where: 'opening of the centre surround',
          how: '1.6 to 2 mm all round, 800 grit',
          consent: true,
          edgeTreated: true,
        },
      ],
      fits: [
        {
          procedureId: models.van!,
          access: { file: [...cavity('radio-cavity'), { kind: 'part', partId: 'surround', level: 'off' }] },
          endings: [{ itemId: 'unit', ending: 'replaced' }],
          functionsChanged: ['t-unit'],
        },
      ],
    }),
  ]
}
