import { afterAll, beforeAll, expect, test } from '@jest/globals'
import { PlanRequest } from '@/core/plan/ask/planRequest'
import type { FittedKit } from '@/core/shop/kitHere'
import { SCREEN } from '@/core/testing/screenKit.testing'
import { smallDash } from '@/core/testing/smallDash.testing'
import { REFUSALS } from '@/words/refusals'
import { database } from './database'
import { createProcedure } from './draftEdits'
import { removeKit, saveKit } from './kits'
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
  const procedureId = await createProcedure(crew, smallDash())
  const added = await addVehicle(crew, NewVehicle.parse({ label: 'Van 3', procedureId }))
  if (added.status !== 'done') throw new Error(added.sentence)
  vehicleId = added.vehicleId
  const fit = { ...SCREEN.fit, procedureId }
  fitted = { kit: { ...priced(SCREEN.kit, 19_500), id: crypto.randomUUID(), fits: [fit] }, fit }
  expect(await saveKit(crew, { kit: fitted.kit, version: 0 })).toEqual({ status: 'done', version: 1 })
})
afterAll(async () => {
  await endThreads()
  await database().destroy()
})

function priced(kit: FittedKit['kit'], priceMinor: number): FittedKit['kit'] {
  return { ...kit, parts: kit.parts.map((part) => ({ ...part, supply: { ...part.supply, priceMinor } })) }
}
const quoted = (kit: FittedKit) => {
  const sent: unknown = JSON.parse(JSON.stringify(PlanRequest.parse({ kits: [kit], build: {} })))
  const question = QuotationQuestion.parse({ vehicleId, request: sent })
  return quotationPaper(crew, question, Date.UTC(2026, 10, 30), new AbortController().signal)
}
const CHANGED = { status: 'refused', sentence: REFUSALS.kitsChangedSince }

test('a quotation is written of the shop’s own kits, and of no other price, time or way to meet the vehicle', async () => {
  const paper = await quoted(fitted)
  expect(paper.status === 'made' && Buffer.from(paper.pdf).toString('latin1', 0, 5)).toBe('%PDF-')
  expect(await quoted({ ...fitted, kit: priced(fitted.kit, 1) })).toEqual(CHANGED)
  const works = fitted.kit.works.map((work) => ({ ...work, durationS: 1 }))
  expect(await quoted({ ...fitted, kit: { ...fitted.kit, works } })).toEqual(CHANGED)
  expect(await quoted({ ...fitted, fit: { ...fitted.fit, access: {} } })).toEqual(CHANGED)
  expect(await quoted({ ...fitted, kit: { ...fitted.kit, id: crypto.randomUUID() } })).toEqual(CHANGED)
})
test('a kit that somebody changed or took away meanwhile is not quoted as it was', async () => {
  const dearer = { ...fitted, kit: priced(fitted.kit, 21_000) }
  await saveKit(crew, { kit: dearer.kit, version: 1 })
  expect(await quoted(fitted)).toEqual(CHANGED)
  expect((await quoted(dearer)).status).toBe('made')
  await removeKit(crew, fitted.kit.id)
  expect(await quoted(dearer)).toEqual(CHANGED)
})
