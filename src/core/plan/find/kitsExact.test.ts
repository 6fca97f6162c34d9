import { expect, test } from '@jest/globals'
import { cheapestByExhaustion } from '../../sequence/exhaustive.testing'
import type { FittedKit } from '../../shop/kitHere'
import { KitFit } from '../../shop/kitFit'
import { NOT_WANTED } from '../../shop/functionClosure'
import { DEFAULT_HOUSE_VALUES } from '../../shop/houseValues'
import { RADIO, radioDash } from '../../testing/radioKit.testing'
import { SCREEN } from '../../testing/screenKit.testing'
import { smallDash } from '../../testing/smallDash.testing'
import { whilePlanning } from '../../vehicle/circumstances'
import { everyChoice } from '../ask/everyChoice.testing'
import { modelOfRequest } from '../ask/modelOfRequest'
import { PlanRequest } from '../ask/planRequest'
import { weightsOf } from '../ask/policy'
import { goalFrom } from '../derive/liveStart'
import { prepare } from './candidate'
import { findPlan } from './findPlan'
import { sequenceJob } from './sequenceJob'

/** The screen’s kit as it meets the dash in each way a kit can: with a cover carried over, an adapter, an order. */
const meeting = (fit: object): FittedKit => ({
  kit: SCREEN.kit,
  fit: KitFit.parse({ ...SCREEN.fit, ...fit }),
})
const carried = { itemId: 'cover', ending: 'moved', onto: 'screen', fastenedBy: ['cover-clips'] }
const standsIn = { itemId: 'unit', ending: 'replaced', by: 'screen' }
const CASES: [string, FittedKit[], Record<string, string>][] = [
  ['a kit by itself', [SCREEN], {}],
  ['an option that is not wanted', [SCREEN], { 'rear-view': NOT_WANTED }],
  ['a cover carried over', [meeting({ endings: [...SCREEN.fit.endings, carried] })], {}],
  ['a unit that the screen stands in for', [meeting({ endings: [standsIn] })], {}],
  ['the same on the old bolts', [meeting({ endings: [{ ...standsIn, fastenedBy: ['bolts'] }] })], {}],
  ['an adapter', [meeting({ adapted: [{ tetherId: 'main', partId: 'lead', plugIds: ['power'] }] })], {}],
  ['an order of its own', [meeting({ wayOut: [{ workId: 'cam', is: 'after', partId: 'panel' }] })], {}],
  ['a radio, told plain', [RADIO], { audio: 'plain', family: 'plain-unit' }],
]

// The plain search knows none of the planner's rules: every state there is, one move at a time.
test.each(CASES)('the plan of %s is what looking at every state finds', (_, kits, build) => {
  const document = kits[0] === RADIO ? radioDash() : smallDash()
  const request = PlanRequest.parse({ kits, build })
  const model = modelOfRequest(document, request)
  const found = findPlan(model, request, DEFAULT_HOUSE_VALUES)
  if (!found.ok) throw new Error(found.error.kind)
  const goal = goalFrom(request, model.build, null)
  const totals = everyChoice(model, request.policy, goal).flatMap((choice) => {
    const candidate = prepare(model, request, goal, choice, whilePlanning(DEFAULT_HOUSE_VALUES), undefined)
    if (!candidate.ok) return []
    const { job, legs, start, workS } = candidate.value
    const { problem } = sequenceJob(job, legs, start, weightsOf(request.policy))
    const setUpMs = cheapestByExhaustion(problem)
    return setUpMs === null ? [] : [workS + setUpMs / 1000]
  })
  expect(totals.length).toBeGreaterThan(0)
  expect(found.value.proof).toMatchObject({ proven: true })
  expect(found.value.proof.totalS).toBeCloseTo(Math.min(...totals), 6)
})
