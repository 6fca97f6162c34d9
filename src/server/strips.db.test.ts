import { afterAll, beforeAll, expect, test } from '@jest/globals'
import { JobEvent, type Happening } from '@/core/job/event'
import { ProcedureDocument } from '@/core/procedure/document'
import { fieldEdits } from '@/core/procedure/edit'
import { Part } from '@/core/procedure/part'
import { database } from './database'
import { appendJobEvents } from './appendEvents'
import { readJob } from './jobs'
import { editDraft, publishDraft } from './draftEdits'
import { readProcedure } from './procedures'
import { crewOf, makeShop, somebody } from './shop.testing'
import { newStrip } from './strips'
import { EVENT_VERSION } from '@/core/job/eventVersion'

const person = somebody('Ines', 'owner')
const crew = crewOf(crypto.randomUUID(), person)
let seq = 0
let jobs = 0

beforeAll(() => makeShop(crew.shopId, [person]))
afterAll(() => database().destroy())

const event = (jobId: string, what: Happening, corrects: string | null = null) => {
  seq += 1
  return JobEvent.parse({
    id: crypto.randomUUID(),
    jobId,
    v: EVENT_VERSION,
    deviceId: crew.shopId,
    seq,
    at: `0001764000000000-${seq.toString(16).padStart(4, '0')}`,
    personId: person.id,
    corrects,
    what,
  })
}
const named = (id: string, name: string): Happening => ({
  kind: 'stated',
  said: name,
  edits: [{ kind: 'add', collection: 'parts', item: Part.parse({ id, name, station: 'centre' }), after: null }],
})

async function begin(
  label: string,
  more: { onModelId?: string; likeId?: string } = {},
): Promise<{ jobId: string; procedureId: string }> {
  const outcome = await newStrip(crew, {
    label,
    bay: '',
    onModelId: more.onModelId ?? null,
    likeId: more.likeId ?? null,
  })
  if (outcome.status !== 'done') throw new Error(outcome.sentence)
  const job = await readJob(crew, outcome.jobId)
  return { jobId: outcome.jobId, procedureId: job!.procedureId }
}
const draftOf = async (procedureId: string): Promise<ProcedureDocument> =>
  (await readProcedure(crew, procedureId))!.document
const fleet = () => `Gritter ${++jobs}`

test('a fleet number is enough; what is stated grows the draft, and what is taken back leaves it', async () => {
  const { jobId, procedureId } = await begin(fleet())
  expect((await readJob(crew, jobId))!.request).toBeNull()
  const stated = event(jobId, named('p1', 'Surround'))
  expect(await appendJobEvents(crew, jobId, [stated, event(jobId, named('p2', 'Liner'))])).toMatchObject({
    status: 'kept',
  })
  expect((await draftOf(procedureId)).parts.map((part) => part.name)).toEqual(['Surround', 'Liner'])
  await appendJobEvents(crew, jobId, [event(jobId, { kind: 'taken back' }, stated.id)])
  expect((await draftOf(procedureId)).parts.map((part) => part.name)).toEqual(['Liner'])
  expect((await readJob(crew, jobId))!.document.parts.map((part) => part.name)).toEqual(['Liner'])
})

test('sent twice it is stored once and changes the draft once', async () => {
  const { jobId, procedureId } = await begin(fleet())
  const events = [event(jobId, named('p1', 'Surround')), event(jobId, { kind: 'part at', partId: 'p1', level: 'off' })]
  await appendJobEvents(crew, jobId, events)
  const before = await draftOf(procedureId)
  await appendJobEvents(crew, jobId, events)
  expect(await draftOf(procedureId)).toEqual(before)
  expect((await readJob(crew, jobId))!.events).toHaveLength(2)
})

test('a field the desk changed meanwhile stays as the desk has it', async () => {
  const { jobId, procedureId } = await begin(fleet())
  await appendJobEvents(crew, jobId, [event(jobId, named('p1', 'Surround'))])
  const part = (await draftOf(procedureId)).parts[0]!
  await editDraft(crew, procedureId, fieldEdits('parts', part, { ...part, name: 'Centre surround' } as Part))
  await appendJobEvents(crew, jobId, [
    event(jobId, {
      kind: 'stated',
      said: '',
      edits: [
        ...fieldEdits('parts', part, { ...part, name: 'Bezel' } as Part),
        ...fieldEdits('parts', part, { ...part, brittle: true } as Part),
      ],
    }),
  ])
  expect((await draftOf(procedureId)).parts[0]).toMatchObject({ name: 'Centre surround', brittle: true })
})

