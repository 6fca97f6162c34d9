import { afterAll, beforeAll, expect, test } from '@jest/globals'
import { panelVan } from '@/demo/panelVan'
import { JobEvent, type Happening } from '@/core/job/event'
import { foldJob } from '@/core/job/fold'
import { PlanRequest } from '@/core/plan/ask/planRequest'
import { database } from './database'
import { addFromDesk, appendJobEvents, AppendRequest, eventsAfter, handOver } from './jobEvents'
import { openJob, readJob, vehicleOverlay } from './jobs'
import { createProcedure } from './draftEdits'
import { inShop, type Crew } from './session'
import { crewOf, makeShop, somebody } from './shop.testing'
import { EVENT_VERSION } from '@/core/job/eventVersion'

const lead = somebody('Marit', 'lead')
const installer = somebody('Tolu', 'installer')
const shopId = crypto.randomUUID()
const as = (person: Crew['acting']) => crewOf(shopId, person)
const vehicleId = crypto.randomUUID()
let jobId = ''
let seq = 0

beforeAll(async () => {
  await makeShop(shopId, [lead, installer])
  const procedureId = await createProcedure(as(lead), panelVan())
  await inShop(as(lead), (trx) =>
    trx
      .insertInto('vehicle')
      .values({
        id: vehicleId,
        shop_id: shopId,
        label: 'Van 1',
        plate: '',
        customer: '',
        procedure_id: procedureId,
        build: '{}',
      })
      .execute(),
  )
  jobId = await open()
})
afterAll(() => database().destroy())

async function open(): Promise<string> {
  const outcome = await openJob(as(lead), {
    vehicleId,
    title: 'Radio',
    bay: '',
    promisedAt: null,
    request: PlanRequest.parse({
      goals: [{ kind: 'cavity', cavityId: 'radio-cavity' }],
      build: { starter: 'key', steering: 'left' },
    }),
  })
  if (outcome.status !== 'done') throw new Error(outcome.status)
  return outcome.jobId
}
const event = (what: Happening, person: Crew['acting'] = installer, of = jobId) => {
  seq += 1
  return JobEvent.parse({
    id: crypto.randomUUID(),
    jobId: of,
    v: EVENT_VERSION,
    deviceId: shopId,
    seq,
    at: `0001764000000000-${seq.toString(16).padStart(4, '0')}`,
    personId: person.id,
    what,
  })
}

test('what is told of the vehicle on a job is known of it from then on, and the rest of its build stays', async () => {
  await appendJobEvents(as(installer), jobId, [
    event({ kind: 'facet told', facetId: 'gearbox', choiceId: 'automatic' }),
  ])
  const row = await inShop(as(lead), (trx) =>
    trx.selectFrom('vehicle').select('build').where('id', '=', vehicleId).executeTakeFirstOrThrow(),
  )
  expect(row.build).toEqual({ starter: 'key', steering: 'left', gearbox: 'automatic' })
})

test('only a lead lets a row stand open: an installer’s is refused with a sentence, and nothing of the post is stored', async () => {
  const accepted: Happening = {
    kind: 'row accepted',
    account: 'tool',
    itemId: 'pry tool',
    asItStood: '{}',
    reason: 'comes back for it',
  }
  const before = (await readJob(as(lead), jobId))!.events.length
  expect(
    await appendJobEvents(as(installer), jobId, [event({ kind: 'tool out', tool: 'pry tool' }), event(accepted)]),
  ).toMatchObject({ status: 'refused', sentence: expect.stringContaining('Only a lead') })
  expect((await readJob(as(lead), jobId))!.events).toHaveLength(before)
  expect(await appendJobEvents(as(lead), jobId, [event(accepted, lead)])).toMatchObject({ status: 'kept' })
})

test.each<Happening>([
  { kind: 'note settled', noteId: shopId },
  { kind: 'proposal declined', collection: 'holders', itemId: 'surround-t20', field: 'count' },
])('a lead decides at the desk, an installer’s post is refused: $kind', async (what) => {
  expect(await appendJobEvents(as(installer), jobId, [event(what)])).toMatchObject({
    status: 'refused',
    sentence: expect.stringContaining('Only a lead'),
  })
  expect(await addFromDesk(as(installer), jobId, what)).toContain('Only a lead')
  expect(await addFromDesk(as(lead), jobId, what)).toBeNull()
})

