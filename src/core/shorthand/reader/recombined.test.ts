import { expect, test } from '@jest/globals'
import { seededRandom } from '../../base/random'
import { DRIVES, HOLDER_KINDS } from '../../procedure/holderKinds'
import { understand } from '../understand'
import type { Fact } from '../meaning'

type Random = ReturnType<typeof seededRandom>
type Written = { words: string; fact: Fact }

const PARTS: readonly [string, string][] = [
  ['surround', 'surround'],
  ['bezel', 'surround'],
  ['vent', 'vent'],
  ['kick panel', 'kick panel'],
  ['sill trim', 'sill trim'],
  ['glovebox', 'glovebox'],
  ['upper trim', 'upper trim'],
  ['left fairing', 'left fairing'],
  ['tank cover', 'tank cover'],
  ['climate panel', 'climate panel'],
]
const NUMBERS: readonly [string, number][] = [
  ['2', 2],
  ['two', 2],
  ['3', 3],
  ['four', 4],
  ['6', 6],
  ['eleven', 11],
]
const HEADS: readonly [string, (typeof DRIVES)[number], string][] = [
  ['T20', 'six-lobe', 'T20'],
  ['PH2', 'cross', 'PH2'],
  ['hex 7', 'hex', '7'],
  ['t 25', 'six-lobe', 'T25'],
  ['8 mm', 'hex', '8'],
]
const CLIPS: readonly [string, (typeof HOLDER_KINDS)[number]][] = [
  ['clips', 'spring clip'],
  ['fir trees', 'fir-tree clip'],
  ['push-pins', 'push-pin'],
  ['scrivets', 'push-pin'],
  ['well nuts', 'well nut'],
]
const WAYS: readonly [string, string][] = [
  ['rearward', 'rearward'],
  ['straight up', 'up'],
  ['down', 'down'],
  ['inboard', 'inboard'],
  ['outboard', 'outboard'],
]

/** One clause about a part, written in one of several orders, with what it means. */
function clause(random: Random, [said, part]: [string, string]): Written {
  const [many, count] = random.pick(NUMBERS)
  const orders: (() => Written)[] = [
    () => {
      const [words, kind] = random.pick(CLIPS)
      const line = random.pick([
        `${said} ${many} ${words}`,
        `${said}: ${words} ${many} of them`,
        `${many} ${words} on the ${said}`,
      ])
      return { words: line, fact: { fact: 'holder', kind, count, holds: [part] } }
    },
    () => {
      const [words, drive, size] = random.pick(HEADS)
      const line = random.pick([
        `${said} ${many} ${words}`,
        `${many} ${words} hold the ${said}`,
        `${said}: ${many} screws ${words}`,
      ])
      return { words: line, fact: { fact: 'holder', kind: 'machine screw', count, drive, size, holds: [part] } }
    },
    () => {
      const [words, to] = random.pick(WAYS)
      const move = random.pick(['pull', 'slide', 'lift'])
      const line = random.pick([
        `${said} ${move}s ${words}`,
        `${move} the ${said} ${words}`,
        `${said}: ${move} ${words}`,
      ])
      return { words: line, fact: { fact: 'release', of: part, motions: [{ move, to }] } }
    },
    () => ({ words: `never twist the ${said}`, fact: { fact: 'must not', what: 'twist', of: part } }),
    () => ({ words: `${said} hangs on its leads`, fact: { fact: 'rests', how: 'hangs on its leads', of: part } }),
    () => ({ words: `${said} is brittle`, fact: { fact: 'brittle', of: part } }),
    () => ({ words: `two people for the ${said}`, fact: { fact: 'persons', count: 2, of: part } }),
  ]
  return random.pick(orders)()
}

const canonical = (fact: object) => JSON.stringify(Object.entries(fact).sort(([a], [b]) => (a < b ? -1 : 1)))

test('five hundred lines put together from clauses whose meaning is known: no fact that was not written', () => {
  const random = seededRandom(2_026)
  let [whole, held] = [0, 0]
  for (let n = 0; n < 500; n++) {
    const parts = [...PARTS].sort(() => random.below(3) - 1).slice(0, 1 + random.below(3))
    const distinct = parts.filter(([, part], i) => parts.findIndex(([, other]) => other === part) === i)
    const written = distinct.map((part) => clause(random, part))
    const line = written.map(({ words }) => words).join(random.pick([', ', '; ', '. ']))
    const { facts, asks, notUnderstood } = understand(line)
    const wanted = written.map(({ fact }) => canonical(fact))
    const wrong = facts.map(canonical).filter((fact) => !wanted.includes(fact))
    expect([line, wrong]).toEqual([line, []])
    if (facts.length === wanted.length && asks.length === 0 && notUnderstood.length === 0) whole += 1
    else held += 1
  }
  process.stdout.write(`    recombined: ${whole} of 500 whole, ${held} held up\n`)
  expect(whole).toBeGreaterThan(475)
})
