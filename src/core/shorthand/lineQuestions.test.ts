import { describe, expect, test } from '@jest/globals'
import { answersTo, lineQuestions } from './lineQuestions'
import { understand } from './understand'

const NAMES = {
  parts: [
    { name: 'Left vent', said: [] },
    { name: 'Right vent', said: [] },
    { name: 'Climate panel', said: [] },
  ],
  plugs: [],
}
const asked = (line: string) => lineQuestions(understand(line, NAMES))
const answers = (line: string, question = asked(line)[0]!) => answersTo(question, line, understand(line, NAMES).facts)
/** The first question of a line by kind, and what its answers make of the line. */
const settled = (line: string) => {
  const [question] = asked(line)
  return [
    question?.kind,
    question
      ? answers(line).map((answer) =>
          answer.says === 'a name' ? `${answer.of} ${answer.name}` : 'line' in answer ? answer.line : answer.says,
        )
      : [],
  ]
}

describe('a question is known by its kind and place, whatever its sentence says', () => {
  test('forward: both meanings, put where it stood', () => {
    expect(settled('climate panel: pull forward')).toEqual([
      'asks',
      ['climate panel: pull toward you', 'climate panel: pull toward the nose'],
    ])
  })
  test('a word that was heard wrongly: only that word is changed', () => {
    expect(settled('2 for t20 behind climate panel')[0]).toBe('heard')
  })
  test('a name of two parts: the one that is chosen', () => {
    expect(settled('vent: 2 clips')).toEqual(['which part', ['Left vent: 2 clips', 'Right vent: 2 clips']])
  })
  test('a word that fits nowhere comes first: a name, or left out', () => {
    const [kind, lines] = settled('2 T20 q')
    expect(kind).toBe('unread')
    expect(lines).toEqual(expect.arrayContaining(['part q', '2 T20 ']))
  })
  test('a part nobody has named yet is one of that name', () => {
    expect(understand('grommel: 2 clips', NAMES).facts).toMatchObject([{ holds: ['grommel'] }])
    expect(understand('unplug grommel', NAMES).facts).toMatchObject([{ name: 'grommel' }])
  })
  test.each([
    ['climate panel: clips', 'count', '4', { kind: 'spring clip', count: 4, holds: ['Climate panel'] }],
    ['2 screws', 'drive', 'T20', { count: 2, drive: 'six-lobe', size: 'T20' }],
    ['2 hex', 'size', 'hex 10', { count: 2, drive: 'hex', size: '10' }],
    [
      'knob: turn',
      'turn sense',
      'clockwise seen from the front',
      { motions: [{ move: 'turn', sense: 'clockwise', seenFrom: 'the front' }] },
    ],
    ['airbag lamp plug', 'airbag', 'it stays plugged', { name: 'airbag lamp', leave: true }],
    ['airbag lamp plug', 'airbag', 'it is unplugged', { name: 'airbag lamp' }],
  ] as const)('%s: %s is answered by a tap, and the line stays', (line, ask, words, fact) => {
    const question = asked(line).find((item) => item.kind === 'asks' && item.ask === ask)!
    const answer = answers(line, question).find((each) => each.says === 'so' && each.words === words)
    expect(answer).toMatchObject({ says: 'so', of: 0, ask, fact })
    if (words === 'it is unplugged') expect(answer).not.toMatchObject({ fact: { leave: true } })
  })
  test('only heads of the drive that was said are offered', () => {
    const sizes = answers('2 hex').map((answer) => answer.says === 'so' && answer.words)
    expect(sizes).toEqual(['hex 5.5', 'hex 7', 'hex 8', 'hex 10', 'hex 13'])
  })
  test.each([
    ['door card: pull toward you', 'door card: pull inboard'],
    ['surround: pull left', 'surround: pull driver side'],
    ['9', '9 clips'],
  ])('%s: one of the answers reads %s, which leaves nothing to ask', (line, after) => {
    expect(answers(line).map((answer) => 'line' in answer && answer.line)).toContain(after)
    expect(asked(after)).toEqual([])
  })
  test('a number of what was named before: more of those are offered first, where the number stands', () => {
    const lines = answers('climate panel: 6 hex 10 bolts, 2 behind the cap').map((each) => 'line' in each && each.line)
    expect(lines[0]).toBe('climate panel: 6 hex 10 bolts, 2 hex 10 bolts behind the cap')
    expect(lines).toHaveLength(4)
    expect(understand(String(lines[0]), NAMES).facts[1]).toMatchObject({
      ...{ fact: 'holder', kind: 'bolt', count: 2, drive: 'hex', size: '10', behind: ['cap'] },
    })
  })
  test('of one the word for one is offered', () => {
    const words = answers('climate panel: 6 hex 10 bolts, one behind the cap').map(
      (each) => 'words' in each && each.words,
    )
    expect(words).toEqual(['one hex 10 bolt', 'one screw', 'one clip', 'one push-pin'])
    expect(understand('climate panel: 6 hex 10 bolts, one hex 10 bolt behind the cap', NAMES).facts[1]).toMatchObject({
      ...{ fact: 'holder', kind: 'bolt', count: 1, size: '10', behind: ['cap'] },
    })
  })
  test('a name can only be said', () => {
    expect(answers('unplug')).toEqual([])
    expect(asked('unplug')).toMatchObject([{ kind: 'asks', ask: 'part' }])
  })
  test('a line that is clear is asked nothing', () => expect(asked('climate panel: 6 clips')).toEqual([]))
})
