import { describe, expect, test } from '@jest/globals'
import { crewAtDash, goOnTo } from '../testing/atDash.testing'
import { bottomOf, outAndBack, uRows } from './uRows'

const rows = (crew: ReturnType<typeof crewAtDash>, begun = true) => uRows(crew.plan, begun ? crew.state : null)
const lanes = (crew: ReturnType<typeof crewAtDash>, begun = true) =>
  rows(crew, begun).map(({ id, wayIn, wayOut, isOut }) => `${id} ${wayIn}, ${wayOut}${isOut ? ', out' : ''}`)

describe('the job as a U', () => {
  test('a plan not begun: each part once, in the order in which it comes forward, nothing out', () => {
    const crew = crewAtDash()
    expect(lanes(crew, false)).toEqual(['cover planned, planned', 'panel planned, planned', 'unit planned, planned'])
    expect(rows(crew, false).map(({ level, thing, backAfter }) => [level, thing, backAfter])).toEqual(
      Array.from({ length: 3 }, () => ['off', 'part', null]),
    )
    expect(outAndBack(rows(crew, false))).toEqual({ out: 0, back: 0 })
  })
  test('on the way in: what is off is out, the one in hand is current', () => {
    const crew = crewAtDash()
    expect(lanes(crew)).toEqual(['cover current, to come', 'panel to come, to come', 'unit to come, to come'])
    goOnTo(crew, 'undo:screws')
    expect(lanes(crew)).toEqual(['cover done, to come, out', 'panel current, to come', 'unit to come, to come'])
    expect(outAndBack(rows(crew))).toEqual({ out: 1, back: 0 })
  })
  test('on the way out: what is back is back, the other way round', () => {
    const crew = crewAtDash()
    goOnTo(crew, 'place:panel')
    expect(lanes(crew)).toEqual(['cover done, to come, out', 'panel done, current, out', 'unit done, done'])
    expect(outAndBack(rows(crew))).toEqual({ out: 2, back: 1 })
  })
  test('how long each takes, in and out: what its cards take', () => {
    const crew = crewAtDash()
    for (const row of rows(crew)) {
      const sum = (cards: typeof row.inCards) =>
        cards.flatMap((card) => card.steps).reduce((s, step) => s + step.workS + step.setUpS, 0)
      expect([row.secondsIn, row.secondsOut]).toEqual([sum(row.inCards), sum(row.outCards)])
      expect(row.secondsIn).toBeGreaterThan(0)
      expect(row.secondsOut).toBeGreaterThan(0)
    }
  })
})
test('at the bottom: the tests, done once they are', () => {
  const crew = crewAtDash()
  const tests = () => bottomOf(crew.plan, crew.state).tests.map(({ words, done }) => `${words}${done ? ' done' : ''}`)
  expect(bottomOf(crew.plan, null)).toEqual({
    works: [],
    tests: [
      { words: 'Hazard lights (hazard)', done: false },
      { words: 'Radio', done: false },
    ],
  })
  goOnTo(crew, 'test:sound')
  expect(tests()).toEqual(['Hazard lights (hazard) done', 'Radio'])
  goOnTo(crew, 'seat:panel')
  expect(tests()).toEqual(['Hazard lights (hazard) done', 'Radio done'])
})