test('an event of an earlier version, sent again after the tablet was brought up, is the same event', async () => {
  const old = { ...event({ kind: 'noted', itemId: null, text: 'from an old tablet' }), v: 1 }
  await inShop(as(lead), (trx) =>
    trx
      .insertInto('job_event')
      .values({
        id: old.id,
        shop_id: shopId,
        job_id: jobId,
        person_id: installer.id,
        at: old.at,
        body: JSON.stringify(old),
      })
      .execute(),
  )
  const { events } = AppendRequest.parse({ events: [old] })
  expect(await appendJobEvents(as(installer), jobId, events)).toMatchObject({ status: 'kept' })
  expect((await readJob(as(lead), jobId))!.events.find(({ id }) => id === old.id)!.v).toBe(EVENT_VERSION)
})

test('what arrives while the gate is looked at keeps the vehicle from being handed over, whoever was first', async () => {
  const signed = async () => {
    const job = await open()
    const by = (role: 'installer' | 'checker', who: Crew['acting']) =>
      event({ kind: 'countersigned', as: role, name: who.name }, who, job)
    await appendJobEvents(as(installer), job, [by('installer', installer)])
    await appendJobEvents(as(lead), job, [by('checker', lead)])
    return job
  }
  const other = await signed()
  expect(await handOver(as(lead), other, event({ kind: 'handed over' }, lead, other))).toEqual({ status: 'done' })
  const of = await signed()
  const opened = event({ kind: 'opened', tetherId: 'main' }, installer, of)
  let arrived = () => {}
  const mayCommit = new Promise<void>((resolve) => (arrived = resolve))
  // A post that has stored its event and is not through yet.
  const posting = inShop(as(installer), async (trx) => {
    await trx
      .insertInto('job_event')
      .values({
        id: opened.id,
        shop_id: shopId,
        job_id: of,
        person_id: installer.id,
        at: opened.at,
        body: JSON.stringify(opened),
      })
      .execute()
    await mayCommit
  })
  const handing = handOver(as(lead), of, event({ kind: 'handed over' }, lead, of))
  const first = await Promise.race([
    handing.then(() => 'handed over'),
    new Promise((r) => setTimeout(() => r('waits'), 300)),
  ])
  arrived()
  await posting
  expect(first).toBe('waits')
  expect((await handing).status).toBe('blocked')
})

test('another tablet asks for what arrived after a place, and misses nothing', async () => {
  const all = (await eventsAfter(as(lead), jobId, 0))!
  expect(all.events.map(({ id }) => id)).toEqual((await readJob(as(lead), jobId))!.events.map(({ id }) => id))
  const late = event({ kind: 'undone', holderId: 'climate-clips', count: 6 })
  await appendJobEvents(as(installer), jobId, [late])
  const fresh = (await eventsAfter(as(lead), jobId, all.upTo))!
  expect(fresh.events.map(({ id }) => id)).toContain(late.id)
  expect(fresh.upTo).toBeGreaterThan(all.upTo)
  expect(await eventsAfter({ ...as(lead), shopId: crypto.randomUUID() }, jobId, 0)).toBeNull()
})

test('what a job found on a vehicle is known when the next one is opened, and not to the job itself', async () => {
  await appendJobEvents(as(installer), jobId, [
    event({ kind: 'as found', holderId: 'surround-clips', what: 'missing', count: 2, note: '' }),
  ])
  const next = await open()
  expect((await vehicleOverlay(as(lead), vehicleId, next)).holders.get('surround-clips')).toEqual({
    missing: 2,
    extra: 0,
  })
  expect((await vehicleOverlay(as(lead), vehicleId, jobId)).holders.size).toBe(0)
  expect(foldJob(panelVan(), (await readJob(as(lead), next))!.events).history).toEqual([])
})
