import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { describe, expect, test } from '@jest/globals'
import { readCorpusLine } from './corpusReading.testing'
import { CorpusLine } from './meaning'
import { ENGLISH } from './reader/english'
import { readLine } from './reader/read'
import { asksOf, LONGEST_LINE_CHARS, namesOf, understand } from './understand'
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
    ['airbag plug grey', 'airbag'],
    ['4 T20, one each side', 'count'],
    ['the lower one traps the upper one', 'part'],
    ['for t20', 'heard'],
  ])('%s: %s is asked', (line, ask) => expect(asksOf(understand(line))).toContain(ask))
  test('a misspelt word is the known one it is nearest to, and its place in the line is kept', () => {
    const { facts, words, notUnderstood } = understand('9 clipps on the bezl')
    expect(facts).toEqual([{ fact: 'holder', kind: 'spring clip', count: 9, holds: ['surround'] }])
    expect(words[0]).toEqual(expect.arrayContaining([{ from: 2, to: 8 }]))
    expect(notUnderstood).toEqual([])
  })
  test.each([
    ['start top, start lower left', ['start lower left']],
    ['2 T20 hold console on the cluster', ['on the cluster']],
    ['2 T20 rearward', ['rearward']],
  ])('%s: %j fits nowhere and holds the line up', (line, words) => {
    const said = understand(line).notUnderstood.map((word) => word.said)
    expect(words.filter((word) => !said.includes(word))).toEqual([])
  })
  test.each([
    ['unplug main a', ['main a']],
    ['unplug main b', ['main b']],
    ['unplug second outlet', ['second outlet']],
    ['unplug outlet 2', ['outlet 2']],
    ['unplug main and antenna', ['main', 'antenna']],
    ['unplug 2 speaker plugs', ['speaker']],
  ])('%s: a letter, a number, a strange word of a plug’s name belong to it', (line, names) =>
    expect(understand(line).facts.map((fact) => fact.fact === 'plug' && fact.name)).toEqual(names),
  )
  test.each([
    ['upper glovebox panel: 4 clips', [['upper glovebox panel']]],
    ['surround 9 clips, vent 4 clips', [['surround'], ['vent']]],
    ['cover b: 2 clips', [['cover b']]],
    ['parcel shelf trim: 3 clips', [['parcel shelf trim']]],
  ])('%s: each part owns its own', (line, holds) =>
    expect(understand(line).facts.map((fact) => fact.fact === 'holder' && fact.holds)).toEqual(holds),
  )
})

describe('an airbag’s plug is opened only by those words', () => {
  test.each([
    'airbag connector yellow',
    'yellow airbag plug behind the seat',
    'airbag plug tab top',
    'the airbag lamp plug is grey',
    'seat belt tensioner plug yellow',
    // Another one is unplugged in the same line.
    'unplug hazard, airbag plug yellow, tab top',
    'unplug main; airbag connector tab top',
  ])('%s: asked', (line) => expect(asksOf(understand(line))).toContain('airbag'))
  test.each(['unplug hazard and the airbag lamp', 'airbag plug under the seat, unplug it', 'airbag lamp unplug'])(
    '%s: opened',
    (line) => {
      const { facts, asks } = understand(line)
      expect(asks).toEqual([])
      expect(facts.at(-1)).toMatchObject({ fact: 'plug', name: expect.stringContaining('airbag') })
    },
  )
  test.each([
    'leave the airbag plug alone',
    'airbag connector yellow, do not touch',
    'do not unplug the airbag lamp',
    'airbag lamp must stay plugged in',
    'unplug the airbag lamp, dont, leave it plugged',
    'airbag plug leave plugged',
  ])('%s: it stays plugged', (line) => {
    const plugs = understand(line).facts.filter(({ fact }) => fact === 'plug')
    expect(plugs.map((plug) => plug.fact === 'plug' && plug.leave)).toEqual([true])
  })
  test('unplug the airbag lamp', () =>
    expect(understand('unplug the airbag lamp, tab top')).toMatchObject({
      facts: [{ fact: 'plug', name: 'airbag lamp', tab: 'top' }],
      asks: [],
    }))
})

describe('nothing is dropped without a word', () => {
  test('a value that no fact has: its words are asked about', () => {
    const { facts, notUnderstood } = understand('0 clips on the vent')
    expect([facts, notUnderstood.map(({ said }) => said)]).toEqual([[], ['0 clips on the vent']])
    expect(understand('hazard plug, tab nearside').notUnderstood.map(({ said }) => said)).toEqual(['tab nearside'])
  })
  test.each([
    'only on the long wheelbase 2 T20 behind the seat',
    'on cars with the towbar 2 T20',
    'if it has the tow hook 3 clips',
  ])('%s: without its condition it would hold for all', (line) => {
    const { facts, notUnderstood } = understand(line)
    expect([facts, notUnderstood.map(({ said }) => line.endsWith(said))]).toEqual([[], [true]])
  })
  test('“unplug” alone does not make a plug of the next part', () =>
    expect(understand('glovebox off, unplug, vent 2 clips').facts).toMatchObject([
      { part: 'glovebox' },
      { fact: 'holder', holds: ['vent'] },
    ]))
  test('what was understood and states nothing is said to be in no fact', () =>
    expect(understand('radio: 2 release keys, no screws').left.map(({ said }) => said)).toEqual(['no', 'screws']))
  test('a name of two parts is asked about once, wherever it stands', () => {
    const own = { parts: ['Left vent', 'Right vent'].map((name) => ({ name, said: ['vent'] })) }
    expect(understand('2 clips at the top of the vent', own).whichPart).toHaveLength(1)
  })
  test('a letter that is longer in lower case moves no place', () => {
    const { notUnderstood } = understand('İİ, 2 T20 rearward')
    expect(notUnderstood.map(({ said }) => said)).toEqual(['rearward'])
  })
})

