/** @jest-environment jsdom */
import 'fake-indexeddb/auto'
import { afterEach, beforeEach, expect, jest, test } from '@jest/globals'
import { act, renderHook, waitFor } from '@testing-library/react'
import { JobEvent } from '@/core/job/event'
import { EVENT_VERSION } from '@/core/job/eventVersion'
import { isDone } from '@/core/job/progress'
import { PlanRequest } from '@/core/plan/ask/planRequest'
import { planJob } from '@/core/plan/planJob'
import { allSteps } from '@/core/plan/show/planOnCards'
import { forBuild } from '@/core/procedure/forBuild'
import { DEFAULT_HOUSE_VALUES } from '@/core/shop/houseValues'
import { smallDash } from '@/core/testing/smallDash.testing'
import { ShopRules } from '@/core/vehicle/rule'
import { useJob, type JobData } from './useJob'

const ME = '22222222-2222-4222-8222-222222222222'
let jobs = 0

/** The small dash with its unit to come out, as the page hands it over. */
function data(): JobData {
  const document = smallDash()
  const request = PlanRequest.parse({ goals: [{ kind: 'part', partId: 'unit', level: 'off' }], build: {} })
  const plan = planJob(forBuild(document, {}), request, DEFAULT_HOUSE_VALUES)
  if (!plan.ok) throw new Error(plan.error.kind)
  jobs += 1
  return {
    id: `11111111-1111-4111-8111-${String(jobs).padStart(12, '0')}`,
    shopId: `shop-${jobs}`,
    kind: 'job',
    base: document,
    request,
    found: plan.value.found,
    house: DEFAULT_HOUSE_VALUES,
    rules: ShopRules.parse({}),
    acting: { id: ME, name: 'Tolu', role: 'lead', authorised: [] },
    events: [],
    stock: { items: [], moves: [] },
  } as unknown as JobData
}

/** What the shop answers: everything that is posted is stored, and told to whoever asks. */
const shop = { stored: [] as JobEvent[], reachable: true, foreign: [] as JobEvent[], refuses: '' }
const answer = (body: unknown) =>
  ({
    ok: true,
    status: 200,
    headers: new Headers({ 'content-type': 'application/json' }),
    json: async () => body,
  }) as Response

beforeEach(() => {
  Object.assign(shop, { stored: [], reachable: true, foreign: [], refuses: '' })
  // A page that nobody looks at asks for nothing.
  Object.defineProperty(document, 'hidden', { configurable: true, value: false })
  globalThis.fetch = jest.fn(async (_url: unknown, init?: RequestInit) => {
    if (!shop.reachable) throw new TypeError('no network')
    if (init?.method !== 'POST')
      return answer({ events: shop.foreign, upTo: shop.foreign.length, acting: { id: ME, name: 'Tolu' } })
    const { events } = JSON.parse(String(init.body)) as { events: JobEvent[] }
    const taken = events.filter(({ what }) => what.kind !== shop.refuses)
    const refused = events.filter((event) => !taken.includes(event))
    shop.stored.push(...taken)
    return answer({
      status: 'kept',
      stored: taken.map(({ id }) => id),
      refused: refused.map(({ id }) => ({ eventId: id, sentence: 'Not that.', forGood: true })),
    })
  }) as typeof fetch
})
afterEach(() => void jest.useRealTimers())

test('the first picture is of the moment the server drew it at, the next of now', async () => {
  const given = { ...data(), readAtMs: 5_000 }
  const seen: number[] = []
  renderHook(() => seen.push(useJob(given).nowMs))
  expect(seen[0]).toBe(5_000)
  await waitFor(() => expect(Math.abs(seen.at(-1)! - Date.now())).toBeLessThan(60_000))
})

