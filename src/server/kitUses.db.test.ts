import { afterAll, beforeAll, expect, test } from '@jest/globals'
import { JobEvent } from '@/core/job/event'
import { emptyDocument } from '@/core/procedure/document'
import { PlanRequest } from '@/core/plan/ask/planRequest'
import { Kit } from '@/core/shop/kit'
import { KitFit } from '@/core/shop/kitFit'
import { database } from './database'
import { kitUses } from './kitUses'
import { inShop } from './whoAsks'
import { crewOf, makeShop, somebody } from './shop.testing'
import { EVENT_VERSION } from '@/core/job/eventVersion'

const person = somebody('Ines', 'owner')
const crew = crewOf(crypto.randomUUID(), person)
const kit = Kit.parse({ id: 'tracker', name: 'Fit a tracker' })
const fit = KitFit.parse({ procedureId: crew.shopId })
const request = JSON.stringify(
  PlanRequest.parse({ goals: [{ kind: 'part', partId: 'p', level: 'off' }], build: {}, kits: [{ kit, fit }] }),
)
const [vehicleId, procedureId] = [crypto.randomUUID(), crypto.randomUUID()]

/** A job with that kit; `begun`: somebody has tapped something. */
async function job(begun: boolean, handedOverAt: Date | null = null): Promise<string> {
  const id = crypto.randomUUID()
  await inShop(crew, async (trx) => {
    const row = {
      id,
      shop_id: crew.shopId,
      vehicle_id: vehicleId,
      procedure_id: procedureId,
      revision_id: null,
      promised_at: null,
      title: 'Job',
      found_plan: null,
      created_by: person.id,
    }
    await trx
      .insertInto('job')
      .values({ ...row, draft_document: JSON.stringify(emptyDocument('Model')), request, handed_over_at: handedOverAt })
      .execute()
    if (!begun) return
    const event = JobEvent.parse({
      id: crypto.randomUUID(),
      jobId: id,
      v: EVENT_VERSION,
      deviceId: crew.shopId,
      seq: 1,
      at: '0001764000000000-0001',
      personId: person.id,
      what: { kind: 'noted', text: 'Begun', itemId: null },
    })
    await trx
      .insertInto('job_event')
      .values({
        id: event.id,
        shop_id: crew.shopId,
        job_id: id,
        person_id: person.id,
        at: event.at,
        body: JSON.stringify(event),
      })
      .execute()
  })
  return id
}

beforeAll(async () => {
  await makeShop(crew.shopId, [person])
  await inShop(crew, async (trx) => {
    await trx.insertInto('procedure').values({ id: procedureId, shop_id: crew.shopId, name: 'Model' }).execute()
    await trx
      .insertInto('vehicle')
      .values({
        id: vehicleId,
        shop_id: crew.shopId,
        label: 'Van 9',
        procedure_id: procedureId,
        build: JSON.stringify({}),
      })
      .execute()
  })
})
afterAll(() => database().destroy())

test('a kit is where a job was begun with it, not where one was only planned, and no other shop sees it', async () => {
  await job(false)
  const [fitted, underWay] = [await job(true, new Date('2026-03-04T10:00:00Z')), await job(true)]
  expect(await kitUses(crew)).toEqual([
    { kitId: 'tracker', jobId: underWay, vehicle: 'Van 9', handedOverAt: null },
    { kitId: 'tracker', jobId: fitted, vehicle: 'Van 9', handedOverAt: new Date('2026-03-04T10:00:00Z') },
  ])
  expect(await kitUses(crewOf(crypto.randomUUID(), person))).toEqual([])
})
