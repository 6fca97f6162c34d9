import { afterAll, beforeAll, expect, test } from '@jest/globals'
import { PlanRequest } from '@/core/plan/ask/planRequest'
import { deliveryVanRecord, threeLeads } from '@/core/plan/leads/deliveryVanRecord.testing'
import type { FittedKit } from '@/core/shop/kitHere'
import { DEFAULT_HOUSE_VALUES } from '@/core/shop/houseValues'
import { leadsLaid } from '@/words/leadsLaid'
import { REFUSALS } from '@/words/refusals'
import { database } from './database'
import { createProcedure } from './draftEdits'
import { readJob } from './jobs'
import { saveKit } from './kits'
import { NewJob, openJob } from './openJob'
import { quotationPaper, QuotationQuestion } from './quotationPaper'
import { crewOf, makeShop, somebody } from './shop.testing'
import { endThreads } from './threads'
import { addVehicle, NewVehicle } from './vehicles'

const person = somebody('Ines', 'owner')
const crew = crewOf(crypto.randomUUID(), person)
let vehicleId = ''
let fitted: FittedKit

beforeAll(async () => {
  await makeShop(crew.shopId, [person])
  const procedureId = await createProcedure(crew, deliveryVanRecord())
  const added = await addVehicle(crew, NewVehicle.parse({ label: 'Van 5', procedureId }))
  if (added.status !== 'done') throw new Error(added.sentence)
  vehicleId = added.vehicleId
  const { kit, fit } = threeLeads('ABP')
  const here = { ...fit, procedureId }
  fitted = { kit: { ...kit, id: crypto.randomUUID(), fits: [here] }, fit: here }
  expect(await saveKit(crew, { kit: fitted.kit, version: 0 })).toMatchObject({ status: 'done' })
})
afterAll(async () => {
  await endThreads()
  await database().destroy()
})

const bare = () => PlanRequest.parse({ kits: [fitted], build: {} })
const laid = (request = bare()) => {
  const found = leadsLaid(deliveryVanRecord(), request, DEFAULT_HOUSE_VALUES)
  if (!found.ok) throw new Error(found.error.kind)
  return found.value.request
}
const quoted = (request: PlanRequest) => {
  const sent: unknown = JSON.parse(JSON.stringify(request))
  const question = QuotationQuestion.parse({ vehicleId, request: sent })
  return quotationPaper(crew, question, Date.UTC(2026, 10, 30), new AbortController().signal)
}
const changed = (request: PlanRequest, change: (kit: FittedKit) => FittedKit): PlanRequest => ({
  ...request,
  kits: request.kits.map(change),
})

test('a quotation lays the leads by the shop’s own record, whatever somebody says they take', async () => {
  expect((await quoted(laid())).status).toBe('made')
  const atOnce = ({ kit }: FittedKit) => kit.works.map((work) => ({ ...work, durationS: 1 }))
  const free = changed(laid(), (item) => ({ fit: item.fit, kit: { ...item.kit, works: atOnce(item) } }))
  // The kit's own work at another time is another kit; that of its leads is worked out anew.
  expect(await quoted(free)).toEqual({ status: 'refused', sentence: REFUSALS.kitsChangedSince })
  const ends = { ends: [['E'], ['K']] as [string[], string[]], through: [], notThrough: [] }
  const shorter = changed(laid(), ({ kit, fit }) => ({ kit, fit: { ...fit, leads: { P: ends } } }))
  expect(await quoted(shorter)).toEqual({ status: 'refused', sentence: REFUSALS.kitsChangedSince })
  const keptOff = { ends: [[], []] as [string[], string[]], through: [], notThrough: ['w6'] }
  const round = changed(bare(), ({ kit, fit }) => ({ kit, fit: { ...fit, leads: { A: keptOff } } }))
  expect((await quoted(laid(round))).status).toBe('made')
})

test('a job whose leads nobody laid out is opened with them laid; one that has no way for them is refused', async () => {
  const opened = await openJob(crew, NewJob.parse({ vehicleId, title: 'Three leads', request: bare() }))
  if (opened.status !== 'done') throw new Error(opened.status)
  const job = await readJob(crew, opened.jobId)
  expect(job?.request?.kits[0]!.kit.works.map(({ id }) => id)).toEqual(laid().kits[0]!.kit.works.map(({ id }) => id))
  const short = changed(bare(), ({ kit, fit }) => ({
    kit: { ...kit, leads: kit.leads.map((lead) => (lead.id === 'A' ? { ...lead, suppliedMm: 500 } : lead)) },
    fit,
  }))
  expect(await openJob(crew, NewJob.parse({ vehicleId, title: 'Too short', request: short }))).toEqual({
    status: 'refused',
    sentence: REFUSALS.noWayForLeads,
  })
})
