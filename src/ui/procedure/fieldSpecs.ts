import { CAUTION_ACTS } from '@/core/procedure/acts'
import { SEVERITIES } from '@/core/procedure/severity'
import { AXES, MOTIONS } from '@/core/procedure/direction'
import type { FactCollection } from '@/core/procedure/document'
import { ENDINGS } from '@/core/procedure/endings'
import { DRIVES, HOLDER_KINDS } from '@/core/procedure/holderKinds'
import { NEED_REASONS } from '@/core/procedure/needReasons'
import { EFFORTS, FIXINGS, PART_TOOLS, REST_WAYS } from '@/core/procedure/part'
import { SETTING_ROLES } from '@/core/procedure/setting'
import { CIRCUITS } from '@/core/procedure/circuits'
import { LATCHES, LEAD_COLOURS, TAB_SIDES, TETHER_KINDS } from '@/core/procedure/tether'

/** How a field of a fact is entered. Paths are those of the document ("release.start"). */
export type Spec =
  | {
      as: 'text' | 'long' | 'texts'
      path: string
      label: string
      help?: string
      required?: boolean
      suggest?: readonly string[]
    }
  | { as: 'number'; path: string; label: string; unit?: string; nullable?: boolean; help?: string }
  | { as: 'choice'; path: string; label: string; options: readonly string[]; empty?: string; help?: string }
  | { as: 'station' | 'stations'; path: string; label: string; empty?: string }
  | { as: 'choices'; path: string; label: string; options: readonly string[] }
  | { as: 'yes' | 'photo'; path: string; label: string }
  | { as: 'item' | 'items'; path: string; label: string; of: ItemKind; empty?: string; help?: string }
  | { as: 'rows'; path: string; label: string; blank: object; specs: readonly Spec[]; add: string; ids?: boolean }
  | { as: 'maybe'; path: string; label: string; blank: object; specs: readonly Spec[] }
  | { as: 'points'; path: string; label: string; help?: string }
  | { as: 'when'; path: string; label: string }
  | { as: 'waits' | 'needs'; path: string; label: string }

export type ItemKind = 'parts' | 'holders' | 'tethers' | 'functions' | 'views' | 'settings' | 'anything'
export type Group = { title: string; specs: readonly Spec[]; folded?: boolean }

/** Sizes met in vehicles; a list offers, it never rejects another one. */
const DRIVE_SIZES = [
  '7',
  '8',
  '10',
  '13',
  '16',
  'T10',
  'T15',
  'T20',
  'T25',
  'T30',
  'T40',
  'PH1',
  'PH2',
  'PH3',
  'PZ1',
  'PZ2',
  '2.5',
  '3',
  '4',
  '5',
  '6',
] as const
const LEVELS_ASKED = ['free', 'off'] as const
const LEVELS_OPENED = ['eased', 'free', 'off'] as const
const WHEN: Group = {
  title: 'Only on some builds',
  folded: true,
  specs: [{ as: 'when', path: 'when', label: 'Exists only on' }],
}
const NOTE: Spec = { as: 'long', path: 'note', label: 'Note' }
const POSITIONS: Spec = {
  as: 'rows',
  path: 'positions',
  label: 'Marks on the map, in millimetres of the view',
  add: 'Add a mark',
  blank: { viewId: '', x: 0, y: 0 },
  specs: [
    { as: 'item', path: 'viewId', label: 'View', of: 'views' },
    { as: 'number', path: 'x', label: 'From the left', unit: 'mm' },
    { as: 'number', path: 'y', label: 'From the top', unit: 'mm' },
  ],
}

