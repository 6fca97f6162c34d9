import { afterAll, beforeAll, expect, test } from '@jest/globals'
import { JobEvent, type Happening } from '@/core/job/event'
import { EVENT_VERSION } from '@/core/job/eventVersion'
import { emptyDocument } from '@/core/procedure/document'
import { Kit } from '@/core/shop/kit'
import { database } from './database'
import { kitPhotos } from './kitPhotos'
import { kitTroubles } from './kitTroubles'
import { quotationPaper, QuotationQuestion } from './quotationPaper'
import { inShop } from './whoAsks'
import { crewOf, makeShop, somebody } from './shop.testing'

const person = somebody('Ines', 'owner')
const crew = crewOf(crypto.randomUUID(), person)
const other = crewOf(crypto.randomUUID(), somebody('Else', 'owner'))
const kit = Kit.parse({
  id: 'k',
  name: 'Fit a recorder',
  parts: [{ id: 'box', name: 'Recorder' }],
  works: [{ id: 'mount', name: 'Mount it' }],
  functions: [
    { id: 'records', name: 'Recorder', troubles: [{ cause: 'Fuse blown' }] },
    { id: 'speaks', name: 'Speech' },
  ],
})
const [vehicleId, procedureId, jobId, bare] = Array.from({ length: 4 }, () => crypto.randomUUID()) as [
  string,
  string,
  string,
  string,
]
const [photoId, unsent] = [crypto.randomUUID(), crypto.randomUUID()]
const request = JSON.stringify({ goals: [{ kind: 'part', partId: 'p', level: 'off' }], build: {} })
let seq = 0

async function tell(what: Happening): Promise<void> {
  seq += 1
  const event = JobEvent.parse({
    ...{ id: crypto.randomUUID(), jobId, v: EVENT_VERSION, deviceId: crew.shopId, seq, personId: person.id, what },
    at: `00017640000000${String(seq).padStart(2, '0')}-0001`,
  })
  await inShop(crew, (trx) =>
    trx
      .insertInto('job_event')
      .values({
        ...{ id: event.id, shop_id: crew.shopId, job_id: jobId, person_id: person.id, at: event.at },
        body: JSON.stringify(event),
      })
      .execute(),
  )
}
const found = (functionId: string, cause: string): Happening => ({
  ...{ kind: 'trouble found', functionId, cause, symptom: 'dead', cure: '' },
})

beforeAll(async () => {
  await makeShop(crew.shopId, [person])
  await makeShop(other.shopId, [other.acting])
  await inShop(crew, async (trx) => {
    const ofShop = { shop_id: crew.shopId }
    await trx
      .insertInto('procedure')
      .values({ ...ofShop, id: procedureId, name: 'Model' })
      .execute()
    const vehicle = { ...ofShop, build: '{}' }
    await trx
      .insertInto('vehicle')
      .values([
        { ...vehicle, id: vehicleId, label: 'Van 9', procedure_id: procedureId },
        { ...vehicle, id: bare, label: 'Van 0', procedure_id: null },
      ])
      .execute()
    await trx
      .insertInto('job')
      .values({
        ...{ id: jobId, shop_id: crew.shopId, vehicle_id: vehicleId, procedure_id: procedureId, revision_id: null },
        ...{ promised_at: null, title: 'Job', found_plan: null, created_by: person.id, request },
        ...{ draft_document: JSON.stringify(emptyDocument('Model')), handed_over_at: null },
      })
      .execute()
    await trx
      .insertInto('media')
      .values({
        ...{ id: photoId, shop_id: crew.shopId, job_id: jobId, kind: 'photo', mime: 'image/jpeg', made_by: person.id },
        ...{ bytes: Buffer.from('x'), thumbnail: null, width: 1, height: 1 },
      })
      .execute()
  })
})
afterAll(() => database().destroy())

test('what jobs found of a kit is proposed to it once, newest first, and not what it says already', async () => {
  expect(await kitTroubles(crew, kit)).toEqual([])
  await tell(found('records', 'fuse blown'))
  await tell(found('speaks', 'pin pushed back'))
  await tell(found('speaks', 'Pin pushed back'))
  await tell(found('elsewhere', 'of no kit'))
  expect(
    (await kitTroubles(crew, kit)).map(({ functionId, trouble, label }) => [functionId, trouble.cause, label]),
  ).toEqual([['speaks', 'Pin pushed back', 'Van 9']])
  // Another shop sees nothing of it, and a kit without functions asks nothing.
  expect(await kitTroubles(other, kit)).toEqual([])
  expect(await kitTroubles(crew, { ...kit, functions: [] })).toEqual([])
})
test('photos of a kit’s things and work are offered once they are in the shop', async () => {
  await tell({ kind: 'photographed', photoId, itemId: 'mount' })
  await tell({ kind: 'photographed', photoId: unsent, itemId: 'box' })
  expect(await kitPhotos(crew, kit)).toEqual([{ photoId, words: 'Mount it, Van 9' }])
  expect(await kitPhotos(other, kit)).toEqual([])
})
test('a quotation for a vehicle of another shop, or of no model, is refused with what to do', async () => {
  const asked = (id: string) =>
    QuotationQuestion.parse({
      vehicleId: id,
      request: { goals: [{ kind: 'part', partId: 'p', level: 'off' }], build: {} },
    })
  const signal = new AbortController().signal
  for (const [who, id] of [
    [other, vehicleId],
    [crew, bare],
    [crew, crypto.randomUUID()],
  ] as const)
    expect(await quotationPaper(who, asked(id), 0, signal)).toEqual({
      status: 'refused',
      sentence: expect.stringMatching(/\.$/),
    })
})
test.each([{ validDays: 0 }, { validDays: 'soon' }, { to: 'x'.repeat(200) }, { vehicleId: 'v' }])(
  'a question that says %o is not read',
  (more) => {
    const request = { goals: [{ kind: 'part', partId: 'p', level: 'off' }], build: {} }
    const read = QuotationQuestion.safeParse({ vehicleId, request, ...more })
    expect(read.success ? 'read' : read.error.issues[0]!.message).toMatch(/\.$/)
  },
)