test('a tap shows at once, is sent, and is taken back whole', async () => {
  const given = data()
  const { result } = renderHook(() => useJob(given))
  const first = allSteps(result.current.plan!)[0]!.operation
  act(
    () =>
      void result.current.record([
        { kind: 'undone', holderId: 'cover-clips', count: 2 },
        { kind: 'part at', partId: 'cover', level: 'free' },
      ]),
  )
  expect(isDone(result.current.state, { ...first, act: 'release', itemId: 'cover' })).toBe(true)
  expect(result.current.balance.openRows.map((row) => row.account)).toEqual(expect.arrayContaining(['holder', 'part']))
  await waitFor(() => expect(shop.stored).toHaveLength(2))
  act(() => void result.current.takeBack())
  expect(result.current.state.moved.has('cover')).toBe(false)
  expect(result.current.balance.openRows).toEqual([])
  expect(result.current.lastAct).toBeNull()
  // What was taken back stays in the log: the shop hears of both.
  await waitFor(() =>
    expect(shop.stored.map(({ what }) => what.kind)).toEqual(['undone', 'part at', 'taken back', 'taken back']),
  )
})

test('acts are taken back one after the other, the last one first', () => {
  const given = data()
  const { result } = renderHook(() => useJob(given))
  act(() => void result.current.record([{ kind: 'opened', tetherId: 'hazard' }]))
  act(() => void result.current.record([{ kind: 'noted', itemId: null, text: 'a note' }]))
  act(() => void result.current.takeBack())
  expect([result.current.state.notes.length, result.current.state.tethersOpen.has('hazard')]).toEqual([0, true])
  act(() => void result.current.takeBack())
  expect(result.current.state.tethersOpen.has('hazard')).toBe(false)
  act(() => void expect(result.current.takeBack()).toEqual([]))
})

test('without the shop nothing is lost: it waits, and goes when the network is back', async () => {
  shop.reachable = false
  const given = data()
  const { result } = renderHook(() => useJob(given))
  act(() => void result.current.record([{ kind: 'opened', tetherId: 'main' }]))
  await waitFor(() => expect(result.current.log.trouble).toEqual({ kind: 'offline' }))
  expect(result.current.log.waiting.size).toBe(1)
  expect(result.current.state.tethersOpen.has('main')).toBe(true)
  shop.reachable = true
  act(() => void window.dispatchEvent(new Event('online')))
  await waitFor(() => expect(result.current.log.waiting.size).toBe(0))
  expect(shop.stored.map(({ what }) => what.kind)).toEqual(['opened'])
})

test('what the shop refused counts here until somebody lets it go, and the note in its place is sent', async () => {
  shop.refuses = 'opened'
  const given = data()
  const { result } = renderHook(() => useJob(given))
  act(() => void result.current.record([{ kind: 'opened', tetherId: 'main' }]))
  act(() => void result.current.record([{ kind: 'opened', tetherId: 'hazard' }]))
  await waitFor(() => expect(result.current.log.refused.size).toBe(2))
  expect([...result.current.state.tethersOpen].sort()).toEqual(['hazard', 'main'])
  const [first, second] = [...result.current.log.refused.keys()]
  act(() => result.current.letGo([first!], ({ what }) => `was ${what.kind}`))
  expect([...result.current.state.tethersOpen]).toEqual(['hazard'])
  await waitFor(() =>
    expect(shop.stored.map(({ what }) => what)).toEqual([{ kind: 'noted', itemId: null, text: 'was opened' }]),
  )
  act(() => result.current.letGo([second!]))
  expect(result.current.log.refused.size).toBe(0)
  // What is gone is not taken back a second time.
  expect(result.current.lastAct).toBeNull()
})

test('what a colleague did comes in by itself, and the plan goes on from there', async () => {
  jest.useFakeTimers({ doNotFake: ['setTimeout', 'setImmediate', 'queueMicrotask', 'nextTick', 'Date', 'performance'] })
  const given = data()
  const { result } = renderHook(() => useJob(given))
  shop.foreign = [
    JobEvent.parse({
      id: crypto.randomUUID(),
      jobId: given.id,
      v: EVENT_VERSION,
      deviceId: crypto.randomUUID(),
      seq: 1,
      at: '0000001700000000-0000',
      personId: crypto.randomUUID(),
      what: { kind: 'part at', partId: 'cover', level: 'off' },
    }),
  ]
  expect(result.current.state.setAside.has('cover')).toBe(false)
  act(() => void jest.advanceTimersByTime(4100))
  jest.useRealTimers()
  await waitFor(() => expect(result.current.state.setAside.has('cover')).toBe(true))
  expect(result.current.log.waiting.size).toBe(0)
})
