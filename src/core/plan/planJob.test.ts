import { describe, expect, test } from '@jest/globals'
import { forBuild, type ProcedureForBuild } from '../procedure/forBuild'
import { randomProcedure } from '../procedure/randomProcedure.testing'
import { DEFAULT_HOUSE_VALUES } from '../shop/houseValues'
import { seeds } from '../testing/seeds.testing'
import { HandSimulator } from '../vehicle/handSimulator.testing'
import { simulate } from '../vehicle/simulate'
import { asFoundState } from '../vehicle/vehicleState'
import { shortestLoop } from '../order/loop'
import { judged } from './derive/demandsOf'
import { planJob } from './planJob'
import type { PlanOnCards } from './show/planOnCards'
import { PlanRequest } from './ask/planRequest'
import type { Operation } from '../order/operation'

const SEEDS = Array.from({ length: seeds(48) }, (_, i) => i + 1)
const GOAL = { kind: 'cavity', cavityId: 'cavity' } as const
type Found = { name: string; model: ProcedureForBuild; plan: PlanOnCards }

function planned(seed: number, resting: 'rest' | 'set aside', kind: 'dash' | 'fairing'): Found | null {
  const model = forBuild(randomProcedure(seed, { kind }), {})
  const request = PlanRequest.parse({
    goals: [GOAL],
    build: {},
    policy: {
      resting,
      habit: (['quickest', 'panel by panel', 'tool in hand'] as const)[seed % 3],
      battery: seed % 5 ? 'stays on' : 'off first',
    },
  })
  // Whether an order is safe does not hang on how long a better one was looked for.
  const result = planJob(model, request, DEFAULT_HOUSE_VALUES, undefined, { limits: { expandedStates: 300 } })
  if (!result.ok) {
    // Facts may contradict each other, or the ignition may meet an airbag plug that has to be open first: then it says
    // so.
    expect(['contradiction', 'no safe order', 'no-method']).toContain(result.error.kind)
    if (result.error.kind === 'no safe order') expect(result.error.proven).toBe(true)
    return null
  }
  return { name: `${kind} ${seed} ${resting}`, model, plan: result.value }
}
const stepsOf = (cards: PlanOnCards['wayIn']) => cards.flatMap((card) => card.steps)
const operationsOf = (cards: PlanOnCards['wayIn']) => stepsOf(cards).map((step) => step.operation)
const isFree = (operation: Operation) =>
  operation.act === 'set' || operation.act === 'restore' || operation.act === 'wait'