describe('what is denied, doubted or hypothetical is no fact', () => {
  test.each([
    'no screws',
    'nothing unplugged',
    'there are no clips on it',
    'if you break one get another from the drawer',
    'see picture 14',
    'the customer wants a socket in the glovebox',
    "couldn't find any screws",
  ])('%s', (line) => expect(understand(line)).toMatchObject({ facts: [], asks: [] }))
  test.each([
    ['about six T20', ['count']],
    ['6 T20?', ['count']],
    ['5 or 6 clips', ['count']],
    ['3 screws, T15 I think', ['size']],
  ])('%s: not sure of %j', (line, unsure) => expect(understand(line).facts[0]).toMatchObject({ unsure }))
  test('either of two heads', () =>
    expect(understand('2 screws T15 or PH2').facts).toMatchObject([
      { size: 'T15', or: [{ drive: 'cross', size: 'PH2' }] },
    ]))
  test('an order: what must not be done', () =>
    expect(understand('never lever against the glass').facts).toEqual([
      { fact: 'must not', what: 'lever against the glass' },
    ]))
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
    expect(asksOf(understand('vent: 2 clips', own))).toEqual(['part'])
    expect(understand('vent: 2 clips', own)).toMatchObject({
      whichPart: [{ said: 'vent', choices: ['Left vent', 'Right vent'] }],
    })
  })
  test('of a plug a plain pull goes without saying; a direction is kept, and forward asked', () => {
    expect(understand('unplug hazard and pull').facts).toEqual([{ fact: 'plug', name: 'hazard' }])
    expect(asksOf(understand('unplug hazard, pull forward'))).toEqual(['forward'])
  })
  test('a plug of the record is known by its name; a word of the trade goes on meaning what it means', () => {
    expect(understand('unplug obd, tab top').facts).toMatchObject([{ name: 'obd' }])
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

describe('a second reading nearly as good', () => {
  test.each([
    ['2 T20 each side', [{ count: 4 }], [{ count: 2, where: 'both sides' }]],
    [
      'bung in the end of the dash, behind it a ten mil',
      [{ behind: ['bung'] }],
      null, // What a part is called is no other meaning.
    ],
    [
      'hood slides back and up',
      [{ motions: [{ to: 'rearward' }, { to: 'up' }] }],
      [{ start: 'rear', motions: [{ to: 'up' }] }],
    ],
    ['9 clips, pull up', [{ count: 9 }, {}], null],
  ])('%s', (line, first, other) => {
    const understood = understand(line)
    expect(understood.facts).toMatchObject(first)
    if (other === null) return expect(understood.other).toBeNull()
    expect(understood.other!.facts).toMatchObject(other)
    expect(understood.other!.isTie).toBe(false)
    // It leaves no more open, and no more words.
    expect(understood.other!.asks.length).toBeLessThanOrEqual(understood.asks.length)
  })
  test('where nothing speaks for either it is asked which', () => {
    const both = [
      { pattern: 'wibble', make: () => ({ is: 'fixing', fixing: 'press fit' }), cost: 0.5 },
      { pattern: 'wibble', make: () => ({ is: 'fixing', fixing: 'rests' }), cost: 0.5 },
    ]
    const { read, other } = readLine('wibble', { ...ENGLISH, rules: [...both, ...ENGLISH.rules] })
    expect(read.facts).toMatchObject([{ fact: { fixing: 'press fit' } }])
    expect(other).toMatchObject({ isTie: true, facts: [{ fact: { fixing: 'rests' } }] })
    const dearer = readLine('wibble', { ...ENGLISH, rules: [both[0]!, { ...both[1]!, cost: 0.6 }, ...ENGLISH.rules] })
    expect(dearer.other!.isTie).toBe(false)
    const far = readLine('wibble', { ...ENGLISH, rules: [both[0]!, { ...both[1]!, cost: 0.9 }, ...ENGLISH.rules] })
    expect(far.other).toBeNull()
  })
})

describe('“screen” is what this vehicle has', () => {
  const of = (...names: string[]) => understand('screen: 4 T20', { parts: names.map((name) => ({ name, said: [] })) })
  test('the display, the glass, its own, or asked of two', () => {
    expect(of().facts).toMatchObject([{ holds: ['screen'] }])
    expect(of('Radio display').facts).toMatchObject([{ holds: ['Radio display'] }])
    expect(of('Windscreen').facts).toMatchObject([{ holds: ['Windscreen'] }])
    expect(of('Screen', 'Windscreen').facts).toMatchObject([{ holds: ['Screen'] }])
    expect(of('Radio display', 'Windscreen').whichPart).toMatchObject([{ choices: ['Radio display', 'Windscreen'] }])
  })
})
