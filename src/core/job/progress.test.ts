import { describe, expect, test } from '@jest/globals'
import type { Act } from '../procedure/acts'
import { ALL_ACTS } from '../procedure/acts'
import type { Operation } from '../order/operation'
import { crewAtDash, record } from '../testing/atDash.testing'
import { smallDash } from '../testing/smallDash.testing'
import { newFacet } from '../procedure/facet'
import { openAccount } from './account'
import type { Happening } from './event'
import { toFasten } from './jobActs'
import { happeningsFor, isDone, toolsTakenUp } from './progress'
import { NO_WORK } from './workSteps'

/** An operation of the small dash, as a plan has it. */
const doing = (act: Act, itemId: string, more: Partial<Operation> = {}): Operation => ({
  key: `${act}:${itemId}`,
  phase: 'in',
  act,
  itemId,
  partId: null,
  setting: null,
  nth: 1,
  ...more,
})
const set = { settingId: 'lever', from: 'park', to: 'out of park', methodId: 'm' }
const at = (partId: string, level: 'in place' | 'eased' | 'free' | 'off'): Happening => ({
  kind: 'part at',
  partId,
  level,
})
const screws = (kind: 'undone' | 'fastened', count: number): Happening =>
  kind === 'undone' ? { kind, holderId: 'screws', count } : { kind, holderId: 'screws', count, stage: 'final' }
const out = (id: string) => doing('seat', id, { phase: 'out', pulled: ['panel-clips'] })
const tested = (result: 'passed' | 'failed'): Happening => ({
  kind: 'tested',
  functionId: 'sound',
  result,
  reading: '',
  note: '',
})

/** Each act written out by hand: what has to have happened for it to be done, and what is not enough. */
const ROWS: [Operation, enough: Happening[], notEnough: Happening[]][] = [
  [doing('undo', 'screws'), [screws('undone', 4)], [screws('undone', 3)]],
  [doing('ease', 'panel'), [at('panel', 'eased')], []],
  [doing('release', 'panel'), [at('panel', 'free')], []],
  [doing('lift', 'panel'), [at('panel', 'off')], [at('panel', 'free')]],
  [doing('open', 'main'), [{ kind: 'opened', tetherId: 'main' }], [{ kind: 'opened', tetherId: 'hazard' }]],
  [
    doing('fasten', 'screws'),
    [screws('undone', 4), screws('fastened', 4)],
    [screws('undone', 4), screws('fastened', 3)],
  ],
  [
    doing('start', 'screws', { phase: 'out' }),
    [screws('undone', 4), { kind: 'fastened', holderId: 'screws', count: 4, stage: 'started' }],
    [screws('undone', 4)],
  ],
  [doing('place', 'panel'), [at('panel', 'off'), at('panel', 'free')], [at('panel', 'off')]],
  [doing('seat', 'panel'), [at('panel', 'free'), at('panel', 'in place')], [at('panel', 'free')]],
  [
    out('panel'),
    [
      { kind: 'undone', holderId: 'panel-clips', count: 6 },
      at('panel', 'free'),
      at('panel', 'in place'),
      { kind: 'fastened', holderId: 'panel-clips', count: 6, stage: 'final' },
    ],
    [{ kind: 'undone', holderId: 'panel-clips', count: 6 }, at('panel', 'free'), at('panel', 'in place')],
  ],
  [
    doing('close', 'main', { phase: 'out' }),
    [
      { kind: 'opened', tetherId: 'main' },
      { kind: 'closed', tetherId: 'main' },
    ],
    [
      { kind: 'closed', tetherId: 'main' },
      { kind: 'opened', tetherId: 'main' },
    ],
  ],
  [doing('feed', 'main'), [{ kind: 'led through', tetherId: 'main' }], [{ kind: 'opened', tetherId: 'main' }]],
  [
    doing('set', 'lever', { setting: set }),
    [{ kind: 'set', settingId: 'lever', value: 'out of park', methodId: null }],
    [{ kind: 'set', settingId: 'lever', value: 'park', methodId: null }],
  ],
  [
    doing('restore', 'lever', { setting: { ...set, to: 'park' } }),
    [{ kind: 'set', settingId: 'lever', value: 'park', methodId: null }],
    [{ kind: 'set', settingId: 'lever', value: 'out of park', methodId: null }],
  ],
  [doing('work', 'mount'), [{ kind: 'work done', workId: 'mount', reading: '', note: '' }], []],
  [doing('test', 'sound'), [tested('passed')], [tested('failed')]],
  [doing('decide', 'trim'), [{ kind: 'facet told', facetId: 'trim', choiceId: 'plain' }], []],
]
function stateAfter(happenings: Happening[]) {
  const dash = smallDash()
  dash.facets.push(newFacet('trim', 'Trim', ['plain', 'wood']))
  const crew = crewAtDash(dash)
  record(crew, happenings)
  return crew.state
}

