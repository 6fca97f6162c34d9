import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, test } from '@jest/globals'
import { smallDash } from '../testing/smallDash.testing'
import { JobEvent, StoredEvent } from './event'
import { EVENT_VERSION } from './eventVersion'
import { foldJob } from './fold'
import { HAPPENINGS } from './happenings'
import { upcast } from './upcast'

/** Events as each released version stored them, one of every kind: a file never changes once its version is out. */
const FOLDER = 'src/core/job/corpus'
const corpus = (v: number) =>
  readFileSync(`${FOLDER}/v${v}.jsonl`, 'utf8')
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as { what: { kind: string } })
const VERSIONS = Array.from({ length: EVENT_VERSION }, (_, i) => i + 1)

test('each released version has its corpus', () => {
  expect(readdirSync(FOLDER).sort()).toEqual(VERSIONS.map((v) => `v${v}.jsonl`))
})
describe.each(VERSIONS)('version %i', (v) => {
  test('every event of it is read, and is one of this version', () => {
    for (const line of corpus(v))
      expect([line.what.kind, StoredEvent.parse(line).v]).toEqual([line.what.kind, EVENT_VERSION])
  })
  test('they fold together', () => {
    const state = foldJob(
      smallDash(),
      corpus(v).map((line) => StoredEvent.parse(line)),
    )
    expect(state.handedOver).not.toBeNull()
    expect([...state.declined]).toEqual(['holders:screws:count'])
    expect([...state.questionsPutOff]).toEqual(['loose:panel'])
  })
})
test('the newest corpus has every kind there is', () => {
  expect(new Set(corpus(EVENT_VERSION).map(({ what }) => what.kind))).toEqual(new Set(Object.keys(HAPPENINGS)))
})
test('what is written now is read as it was written', () => {
  for (const line of corpus(EVENT_VERSION)) expect(JobEvent.parse(line)).toEqual(StoredEvent.parse(line))
})
test('what is no event, or comes from a later version, is left for the parser to refuse', () => {
  for (const value of [null, 3, 'event', {}, { v: 1 }, { v: '1', what: {} }]) expect(upcast(value)).toEqual(value)
  const later = { ...corpus(EVENT_VERSION)[0]!, v: EVENT_VERSION + 1 }
  expect(upcast(later)).toEqual(later)
  expect(StoredEvent.safeParse(later).success).toBe(false)
})
