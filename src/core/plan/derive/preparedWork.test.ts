import { describe, expect, test } from '@jest/globals'
import { PlanRequest } from '../ask/planRequest'
import { goalOfRequest } from '../ask/jobGoal'
import { modelOfRequest } from '../ask/modelOfRequest'
import { planJob } from '../planJob'
import { allCards, allSteps, type PlanOnCards } from '../show/planOnCards'
import { DEFAULT_HOUSE_VALUES } from '../../shop/houseValues'
import { Kit } from '../../shop/kit'
import { KitFit } from '../../shop/kitFit'
import { RADIO, RADIO_FIT, RADIO_KIT } from '../../testing/radioKit.testing'
import { smallDash } from '../../testing/smallDash.testing'
import { preparedWork } from './preparedWork'

const PLAIN = { audio: 'plain', family: 'plain-unit' }
const prepared = (kit: Kit, fit: KitFit = RADIO_FIT, build: Record<string, string> = PLAIN) => {
  const request = PlanRequest.parse({ kits: [{ kit, fit }], build })
  return preparedWork(goalOfRequest(request, build), build).map(({ id }) => id)
}
/** The radio kit with some works changed. */
const changed = (more: Record<string, object>) =>
  Kit.parse({ ...RADIO_KIT, works: RADIO_KIT.works.map((work) => ({ ...work, ...more[work.id] })) })

describe('what is done before the first screw', () => {
  test('the brackets, at the bench, with nothing open; nothing that is done at the vehicle', () => {
    expect(prepared(RADIO_KIT)).toEqual(['w-brackets'])
  })
  test('not what needs something open, and not what comes after work at the vehicle', () => {
    const open = { ...RADIO_FIT, access: { ...RADIO_FIT.access, 'w-brackets': RADIO_FIT.access['w-unit']! } }
    expect(prepared(RADIO_KIT, open)).toEqual([])
    expect(prepared(changed({ 'w-brackets': { afterWork: ['w-display'] }, 'w-unit': { afterWork: [] } }))).toEqual([])
  })
  test('what comes after other bench work comes with it, in its order', () => {
    const both = changed({ 'w-display': { station: 'bench', afterWork: ['w-brackets'] } })
    const fit = { ...RADIO_FIT, access: { 'w-unit': RADIO_FIT.access['w-unit']! } }
    expect(prepared(both, fit)).toEqual(['w-brackets', 'w-display'])
  })
  test('not what hangs on a question nobody has answered yet', () => {
    const hanging = changed({ 'w-brackets': { when: { audio: ['plain'] } } })
    expect(prepared(hanging, RADIO_FIT, { family: 'plain-unit' })).toEqual([])
    expect(prepared(hanging)).toEqual(['w-brackets'])
  })
  test('a model may say that it is done at the vehicle all the same', () => {
    expect(prepared(RADIO_KIT, { ...RADIO_FIT, stations: { 'w-brackets': 'centre' } })).toEqual([])
  })
})

describe('a plan with prepared work', () => {
  const planned = (kit: Kit, fit: KitFit = RADIO_FIT): PlanOnCards => {
    const request = PlanRequest.parse({ kits: [{ kit, fit }], build: PLAIN })
    const plan = planJob(modelOfRequest(smallDash(), request), request, DEFAULT_HOUSE_VALUES)
    if (!plan.ok) throw new Error(plan.error.kind)
    return plan.value
  }
  test('it comes first of all cards and is in no minute at the vehicle', () => {
    const plan = planned(RADIO_KIT)
    expect(allCards(plan)[0]!.steps[0]!.operation.key).toBe('work:w-brackets')
    expect(plan.beforeS).toBe(240)
    const without = planned(
      Kit.parse({
        ...RADIO_KIT,
        works: RADIO_KIT.works
          .slice(1)
          .map((work) => ({ ...work, afterWork: work.afterWork.filter((id) => id !== 'w-brackets') })),
      }),
    )
    expect(plan.proof).toMatchObject({ totalS: without.proof.totalS, proven: true })
    expect(
      allSteps(plan)
        .filter(({ operation }) => operation.act === 'work')
        .map(({ operation }) => operation.itemId),
    ).toEqual([...['w-brackets', 'w-unit', 'w-display']])
  })
  test('at the vehicle the same work lengthens it by its time and the ways, and stays proven', () => {
    const there = planned(RADIO_KIT, { ...RADIO_FIT, stations: { 'w-brackets': 'centre' } })
    expect(there.beforeS).toBe(0)
    expect(there.proof.totalS).toBeGreaterThanOrEqual(planned(RADIO_KIT).proof.totalS + 240)
    expect(there.proof.proven).toBe(true)
  })
  test('what is filed at the bench from a panel that is off is at the bench, and not before', () => {
    const filed = changed({ 'w-display': { station: 'bench' } })
    const plan = planned(filed)
    expect([plan.beforeS, plan.benchS]).toEqual([240, expect.any(Number)])
    expect(plan.benchS).toBeGreaterThanOrEqual(180)
  })
  test('the radio as it is fitted has its proof as well', () => expect(planned(RADIO.kit).proof.proven).toBe(true))
})
