import { expect, test } from '@jest/globals'
import { ENGLISH } from './english'
import { readLine } from './read'
import type { Language } from './sense'

/**
 * A handful of another language, without a word of English: what reads lines knows words by their language only. Not
 * a language anybody is offered.
 */
const OTHER: Language = {
  phrases: new Map([
    ['schrauben', [{ is: 'KIND', value: 'machine screw' }]],
    ['klammern', [{ is: 'KIND', value: 'spring clip' }]],
    ['blende', [{ is: 'PART', value: 'blende' }]],
    ['warnblinker', [{ is: 'PNAME', value: 'warnblinker' }]],
    ['gurtstraffer', [{ is: 'PNAME', value: 'gurtstraffer' }]],
    ['vier', [{ is: 'NUM', value: '4' }]],
    ['sechs', [{ is: 'NUM', value: '6' }]],
  ]),
  byForm: (text) => (/^t\d+$/.test(text) ? [{ is: 'SIZE', value: text.toUpperCase() }] : []),
  rules: [
    { pattern: 'NUM SIZE? KIND?', make: (n, size, kind) => counted(n, size, kind) },
    { pattern: 'PART', make: (part) => ({ is: 'part', part }) },
    { pattern: 'PNAME', make: (name) => ({ is: 'plug name', name }) },
    { pattern: 'PNAME abziehen', make: (name) => [{ is: 'unplug' }, { is: 'plug name', name }] },
    { pattern: 'nein', make: () => ({ is: 'correct', again: true }), cost: 0.5 },
  ],
  articles: new Set(['die', 'der', 'das']),
  talk: new Set(['bitte']),
  nouns: new Set(),
  ends: new Map([
    [',', ','],
    [':', ':'],
    ['und', 'and'],
  ]),
  vague: new Map(),
  away: new Set(),
  seatless: new Set(),
  airbag: /gurtstraffer/,
  leaves: /nicht/,
  tethers: [],
  answers: ENGLISH.answers,
  kept: ENGLISH.kept,
}

function counted(n: string | null, size: string | null, kind: string | null) {
  return [
    { is: 'count', count: Number(n), unsure: false },
    ...(size === null ? [] : [{ is: 'drive', drive: 'six-lobe', size }]),
    ...(kind === null ? [] : [{ is: 'kind', kind, several: false }]),
  ]
}

const read = (line: string) => readLine(line, OTHER).read
const factsOf = (line: string) => read(line).facts.map(({ fact }) => fact)

test('groups of fasteners, of the part that the line is about', () => {
  expect(factsOf('Blende: vier Klammern, sechs T20 Schrauben')).toMatchObject([
    { fact: 'holder', kind: 'spring clip', count: 4, holds: ['blende'] },
    { fact: 'holder', kind: 'machine screw', count: 6, drive: 'six-lobe', size: 'T20', holds: ['blende'] },
  ])
})
test('its word for “and”, and a misspelling of its own', () => {
  expect(factsOf('der Warnblinker und vier Klamern')).toMatchObject([
    { fact: 'plug', name: 'warnblinker' },
    { fact: 'holder', kind: 'spring clip', count: 4 },
  ])
})
test('“no, so many”: a correction of what was said before', () => {
  expect(read('nein, sechs').corrects).toMatchObject({ count: 6 })
})
test('what fires is asked about by its own word for it, and nothing else is', () => {
  expect(read('Blende: Gurtstraffer').asks.map(({ ask }) => ask)).toEqual(['airbag'])
  expect(read('Blende: Gurtstraffer abziehen').asks).toEqual([])
  expect(read('Blende: Warnblinker').asks).toEqual([])
})
test('a word of English is a strange one', () => {
  expect(factsOf('six screws')).toEqual([])
  expect(factsOf('unplug clips')).toEqual([])
})
