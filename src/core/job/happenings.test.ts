import { describe, expect, test } from '@jest/globals'
import { smallDash } from '../testing/smallDash.testing'
import { JobEvent } from './event'
import { EVENT_VERSION } from './eventVersion'
import { foldJob } from './fold'
import { HAPPENINGS, markOf, notWritten, type Hand } from './happenings'
import { AIRBAG_CIRCUITS } from '../shop/rights'
import { readFileSync } from 'node:fs'

/**
 * Written out a second time, by hand. Loud: it changes something on the vehicle, so that whoever signed for it signs
 * again. Quiet: it changes nothing there.
 */
const LOUD = [
  ...['as found', 'undone', 'fastened', 'new fitted', 'broken', 'pieces recovered', 'lost', 'found again'],
  ...['search signed', 'left out', 'stray found', 'stray settled', 'ended'],
  ...['part at', 'tool out', 'work done'],
  ...['opened', 'closed', 'led through', 'tested', 'set', 'reopened'],
  ...['fitted', 'step done', 'adjusted'],
]
const QUIET = [
  ...['job opened', 'plan adopted', 'card taken', 'paused', 'resumed', 'countersigned', 'handed over', 'caution read'],
  ...['taken back', 'ordered', 'arrived', 'tool back', 'changed for good', 'lead parked', 'worked before'],
  ...['trouble found', 'loss accepted', 'facet told', 'checked in', 'restored', 'noted', 'voice noted', 'photographed'],
  ...['different from the record', 'stated', 'came before', 'order means nothing', 'already off', 'question put off'],
  ...['note settled', 'proposal declined', 'row accepted', 'supplied', 'left over', 'tell seen', 'tried'],
  ...['place judged', 'gone on without', 'left for later', 'shown to the customer'],
]
const ONLY_THE_SHOP = ['handed over', 'reopened']
const ONLY_LEADS = ['note settled', 'proposal declined', 'row accepted']
const IN_PERSON = [...ONLY_LEADS, 'countersigned', 'shown to the customer']

const samples = readFileSync(`src/core/job/corpus/v${EVENT_VERSION}.jsonl`, 'utf8')
  .trim()
  .split('\n')
  .map((line) => JobEvent.parse(JSON.parse(line)))
const sample = (kind: string) => samples.find(({ what }) => what.kind === kind)!
const later = (event: JobEvent, at: string): JobEvent => ({ ...event, id: crypto.randomUUID(), at, corrects: null })

test('each kind stands in one of the lists', () => {
  expect([...LOUD, ...QUIET].sort()).toEqual(Object.keys(HAPPENINGS).sort())
})
describe('after a vehicle was signed for and handed over', () => {
  const signed = [
    later(sample('countersigned'), '0001764000900000-0000'),
    later(sample('handed over'), '0001764000900001-0000'),
  ]
  test.each(LOUD)('%s opens it again', (kind) => {
    const state = foldJob(smallDash(), [...signed, later(sample(kind), '0001764000900002-0000')])
    expect([state.signatures, state.handedOver]).toEqual([[], null])
    // Whoever holds its sheet can be told that it is superseded.
    expect(state.handedOverBefore?.at).toBe(signed[1]!.at)
  })
  test.each(QUIET)('%s leaves it closed', (kind) => {
    const state = foldJob(smallDash(), [...signed, later(sample(kind), '0001764000900002-0000')])
    expect(state.signatures.length).toBeGreaterThan(0)
    expect(state.handedOver).not.toBeNull()
  })
})
describe('who may write what, cell by cell', () => {
  const kinds = Object.keys(HAPPENINGS) as (keyof typeof HAPPENINGS)[]
  const here: Hand = { isLead: true, isHere: true, actsNow: true, hasActed: true }
  const notAmong = (hand: Hand) => kinds.filter((kind) => notWritten(kind, hand) !== null)
  test.each<[string, Partial<Hand>, readonly string[]]>([
    ['a lead who acts', {}, ONLY_THE_SHOP],
    ['an installer who acts', { isLead: false }, [...ONLY_THE_SHOP, ...ONLY_LEADS]],
    ['a lead after somebody else took over', { actsNow: false }, [...ONLY_THE_SHOP, ...IN_PERSON]],
    ['an installer after that', { isLead: false, actsNow: false }, [...ONLY_THE_SHOP, ...IN_PERSON]],
    ['a lead who has left', { isHere: false, actsNow: false, hasActed: false }, [...ONLY_THE_SHOP, ...IN_PERSON]],
    ['a lead who was never on this device', { actsNow: false, hasActed: false }, kinds],
  ])('%s', (_, more, not) => {
    expect(notAmong({ ...here, ...more }).sort()).toEqual([...not].sort())
  })
  test('what only waits for a PIN is told apart from what will never be taken', () => {
    expect(notWritten('row accepted', { ...here, actsNow: false })).toBe('held: acts now')
    expect(notWritten('undone', { ...here, actsNow: false, hasActed: false })).toBe('held: has acted')
    expect(notWritten('row accepted', { ...here, isLead: false, actsNow: false })).toBe('needs a lead')
    expect(notWritten('row accepted', { ...here, isHere: false })).toBe('had left')
  })
})
test('a second lost screw is not covered by the search that was signed for the first', () => {
  const at = (n: number) => `000176400090000${n}-0000`
  const lost = (n: number) => later(sample('lost'), at(n))
  const searched = later(sample('search signed'), at(2))
  expect(foldJob(smallDash(), [lost(1), searched]).holders.get('bolts')!.searchSigned).toBe(true)
  expect(foldJob(smallDash(), [lost(1), searched, lost(3)]).holders.get('bolts')!.searchSigned).toBe(false)
})

describe('the mark an event is kept with', () => {
  const opened = { kind: 'opened', tetherId: 'bag' } as const
  const firing = new Set(['bag'])
  const here = { isHere: true, authorised: [] as string[] }
  test('had left: whoever is no longer of the crew, whatever it was', () => {
    expect(markOf(opened, { ...here, isHere: false }, firing)).toBe('had left')
    expect(markOf({ kind: 'noted', text: 'x' } as never, { ...here, isHere: false }, firing)).toBe('had left')
  })
  test('not authorised: work on what fires, by somebody who may not; of nothing else', () => {
    expect(markOf(opened, here, firing)).toBe('not authorised')
    expect(markOf({ kind: 'closed', tetherId: 'bag' }, here, firing)).toBe('not authorised')
    expect(markOf(opened, { ...here, authorised: [AIRBAG_CIRCUITS] }, firing)).toBeNull()
    expect(markOf({ ...opened, tetherId: 'main' }, here, firing)).toBeNull()
    expect(markOf({ kind: 'led through', tetherId: 'bag' }, here, firing)).toBeNull()
    expect(markOf({ kind: 'undone', holderId: 'bag', count: 1 }, here, firing)).toBeNull()
  })
})
