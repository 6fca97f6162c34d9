import { expect, test } from '@jest/globals'
import { seededRandom } from '../../base/random'
import { seeds } from '../../testing/seeds.testing'
import { Fact } from '../meaning'
import { understand } from '../understand'
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
  const signs = 'abcxyzT20 59,.;:?!/-+~()[]{}"\'’“”°½µßéЖ漢😀\t\n'
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
test('the longest line there is ends, of whatever it consists', () => {
  const worst = [
    'surround 9 clips, ',
    'T20 ',
    'upper lower trim ',
    'zzqqy ',
    'a the ',
    'no not ',
    '2 or 3 ',
    'bezal ',
    'x 4 ',
  ]
  for (const piece of worst) {
    const { facts } = understand(piece.repeat(1_000).slice(0, 2_000))
    expect([piece, facts.length <= 1_000]).toEqual([piece, true])
  }
})
