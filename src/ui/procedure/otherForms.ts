import { CAUTION_ACTS } from '@/core/procedure/acts'
import { SEVERITIES } from '@/core/procedure/severity'
import { NEED_REASONS } from '@/core/procedure/needReasons'
import { SETTING_ROLES } from '@/core/procedure/setting'
import { LEVELS_ASKED, LEVELS_OPENED, NOTE, WHEN, type Group, type Spec } from './formSpec'

/** From when something can be seen: from outside, unless a part and a level are named. */
const seenFrom = (path: string, label: string): Spec => ({
  as: 'maybe',
  path,
  label,
  blank: { partId: '', level: 'off' },
  specs: [
    { as: 'item', path: 'partId', label: 'Part', of: 'parts' },
    { as: 'choice', path: 'level', label: 'Level', options: LEVELS_ASKED },
  ],
})

export const NEEDS_FORM: readonly Group[] = [
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
]

export const SETTINGS_FORM: readonly Group[] = [
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
]

export const CAVITIES_FORM: readonly Group[] = [
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
]

export const FACETS_FORM: readonly Group[] = [
  {
    title: 'How examples differ',
    specs: [
      { as: 'text', path: 'name', label: 'Name', required: true },
      {
        as: 'choice',
        path: 'kind',
        label: 'It is about',
        options: ['other', 'steering side', 'year span', 'unit family', 'option'],
      },
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
          {
            as: 'rows',
            path: 'tells',
            label: 'Signs that make it likely',
            add: 'Add a sign',
            ids: true,
            blank: { words: '', seen: 1, right: 1, from: null },
            specs: [
              { as: 'text', path: 'words', label: 'Seen' },
              { as: 'number', path: 'right', label: 'Right' },
              { as: 'number', path: 'seen', label: 'of so many that showed it' },
              seenFrom('from', 'Seen only once a part is free or off'),
            ],
          },
        ],
      },
      seenFrom('toldFrom', 'Can be told for certain only once a part is free or off'),
    ],
  },
]

export const FUNCTIONS_FORM: readonly Group[] = [
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
      { as: 'number', path: 'least', label: 'At least', nullable: true, help: 'Outside its range a reading fails.' },
      { as: 'number', path: 'most', label: 'At most', nullable: true },
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
]

export const CAUTIONS_FORM: readonly Group[] = [
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
]

export const VIEWS_FORM: readonly Group[] = [
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
]
