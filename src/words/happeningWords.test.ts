import { expect, test } from '@jest/globals'
import { readFileSync } from 'node:fs'
import { JobEvent } from '@/core/job/event'
import { EVENT_VERSION } from '@/core/job/eventVersion'
import { smallDash } from '@/core/testing/smallDash.testing'
import { happeningWords, refusedAsNote } from './happeningWords'

const dash = smallDash()

test.each([
  [{ kind: 'undone', holderId: 'cover-clips', count: 2 }, 'undone, 2 spring clips of Cover: 2'],
  [{ kind: 'part at', partId: 'panel', level: 'off' }, 'Panel off'],
  [{ kind: 'noted', itemId: null, text: 'a hook' }, 'noted: a hook'],
  [{ kind: 'handed over' }, 'handed over'],
] as const)('%o', (what, words) => {
  expect(happeningWords(dash, what)).toBe(words)
})
test('every kind there is has its line, of things that are in the record and of those that are not', () => {
  const lines = readFileSync(`src/core/job/corpus/v${EVENT_VERSION}.jsonl`, 'utf8').trim().split('\n')
  for (const line of lines) {
    const { what } = JobEvent.parse(JSON.parse(line))
    const words = happeningWords(dash, what)
    expect(words).toMatch(what.kind === 'part at' ? / (in place|eased|free|off)$/ : new RegExp(`^${what.kind}`))
    expect(words).not.toMatch(/undefined|null|\[object/)
  }
})
test('the note in its place says what it was and why it was refused, and is never too long to be kept', () => {
  const what = { kind: 'noted', itemId: null, text: 'x'.repeat(1000) } as const
  expect(refusedAsNote(dash, { ...what, text: 'a hook' }, 'Too early.')).toBe(
    'Was tapped and not taken: noted: a hook. Too early.',
  )
  expect(refusedAsNote(dash, what, 'Too early.')).toHaveLength(1000)
})
