import { describe, expect, test } from '@jest/globals'
import { PlanRequest } from '../plan/ask/planRequest'
import { crewAtDash, goOnTo, record } from '../testing/atDash.testing'
import { RADIO, radioDash } from '../testing/radioKit.testing'
import type { CrewAtWork } from './crew.testing'
import { closingActs } from './decide/closingActs'
import { handoverBlocks } from './handover'
import { Kit } from '../shop/kit'
import { DEFAULT_HOUSE_VALUES } from '../shop/houseValues'
import { whilePlanning } from '../vehicle/circumstances'
import { tappedDone } from './decide/done'
import type { JobState } from './jobState'
import { liveVehicle } from './liveVehicle'
import { nextTap } from './progress'
import { kitRows } from './kitRows'
import { termsOf } from './terms'
import { inRange, stepsInHand } from './workSteps'

const PLAIN = { audio: 'plain', family: 'plain-unit' }
const crewWith = (build: Record<string, string> = PLAIN): CrewAtWork =>
  crewAtDash(radioDash(), PlanRequest.parse({ kits: [RADIO], build }))
/** Everything as written, to the end. */
function allAsWritten(crew: CrewAtWork): void {
  for (let i = 0; i < 200; i++) {
    const tap = nextTap(crew.plan, crew.state)
    if (!tap) return
    if (tap.step.operation.act === 'decide') crew.add({ kind: 'facet told', facetId: 'audio', choiceId: 'plain' })
    else for (const step of tap.steps) crew.does(step)
  }
}
const open = (crew: CrewAtWork) => crew.balance().openRows.map(({ account, id }) => `${account} ${id}`)
const rowOf = (crew: CrewAtWork, id: string) => crew.balance().rows.find((row) => row.id === id)!
const acts = (crew: CrewAtWork, id: string) =>
  closingActs(rowOf(crew, id), {
    ...{ document: crew.document, model: crew.model, state: crew.state },
    vehicle: liveVehicle(crew.model, crew.state, crew.nowMs),
    circumstances: whilePlanning(DEFAULT_HOUSE_VALUES),
  }).acts

