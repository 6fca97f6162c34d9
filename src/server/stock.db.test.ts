import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { JobEvent, type Happening } from '@/core/job/event'
import { EVENT_VERSION } from '@/core/job/eventVersion'
import { PlanRequest } from '@/core/plan/ask/planRequest'
import { emptyDocument } from '@/core/procedure/document'
import { Kit } from '@/core/shop/kit'
import { KitFit } from '@/core/shop/kitFit'
import { StockItem } from '@/core/shop/stock'
import { database } from './database'
import { saveShopPart } from './shopValues'
import { shelfNow, stockForJob } from './stock'
import { crewOf, makeShop, somebody } from './shop.testing'
import { inShop } from './whoAsks'

const [lead, installer] = [somebody('Ines', 'lead'), somebody('Tolu', 'installer')]
const crew = crewOf(crypto.randomUUID(), lead)
const other = crewOf(crypto.randomUUID(), somebody('Else', 'owner'))
const kit = Kit.parse({
  id: 'k',
  name: 'Fit a recorder',
  parts: [{ id: 'lead', name: 'Lead', supply: { partNumber: 'SF-R42' } }],
})
const request = PlanRequest.parse({ kits: [{ kit, fit: KitFit.parse({ procedureId: 'p' }) }], build: {} })
const [jobId, another] = [crypto.randomUUID(), crypto.randomUUID()]
const item = (counted: number, partNumber = 'SF-R42') =>
  StockItem.parse({ partNumber, name: 'Lead', place: 'B', counted, countedAt: '2026-01-01T00:00:00Z', orderAt: 1 })
let seq = 0

async function tell(of: string, what: Happening): Promise<void> {
  seq += 1
  const event = JobEvent.parse({
    ...{ id: crypto.randomUUID(), jobId: of, v: EVENT_VERSION, deviceId: crew.shopId, seq, personId: lead.id, what },
    at: `${String(Date.now()).padStart(16, '0')}-${String(seq).padStart(4, '0')}`,
  })
  const row = { id: event.id, shop_id: crew.shopId, job_id: of, person_id: lead.id, at: event.at }
  await inShop(crew, (trx) =>
    trx
      .insertInto('job_event')
      .values({ ...row, body: JSON.stringify(event) })
      .execute(),
  )
}

beforeAll(async () => {
  await makeShop(crew.shopId, [lead, installer])
  await makeShop(other.shopId, [other.acting])
  await inShop(crew, async (trx) => {
    const [vehicleId, procedureId] = [crypto.randomUUID(), crypto.randomUUID()]
    const ofShop = { shop_id: crew.shopId }
    await trx
      .insertInto('procedure')
      .values({ ...ofShop, id: procedureId, name: 'Model' })
      .execute()
    await trx
      .insertInto('vehicle')
      .values({ ...ofShop, id: vehicleId, label: 'Van 9', procedure_id: procedureId, build: '{}' })
      .execute()
    for (const id of [jobId, another])
      await trx
        .insertInto('job')
        .values({
          ...{ ...ofShop, id, vehicle_id: vehicleId, procedure_id: procedureId, revision_id: null, title: 'Job' },
          ...{
            promised_at: null,
            found_plan: null,
            created_by: lead.id,
            request: JSON.stringify({ ...request, v: 4 }),
          },
          ...{ draft_document: JSON.stringify(emptyDocument('Model')), handed_over_at: null },
        })
        .execute()
  })
  await tell(jobId, { kind: 'supplied', itemId: 'lead', from: 'stock', count: 2 })
  await tell(another, { kind: 'supplied', itemId: 'lead', from: 'stock', count: 1 })
  await tell(another, { kind: 'ended', itemId: 'lead', end: 'stock', count: 1, note: '' })
  await tell(another, { kind: 'supplied', itemId: 'lead', from: 'box', count: 9 })
})
afterAll(() => database().destroy())

describe('the shelves', () => {
  test('hold what was counted, less what all jobs took since; what nobody took is as counted', async () => {
    const shelf = await shelfNow({ ...crew, stock: [item(5), item(7, 'SF-X')] })
    expect(shelf.map(({ partNumber, onHand }) => [partNumber, onHand])).toEqual([
      ['SF-R42', 3],
      ['SF-X', 7],
    ])
  })
  test('of another shop know nothing of it', async () =>
    expect((await shelfNow({ ...other, stock: [item(5)] }))[0]!.onHand).toBe(5))
  test('counted after all of that are as counted', async () => {
    const fresh = { ...item(5), countedAt: new Date(Date.now() + 60_000).toISOString() }
    expect((await shelfNow({ ...crew, stock: [fresh] }))[0]!.onHand).toBe(5)
  })
  test('for a job: what its kits use, and what the others took; its own log it has itself', async () => {
    const { items, moves } = await stockForJob({ ...crew, stock: [item(5), item(7, 'SF-X')] }, { id: jobId, request })
    expect(items.map(({ partNumber }) => partNumber)).toEqual(['SF-R42'])
    expect(moves.map(({ count }) => count)).toEqual([-1, 1])
    expect(await stockForJob({ ...crew, stock: [item(5)] }, { id: jobId, request: null })).toEqual({
      items: [],
      moves: [],
    })
  })
})

test('a lead keeps the stock, nobody writes over another, and an installer is told who does', async () => {
  const list = [item(5)]
  expect(await saveShopPart(crew, 'stock', { value: list, before: [] })).toEqual({ status: 'done' })
  expect(await saveShopPart(crew, 'stock', { value: [], before: [] })).toMatchObject({ status: 'refused' })
  const asInstaller = { ...crew, acting: installer }
  expect(await saveShopPart(asInstaller, 'stock', { value: [], before: list })).toMatchObject({ status: 'refused' })
})
