import { afterAll, expect, test } from '@jest/globals'
import { PlanRequest } from '@/core/plan/ask/planRequest'
import { randomProcedure } from '@/core/procedure/randomProcedure.testing'
import { DEFAULT_HOUSE_VALUES } from '@/core/shop/houseValues'
import { ShopRules } from '@/core/vehicle/rule'
import { endThreads, onThread, waitingNow } from './threads'

afterAll(endThreads)

/** Every part of a large dash, each panel a place of its own: longer than anybody would wait. */
function large() {
  const document = randomProcedure(1, { kind: 'dash', size: 60 })
  for (const holder of document.holders) holder.holds = holder.holds.slice(0, 1)
  const goals = document.parts.map(({ id }) => ({ kind: 'part', partId: id, level: 'off' }))
  const request = PlanRequest.parse({ goals, build: {}, policy: { habit: 'panel by panel' } })
  const limits = { expandedStates: 100_000_000 }
  return { document, house: DEFAULT_HOUSE_VALUES, rules: ShopRules.parse({}), request, limits }
}

test('what takes longer than its time is ended, and the thread answers the next question', async () => {
  const slow = onThread('plan', 'slow', large, { deadlineMs: 1500 })
  expect(waitingNow()).toEqual({ plan: 1, leads: 0, sheet: 0, medium: 0 })
  expect(await slow).toEqual({ kind: 'not answered', why: 'too slow', deadlineS: 1.5 })
  expect(waitingNow().plan).toBe(0)
  const bytes = new Uint8Array([1, 2, 3])
  expect(await onThread('medium', 'slow', () => ({ kind: 'photo', bytes }))).toEqual({ kind: 'answer', answer: null })
})

test('pictures wait for each other, whichever shop they are of; so many wait and no more', async () => {
  const bytes = new Uint8Array([1])
  const all = await Promise.all(
    Array.from({ length: 61 }, (_, i) => onThread('medium', `shop ${i}`, () => ({ kind: 'photo', bytes }))),
  )
  expect(all.filter(({ kind }) => kind === 'answer')).toHaveLength(60)
  expect(all.at(-1)).toMatchObject({ kind: 'not answered', why: 'too many wait' })
})
