import { expect, test } from '@jest/globals'
import { documentMotion } from './documentMotion'
import type { Motion } from './meaning'

// What a word of everyday speech is in the record, and what of it stays as a note: written out by hand.
test.each([
  ['pull', 'pull', ''],
  ['push', 'push', ''],
  ['lift', 'lift', ''],
  ['slide', 'slide', ''],
  ['tilt', 'tilt', ''],
  ['swing', 'swing', ''],
  ['pry', 'pry', ''],
  ['prise', 'pry', ''],
  ['turn', 'turn', ''],
  ['peel', 'pull', 'peel'],
  ['wiggle', 'pull', 'wiggle'],
  ['press', 'push', 'press'],
  ['squeeze', 'push', 'squeeze'],
  ['hinge', 'swing', 'on its hinge'],
  ['flip', 'swing', 'flip'],
  ['lower', 'swing', 'lower it'],
  ['waggle', 'pull', 'waggle'],
])('%s is %s, with “%s”', (said, move, note) => {
  expect(documentMotion({ move: said } as Motion)).toMatchObject({ move, note, directions: [], turn: null })
})
test.each([
  ['forward', ['forward'], ''],
  ['rearward', ['rearward'], ''],
  ['up', ['up'], ''],
  ['left', ['left'], ''],
  ['toward the nose', ['forward'], ''],
  ['toward the door', [], 'toward the door'],
])('to “%s”: %j, noted “%s”', (to, directions, note) => {
  expect(documentMotion({ move: 'pull', to } as Motion)).toMatchObject({ directions, note })
})
test('a turn keeps its sense only where somebody said from where it is seen; how far is noted', () => {
  const turn = { move: 'turn', sense: 'clockwise', turn: 'a quarter' }
  expect(documentMotion({ ...turn, seenFrom: 'above' } as Motion)).toMatchObject({
    turn: { sense: 'clockwise', seenFrom: 'above' },
    note: 'a quarter',
  })
  expect(documentMotion(turn as Motion).turn).toBeNull()
})
