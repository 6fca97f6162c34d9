import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { describe, expect, test } from '@jest/globals'
import { seededRandom } from '../base/random'
import { readCorpusLine } from './corpusReading.testing'
import { PHRASES } from './reader/english/lexicon'
import { CorpusLine, Fact } from './meaning'
import { LONGEST_LINE_CHARS, namesOf, understand } from './understand'
import { panelVan } from '../testing/vehicles.testing'

function half(name: string): CorpusLine[] {
  const file = fileURLToPath(new URL(`./corpus/${name}.json`, import.meta.url))
  return (JSON.parse(readFileSync(file, 'utf8')) as unknown[]).map((line) => CorpusLine.parse(line))
}

describe('the corpus', () => {
  test.each(['firstHalf', 'secondHalf'])('%s: at least 95 % of the lines understood whole, none misread', (name) => {
    const readings = half(name).map(readCorpusLine)
    const of = (verdict: string) => readings.filter((reading) => reading.verdict === verdict)
    process.stdout.write(
      `    ${name}: ${of('understood').length} of ${readings.length} lines understood whole, ${of('misread').length} misread\n`,
    )
    expect(of('misread').map(({ line }) => line)).toEqual([])
    expect(of('understood').length).toBeGreaterThanOrEqual(0.95 * readings.length)
  })
  test('has 150 lines at least, none twice', () => {
    const lines = [...half('firstHalf'), ...half('secondHalf')].map(({ line }) => line)
    expect(lines.length).toBeGreaterThanOrEqual(150)
    expect(new Set(lines).size).toBe(lines.length)
  })
})

describe('never guessed', () => {
  test.each([
    ['pull the panel forward', 'forward'],
    ['pull left', 'whose left'],
    ['7 clips on the right side', 'whose left'],
    ['turn the knob a quarter', 'turn sense'],
    ['turn clockwise', 'turn sense'],
    ['2 star screws', 'size'],
    ['2 screws behind the badge', 'drive'],
    ['some clips', 'count'],
    ['3 behind the badge', 'kind'],
    ['4 T20, one each side', 'count'],
    ['the lower one traps the upper one', 'part'],
    ['for t20', 'heard'],
  ])('%s: %s is asked', (line, ask) => expect(understand(line).asks).toContain(ask))
  test('what nobody knows is marked where it stands, and a near miss is offered', () => {
    const { notUnderstood } = understand('9 clipps on the bezl')
    expect(notUnderstood).toEqual([
      { said: 'clipps', from: 2, to: 8, nearest: ['clips'] },
      { said: 'bezl', from: 16, to: 20, nearest: ['bezel'] },
    ])
  })
  test.each([
    ['unplug main a', 'a'],
    ['unplug second outlet', 'outlet'],
    ['upper glovebox panel: 4 clips', 'upper glovebox'],
    ['unplug main and antenna', 'main'],
    ['surround 9 clips, vent 4 clips', 'surround'],
    ['unplug 2 speaker plugs', '2'],
    ['start top, start lower left', 'start lower left'],
    ['2 T20 hold console on the cluster', 'on the cluster'],
    ['covers 2 T20', 'covers'],
  ])('%s: %s is said to be not understood, not dropped', (line, word) =>
    expect(understand(line).notUnderstood.map(({ said }) => said)).toContain(word),
  )
  test('a direction that goes nowhere is not lost', () => {
    expect(understand('2 T20 rearward').notUnderstood.map(({ said }) => said)).toEqual(['rearward'])
  })
})

describe('the words of a record and of a shop', () => {
  test('parts are known by name and by synonym, before the trade’s own words', () => {
    const van = namesOf(panelVan())
    expect(understand('2 T20 under the rubber mat', van).facts).toMatchObject([{ behind: ['Rubber liner'] }])
    expect(understand('bezel: 9 clips', van).facts).toMatchObject([{ holds: ['Centre surround'] }])
  })
  test('a name that two parts have is asked, with both', () => {
    const own = {
      parts: [
        { name: 'Left vent', said: ['vent'] },
        { name: 'Right vent', said: ['vent'] },
      ],
    }
    expect(understand('vent: 2 clips', own)).toMatchObject({
      asks: ['part'],
      whichPart: [{ said: 'vent', choices: ['Left vent', 'Right vent'] }],
    })
  })
  test('of a plug a plain pull goes without saying; a direction is kept, and forward asked', () => {
    expect(understand('unplug hazard and pull').facts).toEqual([{ fact: 'plug', name: 'hazard' }])
    expect(understand('unplug hazard, pull forward').asks).toEqual(['forward'])
  })
  test('a plug of the record is known by its name; a word of the trade goes on meaning what it means', () => {
    expect(understand('unplug obd, tab top').notUnderstood).toMatchObject([{ said: 'obd' }])
    expect(understand('unplug obd, tab top', { plugs: ['OBD'] }).facts).toEqual([
      { fact: 'plug', name: 'OBD', tab: 'top' },
    ])
    expect(understand('2 clips', { plugs: ['clips'] }).facts).toEqual([
      { fact: 'holder', kind: 'spring clip', count: 2 },
    ])
  })
  test('a part that is named after another one', () => {
    expect(understand('grab handle: 2 hex 10 behind grab handle caps').facts).toMatchObject([
      { behind: ['pull handle caps'], holds: ['pull handle'] },
    ])
  })
  test('house words stand for the trade’s', () => {
    expect(understand('3 wotsits on the bezel', { house: { wotsit: 'spring clip' } }).facts).toEqual([
      { fact: 'holder', kind: 'spring clip', count: 3, holds: ['surround'] },
    ])
  })
})

test('any words in any order are read: nothing fails, every fact has its shape, and nothing said twice is another answer', () => {
  const random = seededRandom(11)
  const phrases = [...PHRASES.keys(), 'T20', '7 mil', 'ph2', 'm5 by 16', 'zzz', ':', ',', '4x', 'four', 'for']
  for (let n = 0; n < 1_500; n++) {
    const line = Array.from({ length: 1 + random.below(9) }, () => random.pick(phrases)).join(' ')
    const once = understand(line)
    for (const fact of once.facts) expect([line, Fact.safeParse(fact).error?.message]).toEqual([line, undefined])
    expect(understand(line)).toEqual(once)
  }
})

test('of a line that nobody says only the beginning is read, to the end of a word, and the rest is shown as not read', () => {
  const clause = 'surround 9 clips; '
  const long = clause.repeat(100_000)
  const { facts, notUnderstood } = understand(long)
  const rest = notUnderstood.at(-1)!
  expect(facts).toEqual(understand(long.slice(0, rest.from)).facts)
  expect(rest.from).toBeLessThanOrEqual(LONGEST_LINE_CHARS)
  expect(long[rest.from - 1]).toBe(' ')
  expect([rest.to, rest.said.length]).toEqual([long.length, long.length - rest.from])
  // At the bound itself all of it is read, and one word without an end is cut.
  const atBound = `${'x '.repeat(990)}9 clips`.padEnd(LONGEST_LINE_CHARS)
  expect(understand(atBound).notUnderstood.some(({ to }) => to === atBound.length)).toBe(false)
  expect(understand('x'.repeat(5_000)).notUnderstood.at(-1)).toMatchObject({ from: LONGEST_LINE_CHARS, to: 5_000 })
})
