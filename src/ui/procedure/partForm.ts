import { AXES, MOTIONS } from '@/core/procedure/direction'
import { ENDINGS } from '@/core/procedure/endings'
import { EFFORTS, FIXINGS, PART_TOOLS, REST_WAYS } from '@/core/procedure/part'
import { NOTE, WHEN, type Group } from './formSpec'

export const PARTS_FORM: readonly Group[] = [
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
]
