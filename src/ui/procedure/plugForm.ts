import { EFFORTS } from '@/core/procedure/part'
import { CIRCUITS } from '@/core/procedure/circuits'
import { LATCHES, LEAD_COLOURS, TAB_SIDES, TETHER_KINDS } from '@/core/procedure/tether'
import { LEVELS_ASKED, NOTE, POSITIONS, WHEN, type Group } from './formSpec'

export const TETHERS_FORM: readonly Group[] = [
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
]
