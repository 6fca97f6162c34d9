import { expect, test } from '@jest/globals'
import { DEFAULT_HOUSE_VALUES } from '../shop/houseValues'
import { crewAtDash } from '../testing/atDash.testing'
import { smallDash } from '../testing/smallDash.testing'
import { BUILT_IN_RULES } from '../vehicle/builtInRules'
import { bayStanding, type BayJobSource } from './bayStanding'
import type { Happening } from './event'

/** How the small dash stands in its bay after these happenings. */
function standing(happenings: readonly Happening[], more: Partial<BayJobSource> = {}) {
  const crew = crewAtDash()
  for (const what of happenings) crew.add(what)
  const { document } = crew
  const job: BayJobSource = {
    kind: 'job',
    request: crew.plan.request,
    found: crew.plan.found,
    document,
    events: crew.events,
    ...more,
  }
  return bayStanding(job, document, DEFAULT_HOUSE_VALUES, BUILT_IN_RULES, 0)
}
const RENAME = { kind: 'about' as const, field: 'name' as const, from: 'Small dash', to: 'Small dash' }
const off = (partId: string): Happening => ({ kind: 'part at', partId, level: 'off' })

test('nothing begun: the first tap of the plan is next, nothing is open, power may come on', () => {
  const now = standing([])!
  expect(now.next).toMatchObject({ kind: 'tap' })
  expect([now.open, now.forbids, now.sinceMs, now.reached]).toEqual([[], null, null, false])
})

test('what is out and open is listed with how many, an airbag plug before everything else', () => {
  const now = standing([
    { kind: 'undone', holderId: 'cover-clips', count: 2 },
    off('cover'),
    { kind: 'opened', tetherId: 'main' },
    { kind: 'opened', tetherId: 'hazard' },
  ])!
  expect(now.open).toEqual(
    expect.arrayContaining([
      { kind: 'holder', holderId: 'cover-clips', count: 2 },
      { kind: 'tether', tetherId: 'main' },
      { kind: 'tether', tetherId: 'hazard' },
    ]),
  )
  expect(now.told.outIds).toEqual(['cover'])
  expect(now.sinceMs).not.toBeNull()
})

test('an open airbag plug comes before every other, and keeps the ignition off', () => {
  const dash = smallDash()
  dash.tethers.find(({ id }) => id === 'hazard')!.circuit = 'srs-indicator'
  const crew = crewAtDash(dash)
  crew.add({ kind: 'opened', tetherId: 'main' })
  crew.add({ kind: 'opened', tetherId: 'hazard' })
  const job: BayJobSource = { kind: 'strip', request: null, found: null, document: dash, events: crew.events }
  const now = bayStanding(job, dash, DEFAULT_HOUSE_VALUES, BUILT_IN_RULES, 0)!
  expect(now.open.map(({ kind }) => kind)).toEqual(['airbag', 'tether'])
  expect(now.forbids).toMatchObject({ power: 'ignition', breach: { tetherIds: ['hazard'] } })
})

test('a plug that the record does not have comes first as well, and keeps the ignition off', () => {
  const now = standing([
    { kind: 'opened', tetherId: 'main' },
    { kind: 'opened', tetherId: 'gone' },
  ])!
  expect(now.open.map(({ kind }) => kind)).toEqual(['unresolved', 'tether'])
  expect(now.forbids).toMatchObject({ power: 'ignition', breach: { tetherIds: ['gone'] } })
})

test('with the lever out of park the ignition may come on and the engine may not', () => {
  const out: Happening = { kind: 'set', settingId: 'lever', value: 'out of park', methodId: null }
  expect(standing([out])!.forbids).toMatchObject({ power: 'engine', breach: { settingIds: ['lever'] } })
})

test('a strip has no plan: it is recorded, and says how much it has told', () => {
  const now = standing([{ kind: 'stated', said: 'a dash', edits: [RENAME, RENAME] }, off('cover')], {
    kind: 'strip',
    request: null,
    found: null,
  })!
  expect([now.plan, now.next, now.told.facts]).toEqual([null, { kind: 'record', isAsked: false }, 2])
})

test('a job whose record no longer has what it is for stands nowhere: its own page says why', () => {
  const crew = crewAtDash()
  const parts = crew.document.parts.filter(({ id }) => id !== 'unit')
  const document = { ...crew.document, parts, holders: [], tethers: [], needs: [] }
  const job = { kind: 'job' as const, request: crew.plan.request, found: crew.plan.found, document, events: [] }
  expect(bayStanding(job, document, DEFAULT_HOUSE_VALUES, BUILT_IN_RULES, 0)).toBeNull()
})