test('who entered a thing at the desk stands beside it, with where they had it from; what met a newer value was not entered', async () => {
  const { jobId, procedureId } = await begin(fleet())
  await appendJobEvents(crew, jobId, [event(jobId, named('p1', 'Surround'))])
  const part = (await draftOf(procedureId)).parts[0]!
  const evidence = async () => (await readProcedure(crew, procedureId))!.evidence.get('p1')!
  expect((await evidence()).entered).toBeNull()
  const saved = await editDraft(crew, procedureId, fieldEdits('parts', part, { ...part, brittle: true } as Part), {
    kind: 'printed',
    words: 'trim sheet 4',
  })
  expect(saved).toMatchObject({ status: 'saved' })
  expect(await evidence()).toMatchObject({
    stated: { personId: crew.acting.id },
    entered: { personId: crew.acting.id, source: { kind: 'printed', words: 'trim sheet 4' } },
  })
  const late = await editDraft(
    crew,
    procedureId,
    [{ kind: 'field', collection: 'parts', id: 'p1', field: 'name', from: 'Bezel', to: 'Trim' }],
    { kind: 'hearsay', words: '' },
  )
  expect(late).toMatchObject({ conflicts: [{ reason: 'changed' }] })
  expect((await evidence()).entered!.source.kind).toBe('printed')
})

test('the order things came off in is kept in the record, and follows what is taken back', async () => {
  const { jobId, procedureId } = await begin(fleet())
  const off = event(jobId, { kind: 'part at', partId: 'p2', level: 'off' })
  await appendJobEvents(crew, jobId, [
    event(jobId, named('p1', 'Surround')),
    event(jobId, named('p2', 'Liner')),
    off,
    event(jobId, { kind: 'part at', partId: 'p1', level: 'off' }),
  ])
  expect((await draftOf(procedureId)).strips).toMatchObject([
    { id: jobId, sequence: ['release:p2', 'lift:p2', 'release:p1', 'lift:p1'] },
  ])
  await appendJobEvents(crew, jobId, [event(jobId, { kind: 'taken back' }, off.id)])
  expect((await draftOf(procedureId)).strips[0]!.sequence).toEqual(['release:p1', 'lift:p1'])
})

test('on top of a published record only new things go into the draft; what differs stays with the strip', async () => {
  const first = await begin(fleet())
  await appendJobEvents(crew, first.jobId, [event(first.jobId, named('p1', 'Surround'))])
  expect(await publishDraft(crew, first.procedureId, '')).toMatchObject({ status: 'done' })
  const { jobId, procedureId } = await begin(fleet(), { onModelId: first.procedureId })
  expect(procedureId).toBe(first.procedureId)
  const part = (await draftOf(procedureId)).parts[0]!
  await appendJobEvents(crew, jobId, [
    event(jobId, {
      kind: 'stated',
      said: '',
      edits: [
        ...fieldEdits('parts', part, { ...part, brittle: true } as Part),
        {
          kind: 'add',
          collection: 'parts',
          item: Part.parse({ id: 'p9', name: 'Vent', station: 'centre' }),
          after: null,
        },
      ],
    }),
  ])
  expect((await draftOf(procedureId)).parts.map(({ name, brittle }) => [name, brittle])).toEqual([
    ['Surround', false],
    ['Vent', false],
  ])
  expect((await readJob(crew, jobId))!.document.parts.map(({ name, brittle }) => [name, brittle])).toEqual([
    ['Surround', true],
    ['Vent', false],
  ])
})

test('a known vehicle goes on top of its own record; another model for it, or one of another shop, is refused in words', async () => {
  const label = fleet()
  const first = await begin(label)
  const again = await begin(label.toUpperCase())
  expect(again.procedureId).toBe(first.procedureId)
  expect(await newStrip(crew, { label, bay: '', onModelId: crypto.randomUUID(), likeId: null })).toMatchObject({
    status: 'refused',
    sentence: expect.stringContaining('another model'),
  })
  expect(await newStrip(crew, { label: fleet(), bay: '', onModelId: crypto.randomUUID(), likeId: null })).toMatchObject(
    { status: 'refused', sentence: expect.stringContaining('not in your shop') },
  )
  expect(await newStrip(crew, { label: fleet(), bay: '', onModelId: null, likeId: crypto.randomUUID() })).toMatchObject(
    { status: 'refused' },
  )
})

test('a model on the same platform begins with the facts of the other, and without its strips', async () => {
  const first = await begin(fleet())
  await appendJobEvents(crew, first.jobId, [
    event(first.jobId, named('p1', 'Surround')),
    event(first.jobId, named('p2', 'Liner')),
    event(first.jobId, { kind: 'part at', partId: 'p1', level: 'off' }),
    event(first.jobId, { kind: 'part at', partId: 'p2', level: 'off' }),
  ])
  const { procedureId } = await begin(fleet(), { likeId: first.procedureId })
  const document = await draftOf(procedureId)
  expect([document.parts.length, document.strips]).toEqual([2, []])
  expect(document.note).toContain('None of them has been seen')
})
