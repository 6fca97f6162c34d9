import { expect, test } from '@jest/globals'
import { PlanRequest } from '../plan/ask/planRequest'
import { crewAtDash } from '../testing/atDash.testing'
import { RADIO, radioDash } from '../testing/radioKit.testing'
import { benchMs, benchWorks, forecastAt } from './benchTime'
import { figuresOf, workedMs } from './figures'
import { allSteps } from '../plan/show/planOnCards'
import { happeningsFor, nextTap } from './progress'
import { termsOf } from './terms'

const request = PlanRequest.parse({ kits: [RADIO], build: { audio: 'plain', family: 'plain-unit' } })
const crewAt = () => crewAtDash(radioDash(), request)

test('the brackets are the one piece of bench work; what is prepared counts in the forecast, and at the bench', () => {
  expect([...benchWorks(request)]).toEqual(['w-brackets'])
  expect([...benchWorks(null)]).toEqual([])
  const crew = crewAt()
  const { vehicleS, benchS } = forecastAt(request, crew.opened)
  expect(benchS).toBe(240)
  const steps = allSteps(crew.plan).filter(({ operation }) => operation.itemId !== 'w-brackets')
  expect(vehicleS).toBeCloseTo(
    steps.reduce((sum, step) => sum + step.workS + step.setUpS, 0),
    6,
  )
})
test('minutes before a tap of bench work are the bench’s, all others the vehicle’s; a break is neither’s', () => {
  const crew = crewAt()
  const start = crew.nowMs
  const at = (minute: number) => (crew.nowMs = start + minute * 60_000)
  const work = () => {
    const tap = nextTap(crew.plan, crew.state)!
    for (const { operation } of tap.steps)
      for (const what of happeningsFor(crew.state, operation, crew.plan.job)) crew.add(what)
    return tap.step.operation.key
  }
  crew.add({ kind: 'noted', itemId: null, text: 'begun' })
  at(7)
  expect(work()).toBe('work:w-brackets')
  at(10)
  expect(work()).not.toMatch(/^work/)
  at(60)
  work()
  const works = benchWorks(request)
  expect([Math.round(workedMs(crew.state) / 60_000), Math.round(benchMs(crew.state, works) / 60_000)]).toEqual([10, 7])
  expect(benchMs(crew.state, new Set())).toBe(0)
  const terms = termsOf(crew.document, request, crew.state)
  const figures = figuresOf(crew.document, crew.state, terms, { vehicleS: 600, benchS: 240 }, works)
  expect(figures).toMatchObject({ workedMin: 3, forecastMin: 10, benchMin: 7, benchForecastMin: 4 })
})
