import { describe, expect, test } from '@jest/globals'
import { clearFacts, lineInHand, NOTHING_MENDED, restOfLine, type Mending } from './lineInHand'
import type { Fact } from './meaning'
import { understand } from './understand'

const inHand = (line: string, mending: Mending = NOTHING_MENDED) => lineInHand(understand(line), mending)
/** What a tap takes of a line, and what it leaves. */
const parted = (line: string) => {
  const read = inHand(line)
  return [clearFacts(read).map(({ fact }) => fact), restOfLine(line, read, understand(line))]
}

describe('what is clear is taken, what is open stays', () => {
  test.each([
    ['surround: 9 clips, pull up', ['holder', 'release'], ''],
    // A question about one fact holds that one.
    ['surround: 9 clips, 2 screws', ['holder'], 'surround: 2 screws'],
    ['9 clips; 2 hex', ['holder'], '2 hex'],
    ['unplug hazard, airbag lamp plug', ['plug'], 'airbag lamp plug'],
    // Words nobody can place hold their own clause.
    ['9 clips, 2 T20 rearward', ['holder'], '2 T20 rearward'],
    // A clause that states nothing is about what stands beside it, in its sentence.
    ['9 clips, lever; pull up', ['release'], '9 clips, lever'],
    ['two people, 9 clips, lever, pull up, hangs on its leads', ['persons', 'rests'], '9 clips, lever, pull up'],
    // Nobody knows how far a condition reaches that nobody knows: all before it waits.
    ['9 clips. 2 T20 only on the long wheelbase', [], '9 clips, 2 T20 only on the long wheelbase'],
  ])('%s', (line, taken, rest) => expect(parted(line)).toEqual([taken, rest]))

  test('a name of two parts, and a word heard wrongly, hold theirs', () => {
    const own = {
      parts: [
        { name: 'Left vent', said: [] },
        { name: 'Right vent', said: [] },
      ],
      plugs: [],
    }
    const line = 'unplug hazard, vent: 2 clips'
    const read = lineInHand(understand(line, own), NOTHING_MENDED)
    expect(clearFacts(read)).toMatchObject([{ fact: 'plug', name: 'hazard' }])
    expect(read.questions).toMatchObject([{ kind: 'which part' }])
  })
})

describe('a chip is mended or dropped', () => {
  const LINE = 'surround: clips, pull up'
  const [chip] = inHand(LINE).chips
  const nine: Fact = { fact: 'holder', kind: 'spring clip', count: 9, holds: ['surround'] }
  const mended: Mending = { ...NOTHING_MENDED, mends: new Map([[chip!.key, { fact: nine, settled: [] }]]) }

  test('what was asked of it is said', () => {
    expect(chip!.state).toBe('open')
    const read = inHand(LINE, mended)
    expect(read.questions).toEqual([])
    expect(read.chips[0]).toMatchObject({ fact: nine, state: 'clear', isMended: true, words: chip!.words })
    expect(clearFacts(read)).toEqual([nine, inHand(LINE).chips[1]!.fact])
  })
  test('it stays mended while more is typed, and not when it says something else', () => {
    expect(inHand(`${LINE}, two people`, mended).chips[0]).toMatchObject({ fact: nine, isMended: true })
    expect(inHand('surround: 4 clips, pull up', mended).chips[0]).toMatchObject({ fact: { count: 4 }, isMended: false })
  })
  test('dropped it is not taken, and nothing is asked of it', () => {
    const read = inHand(LINE, { ...NOTHING_MENDED, dropped: new Set([chip!.key]) })
    expect(read.questions).toEqual([])
    expect(clearFacts(read)).toMatchObject([{ fact: 'release' }])
    expect(read.chips[0]!.state).toBe('dropped')
  })
  test('of two alike one is dropped', () => {
    const twice = '2 clips; 2 clips'
    const [first] = inHand(twice).chips
    const read = inHand(twice, { ...NOTHING_MENDED, dropped: new Set([first!.key]) })
    expect(read.chips.map(({ state }) => state)).toEqual(['dropped', 'clear'])
  })
  test('an airbag’s plug needs the word: naming it otherwise settles nothing', () => {
    const line = 'airbag lamp plug'
    const [plug] = inHand(line).chips
    const renamed = { fact: 'plug', name: 'airbag warning lamp' } as Fact
    const mends = new Map([[plug!.key, { fact: renamed, settled: [] }]])
    expect(clearFacts(inHand(line, { ...NOTHING_MENDED, mends }))).toEqual([])
    const said = new Map([[plug!.key, { fact: renamed, settled: ['airbag' as const] }]])
    expect(clearFacts(inHand(line, { ...NOTHING_MENDED, mends: said }))).toEqual([renamed])
    // Nor does the name of an airbag's put into a line that unplugs another.
    const [hazard] = inHand('unplug hazard').chips
    const mended = { ...NOTHING_MENDED, mends: new Map([[hazard!.key, { fact: renamed, settled: [] }]]) }
    expect(clearFacts(inHand('unplug hazard', mended))).toEqual([])
    expect(inHand('unplug hazard', mended).questions).toMatchObject([{ ask: 'airbag', fact: 0 }])
  })
})

test('two readings that nothing tells apart hold everything until one is chosen', () => {
  const understood = understand('2 T20 each side; pull up')
  const { other, ...first } = understood
  const tie = { ...first, other: { ...other!, isTie: true } }
  const read = lineInHand(tie, NOTHING_MENDED)
  expect(read.questions.map(({ kind }) => kind)).toEqual(['two readings'])
  expect(clearFacts(read)).toEqual([])
  expect(clearFacts(lineInHand(understood, NOTHING_MENDED))).toHaveLength(2)
})
