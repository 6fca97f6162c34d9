import { afterAll, beforeAll, expect, test } from '@jest/globals'
import { PlanRequest } from '@/core/plan/ask/planRequest'
import { emptyDocument } from '@/core/procedure/document'
import { newFacet } from '@/core/procedure/facet'
import { RADIO } from '@/core/testing/radioKit.testing'
import { smallDash } from '@/core/testing/smallDash.testing'
import { database } from './database'
import { createProcedure, publishDraft } from './draftEdits'
import { crewNames, listJobs, readJob } from './jobs'
import { openJob } from './openJob'
import { endThreads } from './threads'
import { planFor } from './plans'
import { crewOf, makeShop, somebody } from './shop.testing'
import { addVehicle, chooseProcedure, listVehicles, NewVehicle, readVehicle } from './vehicles'

const [lead, stranger] = [somebody('Marit', 'lead'), somebody('Aino', 'owner')]
const [shop, other] = [crypto.randomUUID(), crypto.randomUUID()]
const [crew, asStranger] = [crewOf(shop, lead), crewOf(other, stranger)]
let modelId = ''
const request = (partId = 'unit') => PlanRequest.parse({ goals: [{ kind: 'part', partId, level: 'off' }], build: {} })
const job = (vehicleId: string, asked = request()) => ({
  vehicleId,
  title: 'Radio',
  bay: '2',
  promisedAt: null,
  request: asked,
})
async function vehicle(label: string, procedureId: string | null = modelId): Promise<string> {
  const outcome = await addVehicle(crew, NewVehicle.parse({ label, procedureId }))
  if (outcome.status !== 'done') throw new Error(outcome.sentence)
  return outcome.vehicleId
}

beforeAll(async () => {
  await makeShop(shop, [lead])
  await makeShop(other, [stranger])
  const dash = smallDash()
  for (const tether of dash.tethers) tether.functions = ['sound']
  dash.facets.push(newFacet('gearbox', 'Gearbox', ['a', 'b']))
  modelId = await createProcedure(crew, dash)
})
afterAll(async () => {
  await endThreads()
  await database().destroy()
})

test('a vehicle is there once by its label, of a model of this shop', async () => {
  const id = await vehicle('V 1')
  expect((await addVehicle(crew, NewVehicle.parse({ label: 'V 1', procedureId: null }))).status).toBe('refused')
  const theirs = await addVehicle(asStranger, NewVehicle.parse({ label: 'V 1', procedureId: modelId }))
  expect(theirs.status).toBe('refused')
  expect(await readVehicle(crew, id)).toMatchObject({ label: 'V 1', procedure: { revisionNumber: null } })
  expect(await readVehicle(asStranger, id)).toBeNull()
  expect(await readVehicle(crew, 'no id at all')).toBeNull()
  expect((await listVehicles(crew)).map(({ label, procedureName }) => [label, procedureName])).toEqual([
    ['V 1', 'Small dash'],
  ])
})

test('another model: what was told of the build belonged to the old one', async () => {
  const added = await addVehicle(
    crew,
    NewVehicle.parse({ label: 'V 2', procedureId: modelId, build: { gearbox: 'a' } }),
  )
  const id = added.status === 'done' ? added.vehicleId : ''
  expect((await chooseProcedure(asStranger, id, modelId)).status).toBe('refused')
  expect((await readVehicle(crew, id))!.build).toEqual({ gearbox: 'a' })
  const second = await createProcedure(crew, emptyDocument('Other'))
  expect((await chooseProcedure(crew, crypto.randomUUID(), second)).status).toBe('refused')
  expect(await chooseProcedure(crew, id, second)).toEqual({ status: 'done' })
  expect(await readVehicle(crew, id)).toMatchObject({ build: {}, procedureId: second })
})

test('a job opens on the draft, and on the newest revision once there is one; its plan is kept', async () => {
  const id = await vehicle('V 3')
  const first = await openJob(crew, job(id))
  expect(await publishDraft(crew, modelId, '')).toEqual({ status: 'done', number: 1 })
  const second = await openJob(crew, job(id))
  const read = async (outcome: typeof first) => readJob(crew, outcome.status === 'done' ? outcome.jobId : '')
  expect(await read(first)).toMatchObject({ revisionNumber: null, bay: '2', events: [] })
  const opened = (await read(second))!
  expect(opened.revisionNumber).toBe(1)
  expect(opened.found!.steps.some((step) => step.operation.key === 'lift:unit')).toBe(true)
  expect((await listJobs(crew, 'open')).map((each) => each.vehicle.label)).toEqual(['V 3', 'V 3'])
  expect(await listJobs(asStranger, 'open')).toEqual([])
})

test('no job without a way in, a model, or a vehicle of this shop', async () => {
  const id = await vehicle('V 4')
  expect(await openJob(crew, job(id, request('nothing-there')))).toMatchObject({ status: 'no plan' })
  expect((await openJob(crew, job(await vehicle('V 5', null)))).status).toBe('refused')
  expect((await openJob(asStranger, job(id))).status).toBe('refused')
  expect(await listJobs(crew, { vehicleId: id })).toEqual([])
})

test('the planner answers for a published model of this shop only, and keeps nothing', async () => {
  const before = (await listJobs(crew, 'open')).length
  const planned = await planFor(crew, { procedureId: modelId, request: request() })
  expect(planned.status).toBe('planned')
  expect(await planFor(asStranger, { procedureId: modelId, request: request() })).toEqual({
    status: 'unknown procedure',
  })
  expect(await planFor(crew, { procedureId: modelId, request: request('nothing-there') })).toMatchObject({
    status: 'no plan',
    error: { kind: 'unknown-goal' },
  })
  expect((await listJobs(crew, 'open')).length).toBe(before)
  expect((await crewNames(crew)).map(({ name }) => name)).toEqual(['Marit'])
})

test('what was said of a kit is none of the vehicle’s: its next plan asks again which unit was bought', async () => {
  const id = await vehicle('V 9')
  const build = { gearbox: 'a', family: 'plain-unit', audio: 'plain' }
  const opened = await openJob(crew, job(id, PlanRequest.parse({ kits: [RADIO], build })))
  expect(opened.status).toBe('done')
  expect((await readVehicle(crew, id))!.build).toEqual({ gearbox: 'a' })
  const read = await readJob(crew, opened.status === 'done' ? opened.jobId : '')
  // The job itself keeps it, and goes by a document that has the kit's things.
  expect(read!.request!.build).toEqual(build)
  expect(read!.document.parts.some(({ id: partId }) => partId === 'k-display')).toBe(true)
  expect(read!.base.parts.some(({ id: partId }) => partId === 'k-display')).toBe(false)
})
test('a kit twice in one job would be one account: it is refused with what to do', async () => {
  const id = await vehicle('V 10')
  const twice = PlanRequest.parse({ kits: [RADIO, RADIO], build: {} })
  expect(await openJob(crew, job(id, twice))).toMatchObject({
    ...{ status: 'refused', sentence: expect.stringContaining('as a copy') },
  })
})
