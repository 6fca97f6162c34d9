import {
  HAZARDS,
  LAYING_KINDS,
  LENGTH_KNOWN,
  PASSAGE_EDGES,
  PASSAGE_KINDS,
  PASSAGES_THROUGH,
  PASSED_HOW,
  SEALS,
  TIED_TO,
  WAYPOINT_KINDS,
} from '@/core/procedure/wayWords'
import { NOTE, POSITIONS, WHEN, type Group, type Spec } from './formSpec'

const OPEN_FOR_IT: Spec = { as: 'access', path: 'access', label: 'Open for it' }

export const WAYPOINTS_FORM: readonly Group[] = [
  {
    title: 'Point',
    specs: [
      { as: 'text', path: 'name', label: 'Name', required: true },
      { as: 'choice', path: 'kind', label: 'It is for', options: WAYPOINT_KINDS },
      { as: 'station', path: 'station', label: 'Reached from' },
      { as: 'yes', path: 'wet', label: 'Rain, spray or wash water gets there' },
      OPEN_FOR_IT,
      {
        as: 'number',
        path: 'leaveMm',
        label: 'A lead that ends here needs beyond the way',
        unit: 'mm',
        nullable: true,
        help: 'So that the unit comes forward again. Empty: the house value.',
      },
      { as: 'number', path: 'roomMl', label: 'Room for what is left over of a lead', unit: 'ml' },
      { as: 'texts', path: 'synonyms', label: 'Also called', help: 'Separate with commas' },
      NOTE,
    ],
  },
  {
    title: 'Power, and turns',
    folded: true,
    specs: [
      {
        as: 'maybe',
        path: 'supply',
        label: 'Power is taken from here',
        blank: { from: 'fuse box', fuseA: null },
        specs: [
          {
            as: 'choice',
            path: 'from',
            label: 'From',
            options: ['battery', 'fuse box', 'spare fuse', 'switched'],
          },
          { as: 'number', path: 'fuseA', label: 'Fused there with', unit: 'A', nullable: true },
        ],
      },
      { as: 'number', path: 'bendMm', label: 'Tightest turn here, a radius', unit: 'mm', nullable: true },
    ],
  },
  { title: 'On the map', folded: true, specs: [POSITIONS] },
  WHEN,
]

const LAYINGS: Spec = {
  as: 'rows',
  path: 'layings',
  label: 'How a lead gets in: any one of these',
  add: 'Or another way to get it in',
  ids: true,
  blank: { how: 'laid in', access: [], readyS: null, perMetreS: null, tool: 'hand', helperStation: null, note: '' },
  specs: [
    { as: 'choice', path: 'how', label: 'It is', options: LAYING_KINDS },
    OPEN_FOR_IT,
    { as: 'text', path: 'tool', label: 'With', help: 'hand, or a drawing rod' },
    { as: 'number', path: 'readyS', label: 'Made ready once', unit: 's', nullable: true },
    { as: 'number', path: 'perMetreS', label: 'A metre takes', unit: 's', nullable: true, help: 'Empty: house value.' },
    { as: 'station', path: 'helperStation', label: 'A second person catches it at', empty: 'nobody needed' },
    { as: 'text', path: 'note', label: 'How' },
  ],
}

const HAZARDS_BESIDE: Spec = {
  as: 'rows',
  path: 'passes',
  label: 'What it goes by: airbags first',
  add: 'Add something it goes by',
  blank: { kind: 'airbag path', how: 'beside', distanceMm: null, itemId: null, note: '' },
  specs: [
    { as: 'choice', path: 'kind', label: 'What', options: HAZARDS },
    { as: 'choice', path: 'how', label: 'It', options: PASSED_HOW },
    {
      as: 'number',
      path: 'distanceMm',
      label: 'At its nearest',
      unit: 'mm',
      nullable: true,
      help: 'Empty counts as touching.',
    },
  ],
}

export const WAYS_FORM: readonly Group[] = [
  {
    title: 'Way',
    specs: [
      { as: 'text', path: 'name', label: 'Name', required: true },
      { as: 'station', path: 'station', label: 'Done from' },
      { as: 'item', path: 'from', label: 'From', of: 'waypoints' },
      { as: 'item', path: 'to', label: 'To', of: 'waypoints' },
      { as: 'number', path: 'lengthMm', label: 'Length, along the bed of the lead', unit: 'mm' },
      { as: 'choice', path: 'lengthKnown', label: 'That length was', options: LENGTH_KNOWN },
      LAYINGS,
    ],
  },
  {
    title: 'What can hurt',
    specs: [
      HAZARDS_BESIDE,
      { as: 'yes', path: 'looked', label: 'Somebody looked all along it, for airbags first' },
      { as: 'text', path: 'never', label: 'Never, because', help: 'Empty: nothing speaks against it.' },
    ],
  },
  {
    title: 'Room, walls and ties',
    folded: true,
    specs: [
      { as: 'bore', path: 'bore', label: 'Free at the narrowest' },
      { as: 'number', path: 'apartMm', label: 'Two leads can be kept apart by', unit: 'mm' },
      { as: 'number', path: 'slackMm', label: 'More lead where something moves', unit: 'mm' },
      { as: 'number', path: 'bendMm', label: 'Tightest turn, a radius', unit: 'mm', nullable: true },
      {
        as: 'maybe',
        path: 'passage',
        label: 'It goes through a wall',
        blank: {
          through: 'bulkhead',
          kind: 'blank grommet',
          edge: 'metal',
          seal: 'grommet',
          dripLoop: false,
          drillMm: null,
        },
        specs: [
          { as: 'choice', path: 'through', label: 'Through', options: PASSAGES_THROUGH },
          { as: 'choice', path: 'kind', label: 'By', options: PASSAGE_KINDS },
          { as: 'choice', path: 'edge', label: 'Its edge', options: PASSAGE_EDGES },
          { as: 'choice', path: 'seal', label: 'Sealed with', options: SEALS },
          { as: 'yes', path: 'dripLoop', label: 'A loop hangs lower than the hole on the wet side' },
          { as: 'number', path: 'drillMm', label: 'Drilled to', unit: 'mm', nullable: true },
        ],
      },
      {
        as: 'item',
        path: 'throughPartId',
        label: 'Through an aperture of',
        of: 'parts',
        empty: 'no part',
        help: 'The lead first, then that part goes home.',
      },
      { as: 'choice', path: 'tiedTo', label: 'Tied to', options: TIED_TO },
      { as: 'number', path: 'tieEveryMm', label: 'Every', unit: 'mm', nullable: true },
      NOTE,
    ],
  },
  { title: 'On the map', folded: true, specs: [POSITIONS] },
  WHEN,
]
