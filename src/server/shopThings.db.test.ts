import { afterAll, beforeAll, expect, test } from '@jest/globals'
import sharp from 'sharp'
import { Kit } from '@/core/shop/kit'
import { DEFAULT_HOUSE_VALUES } from '@/core/shop/houseValues'
import { BUILT_IN_RULES } from '@/core/vehicle/builtInRules'
import { database } from './database'
import { listKits, readKits, removeKit, saveKit } from './kits'
import { keepMedia, readMedia } from './media'
import { inShop } from './whoAsks'
import { saveShopPart } from './shopValues'
import { crewOf, makeShop, somebody } from './shop.testing'
import { ShopRules } from '@/core/vehicle/rule'
import { newStrip, NewStrip } from './strips'

const [owner, lead, installer, stranger] = [
  somebody('Marit', 'owner'),
  somebody('Tolu', 'lead'),
  somebody('Ola', 'installer'),
  somebody('Aino', 'owner'),
]
const [shop, other] = [crypto.randomUUID(), crypto.randomUUID()]
const [asOwner, asLead, asInstaller] = [owner, lead, installer].map((person) => crewOf(shop, person)) as [
  ReturnType<typeof crewOf>,
  ReturnType<typeof crewOf>,
  ReturnType<typeof crewOf>,
]
const asStranger = crewOf(other, stranger)

beforeAll(async () => {
  await makeShop(shop, [owner, lead, installer])
  await makeShop(other, [stranger])
})
afterAll(() => database().destroy())

test('a kit: a lead’s, under its own name, and never over somebody else’s change', async () => {
  const kit = Kit.parse({ id: crypto.randomUUID(), name: 'Tracker' })
  expect((await saveKit(asInstaller, { kit, version: 0 })).status).toBe('refused')
  expect(await saveKit(asLead, { kit, version: 0 })).toEqual({ status: 'done', version: 1 })
  const named = Kit.parse({ id: crypto.randomUUID(), name: 'Tracker' })
  expect((await saveKit(asLead, { kit: named, version: 0 })).status).toBe('refused')
  const two = await Promise.all([
    saveKit(asLead, { kit: { ...kit, note: 'one' }, version: 1 }),
    saveKit(asOwner, { kit: { ...kit, note: 'other' }, version: 1 }),
  ])
  expect(two.map(({ status }) => status).sort()).toEqual(['done', 'refused'])
  expect(await listKits(asLead)).toMatchObject([
    { version: 2, kit: { note: two[0].status === 'done' ? 'one' : 'other' } },
  ])
  expect(await listKits(asStranger)).toEqual([])
  await removeKit(asStranger, kit.id)
  expect(await listKits(asLead)).toHaveLength(1)
  await removeKit(asLead, kit.id)
  expect(await listKits(asLead)).toEqual([])
})

test('a kit that a newer program wrote hides none of the others, is named, and is not written over', async () => {
  const kit = Kit.parse({ id: crypto.randomUUID(), name: 'Camera' })
  const later = Kit.parse({ id: crypto.randomUUID(), name: 'Kit of next year' })
  for (const one of [kit, later]) await saveKit(asLead, { kit: one, version: 0 })
  const body = JSON.stringify({ v: 99, everything: 'otherwise' })
  await inShop(asLead, (trx) => trx.updateTable('kit').set({ body }).where('id', '=', later.id).execute())
  expect(await readKits(asLead)).toMatchObject({ kits: [{ kit: { name: 'Camera' } }], newer: ['Kit of next year'] })
  const again = Kit.parse({ id: crypto.randomUUID(), name: 'Kit of next year' })
  expect((await saveKit(asLead, { kit: again, version: 0 })).status).toBe('refused')
  for (const { id } of [kit, later]) await removeKit(asLead, id)
})

test('a kit that bypasses a signal, or waits for itself, is not kept', async () => {
  const work = (more: object) => ({ id: 'w', name: 'Work', kind: 'mount', station: 'centre', durationS: 60, ...more })
  const kit = (more: object) => Kit.parse({ id: crypto.randomUUID(), name: 'K', works: [work(more)] })
  for (const more of [{ kind: 'bypass a signal' }, { afterWork: ['w'] }, { afterWork: ['gone'] }])
    expect(await saveKit(asLead, { kit: kit(more), version: 0 })).toMatchObject({
      status: 'refused',
      sentence: expect.stringMatching(/\S/),
    })
  expect(await listKits(asLead)).toEqual([])
})