describe('the account of a kit', () => {
  test('as long as nothing of it is begun it owes nothing', () => {
    const crew = crewWith()
    expect(crew.balance().rows.some(({ account }) => account === 'supply')).toBe(false)
    expect(kitRows(crew.state, termsOf(crew.document, crew.request, crew.state).kits)).toEqual([])
  })
  test('done as written it closes: 12 screws and 6 clips, each plug tried, the module as it should be', () => {
    const crew = crewWith()
    allAsWritten(crew)
    expect(open(crew)).toEqual([])
    expect(rowOf(crew, 'k-unit-screws')).toMatchObject({ there: 4, wanted: 4, fitted: 4, left: 0 })
    expect(rowOf(crew, 'k-switches')).toMatchObject({ value: '0110', open: false })
    expect(rowOf(crew, 'k-power')).toMatchObject({ closed: true, open: false })
    // What is used up is not counted back.
    expect(crew.balance().rows.some(({ id }) => id === 'k-tape')).toBe(false)
  })
  test('begun and not finished it names everything that is still to be fitted, plugged and set', () => {
    const crew = crewWith()
    record(crew, [{ kind: 'fitted', itemId: 'k-bracket-left', count: 1 }])
    const left = open(crew)
    expect(left).toEqual(
      expect.arrayContaining(['supply k-unit-screws', 'plug k-power', 'module k-switches', 'supply k-display']),
    )
    expect(left).not.toContain('supply k-bracket-left')
    expect(left).not.toContain('supply k-amp-lead')
  })
  test('a plug that was closed and not tried is open', () => {
    const crew = crewWith()
    allAsWritten(crew)
    record(crew, [
      { kind: 'opened', tetherId: 'k-power' },
      { kind: 'closed', tetherId: 'k-power' },
    ])
    expect(open(crew)).toEqual(['plug k-power'])
    expect(acts(crew, 'k-power')).toMatchObject([{ says: 'it is tried' }])
    record(crew, acts(crew, 'k-power')[0]!.happenings)
    expect(open(crew)).toEqual([])
  })
  test('a screw of the kit that is undone again, broken, lost: one account, like any other', () => {
    const crew = crewWith()
    allAsWritten(crew)
    record(crew, [{ kind: 'undone', holderId: 'k-unit-screws', count: 1 }])
    expect(rowOf(crew, 'k-unit-screws')).toMatchObject({ open: [{ kind: 'short', count: 1, loose: 1 }] })
    record(crew, [{ kind: 'broken', holderId: 'k-unit-screws', count: 1, wasFitted: 'no', note: '' }])
    expect(rowOf(crew, 'k-unit-screws')).toMatchObject({
      open: [
        { kind: 'short', count: 1, loose: 0 },
        { kind: 'pieces', count: 1 },
      ],
    })
    for (const act of acts(crew, 'k-unit-screws').filter(({ main }) => main)) record(crew, act.happenings)
    expect(open(crew)).toEqual([])
  })
  test('a part that falls into the dash is lost until somebody has searched and signed', () => {
    const crew = crewWith()
    record(crew, [
      { kind: 'fitted', itemId: 'k-unit', count: 1 },
      { kind: 'lost', holderId: 'k-display', count: 1, from: 'vehicle' },
    ])
    expect(rowOf(crew, 'k-display')).toMatchObject({ open: [{ kind: 'short', loose: 0 }, { kind: 'lost' }] })
    expect(crew.state.unresolved.size).toBe(0)
  })
  test('a box that held one screw less, and one taken from the shelf, closes; without it the row stays', () => {
    const crew = crewWith()
    record(crew, [{ kind: 'supplied', itemId: 'k-unit-screws', from: 'box', count: 3 }])
    allAsWritten(crew)
    expect(open(crew)).toEqual(['supply k-unit-screws'])
    record(crew, [{ kind: 'supplied', itemId: 'k-unit-screws', from: 'stock', count: 1 }])
    expect(open(crew)).toEqual([])
  })
  test('one too many left over is a row, as is one too few; both are counted again or explained', () => {
    const crew = crewWith()
    record(crew, [{ kind: 'supplied', itemId: 'k-left-screws', from: 'box', count: 4 }])
    allAsWritten(crew)
    // Two more than are fitted: left over as expected, and no row.
    expect(rowOf(crew, 'k-left-screws')).toMatchObject({ there: 4, wanted: 2, left: 2, open: [] })
    record(crew, [{ kind: 'left over', itemId: 'k-left-screws', count: 3 }])
    expect(rowOf(crew, 'k-left-screws')).toMatchObject({ open: [{ kind: 'too many left', count: 1 }] })
    expect(acts(crew, 'k-left-screws').map(({ says }) => says)).toEqual(['counted again', 'more were in the box'])
    record(crew, acts(crew, 'k-left-screws')[1]!.happenings)
    expect(open(crew)).toEqual([])
    record(crew, [{ kind: 'left over', itemId: 'k-left-screws', count: 2 }])
    expect(rowOf(crew, 'k-left-screws')).toMatchObject({ open: [{ kind: 'too few left', count: 1 }] })
    record(crew, acts(crew, 'k-left-screws')[1]!.happenings)
    expect(rowOf(crew, 'k-left-screws')).toMatchObject({ open: [{ kind: 'lost', count: 1 }] })
  })
  test('a screw that lies about may be one of the kit’s: said so, its group is one short, and in hand', () => {
    const crew = crewWith()
    allAsWritten(crew)
    record(crew, [{ kind: 'stray found', strayId: 'x', head: 'cross PH2', where: 'on the seat' }])
    const stray = crew.balance().rows.find(({ account }) => account === 'stray')
    expect(stray).toMatchObject({ couldBe: expect.arrayContaining(['k-unit-screws', 'k-display-screws']) })
    record(crew, [{ kind: 'stray settled', strayId: 'x', holderId: 'k-unit-screws', note: '' }])
    expect(rowOf(crew, 'k-unit-screws')).toMatchObject({ open: [{ kind: 'short', count: 1, loose: 1 }] })
  })
  test('a part of no kit of this job that is said to be fitted is a row nobody can look up', () => {
    const crew = crewWith()
    record(crew, [{ kind: 'fitted', itemId: 'of-another-kit', count: 1 }])
    expect(crew.balance().rows.find(({ account }) => account === 'unresolved')).toMatchObject({ of: 'holder', back: 1 })
    expect(crew.state.holders.has('of-another-kit')).toBe(false)
  })
  test('a kit’s test outside its range has failed, whoever says that it passed', () => {
    const functions = [
      { id: 'k-supply', name: 'Supply', readingUnit: 'V', least: 11.5, most: 15, afterWork: ['w-unit'] },
    ]
    const kit = Kit.parse({ ...RADIO.kit, functions })
    const crew = crewAtDash(radioDash(), PlanRequest.parse({ kits: [{ kit, fit: RADIO.fit }], build: PLAIN }))
    allAsWritten(crew)
    const blocks = () =>
      handoverBlocks(crew.document, crew.state, false, termsOf(crew.document, crew.request, crew.state)).filter(
        (block) => 'functionId' in block && block.functionId === 'k-supply',
      )
    const said = (reading: string) =>
      record(crew, [{ kind: 'tested', functionId: 'k-supply', result: 'passed', reading, note: '' }])
    said('9 V')
    expect(blocks()).toMatchObject([{ kind: 'test failed' }])
    said('12.4 V')
    expect(blocks()).toEqual([])
  })
  test('one more in the box than was counted is one more there, whatever came from the shelf besides', () => {
    const crew = crewWith()
    record(crew, [{ kind: 'supplied', itemId: 'k-left-screws', from: 'box', count: 1 }])
    record(crew, [{ kind: 'supplied', itemId: 'k-left-screws', from: 'stock', count: 2 }])
    allAsWritten(crew)
    record(crew, [{ kind: 'left over', itemId: 'k-left-screws', count: 2 }])
    record(crew, acts(crew, 'k-left-screws').find(({ says }) => says === 'more were in the box')!.happenings)
    expect(rowOf(crew, 'k-left-screws')).toMatchObject({ box: 2, there: 4, left: 2, open: [] })
  })
  test('a change of the vehicle nobody agreed to is not recorded; of the kit’s own plastic nobody is asked', () => {
    const changes = (['vehicle', 'kit'] as const).map((on) => ({ id: on, what: 'scrape', on, where: `the ${on}` }))
    const kit = Kit.parse({ ...RADIO.kit, changes })
    const crew = crewAtDash(radioDash(), PlanRequest.parse({ kits: [{ kit, fit: RADIO.fit }], build: PLAIN }))
    allAsWritten(crew)
    const blocked = () =>
      handoverBlocks(crew.document, crew.state, false, termsOf(crew.document, crew.request, crew.state)).flatMap(
        (block) => (block.kind === 'change not recorded' ? [block.change.id] : []),
      )
    const made = (changeId: string, consentBy: string) =>
      record(crew, [
        { kind: 'changed for good', changeId, what: 'scrape', where: 'there', how: '', consentBy, edgeTreated: true },
      ])
    made('vehicle', '')
    made('kit', '')
    expect(blocked()).toEqual(['vehicle'])
    made('vehicle', 'Ms Reed')
    expect(blocked()).toEqual([])
  })
  test('what was brought for the other branch goes back: needed nowhere, left over', () => {
    const crew = crewWith({ family: 'plain-unit' })
    record(crew, [{ kind: 'supplied', itemId: 'k-amp-lead', from: 'box', count: 1 }])
    allAsWritten(crew)
    expect(rowOf(crew, 'k-amp-lead')).toMatchObject({ wanted: 0, there: 1, left: 1, open: [] })
    expect(open(crew)).toEqual([])
  })
  test('a module that stands otherwise is a row; print and experience will both do', () => {
    const crew = crewWith()
    allAsWritten(crew)
    record(crew, [{ kind: 'adjusted', moduleSettingId: 'k-switches', value: '0111', how: 'read back' }])
    expect(rowOf(crew, 'k-switches')).toMatchObject({ value: '0111', expected: ['0110'], open: true })
    record(crew, [{ kind: 'adjusted', moduleSettingId: 'k-switches', value: '01 10', how: 'read back' }])
    expect(open(crew)).toEqual([])
  })
})

