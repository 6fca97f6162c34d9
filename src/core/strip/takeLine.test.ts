import { expect, test } from '@jest/globals'
import { standingEvents } from '../job/fold'
import { Recorder } from './recorder.testing'
import { blankModel } from './stripDocument'

const strip = () => new Recorder(blankModel('Gritter'))
const standing = (r: Recorder) => standingEvents(r.events).map(({ what }) => what)

test('“no, nine”: the line before is taken back, and said again with nine', () => {
  const r = strip()
  r.say('surround: 8 clips, 2 T20 behind liner, pull up')
  r.say('no, 9 clips')
  expect(r.document.holders.map(({ kind, count }) => [kind, count])).toEqual([
    ['spring clip', 9],
    ['machine screw', 2],
  ])
  expect(r.state.holders.get(r.holder('Surround', 'spring clip'))!.undone).toBe(9)
  // One surround, one liner, one need: nothing of the first line stands beside the second.
  expect(r.document.parts.map(({ name }) => name)).toEqual(['Surround', 'Liner'])
  expect(r.document.needs).toHaveLength(1)
  expect(r.inHand).toBe(r.part('Surround'))
  expect(standing(r).filter(({ kind }) => kind === 'stated')).toMatchObject([
    { said: 'surround: 8 clips, 2 T20 behind liner, pull up; no, 9 clips' },
  ])
})
test('corrected once more, the last word stands', () => {
  const r = strip()
  r.say('unit: 4 T20')
  r.say('no, six')
  r.say('no, T25')
  expect(r.document.holders).toMatchObject([{ count: 6, drives: [{ drive: 'six-lobe', size: 'T25' }] }])
  expect(r.state.holders.get(r.document.holders[0]!.id)!.undone).toBe(6)
})
test('once something else has happened a line corrects nothing any more', () => {
  const r = strip()
  r.say('unit: 4 T20')
  r.off('Unit')
  expect(() => r.say('no, six')).toThrow('not clear')
  expect(r.document.holders).toMatchObject([{ count: 4 }])
})
test('what is open is noted with the part in hand, and goes with the line when that is taken back', () => {
  const r = strip()
  const facts = [{ fact: 'holder' as const, kind: 'spring clip' as const, count: 9, holds: ['surround'] }]
  const note = '“surround: 9 clips, some bolts” Open: How many?'
  r.take({ facts, called: [], said: 'surround: 9 clips, some bolts', note, correction: null })
  expect(r.state.notes).toMatchObject([{ text: note, itemId: r.part('Surround') }])
  r.take({ facts: [], called: [], said: 'gibberish', note: 'x'.repeat(1_500), correction: null })
  expect(r.state.notes[1]!.text).toHaveLength(1_000)
  r.takeBack(r.events.slice(-1))
  expect(r.state.notes).toHaveLength(1)
})

test('what the crew calls a part stays beside the house word, corrected or not', () => {
  const r = strip()
  r.say('bezel: 8 clips behind rubber mat')
  r.say('no, nine')
  expect(r.document.parts.map(({ name, synonyms }) => [name, synonyms])).toEqual([
    ['Surround', ['bezel']],
    ['Liner', ['rubber mat']],
  ])
  // Then it is known by both, and nothing is said twice of it.
  r.say('bezel: pull up')
  expect(r.document.parts).toHaveLength(2)
})
