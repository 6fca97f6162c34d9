import { describe, expect, test } from '@jest/globals'
import type { Lacking } from '@/core/shop/functionsLacking'
import { modelOfRequest } from '@/core/plan/ask/modelOfRequest'
import { PlanRequest } from '@/core/plan/ask/planRequest'
import { planJob } from '@/core/plan/planJob'
import { closedAtOnce } from '@/core/plan/show/closedAtOnce'
import { FunctionNeed } from '@/core/shop/addedFunction'
import { NOT_WANTED } from '@/core/shop/functionClosure'
import { DEFAULT_HOUSE_VALUES } from '@/core/shop/houseValues'
import { judgePlace } from '@/core/shop/placingRules'
import { withKits } from '@/core/shop/withKits'
import { crewAtDash, record } from '@/core/testing/atDash.testing'
import { SCREEN, SCREEN_KIT } from '@/core/testing/screenKit.testing'
import { smallDash } from '@/core/testing/smallDash.testing'
import { customerOf } from './customerSheet'
import { blockedSentence, lackWords, testWithWords } from './functionWords'
import type { JobSheet } from './jobSheet'
import { placeJudgedWords, placeSaidWords } from './placeWords'
import { quotationFacts } from './quotationFacts'
import { promiseWords } from './quotationWords'
import { termsOf } from '@/core/job/terms'

const need = (of: FunctionNeed['of'], because = '') => FunctionNeed.parse({ of, id: 'x', because })
const house = { ...DEFAULT_HOUSE_VALUES, labourMinorPerHour: 6_000, timeZone: 'Europe/Berlin' }
const planned = (
  build: Record<string, string> = {},
  tests: 'before it is hidden' | 'at hand-over' = 'before it is hidden',
) => {
  const request = PlanRequest.parse({ kits: [SCREEN], build, policy: { tests } })
  const plan = planJob(modelOfRequest(smallDash(), request), request, house)
  if (!plan.ok) throw new Error(plan.error.kind)
  return { plan: plan.value, document: withKits(smallDash(), request.kits) }
}

test.each<[Lacking['is'], FunctionNeed['of'], string]>([
  ['to come', 'plug', 'thing is not connected'],
  ['to come', 'part', 'thing is not fitted'],
  ['to come', 'setting', 'thing is not set'],
  ['to come', 'function', 'thing is not there yet'],
  ['not on this build', 'part', 'thing is not for this build'],
  ['not wanted', 'function', 'thing is not wanted'],
  ['left open', 'plug', 'thing is left open'],
  ['set otherwise', 'setting', 'thing is not set as it should be'],
  ['given up', 'function', 'thing will not be there'],
])('what is lacking: %s, of a %s', (is, of, words) => {
  expect(lackWords(() => 'thing', { need: need(of), is })).toBe(words)
})
test('a blocked function is said with its reasons', () => {
  const lacks: Lacking[] = [
    { need: need('plug', 'the real signal, never a bypass'), is: 'left open' },
    { need: need('part'), is: 'to come' },
  ]
  expect(blockedSentence(() => 'signal', { functionId: 'f', name: 'Projection', lacks })).toBe(
    'Projection is wanted: signal is left open (the real signal, never a bypass); signal is not fitted.',
  )
  expect(testWithWords([{ role: 'gear lever', value: 'out of park' }])).toBe('with gear lever out of park')
  expect(testWithWords([])).toBe('')
})
test('a place, as it was judged', () => {
  const good = { sky: true, 'metal above': true, plate: true, clean: true, others: true }
  const said = (answers: Record<string, boolean>) => placeJudgedWords(judgePlace('satellite antenna', answers))
  expect(said({})).toBe('5 still to be said.')
  expect(said(good)).toBe('A good place.')
  expect(said({ ...good, sky: false })).toBe('Not here: it hears nothing through metal. Look for another place.')
  expect(said({ ...good, plate: false })).toMatch(/^It can be done here, with a doubt: /)
  const place = { of: 'satellite antenna' as const, where: 'dash top', photoId: null, at: '', personId: '' }
  expect(placeSaidWords({ ...place, answers: good })).toBe('dash top: all as it should be')
  expect(placeSaidWords({ ...place, where: '', answers: { ...good, others: false } })).toMatch(
    /^place of the satellite antenna: It can be done here/,
  )
})
test.each([
  [0, '0 min'],
  [59, '59 min'],
  [60, '1 h 00 min'],
  [125, '2 h 05 min'],
])('%i minutes are promised as %s', (minutes, words) => expect(promiseWords(minutes)).toBe(words))