describe.each([
  ['dash', 'rest'],
  ['dash', 'set aside'],
  ['fairing', 'rest'],
  ['fairing', 'set aside'],
] as const)('a seeded %s, %s', (kind, resting) => {
  const found = SEEDS.flatMap((seed) => planned(seed, resting, kind) ?? [])

  test('most of the seeds have an order, so that the checks below have something to check', () => {
    expect(found.length).toBeGreaterThan(SEEDS.length / 2)
    if (kind === 'dash') expect(found.some(({ plan }) => plan.job.tests.length > 0)).toBe(true)
  })
  test('a pair of hands can do every act of the whole job, and ends as it was found', () => {
    for (const { name, model, plan } of found) {
      const hands = new HandSimulator(model, resting)
      for (const operation of [...operationsOf(plan.wayIn), ...operationsOf(plan.wayOut)]) {
        expect([name, operation.key, hands.why(operation)]).toEqual([name, operation.key, null])
        hands.do(operation)
      }
      expect([name, [...hands.undone], [...hands.moved], [...hands.eased], [...hands.off], [...hands.open]]).toEqual([
        name,
        [],
        [],
        [],
        [],
        [],
      ])
      for (const setting of model.settings.values())
        expect([name, setting.id, hands.settings.get(setting.id)]).toEqual([name, setting.id, setting.asFound])
    }
  })
  test('every operation stands exactly once in its phase, and every precedence is kept', () => {
    for (const { name, plan } of found) {
      const [wayIn, wayOut] = [operationsOf(plan.wayIn), operationsOf(plan.wayOut)].map((list) =>
        list.filter((o) => !isFree(o)).map((o) => o.key),
      ) as [string[], string[]]
      expect([name, [...wayIn].sort()]).toEqual([name, [...plan.removal.operations.keys()].sort()])
      expect([name, [...wayOut].sort()]).toEqual([name, [...plan.refit.operations.keys()].sort()])
      const all = [...operationsOf(plan.wayIn), ...operationsOf(plan.wayOut)].map((o) => `${o.phase} ${o.key}`)
      expect([name, new Set(all).size]).toEqual([name, all.length])
      for (const { before, after } of plan.removal.edges)
        expect([name, before, after, wayIn.indexOf(before) < wayIn.indexOf(after)]).toEqual([name, before, after, true])
    }
  })
  test('nothing can be left out: without any one operation the goal is not reached', () => {
    for (const { model, plan, name } of found.slice(0, 40))
      for (const left of plan.removal.operations.keys())
        expect([name, left, reaches(model, plan, resting, left)]).toEqual([name, left, false])
    for (const { model, plan, name } of found) expect([name, reaches(model, plan, resting, null)]).toEqual([name, true])
  })
  test('a part that may not rest is opened and lifted at once when it has come forward', () => {
    for (const { model, plan } of found) {
      const way = operationsOf(plan.wayIn).filter((operation) => operation.act !== 'wait')
      way.forEach((operation, i) => {
        if (
          operation.act !== 'release' ||
          model.parts.get(operation.itemId)!.rests.length > 0 ||
          plan.removal.levels.get(operation.itemId) !== 'off'
        )
          return
        const lift = way.findIndex((other) => other.key === `lift:${operation.itemId}`)
        for (const between of way.slice(i, lift))
          expect([operation.key, between.key, model.hostOf(between.partId ?? '')]).toEqual([
            operation.key,
            between.key,
            operation.itemId,
          ])
      })
    }
  })
  test('no act is refused by a rule and no state on the way breaks one, by the clock', () => {
    for (const { name, model, plan } of found) {
      const acts = [...stepsOf(plan.wayIn), ...stepsOf(plan.wayOut)].map((step) => ({
        operation: step.operation,
        judged: judged(plan.job, step.operation),
        tookS: step.workS + step.setUpS,
      }))
      const run = simulate(model, asFoundState(model), acts, plan.job.circumstances)
      expect([name, run.ok ? null : [run.error.operation.key, run.error.breaches.map((b) => b.rule.id)]]).toEqual([
        name,
        null,
      ])
    }
  })
})

/** Does everything that can be done, except one operation, and asks whether the goal is open. */
function reaches(
  model: ProcedureForBuild,
  plan: PlanOnCards,
  resting: 'rest' | 'set aside',
  without: string | null,
): boolean {
  const hands = new HandSimulator(model, resting)
  const way = operationsOf(plan.wayIn)
  let left: Operation[] = way.filter((operation) => operation.key !== without)
  for (let moved = true; moved;) {
    const next = left.filter((operation) => hands.why(operation) !== null || (hands.do(operation), false))
    moved = next.length < left.length
    left = next
  }
  return model.cavities.get('cavity')!.openings[0]!.parts.every(({ partId, level }) => {
    const part = model.parts.get(partId)!
    if (level === 'eased' && part.ease && hands.eased.has(partId)) return true
    const rests = resting === 'rest' && level !== 'off' && part.rests.length > 0
    return rests || (level === 'eased' && part.ease) ? hands.moved.has(partId) : hands.off.has(partId)
  })
}

test('the same request gives the same plan', () => {
  const once = JSON.stringify(planned(7, 'rest', 'dash')?.plan.wayIn)
  expect(JSON.stringify(planned(7, 'rest', 'dash')?.plan.wayIn)).toBe(once)
})

test('a loop is found with its facts in order, and removing any of its edges breaks it', () => {
  const edge = (before: string, after: string) => ({ before, after, because: { kind: 'goal' as const } })
  const edges = [edge('a', 'b'), edge('b', 'c'), edge('c', 'd'), edge('d', 'a'), edge('c', 'a'), edge('x', 'a')]
  const loop = shortestLoop(['a', 'b', 'c', 'd', 'x'], edges)!
  expect(loop.map((e) => `${e.before}${e.after}`)).toEqual(['ab', 'bc', 'ca'])
  for (const gone of loop)
    expect(
      shortestLoop(
        ['a', 'b', 'c'],
        loop.filter((e) => e !== gone),
      ),
    ).toBeNull()
})
