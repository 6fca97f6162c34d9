import { describe, expect, test } from '@jest/globals'
import { PlanRequest } from '../plan/ask/planRequest'
import { NOT_WANTED } from '../shop/functionClosure'
import { crewAtDash, record } from '../testing/atDash.testing'
import { SCREEN } from '../testing/screenKit.testing'
import type { CrewAtWork } from './crew.testing'
import { forCustomer } from './customer'
import { Happening } from './event'
import { nextTap } from './progress'
import { termsOf } from './terms'

const crewWith = (build: Record<string, string> = {}) =>
  crewAtDash(undefined, PlanRequest.parse({ kits: [SCREEN], build }))
const said = (crew: CrewAtWork) =>
  forCustomer(crew.document, crew.state, termsOf(crew.document, crew.request, crew.state))
const allAsWritten = (crew: CrewAtWork) => {
  for (let tap = nextTap(crew.plan, crew.state); tap; tap = nextTap(crew.plan, crew.state))
    for (const step of tap.steps) crew.does(step)
}

describe('what is gone through with the customer', () => {
  test('before anything is begun there is nothing to show', () => {
    expect(said(crewWith())).toMatchObject({ gained: [], kept: [], lost: [], blocked: [], asLeft: [], later: [] })
  })
  test('what is new with how its test came out, what was open, how modules were left', () => {
    const crew = crewWith()
    allAsWritten(crew)
    record(crew, [
      { kind: 'tested', functionId: 'plays', result: 'passed', reading: '', note: '' },
      { kind: 'tested', functionId: 'rear-view', result: 'failed', reading: '', note: '' },
      { kind: 'left for later', text: 'the second screen' },
    ])
    const { gained, kept, asLeft, later, blocked } = said(crew)
    expect(gained.map(({ id, is }) => `${id} ${is}`)).toEqual(['plays works', 'projection works', 'rear-view failed'])
    expect(kept.map(({ id }) => id)).toEqual(expect.arrayContaining(['sound']))
    expect(asLeft).toEqual([{ name: 'Camera input', value: 'on' }])
    expect([later.map(({ text }) => text), blocked]).toEqual([['the second screen'], []])
  })
  test('what nobody wants is not shown, and what is wanted and not there is told', () => {
    const crew = crewWith({ 'rear-view': NOT_WANTED })
    allAsWritten(crew)
    record(crew, [
      { kind: 'opened', tetherId: 'parking' },
      { kind: 'ended', itemId: 'parking', end: 'left open and insulated', count: 1, note: '' },
    ])
    expect(said(crew).gained.map(({ id }) => id)).toEqual(['plays'])
    expect(said(crew).blocked.map(({ functionId }) => functionId)).toEqual(['projection'])
    // A loss of a wish is said once, and not among what the vehicle could do before.
    expect(said(crew).lost).toEqual([])
  })
  test('the last time it was shown is the one that holds', () => {
    const crew = crewWith()
    const shown = (by: string, strokes = ''): Happening => ({
      ...{ kind: 'shown to the customer', functionIds: ['plays'], points: ['taught'], by, strokes },
    })
    record(crew, [shown('them'), shown('Ms Reed', 'M1 2 L3 4')])
    expect(crew.state.shown).toMatchObject({ by: 'Ms Reed', strokes: 'M1 2 L3 4', points: ['taught'] })
  })
})

describe('what comes as a signature', () => {
  const read = (strokes: unknown) =>
    Happening.safeParse({ kind: 'shown to the customer', functionIds: [], points: [], by: 'x', strokes }).success
  test.each(['', 'M1 2', 'M1 2 L3 4 M5 6 L70000 8'])('%j is one', (strokes) => expect(read(strokes)).toBe(true))
  // None of these could be drawn on a sheet: the job would never get one.
  test.each(['M', 'L1 2', 'M1 2 L3', 'M-1 2', 'M1e9 2', 'M1 2 Z', '<path/>', 'M1 2'.repeat(9000), 7])(
    '%j is none',
    (strokes) => expect(read(strokes)).toBe(false),
  )
  test('a place with more answers than are asked is none', () => {
    const answers = Object.fromEntries(Array.from({ length: 21 }, (_, i) => [`a${i}`, true]))
    const place = { kind: 'place judged', workId: 'w', of: 'camera', where: '' }
    expect(Happening.safeParse({ ...place, answers }).success).toBe(false)
    expect(Happening.safeParse({ ...place, answers: { a: true } }).success).toBe(true)
  })
})
