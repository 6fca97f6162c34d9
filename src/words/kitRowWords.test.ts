import { describe, expect, test } from '@jest/globals'
import type { KitRow } from '@/core/job/kitRows'
import { LATCHES } from '@/core/procedure/tether'
import { withKits } from '@/core/shop/withKits'
import { RADIO, radioDash } from '@/core/testing/radioKit.testing'
import { Facet } from '@/core/procedure/facet'
import { toldByTells } from '@/core/procedure/tells'
import { kitRowWords, supplyName, tryWords } from './kitRowWords'
import { rightWords, seenFromWords, toldByTellsWords } from './tellWords'

const document = withKits(radioDash(), [RADIO])
const screws = (more: object): KitRow => ({
  ...{
    account: 'supply',
    id: 'k-unit-screws',
    of: 'holder',
    box: 4,
    there: 4,
    wanted: 4,
    fitted: 4,
    left: 0,
    open: [],
  },
  ...more,
})
const said = (row: KitRow) => {
  const { heading, sentence } = kitRowWords(document, row)
  return `${heading}: ${sentence}`
}

test.each<[object, string]>([
  [{}, 'Radio unit, PH2 M3 × 8: 4 of 4 fitted.'],
  [{ there: 6, left: 2 }, 'Radio unit, PH2 M3 × 8: 4 of 6 fitted, 2 left over, as expected.'],
  [
    { there: 1, wanted: 0, fitted: 0, left: 1 },
    'Radio unit, PH2 M3 × 8: 0 of 1 fitted, 1 left over, none is for this build: back to the shelf.',
  ],
  [{ open: [{ kind: 'short', count: 2, loose: 1 }] }, 'Radio unit, PH2 M3 × 8: 2 not fitted yet: 1 in hand.'],
  [
    { open: [{ kind: 'short', count: 1, loose: 0 }] },
    'Radio unit, PH2 M3 × 8: 1 not fitted yet, and none in the box: take one from the shelf.',
  ],
  [
    { open: [{ kind: 'too many left', count: 1 }] },
    'Radio unit, PH2 M3 × 8: 1 too many left over: which one was not fitted? Look before anything closes over it.',
  ],
  [
    { open: [{ kind: 'too few left', count: 1 }] },
    'Radio unit, PH2 M3 × 8: 1 missing of what should be left over: it may lie in the dash. Look for it.',
  ],
])('a row of screws %o', (more, words) => {
  expect(said(screws(more))).toBe(words)
})
test('a plug is closed, then tried by its latch; a module is set, then read back', () => {
  const plug = (more: object): KitRow => ({
    ...{ account: 'plug', id: 'k-power', open: true, closed: false, capped: false },
    ...more,
  })
  expect(said(plug({}))).toMatch(/^Plug power is open: Plug it, then hear the click/)
  expect(said(plug({ closed: true }))).toMatch(/^Plug power is not tried: Hear the click/)
  expect(said(plug({ closed: true, open: false }))).toBe('Plug power: plugged and tried')
  expect(said(plug({ capped: true, open: false }))).toBe('Plug power: left open on purpose, capped and tied back')
  const module = (value: string | null, open: boolean): KitRow => ({
    ...{ account: 'module', id: 'k-switches', name: 'Switches', open, value, expected: ['0110', '0111'] },
  })
  expect(said(module(null, true))).toBe('Switches is not set: It should be 0110 or 0111. Set it, and read it back.')
  expect(said(module('0000', true))).toMatch(/^Switches is 0000: It should be 0110 or 0111\./)
  expect(said(module('0110', false))).toBe('Switches: 0110')
})
test('every latch has its own way of being tried', () => {
  const ways = LATCHES.map((latch) => tryWords({ latch }))
  expect(ways.every((words) => words.endsWith('.') && words.length > 10)).toBe(true)
  expect(tryWords({ latch: null })).toBe('pull at the plug, not at the wires.')
})
test('a thing is named by its part, its head and its length; a part by its name', () => {
  expect([supplyName(document, 'k-display-clips'), supplyName(document, 'k-display')]).toEqual([
    'Display, spring clips',
    'Display',
  ])
})

describe('signs in words', () => {
  const tells = ['a', 'b', 'c'].map((id) => ({ id, words: id, right: 9, seen: 10 }))
  const audio = Facet.parse({
    ...{ id: 'audio', name: 'Audio', toldFrom: { partId: 'unit', level: 'off' } },
    choices: [
      { id: 'amplified', name: 'amplified', tells },
      { id: 'plain', name: 'plain', tells: [{ id: 'd', words: 'd', right: 1, seen: 1 }] },
    ],
  })
  const words = (...seen: string[]) => toldByTellsWords(document, audio, toldByTells(audio, new Set(seen), 0.99))
  test('none seen, too few, enough, against each other', () => {
    expect(words()).toBe('')
    expect(words('a')).toBe('amplified: 0.90, to be verified once the unit is off. Each sign is taken by itself.')
    expect(words('a', 'b')).toMatch(/^amplified: 0\.988, to be verified/)
    expect(words('a', 'b', 'c')).toBe('amplified: 0.999, enough to count as told. Each sign is taken by itself.')
    expect(words('a', 'd')).toMatch(/contradict each other: it is told for certain once the unit is off/)
  })
  test('how often, and from when', () => {
    expect([rightWords({ right: 9, seen: 10 }), rightWords({ right: 1, seen: 1 })]).toEqual([
      'right 9 of 10 times',
      'right 1 of 1 time',
    ])
    expect(seenFromWords(document, null)).toBe('from outside')
  })
})
