import { expect, test } from '@jest/globals'
import { clearCorrection, correctedFacts, correctionOf } from './correction'
import { clearFacts, lineInHand } from './lineInHand'
import type { Fact } from './meaning'
import { asksOf, understand } from './understand'

const LAST = understand('surround: 8 clips, 2 T20 behind liner, pull up').facts

/** What the last line comes to when this one corrects it; null where it does not, or could in two ways. */
function corrected(line: string, last: readonly Fact[] = LAST): Fact[] | null {
  const correction = correctionOf(last, understand(line))
  if (!correction) return null
  expect(asksOf(correction.understood)).toEqual([])
  return correctedFacts(last, correction, correction.understood.facts)
}

test.each([
  ['no, T25', 1, { count: 2, drive: 'six-lobe', size: 'T25', behind: ['liner'] }],
  ['no, nine clips', 0, { kind: 'spring clip', count: 9, holds: ['surround'] }],
  ['no, 9 push-pins', 0, null],
  ['no, 3 T20', 1, { count: 3, size: 'T20', behind: ['liner'] }],
  ['no, pull down', 2, { motions: [{ move: 'pull', to: 'down' }], of: 'surround' }],
] as const)('%s', (line, place, now) => {
  const facts = corrected(line)
  if (now === null) return expect(facts).toBeNull()
  expect(facts).toHaveLength(LAST.length)
  expect(facts![place]).toMatchObject(now)
  expect(facts![place]).not.toHaveProperty('instead')
  // The others stay as they were said.
  expect(facts!.filter((_, i) => i !== place)).toEqual(LAST.filter((_, i) => i !== place))
})

test.each(['no, nine', 'sorry, nine', 'wait, 9'])('%s: of the one group that was said, whatever it is', (line) => {
  expect(corrected(line, understand('2 push-pins').facts)).toEqual([{ fact: 'holder', kind: 'push-pin', count: 9 }])
  // Of two groups nobody knows which.
  expect(corrected(line)).toBeNull()
  expect(corrected(line, [])).toBeNull()
})

test('a doubt is settled by saying it again', () => {
  const last = understand('about six clips').facts
  expect(last).toMatchObject([{ count: 6, unsure: ['count'] }])
  expect(corrected('no, seven', last)).toEqual([{ fact: 'holder', kind: 'spring clip', count: 7 }])
})

test('what corrects nothing is a line of its own', () => {
  expect(corrected('9 clips')).toBeNull()
  expect(corrected('no screws')).toBeNull()
  expect(corrected('two people')).toBeNull()
})

test('of a correction of two things one is dropped: the other stands for its own fact', () => {
  const understood = understand('no, 9 clips, 3 T20')
  const correction = correctionOf(LAST, understood)!
  expect(correction.places).toEqual([0, 1])
  const [clips] = lineInHand(correction.understood, { mends: new Map(), dropped: new Set() }).chips
  const read = lineInHand(correction.understood, { mends: new Map(), dropped: new Set([clips!.key]) })
  const facts = correctedFacts(LAST, clearCorrection(correction, read.chips)!, clearFacts(read))
  expect(facts).toMatchObject([{ kind: 'spring clip', count: 8 }, { size: 'T20', count: 3 }, { fact: 'release' }])
  const none = read.chips.map((chip) => ({ ...chip, state: 'open' as const }))
  expect(clearCorrection(correction, none)).toBeNull()
})