describe('the taps of a piece of work', () => {
  const at = (crew: CrewAtWork, key: string) => {
    const tap = goOnTo(crew, key)
    return { tap, work: crew.plan.job.works.get(key.split(':')[1]!)! }
  }
  const before = (crew: CrewAtWork) => ({
    refusal: null,
    unread: [],
    changes: 0,
    readingUnit: '',
    buried: [],
    job: crew.plan.job,
  })
  test('what needs no look of its own is one tap; a plug, a setting and a reading are one each', () => {
    const crew = crewWith()
    const { work } = at(crew, 'work:w-unit')
    const taps: string[] = []
    const done: Pick<JobState, 'stepsDone'> = { stepsDone: new Map() }
    for (let hand = stepsInHand(done, work); hand; hand = stepsInHand(done, work)) {
      taps.push(`${hand.own ?? 'together'} ${hand.steps.map(({ id }) => id).join('+')}${hand.last ? ' last' : ''}`)
      for (const step of hand.steps) done.stepsDone.set(`w-unit/${step.id}`, undefined as never)
    }
    expect(taps).toEqual(['set s7', 'plug s8', 'read s9', 'together s10+s11 last'])
  })
  test('a tap keeps what it did to its things; the last one says that the work is done', () => {
    const crew = crewWith()
    const { tap } = at(crew, 'work:w-brackets')
    const answer = tappedDone(crew.state, tap, before(crew))
    expect(answer).toMatchObject({ kind: 'keep' })
    const kept = answer.kind === 'keep' ? answer.happenings : []
    expect(kept.slice(0, 2)).toEqual([
      { kind: 'fitted', itemId: 'k-bracket-left', count: 1 },
      { kind: 'step done', workId: 'w-brackets', stepId: 's1', reading: '', note: '' },
    ])
    // Started does not count as fitted, snug does, and both are the same two screws.
    expect(kept.filter(({ kind }) => kind === 'fastened')).toMatchObject([
      { holderId: 'k-left-screws', count: 2, stage: 'started' },
      { holderId: 'k-right-screws', stage: 'started' },
      { holderId: 'k-left-screws', count: 2, stage: 'final' },
      { holderId: 'k-right-screws', stage: 'final' },
    ])
    expect(kept.at(-1)).toMatchObject({ kind: 'work done', workId: 'w-brackets' })
  })
  test('a setting and a reading are asked, never made up; what is changed for good is asked with the last tap', () => {
    const crew = crewWith()
    const { tap, work } = at(crew, 'work:w-unit')
    expect(tappedDone(crew.state, tap, before(crew))).toEqual({ kind: 'ask', what: 'step' })
    const changing = { ...before(crew), changes: 1 }
    expect(tappedDone(crew.state, tap, changing)).toEqual({ kind: 'ask', what: 'step' })
    for (const { id } of work.steps.slice(0, 3))
      record(crew, [{ kind: 'step done', workId: work.id, stepId: id, reading: '', note: '' }])
    expect(tappedDone(crew.state, tap, changing)).toEqual({ kind: 'ask', what: 'work' })
  })
  test.each([
    [11.5, true],
    [15, true],
    [11.4, false],
    [15.1, false],
  ])('%f V of 11.5 to 15: %s', (value, fits) => {
    expect(inRange({ least: 11.5, most: 15 }, value)).toBe(fits)
  })
  test('without a number, or without a range, nobody can say', () => {
    expect([
      inRange(null, 3),
      inRange({ least: null, most: null }, 3),
      inRange({ least: 1, most: null }, null),
    ]).toEqual([null, null, null])
    expect([inRange({ least: 1, most: null }, 0.5), inRange({ least: null, most: 1 }, 0.5)]).toEqual([false, true])
  })
})

describe('what is told on the way changes the kit', () => {
  test('until then both branches are planned; the work of a branch comes after the question', () => {
    const crew = crewWith({ family: 'plain-unit' })
    const keys = crew.steps.map(({ operation }) => operation.key)
    expect(keys).toEqual(expect.arrayContaining(['decide:audio', 'work:w-amp', 'work:w-unit']))
    expect(keys.indexOf('decide:audio')).toBeGreaterThan(keys.indexOf('lift:unit'))
    expect(keys.indexOf('work:w-amp')).toBeGreaterThan(keys.indexOf('decide:audio'))
  })
  test('told plain, its work is gone and what it owed with it; told amplified, it stays', () => {
    for (const [choiceId, stays] of [
      ['plain', false],
      ['amplified', true],
    ] as const) {
      const crew = crewWith({ family: 'plain-unit' })
      goOnTo(crew, 'decide:audio')
      record(crew, [{ kind: 'facet told', facetId: 'audio', choiceId }])
      expect(crew.steps.some(({ operation }) => operation.key === 'work:w-amp')).toBe(stays)
      allAsWritten(crew)
      expect(open(crew)).toEqual([])
      expect(crew.balance().rows.some(({ id }) => id === 'k-amp')).toBe(stays)
    }
  })
})
