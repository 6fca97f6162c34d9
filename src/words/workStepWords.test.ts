import { expect, test } from '@jest/globals'
import { Kit } from '@/core/shop/kit'
import { WorkStep } from '@/core/shop/workStep'
import { RADIO_KIT } from '@/core/testing/radioKit.testing'
import { rangeWords, workStepWords } from './workStepWords'

const kit = Kit.parse({
  ...RADIO_KIT,
  parts: [...RADIO_KIT.parts, { id: 'pads', name: 'Pads', count: 3 }],
  plugs: [...RADIO_KIT.plugs, { id: 'led', name: 'lead', partId: 'k-unit', latch: 'threaded', into: 'the adapter' }],
})
const said = (step: object) => {
  const { title, how, mind } = workStepWords(kit, WorkStep.parse({ id: 's', ...step }))
  return [title, how, mind]
}

test.each([
  [{ act: 'fit', itemId: 'k-display' }, ['Fit Display', '', '']],
  [{ act: 'fit', itemId: 'pads' }, ['Fit 3 × Pads', '', '']],
  [{ act: 'fit', itemId: 'pads', count: 1, side: 'left', words: 'notch up' }, ['Fit Pads, left', 'notch up', '']],
  [
    { act: 'fasten', itemId: 'k-display-screws', stage: 'started', tool: 'PH2' },
    ['Fasten 4 PH2 M3 × 8 of Display, started', 'with PH2', ''],
  ],
  [
    { act: 'fasten', itemId: 'k-display-clips', side: 'both' },
    ['Fasten 6 spring clips of Display, both sides', '', ''],
  ],
  [
    { act: 'plug', itemId: 'led', caution: 'never by the wires' },
    ['Plug lead of Radio unit into the adapter', 'turn its ring until it stops, by hand', 'never by the wires'],
  ],
  [{ act: 'lead through', itemId: 'led' }, ['Lead through lead of Radio unit into the adapter', '', '']],
  [
    { act: 'set', itemId: 'k-switches', words: 'before it is hidden' },
    ['Set Switches of the module', 'to 0110 or 0111, then read it back, before it is hidden', ''],
  ],
  [
    { act: 'read', words: 'supply', reading: { unit: 'V', least: 11.5, most: 15 } },
    ['Read off supply', '11.5 to 15 V', ''],
  ],
  [{ act: 'look at', words: 'nothing pinched' }, ['Nothing pinched', '', '']],
  [{ act: 'do', words: 'degrease it' }, ['Degrease it', '', '']],
  [{ act: 'do' }, ['Do', '', '']],
] as const)('%o', (step, words) => {
  expect(said(step)).toEqual(words)
})
test.each([
  [{ unit: 'V', least: 9, most: null }, 'at least 9 V'],
  [{ unit: 'ohm', least: null, most: 0.5 }, 'at most 0.5 ohm'],
  [{ unit: 'V', least: null, most: null }, 'in V'],
  [{ unit: '', least: null, most: null }, ''],
])('%o is %s', (range, words) => {
  expect(rangeWords(range)).toBe(words)
})
