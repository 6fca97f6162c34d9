import { describe, expect, test } from '@jest/globals'
import { forBuild, type ProcedureForBuild } from '../procedure/forBuild'
import { randomProcedure } from '../procedure/randomProcedure.testing'
import { DEFAULT_HOUSE_VALUES } from '../shop/houseValues'
import { HandSimulator } from '../vehicle/handSimulator.testing'
import { asFoundState, breaches, statesThrough } from '../vehicle/vehicleState'
import { shortestLoop } from '../order/loop'
import { planJob, PlanRequest, type JobPlan } from './jobPlan'
import type { Operation } from '../order/operation'

const SEEDS = Array.from({ length: 150 }, (_, i) => i + 1)
const GOAL = { kind: 'cavity', cavityId: 'cavity' } as const

function planned(seed: number, resting: 'rest' | 'set aside'): { model: ProcedureForBuild; plan: JobPlan } | null {
  const model = forBuild(randomProcedure(seed), {})
  const request = PlanRequest.parse({ goals: [GOAL], build: {}, policy: { resting, habit: seed % 2 ? 'panel by panel' : 'tool in hand' } })
  const result = planJob(model, request, DEFAULT_HOUSE_VALUES)
  if (!result.ok) {
    // The lever's ignition can meet an airbag plug that has to be open first: then there is no order, and it must say so.
    expect(result.error.kind).toBe('contradiction')
    return null
  }
  return { model, plan: result.value }
}
const operationsOf = (cards: JobPlan['wayIn']) => cards.flatMap((card) => card.steps.map((step) => step.operation))

describe.each(['rest', 'set aside'] as const)('seeded dashes, %s', (resting) => {
  const found = SEEDS.flatMap((seed) => planned(seed, resting) ?? [])

  test('most of the seeds have an order, so that the checks below have something to check', () => {
    expect(found.length).toBeGreaterThan(100)
  })
  test('a pair of hands can do every act of the way in and the way out, and ends as it was found', () => {
    for (const { model, plan } of found) {
      const hands = new HandSimulator(model, resting)
      for (const operation of [...operationsOf(plan.wayIn), ...operationsOf(plan.wayOut)]) {
        expect([model.build, operation.key, hands.can(operation)]).toEqual([model.build, operation.key, true])
        hands.do(operation)
      }
      expect([hands.undone.size, hands.moved.size, hands.off.size, hands.open.size]).toEqual([0, 0, 0, 0])
      for (const setting of model.settings.values()) expect(hands.settings.get(setting.id)).toBe(setting.asFound)
    }
  })
  test('every operation stands exactly once in its phase', () => {
    for (const { plan } of found) {
      expect(operationsOf(plan.wayIn).map((o) => o.key).sort()).toEqual([...plan.removal.operations.keys()].sort())
      expect(operationsOf(plan.wayOut).map((o) => o.key).sort()).toEqual([...plan.refit.operations.keys()].sort())
    }
  })
  test('nothing can be left out: without any one operation the goal is not reached', () => {
    for (const { model, plan } of found.slice(0, 60))
      for (const left of plan.removal.operations.keys()) expect([left, reaches(model, plan, resting, left)]).toEqual([left, false])
    for (const { model, plan } of found) expect(reaches(model, plan, resting, null)).toBe(true)
  })
  test('a part that may not rest is opened and lifted at once when it has come forward', () => {
    for (const { model, plan } of found) {
      const way = operationsOf(plan.wayIn)
      way.forEach((operation, i) => {
        if (operation.act !== 'release' || model.parts.get(operation.itemId)!.rests.length > 0) return
        const lift = way.findIndex((other) => other.key === `lift:${operation.itemId}`)
        for (const between of way.slice(i, lift)) expect([operation.key, between.key, between.partId]).toEqual([operation.key, between.key, operation.itemId])
      })
    }
  })
  test('no state on the way breaks a rule of safety', () => {
    for (const { model, plan } of found) {
      let state = asFoundState(model)
      for (const operation of [...operationsOf(plan.wayIn), ...operationsOf(plan.wayOut)])
        for (const next of statesThrough(state, operation)) {
          expect([operation.key, breaches(model, next)]).toEqual([operation.key, []])
          state = next
        }
    }
  })
})

/** Does everything that can be done, except one operation, and asks whether the goal is open. */
function reaches(model: ProcedureForBuild, plan: JobPlan, resting: 'rest' | 'set aside', without: string | null): boolean {
  const hands = new HandSimulator(model, resting)
  let left: Operation[] = operationsOf(plan.wayIn).filter((operation) => operation.key !== without)
  for (let moved = true; moved; ) {
    const next = left.filter((operation) => !hands.can(operation) || (hands.do(operation), false))
    moved = next.length < left.length
    left = next
  }
  return model.cavities.get('cavity')!.openings[0]!.parts.every(({ partId, level }) => {
    const rests = resting === 'rest' && level === 'free' && model.parts.get(partId)!.rests.length > 0
    return rests ? hands.moved.has(partId) : hands.off.has(partId)
  })
}

test('the same request gives the same plan', () => {
  const once = JSON.stringify(planned(7, 'rest')?.plan.wayIn)
  expect(JSON.stringify(planned(7, 'rest')?.plan.wayIn)).toBe(once)
})

test('a loop is found with its facts in order, and removing any of its edges breaks it', () => {
  const edge = (before: string, after: string) => ({ before, after, because: { kind: 'goal' as const } })
  const edges = [edge('a', 'b'), edge('b', 'c'), edge('c', 'd'), edge('d', 'a'), edge('c', 'a'), edge('x', 'a')]
  const loop = shortestLoop(['a', 'b', 'c', 'd', 'x'], edges)!
  expect(loop.map((e) => `${e.before}${e.after}`)).toEqual(['ab', 'bc', 'ca'])
  for (const gone of loop) expect(shortestLoop(['a', 'b', 'c'], loop.filter((e) => e !== gone))).toBeNull()
})