/** The form of each kind of fact, in the order a recorder thinks of it. What is rarely needed is folded. */
export const FORMS: Record<FactCollection, readonly Group[]> = {
  parts: [
    {
      title: 'Part',
      specs: [
        { as: 'text', path: 'name', label: 'Name', required: true },
        { as: 'texts', path: 'synonyms', label: 'Also called', help: 'Separate with commas.' },
        { as: 'station', path: 'station', label: 'Worked on from' },
        {
          as: 'choice',
          path: 'fixing',
          label: 'Held by',
          options: FIXINGS,
          help: 'Press fit and rests: nothing fastens it, and that is a fact.',
        },
        { as: 'text', path: 'zone', label: 'Zone' },
        { as: 'number', path: 'pieces', label: 'Pieces' },
        { as: 'yes', path: 'brittle', label: 'Brittle' },
        { as: 'yes', path: 'painted', label: 'Painted' },
      ],
    },
    {
      title: 'Comes off',
      specs: [
        { as: 'text', path: 'release.start', label: 'Start at the', help: 'Lower left, bottom, top of the pillar.' },
        {
          as: 'rows',
          path: 'release.motions',
          label: 'Motions in order',
          add: 'Add a motion',
          blank: { move: 'pull', directions: ['rearward'], turn: null, note: '' },
          specs: [
            { as: 'choice', path: 'move', label: 'Move', options: MOTIONS },
            { as: 'choices', path: 'directions', label: 'Toward', options: AXES },
            { as: 'text', path: 'note', label: 'Note' },
          ],
        },
        { as: 'choice', path: 'release.tool', label: 'With', options: PART_TOOLS },
        { as: 'choice', path: 'release.effort', label: 'Effort', options: EFFORTS },
        { as: 'text', path: 'release.protect', label: 'Protect' },
        { as: 'text', path: 'release.mustNot', label: 'Never', help: '“Never up: the front hooks break”' },
        {
          as: 'rows',
          path: 'rests',
          label: 'May wait without coming off',
          add: 'It may rest',
          blank: { level: 'free', how: 'hangs on its leads', note: '' },
          specs: [
            { as: 'choice', path: 'how', label: 'How', options: REST_WAYS },
            { as: 'text', path: 'note', label: 'Mind' },
          ],
        },
      ],
    },
    {
      title: 'Goes back, where it differs',
      folded: true,
      specs: [
        { as: 'text', path: 'refit.before', label: 'Before pushing home' },
        { as: 'text', path: 'refit.first', label: 'First' },
        { as: 'text', path: 'refit.align', label: 'Line up' },
        { as: 'text', path: 'refit.last', label: 'Last' },
        { as: 'text', path: 'refit.confirm', label: 'It is home when' },
        { as: 'items', path: 'refit.keepInFront', label: 'Leads that stay in front', of: 'tethers' },
        { as: 'yes', path: 'refit.startAllFirst', label: 'Start all fasteners by hand, adjust, then snug' },
        { as: 'items', path: 'refit.tightenOrder', label: 'Made snug in this order', of: 'holders' },
        { as: 'yes', path: 'refit.hardToUndo', label: 'Its last push can hardly be undone: test first' },
      ],
    },
    {
      title: 'More',
      folded: true,
      specs: [
        { as: 'number', path: 'persons', label: 'Persons' },
        { as: 'station', path: 'helperStation', label: 'The second person stands at', empty: 'nobody else' },
        { as: 'number', path: 'massKg', label: 'Mass', unit: 'kg', nullable: true },
        { as: 'yes', path: 'hot', label: 'Hot: wait before it is touched' },
        { as: 'yes', path: 'fuel', label: 'A tank, or what raises one' },
        {
          as: 'item',
          path: 'carriedBy',
          label: 'Comes along inside',
          of: 'parts',
          empty: 'nothing: it comes off by itself',
        },
        { as: 'choice', path: 'usualEnd', label: 'Usually ends', options: ENDINGS.slice(0, 5) },
        {
          as: 'maybe',
          path: 'ease',
          label: 'Can be eased: some of its holders undone so that it gives',
          blank: { holderIds: [], gapMm: null, mustNot: '' },
          specs: [
            { as: 'items', path: 'holderIds', label: 'Undo only', of: 'holders' },
            { as: 'number', path: 'gapMm', label: 'It gives', unit: 'mm', nullable: true },
            { as: 'text', path: 'mustNot', label: 'Never' },
          ],
        },
        NOTE,
        {
          as: 'maybe',
          path: 'outline',
          label: 'Drawn on the map',
          blank: {
            viewId: '',
            points: [
              [0, 0],
              [200, 0],
              [200, 100],
              [0, 100],
            ],
          },
          specs: [
            { as: 'item', path: 'viewId', label: 'View', of: 'views' },
            {
              as: 'points',
              path: 'points',
              label: 'Corners, in millimetres from the top left',
              help: 'Pairs “across,down”: 0,0 200,0 200,100 0,100',
            },
          ],
        },
      ],
    },
    WHEN,
  ],
  holders: [
    {
      title: 'Fastener group',
      specs: [
        { as: 'items', path: 'holds', label: 'Holds', of: 'parts' },
        { as: 'choice', path: 'kind', label: 'Kind', options: HOLDER_KINDS },
        { as: 'number', path: 'count', label: 'Count' },
        { as: 'choice', path: 'howMany', label: 'The count is', options: ['counted', 'about', 'unknown'] },
        { as: 'number', path: 'countMost', label: 'At most, where it is about', nullable: true },
        {
          as: 'rows',
          path: 'drives',
          label: 'Drive; several when examples differ',
          add: 'Add a drive',
          blank: { drive: 'hex', size: '', seen: 0 },
          specs: [
            { as: 'choice', path: 'drive', label: 'Drive', options: DRIVES },
            { as: 'text', path: 'size', label: 'Size', help: '7, T20, PH2', suggest: DRIVE_SIZES },
            { as: 'number', path: 'seen', label: 'Seen' },
          ],
        },
        {
          as: 'maybe',
          path: 'thread',
          label: 'Thread known',
          blank: { diameterMm: 4, lengthMm: 16, pitchMm: null, greatestDepthMm: null },
          specs: [
            { as: 'number', path: 'diameterMm', label: 'M', unit: 'mm' },
            { as: 'number', path: 'lengthMm', label: 'Length', unit: 'mm' },
            { as: 'number', path: 'pitchMm', label: 'Pitch', unit: 'mm', nullable: true },
            { as: 'number', path: 'greatestDepthMm', label: 'No deeper than', unit: 'mm', nullable: true },
          ],
        },
      ],
    },
    {
      title: 'More',
      folded: true,
      specs: [
        { as: 'yes', path: 'captive', label: 'Captive: stays in the part' },
        { as: 'choice', path: 'letsGo', label: 'Lets go', options: ['as its kind', 'by itself', 'with the pull'] },
        { as: 'yes', path: 'bearsWeight', label: 'Bears the weight: out last, in first' },
        {
          as: 'maybe',
          path: 'turn',
          label: 'Turned',
          blank: { sense: 'anticlockwise', angleDeg: 90, seenFrom: '' },
          specs: [
            { as: 'choice', path: 'sense', label: 'Out', options: ['clockwise', 'anticlockwise'] },
            { as: 'number', path: 'angleDeg', label: 'By', unit: '°' },
            { as: 'text', path: 'seenFrom', label: 'Seen from' },
          ],
        },
        { as: 'choice', path: 'reuse', label: 'Afterwards', options: ['reuse', 'single use'] },
        { as: 'number', path: 'torqueNm', label: 'Torque', unit: 'N m', nullable: true },
        { as: 'choice', path: 'reach.by', label: 'Reached by', options: ['sight', 'mirror', 'feel'] },
        { as: 'text', path: 'reach.lookFrom', label: 'Look from' },
        { as: 'number', path: 'reach.depthMm', label: 'How deep', unit: 'mm', nullable: true },
        { as: 'number', path: 'reach.headroomMm', label: 'Headroom', unit: 'mm', nullable: true },
        {
          as: 'choice',
          path: 'reach.powerTool',
          label: 'Power tool',
          options: ['not said', 'no', 'out only', 'out and in'],
        },
        {
          as: 'texts',
          path: 'stack',
          label: 'Stack in order, head first',
          help: 'Separate with commas: screw, sleeve, washer',
        },
        { as: 'text', path: 'tell', label: 'Told from a lookalike by' },
        NOTE,
        POSITIONS,
      ],
    },
    WHEN,
  ],
  tethers: [
    {
      title: 'Plug, hose or strap',
      specs: [
        { as: 'text', path: 'name', label: 'Name', required: true },
        { as: 'item', path: 'partId', label: 'Ties', of: 'parts' },
        { as: 'choice', path: 'kind', label: 'Kind', options: TETHER_KINDS },
        { as: 'choice', path: 'circuit', label: 'Circuit', options: CIRCUITS, empty: 'not known' },
        { as: 'choice', path: 'latch', label: 'Latch', options: LATCHES, empty: 'not known' },
        { as: 'choice', path: 'tabSide', label: 'Tab faces', options: TAB_SIDES, empty: 'not known' },
        { as: 'items', path: 'functions', label: 'Functions to test afterwards', of: 'functions' },
      ],
    },
    {
      title: 'More',
      folded: true,
      specs: [
        { as: 'text', path: 'pressAt', label: 'Press' },
        { as: 'text', path: 'tool', label: 'Takes a tool', help: 'spanner 8 mm; empty for bare hands' },
        { as: 'choice', path: 'effort', label: 'It is', options: EFFORTS },
        { as: 'choice', path: 'reach.by', label: 'Reached by', options: ['sight', 'mirror', 'feel'] },
        { as: 'text', path: 'reach.lookFrom', label: 'Look from' },
        { as: 'choice', path: 'colour', label: 'Real colour', options: LEAD_COLOURS, empty: 'not known' },
        { as: 'choice', path: 'mustOpenFor', label: 'Must be open for the part to be', options: LEVELS_ASKED },
        { as: 'choice', path: 'reached', label: 'Reached', options: ['before the release', 'after the release'] },
        { as: 'text', path: 'leadThrough', label: 'Its lead goes first through' },
        { as: 'item', path: 'throughPartId', label: 'That aperture is in', of: 'parts', empty: 'its own part' },
        { as: 'text', path: 'beforePlugging', label: 'Before plugging' },
        { as: 'items', path: 'mixups', label: 'Can be confused with', of: 'tethers' },
        { as: 'text', path: 'tell', label: 'Told apart by' },
        NOTE,
        POSITIONS,
      ],
    },
    WHEN,
  ],
  needs: [
    {
      title: 'What has to wait',
      specs: [
        { as: 'choice', path: 'reason', label: 'Reason', options: NEED_REASONS },
        { as: 'waits', path: 'dependent', label: 'What waits' },
        { as: 'needs', path: 'needs', label: 'Until' },
        { as: 'long', path: 'note', label: 'Why' },
      ],
    },
    WHEN,
  ],
  settings: [
    {
      title: 'Setting',
      specs: [
        { as: 'text', path: 'name', label: 'Name', required: true },
        { as: 'choice', path: 'role', label: 'For the rules of safety it is', options: SETTING_ROLES },
        { as: 'texts', path: 'values', label: 'Values', help: 'Separate with commas: park, out of park' },
        { as: 'text', path: 'asFound', label: 'As found' },
        { as: 'text', path: 'atEnd', label: 'At the end', help: '“as found”, or one of the values' },
        {
          as: 'choice',
          path: 'meanwhile',
          label: 'While work or tests lie between two needs for it',
          options: ['goes back', 'may stay'],
        },
        {
          as: 'number',
          path: 'waitMin',
          label: 'Of a battery: the maker’s wait after off',
          unit: 'min',
          nullable: true,
          help: 'Empty: nobody knows, the house value counts.',
        },
        {
          as: 'rows',
          path: 'methods',
          label: 'Ways to change it',
          add: 'Add a way',
          ids: true,
          blank: { name: '', to: '', stations: ['driver side'], durationS: null, tool: '', note: '' },
          specs: [
            { as: 'text', path: 'name', label: 'How' },
            { as: 'text', path: 'to', label: 'To value' },
            { as: 'stations', path: 'stations', label: 'From' },
            { as: 'number', path: 'durationS', label: 'Takes', unit: 's', nullable: true },
            { as: 'text', path: 'tool', label: 'With', help: 'hex 10; empty for bare hands' },
          ],
        },
        NOTE,
      ],
    },
    WHEN,
  ],
  cavities: [
    {
      title: 'What a job opens',
      specs: [
        { as: 'text', path: 'name', label: 'Name', required: true },
        {
          as: 'rows',
          path: 'openings',
          label: 'Openings: any one of them gives access',
          add: 'Add another opening',
          ids: true,
          blank: { name: '', roomier: false, saves: '', savesS: 0, parts: [{ partId: '', level: 'off' }] },
          specs: [
            { as: 'yes', path: 'roomier', label: 'Roomier than needed: optional' },
            { as: 'text', path: 'saves', label: 'What the room saves' },
            { as: 'number', path: 'savesS', label: 'It saves', unit: 's' },
            {
              as: 'rows',
              path: 'parts',
              label: 'Parts out of the way',
              add: 'And another part',
              blank: { partId: '', level: 'off' },
              specs: [
                { as: 'item', path: 'partId', label: 'Part', of: 'parts' },
                { as: 'choice', path: 'level', label: 'Level', options: LEVELS_OPENED },
              ],
            },
          ],
        },
        NOTE,
      ],
    },
    WHEN,
  ],
  facets: [
    {
      title: 'How examples differ',
      specs: [
        { as: 'text', path: 'name', label: 'Name', required: true },
        { as: 'choice', path: 'kind', label: 'It is about', options: ['other', 'steering side', 'year span'] },
        {
          as: 'rows',
          path: 'choices',
          label: 'Choices',
          add: 'Add a choice',
          ids: true,
          blank: { name: '', tell: '', photoId: null },
          specs: [
            { as: 'text', path: 'name', label: 'Choice' },
            { as: 'text', path: 'tell', label: 'Told by' },
            { as: 'photo', path: 'photoId', label: 'Picture that tells it' },
          ],
        },
        {
          as: 'maybe',
          path: 'toldFrom',
          label: 'Can be told only once a part is free or off',
          blank: { partId: '', level: 'off' },
          specs: [
            { as: 'item', path: 'partId', label: 'Part', of: 'parts' },
            { as: 'choice', path: 'level', label: 'Level', options: LEVELS_ASKED },
          ],
        },
      ],
    },
  ],
  functions: [
    {
      title: 'What to test',
      specs: [
        { as: 'text', path: 'name', label: 'Name', required: true },
        { as: 'text', path: 'how', label: 'Passed when' },
        {
          as: 'choice',
          path: 'power',
          label: 'Power needed',
          options: ['none', 'battery', 'accessory', 'ignition', 'engine'],
        },
        { as: 'text', path: 'readingUnit', label: 'Unit of a reading, if one is taken' },
        {
          as: 'choice',
          path: 'interim',
          label: 'Tested',
          options: ['when hidden', 'at hand-over'],
          help: 'When hidden: before trim covers its plugs again.',
        },
        { as: 'number', path: 'warmUpS', label: 'Its unit needs', unit: 's' },
        { as: 'items', path: 'alsoNeeds', label: 'Also needs plugged', of: 'tethers' },
      ],
    },
    {
      title: 'Why it failed before',
      folded: true,
      specs: [
        {
          as: 'rows',
          path: 'troubles',
          label: 'What to look at when it fails',
          add: 'Add a cause',
          blank: { symptom: '', check: '', cause: '', cure: '' },
          specs: [
            { as: 'text', path: 'cause', label: 'It was' },
            { as: 'text', path: 'symptom', label: 'It looked like' },
            { as: 'text', path: 'check', label: 'Look at' },
            { as: 'text', path: 'cure', label: 'Cured by' },
          ],
        },
      ],
    },
    WHEN,
  ],
  cautions: [
    {
      title: 'Caution',
      specs: [
        {
          as: 'choice',
          path: 'severity',
          label: 'Severity',
          options: SEVERITIES,
          help: 'DANGER will kill or seriously injure, WARNING could, CAUTION could injure moderately, NOTICE is damage only.',
        },
        { as: 'long', path: 'sentence', label: 'Sentence' },
        { as: 'item', path: 'at.itemId', label: 'Where it bites', of: 'anything' },
        { as: 'choice', path: 'at.act', label: 'When', options: CAUTION_ACTS },
      ],
    },
    WHEN,
  ],
  views: [
    {
      title: 'View of the panel map',
      specs: [
        { as: 'text', path: 'name', label: 'Name', required: true },
        { as: 'number', path: 'widthMm', label: 'Width', unit: 'mm' },
        { as: 'number', path: 'heightMm', label: 'Height', unit: 'mm' },
        {
          as: 'choice',
          path: 'looking',
          label: 'Seen looking',
          options: ['forward', 'rearward', 'left', 'right', 'up', 'down'],
          help: 'From the seat at the dash: forward. At the left side of a motorcycle: right.',
        },
        {
          as: 'item',
          path: 'backOf',
          label: 'It is the back of',
          of: 'views',
          empty: 'no other view',
          help: 'Outlines and marks are then those of the front, seen mirrored.',
        },
        { as: 'yes', path: 'measured', label: 'Its millimetres were measured' },
        { as: 'text', path: 'leftWord', label: 'Word at the left edge' },
        { as: 'text', path: 'rightWord', label: 'Word at the right edge' },
      ],
    },
  ],
}

/** Fields that can be set for several rows at once. */
export const TOGETHER: Partial<Record<FactCollection, readonly Extract<Spec, { as: 'choice' }>[]>> = Object.fromEntries(
  (['parts', 'holders', 'tethers', 'cautions', 'functions'] as const).map((collection) => [
    collection,
    FORMS[collection].flatMap((group) =>
      group.specs.filter(
        (spec): spec is Extract<Spec, { as: 'choice' }> => spec.as === 'choice' && !spec.path.includes('.'),
      ),
    ),
  ]),
)

export const COLLECTION_WORDS: Record<FactCollection, { one: string; many: string }> = {
  parts: { one: 'part', many: 'Parts' },
  holders: { one: 'fastener group', many: 'Fasteners' },
  tethers: { one: 'plug or hose', many: 'Plugs' },
  needs: { one: 'need', many: 'Needs' },
  settings: { one: 'setting', many: 'Settings' },
  cavities: { one: 'cavity', many: 'Cavities' },
  facets: { one: 'facet', many: 'Facets' },
  functions: { one: 'test', many: 'Tests' },
  cautions: { one: 'caution', many: 'Cautions' },
  views: { one: 'view', many: 'Views' },
}