test('house values are a lead’s, rules of safety the owner’s; a built-in rule is never replaced', async () => {
  const house = { value: { ...DEFAULT_HOUSE_VALUES, liftMassKg: 15 }, before: DEFAULT_HOUSE_VALUES }
  const own = { ...BUILT_IN_RULES[0]!, id: 'own-rule' }
  const rules = (id: string) => ({
    value: ShopRules.parse({ added: [{ ...own, id }], raised: {} }),
    before: ShopRules.parse({}),
  })
  expect((await saveShopPart(asInstaller, 'house', house)).status).toBe('refused')
  expect((await saveShopPart(asLead, 'house', house)).status).toBe('done')
  expect((await saveShopPart(asLead, 'rules', rules('own-rule'))).status).toBe('refused')
  expect((await saveShopPart(asOwner, 'rules', rules(BUILT_IN_RULES[0]!.id))).status).toBe('refused')
  expect((await saveShopPart(asOwner, 'rules', rules('own-rule'))).status).toBe('done')
  const row = await inShop(asOwner, (trx) =>
    trx.selectFrom('shop').select(['house', 'rules']).executeTakeFirstOrThrow(),
  )
  expect(row.house).toMatchObject({ liftMassKg: 15 })
  expect(row.rules).toMatchObject({ added: [{ id: 'own-rule' }] })
  const theirs = await inShop(asStranger, (trx) => trx.selectFrom('shop').select('house').executeTakeFirstOrThrow())
  expect(theirs.house).toMatchObject({ liftMassKg: DEFAULT_HOUSE_VALUES.liftMassKg })
})

test('two forms that were filled from the same: the second is told, and writes over nothing', async () => {
  const word = (means: string) => ({ word: 'wotsit', means })
  expect(await saveShopPart(asLead, 'words', { value: [word('spring clip')], before: [] })).toEqual({ status: 'done' })
  const second = await saveShopPart(asOwner, 'words', { value: [word('hook')], before: [] })
  expect(second).toMatchObject({ status: 'refused', sentence: expect.stringContaining('meanwhile') })
  const now = await inShop(asOwner, (trx) => trx.selectFrom('shop').select('words').executeTakeFirstOrThrow())
  expect(now.words).toEqual([word('spring clip')])
  // At once, from the same: exactly one of them is kept.
  const before = [word('spring clip')]
  const both = ['a', 'b'].map((means) => saveShopPart(asLead, 'words', { value: [word(means)], before }))
  expect((await Promise.all(both)).map(({ status }) => status).sort()).toEqual(['done', 'refused'])
})

test('a picture is kept once, of a job of this shop, and looked at before it is', async () => {
  const strip = await newStrip(asLead, NewStrip.parse({ label: 'V 9' }))
  if (strip.status !== 'done') throw new Error(JSON.stringify(strip))
  const bytes = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#888' } })
    .jpeg()
    .toBuffer()
  const photo = { id: crypto.randomUUID(), kind: 'photo' as const, mime: 'image/jpeg', bytes }
  expect(await keepMedia(asLead, strip.jobId, { ...photo, bytes: Buffer.from('no picture') })).toMatchObject({
    status: 'refused',
  })
  expect((await keepMedia(asStranger, strip.jobId, photo)).status).toBe('unknown job')
  expect(await keepMedia(asLead, strip.jobId, photo)).toEqual({ status: 'kept' })
  expect(await keepMedia(asLead, strip.jobId, photo)).toEqual({ status: 'kept' })
  expect((await readMedia(asLead, photo.id, false))!.bytes.length).toBeGreaterThan(0)
  expect(await readMedia(asStranger, photo.id, false)).toBeNull()
  const voice = { id: crypto.randomUUID(), kind: 'voice' as const, mime: 'text/html', bytes: Buffer.from('x') }
  expect((await keepMedia(asLead, strip.jobId, voice)).status).toBe('refused')
  const count = await inShop(asLead, (trx) =>
    trx
      .selectFrom('media')
      .select((e) => e.fn.countAll<string>().as('n'))
      .executeTakeFirstOrThrow(),
  )
  expect(count.n).toBe('1')
})