describe('a quotation', () => {
  const besides = {
    ...{ house, nowMs: Date.UTC(2026, 10, 30, 8), shopName: 'Saltmarsh', to: '', validDays: 30, note: 'Monday' },
    vehicle: { label: 'Van 12', plate: 'SM 12', customer: 'Town Works' },
  }
  test('says for whom, until when, what comes and goes, and sums that add up', () => {
    const { plan, document } = planned()
    const facts = quotationFacts(document, plan, { ...besides, options: [] })
    expect(facts).toMatchObject({
      ...{ to: 'Town Works', job: 'Screen', on: '30 Nov 2026', validUntil: '30 Dec 2026', vehicle: 'Small dash SM 12' },
      ...{ gained: ['Screen', 'Projection', 'Rear view'], blocked: [], fasteners: 2, partsTotal: '€0.00' },
    })
    const cents = (money: string) => Math.round(Number(money.replace(/[^\d.]/g, '')) * 100)
    expect(facts.phases.reduce((sum, { money }) => sum + cents(money), 0)).toBe(cents(facts.work))
    expect(facts.small.join(' ')).toMatch(/3 of the parts have no price yet/)
    expect(facts.backToFactory).toMatch(/^Nothing of the vehicle is cut or drilled/)
  })
  test('offers what may be done without, in or out, at what it changes', () => {
    const { plan, document } = planned({ projection: NOT_WANTED })
    const options = [
      { functionId: 'projection', extraS: 120, partsMinor: 500 },
      { functionId: 'rear-view', extraS: 10, partsMinor: 0 },
    ]
    const facts = quotationFacts(document, plan, { ...besides, to: 'Ms Reed', options })
    expect(facts.to).toBe('Ms Reed')
    // Two minutes at 60.00 an hour, and 5.00 in parts.
    expect(facts.options).toEqual([
      { words: 'Projection', time: '2 min', money: '€7.00', isIn: false },
      { words: 'Rear view', time: '', money: '€0.17', isIn: true },
    ])
  })
  test('without a price for an hour it says that work is not in the sum', () => {
    const { plan, document } = planned()
    const unpriced = { ...besides, house: { ...house, labourMinorPerHour: null } }
    const facts = quotationFacts(document, plan, { ...unpriced, options: [] })
    expect([facts.work, facts.small.some((words) => words.startsWith('Work has no price yet'))]).toEqual(['', true])
  })
})

test('closing at once names what is not tried, what comes off again, and how long that takes', () => {
  expect(closedAtOnce(planned().plan)).toBeNull()
  const risk = closedAtOnce(planned({}, 'at hand-over').plan)!
  expect(risk.functionIds).toEqual(expect.arrayContaining(['plays', 'projection']))
  expect(risk.partIds.length).toBeGreaterThan(0)
  expect(risk.againS).toBeGreaterThan(10)
})

test('the customer’s part of the sheet: what was shown and signed, what is missing, where things were placed', () => {
  const crew = crewAtDash(undefined, PlanRequest.parse({ kits: [SCREEN], build: {} }))
  const sheet = (): JobSheet =>
    ({
      ...{ document: crew.document, state: crew.state, plan: crew.plan, house },
      terms: termsOf(crew.document, crew.request, crew.state),
    }) as JobSheet
  expect(customerOf(sheet())).toEqual({ shown: null, missing: [], later: [], leftSet: [], places: [] })
  record(crew, [
    { kind: 'adjusted', moduleSettingId: 'input', value: 'off', how: 'entered' },
    { kind: 'work done', workId: 'in', reading: '', note: '' },
    {
      ...{ kind: 'place judged', workId: 'see', of: 'camera', where: 'handle', photoId: null },
      answers: { picture: true, level: true, clear: true },
    },
    {
      ...{ kind: 'shown to the customer', functionIds: ['plays', 'rear-view'], by: 'Ms Reed', strokes: 'M1 2 L3 4' },
      points: ['taught'],
    },
  ])
  expect(customerOf(sheet())).toMatchObject({
    shown: { by: 'Ms Reed', what: ['Screen'], points: ['used it themselves'], strokes: 'M1 2 L3 4' },
    missing: ['Rear view is wanted: Camera input is not set as it should be.'],
    leftSet: ['Camera input: off'],
    places: ['Look at the picture, handle: all as it should be'],
  })
  expect(SCREEN_KIT.functions).toHaveLength(3)
})
