import { expect, test } from '@jest/globals'
import { seededRandom } from '../../base/random'
import { seeds } from '../../testing/seeds.testing'
import { Fact } from '../meaning'
import { emptyDocument } from '../../procedure/document'
import { factsToEdits } from '../factsToEdits'
import { understand } from '../understand'
import { WORST_LINES } from './worstLines.testing'
import { PHRASES } from './english/lexicon'

const PIECES = [
  ...PHRASES.keys(),
  'T20',
  '7 mil',
  'ph2',
  'm5 by 16',
  'zzz',
  ':',
  ',',
  '.',
  ';',
  '4x',
  'for',
  '?',
  '1/4',
]

test('any words in any order are read: nothing fails, every fact has its shape, and the same line reads the same', () => {
  const random = seededRandom(11)
  for (let n = 0; n < seeds(400); n++) {
    const line = Array.from({ length: 1 + random.below(10) }, () => random.pick(PIECES)).join(' ')
    const once = understand(line)
    for (const fact of once.facts) expect([line, Fact.safeParse(fact).error?.message]).toEqual([line, undefined])
    expect(understand(line)).toEqual(once)
  }
})
test('any signs are read', () => {
  const random = seededRandom(12)
  const signs = 'abcxyzT20İ 59,.;:?!/-+~()[]{}"\'’“”°½µßéЖ漢😀\t\n'
  for (let n = 0; n < seeds(400); n++) {
    const line = Array.from({ length: random.below(60) }, () => random.pick([...signs])).join('')
    const { words, left, notUnderstood } = understand(line)
    for (const { from, to } of [...words.flat(), ...left, ...notUnderstood])
      expect([line, from >= 0 && from < to && to <= line.length]).toEqual([line, true])
  }
})
test('every word is accounted for: in a fact, kept with the line, asked about, or one that says nothing', () => {
  const random = seededRandom(13)
  for (let n = 0; n < seeds(200); n++) {
    const strange = `q${random.pick([...'aeiou'])}${random.pick([...'bdfgk'])}${random.pick([...'aeiou'])}zzt`
    const line = `${random.pick(['vent: ', 'unit: ', ''])}4 T20 ${strange} behind the liner, pull up`
    const { words, left, notUnderstood } = understand(line)
    const at = line.indexOf(strange)
    const places = [...words.flat(), ...left, ...notUnderstood]
    expect([line, places.some(({ from, to }) => from <= at && at < to)]).toEqual([line, true])
  }
})
test('the longest line there is is read to its end, of whatever it consists', () => {
  for (const line of WORST_LINES) {
    const { facts, notUnderstood, left, words, asks } = understand(line)
    const last = Math.max(0, ...[...words.flat(), ...notUnderstood, ...left].map(({ to }) => to))
    // Articles alone say nothing; a number of nobody knows what is asked about as a whole.
    const isAsked = asks.some(({ ask }) => ask === 'kind') || facts.length + notUnderstood.length + left.length === 0
    expect([line.slice(0, 9), isAsked || last > 1_950]).toEqual([line.slice(0, 9), true])
  }
  const clips = understand(WORST_LINES[0]!).facts
  expect(clips).toHaveLength(Math.floor(2_000 / 'surround 9 clips, '.length))
  expect(new Set(clips.map((fact) => JSON.stringify(fact))).size).toBe(1)
})

test('a name longer than the record has any is asked about, and breaks nothing', () => {
  const [long, longer] = ['x'.repeat(61), 'y'.repeat(81)]
  for (const line of [`${longer}: 2 clips`, `2 T20 behind ${longer}`, `unplug ${long}`]) {
    const understood = understand(line)
    const { unplaced } = factsToEdits(emptyDocument('Van'), understood.facts, { partId: null }, (kind) => `${kind}-1`)
    expect([line, understood.facts.length, understood.notUnderstood.length, unplaced]).toEqual([line, 0, 1, []])
  }
  expect(understand(`unplug ${'x'.repeat(60)}`).facts).toHaveLength(1)
})
