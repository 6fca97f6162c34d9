import { afterAll, expect, test } from '@jest/globals'
import { findPlan } from '@/core/plan/find/findPlan'
import { PlanRequest } from '@/core/plan/ask/planRequest'
import { forBuild } from '@/core/procedure/forBuild'
import { randomProcedure } from '@/core/procedure/randomProcedure.testing'
import { DEFAULT_HOUSE_VALUES } from '@/core/shop/houseValues'
import { smallDash } from '@/core/testing/smallDash.testing'
import { ShopRules } from '@/core/vehicle/rule'
import { rulesInForce } from '@/core/vehicle/rulesInForce'
import { planOnThread } from './planning'
import { endThreads } from './threads'

const house = DEFAULT_HOUSE_VALUES
const rules = ShopRules.parse({})
const small = {
  ...{ document: smallDash(), house, rules },
  request: PlanRequest.parse({ goals: [{ kind: 'part', partId: 'unit', level: 'off' }], build: {} }),
}
/** Every part of a large dash, each panel a place of its own: longer than anybody would wait. */
function large() {
  const document = randomProcedure(1, { kind: 'dash', size: 60 })
  for (const holder of document.holders) holder.holds = holder.holds.slice(0, 1)
  const goals = document.parts.map(({ id }) => ({ kind: 'part', partId: id, level: 'off' }))
  const request = PlanRequest.parse({ goals, build: {}, policy: { habit: 'panel by panel' } })
  return { document, house, rules, request, limits: { expandedStates: 100_000_000 } }
}
afterAll(endThreads)

test('a thread gives the very answer that the search gives here', async () => {
  const here = findPlan(forBuild(small.document, {}), small.request, house, rulesInForce(rules))
  expect(await planOnThread('a', () => small)).toEqual({ kind: 'answer', answer: here })
})

test('while one shop asks for too much, another is answered, and this thread goes on', async () => {
  const leaving = new AbortController()
  let ticks = 0
  const ticking = setInterval(() => (ticks += 1), 5)
  const long = planOnThread('greedy', () => large(), leaving.signal)
  expect(await planOnThread('modest', () => small)).toMatchObject({ kind: 'answer', answer: { ok: true } })
  // Until it has answered it held nobody up: the clock of this thread went on.
  expect(ticks).toBeGreaterThan(3)
  clearInterval(ticking)
  leaving.abort()
  expect(await long).toMatchObject({ kind: 'not answered', sentence: expect.stringContaining('Nobody waits') })
})

test('a question that breaks its thread is told to who asked it, and the next one of that shop is answered', async () => {
  const broken = { ...small, document: null } as unknown as typeof small
  const asked = [planOnThread('unlucky', () => broken), planOnThread('unlucky', () => small)]
  const [first, second] = await Promise.allSettled(asked)
  expect(first!.status).toBe('rejected')
  expect(second).toMatchObject({ status: 'fulfilled', value: { kind: 'answer', answer: { ok: true } } })
})

test('a question is made when its turn comes, and one that is refused is never made', async () => {
  const leaving = new AbortController()
  let made = 0
  const asked = Array.from({ length: 10 }, () => planOnThread('slow', () => (made++, large()), leaving.signal))
  await planOnThread('modest', () => small)
  expect(made).toBe(1)
  leaving.abort()
  await Promise.all(asked)
  // Nor is one made that nobody waits for any more.
  expect(made).toBe(1)
})

test('a shop that asks again and again waits for itself, and is told when it is too much', async () => {
  const leaving = new AbortController()
  const asked = Array.from({ length: 10 }, () => planOnThread('hasty', () => large(), leaving.signal))
  expect(await planOnThread('modest', () => small)).toMatchObject({ kind: 'answer' })
  leaving.abort()
  const said = (await Promise.all(asked)).map((planned) => (planned.kind === 'answer' ? '' : planned.sentence))
  expect(said.filter((sentence) => sentence.includes('wait already'))).toHaveLength(2)
  expect(said.filter((sentence) => sentence.includes('Nobody waits'))).toHaveLength(8)
  // It is heard again afterwards.
  expect(await planOnThread('hasty', () => small)).toMatchObject({ kind: 'answer' })
})
