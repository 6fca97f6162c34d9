import { afterAll, afterEach, beforeAll, expect, jest, test } from '@jest/globals'
import { nextStamp } from '@/core/base/clock'
import { EVENT_VERSION } from '@/core/job/eventVersion'
import { JobEvent } from '@/core/job/event'
import { emptyDocument } from '@/core/procedure/document'
import { REFUSALS } from '@/words/refusals'
import { appendJobEvents } from './appendEvents'
import { wentBackMs } from './clockHere'
import { database } from './database'
import { createProcedure } from './draftEdits'
import { changeActing, hashPin } from './pin'
import { crewOf, makeShop, somebody } from './shop.testing'
import { inShop } from './whoAsks'

const HOUR_MS = 60 * 60_000
const realNow = Date.now
const marit = somebody('Marit', 'lead')
const shopId = crypto.randomUUID()
const crew = crewOf(shopId, marit)
const jobId = crypto.randomUUID()

beforeAll(async () => {
  await makeShop(shopId, [marit])
  const document = emptyDocument('Panel van')
  const procedureId = await createProcedure(crew, document)
  await inShop(crew, async (trx) => {
    const vehicle = { id: crypto.randomUUID(), shop_id: shopId, label: 'Van 1', plate: '', customer: '', build: '{}' }
    await trx
      .insertInto('vehicle')
      .values({ ...vehicle, procedure_id: procedureId })
      .execute()
    await trx
      .insertInto('job')
      .values({
        id: jobId,
        shop_id: shopId,
        vehicle_id: vehicle.id,
        procedure_id: procedureId,
        revision_id: null,
        draft_document: JSON.stringify(document),
        title: 'Strip',
        promised_at: null,
        kind: 'strip',
        request: null,
        found_plan: null,
        created_by: marit.id,
        handed_over_at: null,
      })
      .execute()
  })
})
afterEach(() => void jest.restoreAllMocks())
afterAll(() => database().destroy())

const setBackBy = (hours: number) => jest.spyOn(Date, 'now').mockImplementation(() => realNow() - hours * HOUR_MS)
const noteAt = (wallMs: number) =>
  JobEvent.parse({
    ...{ id: crypto.randomUUID(), jobId, v: EVENT_VERSION, deviceId: shopId, seq: 1, at: nextStamp(null, wallMs) },
    ...{ personId: marit.id, what: { kind: 'noted', itemId: null, text: 'The hook is the short one.' } },
  })
const send = async (event: JobEvent) => {
  const outcome = await appendJobEvents(crew, jobId, [event])
  return outcome.status === 'kept' ? (outcome.refused[0]?.sentence ?? 'stored') : outcome.status
}

test('a clock that was set back while it runs is told, by how much; one that was put forward is nobody’s trouble', () => {
  expect(wentBackMs()).toBeLessThan(1000)
  setBackBy(26)
  expect(wentBackMs() / HOUR_MS).toBeCloseTo(26, 1)
  jest.restoreAllMocks()
  setBackBy(-26)
  expect(wentBackMs()).toBe(0)
})

test('tablets whose clocks are right are not refused by a machine whose clock was set back, and wrong ones still are', async () => {
  setBackBy(30)
  expect(await send(noteAt(realNow()))).toBe('stored')
  expect(await send(noteAt(realNow() + 25 * HOUR_MS))).toBe(REFUSALS.clockAhead)
})

test('nor after it was started again with that clock: what the shop wrote down says how late it is', async () => {
  const shared = globalThis as { istruzioneBegan?: { wallMs: number; steadyMs: number } }
  const began = { ...shared.istruzioneBegan! }
  await send(noteAt(realNow()))
  setBackBy(30)
  Object.assign(shared.istruzioneBegan!, { wallMs: Date.now(), steadyMs: performance.now() })
  expect(wentBackMs()).toBeLessThan(1000)
  expect(await send(noteAt(realNow()))).toBe('stored')
  expect(await send(noteAt(realNow() + 25 * HOUR_MS))).toBe(REFUSALS.clockAhead)
  Object.assign(shared.istruzioneBegan!, began)
})

test('a PIN that waits half a minute does not wait a day because the clock was set back', async () => {
  const lockedUntil = new Date(realNow() + 30_000)
  await inShop(crew, async (trx) =>
    trx
      .updateTable('crew')
      .set({ pin_hash: await hashPin('4711'), pin_failures: 4, pin_locked_until: lockedUntil })
      .where('id', '=', marit.id)
      .execute(),
  )
  setBackBy(24)
  expect(await changeActing(crew, marit.id, '4711')).toEqual({ status: 'wrong', sentence: REFUSALS.tooManyTries(30) })
})
