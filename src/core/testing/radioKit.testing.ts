import type { ProcedureDocument } from '../procedure/document'
import { Facet } from '../procedure/facet'
import { Kit } from '../shop/kit'
import { KitFit } from '../shop/kitFit'
import type { FittedKit } from '../shop/kitHere'
import { smallDash } from './smallDash.testing'

const screws = (id: string, count: number, holds: string, more: object = {}) => ({
  ...{ id, kind: 'machine screw', count, holds: [holds], thread: { diameterMm: 3, lengthMm: 8 } },
  drives: [{ drive: 'cross', size: 'PH2' }],
  ...more,
})

/** The kit of the count: a display with 4 screws and 6 clips, two brackets of 2 and 2, a unit of 4. */
export const RADIO_KIT: Kit = Kit.parse({
  id: 'radio-kit',
  name: 'Swap the radio',
  facets: [
    {
      id: 'family',
      kind: 'unit family',
      name: 'Unit',
      choices: [
        { id: 'plain-unit', name: 'plain' },
        { id: 'map-unit', name: 'with maps' },
      ],
    },
  ],
  parts: [
    { id: 'k-display', name: 'Display', supply: { partNumber: 'D-1', priceMinor: 19_500 } },
    { id: 'k-bracket-left', name: 'Left bracket' },
    { id: 'k-bracket-right', name: 'Right bracket' },
    { id: 'k-unit', name: 'Radio unit', count: 1 },
    { id: 'k-amp-lead', name: 'Amplifier lead', when: { audio: ['amplified'] }, supply: { priceMinor: 4_500 } },
    { id: 'k-map-antenna', name: 'Map antenna', when: { family: ['map-unit'] } },
    { id: 'k-tape', name: 'Foam tape', supply: { consumable: true } },
  ],
  holders: [
    screws('k-display-screws', 4, 'k-display'),
    { id: 'k-display-clips', kind: 'spring clip', count: 6, holds: ['k-display'] },
    screws('k-left-screws', 2, 'k-bracket-left'),
    screws('k-right-screws', 2, 'k-bracket-right'),
    screws('k-unit-screws', 4, 'k-unit'),
  ],
  plugs: [
    { id: 'k-power', name: 'power', partId: 'k-unit', latch: 'press tab', circuit: 'audio' },
    {
      id: 'k-amp',
      name: 'amplifier',
      partId: 'k-amp-lead',
      latch: 'push-on',
      circuit: 'audio',
      when: { audio: ['amplified'] },
    },
  ],
  settings: [
    {
      id: 'k-switches',
      name: 'Switches of the module',
      kind: 'switches',
      partId: 'k-unit',
      expected: [
        { id: 'e1', value: '0110', when: { audio: ['plain'] } },
        { id: 'e2', value: '0111', when: { audio: ['amplified'] } },
      ],
    },
  ],
  works: [
    {
      id: 'w-brackets',
      name: 'Brackets to the unit',
      kind: 'mount',
      station: 'bench',
      tool: 'cross PH2',
      durationS: 240,
      steps: [
        { id: 's1', act: 'fit', itemId: 'k-bracket-left', side: 'left' },
        { id: 's2', act: 'fit', itemId: 'k-bracket-right', side: 'right' },
        { id: 's3', act: 'fasten', itemId: 'k-left-screws', stage: 'started' },
        { id: 's4', act: 'fasten', itemId: 'k-right-screws', stage: 'started' },
        { id: 's5', act: 'fasten', itemId: 'k-left-screws', stage: 'snug' },
        { id: 's6', act: 'fasten', itemId: 'k-right-screws', stage: 'snug' },
      ],
    },
    {
      id: 'w-unit',
      name: 'Unit into the dash',
      kind: 'mount',
      tool: 'cross PH2',
      durationS: 300,
      afterWork: ['w-brackets', 'w-amp'],
      steps: [
        { id: 's7', act: 'set', itemId: 'k-switches' },
        { id: 's8', act: 'plug', itemId: 'k-power' },
        { id: 's9', act: 'read', words: 'supply at the plug', reading: { unit: 'V', least: 11.5, most: 15 } },
        { id: 's10', act: 'fit', itemId: 'k-unit' },
        { id: 's11', act: 'fasten', itemId: 'k-unit-screws', stage: 'snug' },
      ],
    },
    {
      id: 'w-amp',
      name: 'Amplifier lead in',
      kind: 'join',
      durationS: 420,
      when: { audio: ['amplified'] },
      steps: [
        { id: 's12', act: 'fit', itemId: 'k-amp-lead' },
        { id: 's13', act: 'plug', itemId: 'k-amp' },
      ],
    },
    {
      id: 'w-display',
      name: 'Display on',
      kind: 'mount',
      durationS: 180,
      afterWork: ['w-unit'],
      steps: [
        { id: 's14', act: 'fit', itemId: 'k-display' },
        { id: 's15', act: 'fasten', itemId: 'k-display-screws', stage: 'snug' },
        { id: 's16', act: 'fasten', itemId: 'k-display-clips' },
      ],
    },
  ],
  functions: [
    { id: 'k-plays', name: 'New radio', how: 'plays from four corners', power: 'ignition', afterWork: ['w-unit'] },
    { id: 'k-maps', name: 'Maps', how: 'finds its place', when: { family: ['map-unit'] } },
  ],
})

/** As it meets the small dash: the unit has to be out. */
export const RADIO_FIT: KitFit = KitFit.parse({
  procedureId: 'small-dash',
  access: {
    'w-unit': [{ kind: 'part', partId: 'unit', level: 'off' }],
    'w-amp': [{ kind: 'part', partId: 'unit', level: 'off' }],
    'w-display': [{ kind: 'part', partId: 'unit', level: 'off' }],
  },
  endings: [{ itemId: 'unit', ending: 'replaced' }],
})

export const RADIO: FittedKit = { kit: RADIO_KIT, fit: RADIO_FIT }

/** The small dash, asking whether its audio is amplified: told for certain once its unit is off. */
export function radioDash(): ProcedureDocument {
  const audio = Facet.parse({
    ...{ id: 'audio', name: 'Audio', toldFrom: { partId: 'unit', level: 'off' } },
    choices: ['plain', 'amplified'].map((id) => ({ id, name: id, tell: id })),
  })
  return { ...smallDash(), facets: [audio] }
}
