import { afterAll, beforeAll, expect, test } from '@jest/globals'
import type { Edit } from '@/core/procedure/edit'
import { smallDash } from '@/core/testing/smallDash.testing'
import { database } from './database'
import { createProcedure, editDraft, importProcedure, newProcedure, publishDraft } from './draftEdits'
import { listProcedures, readProcedure } from './procedures'
import { inShop } from './whoAsks'
import { crewOf, makeShop, somebody } from './shop.testing'

const [lead, installer, stranger] = [
  somebody('Marit', 'lead'),
  somebody('Tolu', 'installer'),
  somebody('Aino', 'owner'),
]
const [shop, other] = [crypto.randomUUID(), crypto.randomUUID()]
const [asLead, asInstaller, asStranger] = [crewOf(shop, lead), crewOf(shop, installer), crewOf(other, stranger)]
const names = async () => (await listProcedures(asLead)).map(({ name }) => name)

/** A dash whose plugs are classified and tested, so that it may be published. */
function publishable() {
  const dash = smallDash()
  for (const tether of dash.tethers) tether.functions = ['sound']
  return dash
}
/** One field of one item, as a form sends it. */
const field = (collection: 'parts' | 'holders' | 'tethers', id: string, name: string, from: unknown, to: unknown) =>
  [{ kind: 'field', collection, id, field: name, from, to } as Edit] satisfies Edit[]
const rename = (from: string, to: string): Edit => ({ kind: 'about', field: 'name', from, to })

beforeAll(async () => {
  await makeShop(shop, [lead, installer])
  await makeShop(other, [stranger])
})
afterAll(() => database().destroy())

test('a model begins empty, like another, or mirrored; never like another shop’s', async () => {
  const likeId = await createProcedure(asLead, { ...publishable(), name: 'First' })
  const [empty, like, mirrored] = [
    await newProcedure(asLead, 'Empty'),
    await newProcedure(asLead, 'Like it', likeId),
    await newProcedure(asLead, 'Mirrored', likeId, true),
  ]
  expect((await readProcedure(asLead, empty!))!.document.parts).toEqual([])
  expect((await readProcedure(asLead, like!))!.document.parts.map(({ id }) => id)).toEqual(['cover', 'panel', 'unit'])
  expect((await readProcedure(asLead, mirrored!))!.document.mirroredFrom).toBe('First')
  expect(await newProcedure(asStranger, 'Theirs', likeId)).toBeNull()
  expect(await readProcedure(asStranger, likeId)).toBeNull()
  expect(await listProcedures(asStranger)).toEqual([])
})

test('an import is all or nothing', async () => {
  const before = await names()
  const good = JSON.stringify({ ...publishable(), name: 'Imported' })
  const bad = await importProcedure(asLead, good.replace('"count":4', '"count":-4'))
  expect(bad).toMatchObject({ status: 'bad file' })
  expect(await importProcedure(asLead, 'not JSON')).toMatchObject({ status: 'bad file' })
  expect(await names()).toEqual(before)
  expect((await importProcedure(asLead, good)).status).toBe('done')
  expect(await names()).toEqual([...before, 'Imported'].sort())
})

test('a record that holds what this version does not know is read, and neither changed nor published', async () => {
  const id = await createProcedure(asLead, smallDash())
  const newer = JSON.stringify({ ...smallDash(), looms: [{ id: 'loom' }] })
  await inShop(asLead, (trx) =>
    trx.updateTable('draft').set({ document: newer }).where('procedure_id', '=', id).execute(),
  )
  const sentence = expect.stringContaining('looms')
  expect(await editDraft(asLead, id, field('parts', 'cover', 'name', 'Cover', 'Lid'))).toEqual({
    status: 'refused',
    sentence,
  })
  expect(await publishDraft(asLead, id, '')).toEqual({ status: 'refused', sentence })
  const kept = await inShop(asLead, (trx) =>
    trx.selectFrom('draft').select('document').where('procedure_id', '=', id).executeTakeFirstOrThrow(),
  )
  expect(kept.document).toEqual(JSON.parse(newer))
})

test('two desks at once: other fields merge, the same field is shown to the second, nothing is lost', async () => {
  const id = await createProcedure(asLead, { ...publishable(), name: 'Two desks' })
  const { document } = (await readProcedure(asLead, id))!
  const screws = document.holders.find((holder) => holder.id === 'screws')!
  const count = (n: number) => field('holders', 'screws', 'count', screws.count, n)
  const note = field('holders', 'screws', 'note', '', 'behind the cover')
  const both = await Promise.all([editDraft(asLead, id, count(5)), editDraft(asInstaller, id, count(6))])
  const noted = await editDraft(asInstaller, id, note)
  const conflicts = both.map((outcome) => (outcome.status === 'saved' ? outcome.conflicts.length : -1))
  expect([...conflicts].sort()).toEqual([0, 1])
  expect(noted).toMatchObject({ status: 'saved', conflicts: [], version: 4 })
  const now = (await readProcedure(asLead, id))!.document.holders.find((holder) => holder.id === 'screws')!
  expect([now.count, now.note]).toEqual([conflicts[0] === 0 ? 5 : 6, 'behind the cover'])
})

test('an edit that would make no item is refused whole; another shop’s is not found', async () => {
  const id = await createProcedure(asLead, { ...publishable(), name: 'Whole' })
  const outcome = await editDraft(asLead, id, [
    rename('Whole', 'Changed'),
    ...field('parts', 'panel', 'persons', 1, 99),
  ])
  expect(outcome).toMatchObject({ status: 'refused', sentence: expect.stringMatching(/\S/) })
  expect((await readProcedure(asLead, id))!.document.name).toBe('Whole')
  expect((await editDraft(asStranger, id, [rename('Whole', 'Theirs')])).status).toBe('refused')
  expect((await readProcedure(asLead, id))!.document.name).toBe('Whole')
})

test('publishing: a lead’s, of something that can be worked from; a revision never changes again', async () => {
  const id = await createProcedure(asLead, { ...publishable(), name: 'Published' })
  expect((await publishDraft(asInstaller, id, '')).status).toBe('refused')
  expect(await publishDraft(asLead, id, 'first')).toEqual({ status: 'done', number: 1 })
  expect((await publishDraft(asLead, id, '')).status).toBe('refused')
  await editDraft(asLead, id, [rename('Published', 'Published, again')])
  expect((await readProcedure(asLead, id))!).toMatchObject({ isDraft: true, revision: { number: 1, by: 'Marit' } })
  expect(await publishDraft(asLead, id, 'second')).toEqual({ status: 'done', number: 2 })
  const empty = await newProcedure(asLead, 'Nothing in it')
  expect((await publishDraft(asLead, empty!, '')).status).toBe('refused')
})

test('an unclassified plug stops publishing until somebody says what it feeds', async () => {
  const dash = publishable()
  dash.tethers[0]!.circuit = null
  const id = await createProcedure(asLead, { ...dash, name: 'Yellow plug' })
  expect((await publishDraft(asLead, id, '')).status).toBe('refused')
  await editDraft(asLead, id, field('tethers', 'main', 'circuit', null, 'audio'))
  expect((await publishDraft(asLead, id, '')).status).toBe('done')
})
