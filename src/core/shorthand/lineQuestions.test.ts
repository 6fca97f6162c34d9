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
const asked = (line: string) => lineQuestions(understand(line, NAMES), line)
/** The first question of a line by kind, and what its answers make of the line. */
const settled = (line: string) => {
  const [question] = asked(line)
  return [
    question?.kind,
    question
      ? answersTo(question, line).map((answer) => ('line' in answer ? answer.line : `${answer.of} ${answer.name}`))
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
  test('what only words can answer has no taps', () => {
    const question = asked('climate panel: clips').find((item) => item.kind === 'asks' && item.ask === 'count')!
    expect(answersTo(question, 'climate panel: clips')).toEqual([])
  })
  test('a line that is clear is asked nothing', () => expect(asked('climate panel: 6 clips')).toEqual([]))
})