describe.each(ROWS.map((row) => [row[0].key, ...row] as const))('%s', (_, operation, enough, notEnough) => {
  test('is done once it has happened, and not before', () => {
    expect(isDone(stateAfter([]), operation)).toBe(false)
    expect(isDone(stateAfter(notEnough), operation)).toBe(false)
    expect(isDone(stateAfter(enough), operation)).toBe(true)
  })
})
test('each act but a wait has its row; a wait holds nobody up, the rules do', () => {
  expect(new Set([...ROWS.map(([{ act }]) => act), 'wait'])).toEqual(new Set(ALL_ACTS))
  expect(isDone(stateAfter([]), doing('wait', 'battery'))).toBe(true)
})
test('a test that passed and then failed is not done', () => {
  expect(isDone(stateAfter([tested('passed'), tested('failed')]), doing('test', 'sound'))).toBe(false)
})
test('closed for a test and opened again: the last close of the way out is still to do', () => {
  const [open, close]: Happening[] = [
    { kind: 'opened', tetherId: 'main' },
    { kind: 'closed', tetherId: 'main' },
  ]
  const last = doing('close', 'main', { phase: 'out', nth: 2 })
  expect(isDone(stateAfter([open!, close!]), last)).toBe(false)
  expect(isDone(stateAfter([open!, close!, open!, close!]), last)).toBe(true)
})
test('a group that was missing from the beginning is started and fastened once new ones are in', () => {
  const missing: Happening = { kind: 'as found', holderId: 'screws', what: 'missing', count: 4, note: '' }
  const fitted: Happening = { kind: 'new fitted', holderId: 'screws', count: 4, insteadOf: 'missing' }
  expect(isDone(stateAfter([missing, fitted]), doing('fasten', 'screws'))).toBe(true)
})
test('what is recorded when it is done as written: as many as there are, old ones first, new ones for those that broke', () => {
  const broke: Happening = { kind: 'broken', holderId: 'screws', count: 1, wasFitted: 'no', note: '' }
  expect(happeningsFor(stateAfter([screws('undone', 4), broke]), doing('fasten', 'screws'), NO_WORK)).toEqual([
    { kind: 'fastened', holderId: 'screws', count: 3, stage: 'final' },
    { kind: 'new fitted', holderId: 'screws', count: 1, insteadOf: 'old' },
  ])
  expect(happeningsFor(stateAfter([screws('undone', 1)]), doing('undo', 'screws'), NO_WORK)).toEqual([
    screws('undone', 3),
  ])
  expect(happeningsFor(stateAfter([]), doing('release', 'panel', { pulled: ['panel-clips'] }), NO_WORK)).toEqual([
    { kind: 'undone', holderId: 'panel-clips', count: 6 },
    at('panel', 'free'),
  ])
})
test.each([
  [{}, { old: 0, fresh: 0 }],
  [{ undone: 4 }, { old: 4, fresh: 0 }],
  [
    { undone: 4, broken: 1 },
    { old: 3, fresh: 1 },
  ],
  [
    { undone: 4, lost: 2 },
    { old: 2, fresh: 2 },
  ],
  [
    { undone: 4, leftOut: 1 },
    { old: 3, fresh: 0 },
  ],
  [
    { undone: 4, fastenedOld: 3 },
    { old: 1, fresh: 0 },
  ],
  [
    { undone: 4, ended: 4, fittedNew: 1, takenNew: 1 },
    { old: 0, fresh: 3 },
  ],
  [
    { undone: 4, madeGood: 1 },
    { old: 4, fresh: 1 },
  ],
])('of four with %j go back %j', (more, expected) => expect(toFasten({ ...openAccount(4), ...more })).toEqual(expected))
test('a tool is taken up once, until it is back', () => {
  const steps = crewAtDash(smallDash()).steps
  const taken = toolsTakenUp(stateAfter([]), steps).map((what) => (what.kind === 'tool out' ? what.tool : ''))
  expect(new Set(taken).size).toBe(taken.length)
  expect(taken).not.toContain('hand')
  const one: Happening = { kind: 'tool out', tool: taken[0]! }
  expect(toolsTakenUp(stateAfter([one]), steps)).toHaveLength(taken.length - 1)
  expect(toolsTakenUp(stateAfter([one, { kind: 'tool back', tool: taken[0]! }]), steps)).toHaveLength(taken.length)
})
