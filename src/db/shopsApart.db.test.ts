import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { sql } from 'kysely'
import { DEFAULT_HOUSE_VALUES } from '@/core/shop/houseValues'
import { emptyDocument } from '@/core/procedure/document'
import { asShop, makeDb, type Db, type ShopTransaction } from './client'
import { migrate } from './migrate'

// On a real PostgreSQL: bin/test unit starts one and migrates it.
let app: Db
let owner: Db
let accounts: Db
const shops = { ours: crypto.randomUUID(), theirs: crypto.randomUUID() }
const made = new Map<string, { crew: string; vehicle: string; procedure: string; job: string }>()

async function fill(trx: ShopTransaction, shopId: string, demo: boolean): Promise<void> {
  const ids = {
    crew: crypto.randomUUID(),
    vehicle: crypto.randomUUID(),
    procedure: crypto.randomUUID(),
    job: crypto.randomUUID(),
  }
  made.set(shopId, ids)
  const revision = crypto.randomUUID()
  await trx
    .insertInto('shop')
    .values({ id: shopId, name: 'Shop', is_demo: demo, house: JSON.stringify(DEFAULT_HOUSE_VALUES) })
    .execute()
  await trx
    .insertInto('crew')
    .values({
      id: ids.crew,
      shop_id: shopId,
      name: 'Tolu',
      role: 'owner',
      pin_hash: 'x',
      user_id: null,
      pin_locked_until: null,
    })
    .execute()
  await trx.insertInto('procedure').values({ id: ids.procedure, shop_id: shopId, name: 'Van' }).execute()
  await trx
    .insertInto('revision')
    .values({
      id: revision,
      shop_id: shopId,
      procedure_id: ids.procedure,
      number: 1,
      document: JSON.stringify(emptyDocument('Van')),
      published_by: ids.crew,
    })
    .execute()
  await trx
    .insertInto('vehicle')
    .values({ id: ids.vehicle, shop_id: shopId, label: 'Van 1', procedure_id: ids.procedure, build: '{}' })
    .execute()
  await trx
    .insertInto('job')
    .values({
      id: ids.job,
      shop_id: shopId,
      vehicle_id: ids.vehicle,
      procedure_id: ids.procedure,
      revision_id: revision,
      draft_document: null,
      title: 'Radio',
      promised_at: null,
      request: '{}',
      found_plan: null,
      created_by: ids.crew,
      handed_over_at: null,
    })
    .execute()
  await trx
    .insertInto('job_event')
    .values({ id: crypto.randomUUID(), shop_id: shopId, job_id: ids.job, person_id: ids.crew, at: 'now', body: '{}' })
    .execute()
  await trx
    .insertInto('media')
    .values({
      id: crypto.randomUUID(),
      shop_id: shopId,
      job_id: ids.job,
      kind: 'photo',
      mime: 'image/jpeg',
      bytes: Buffer.from([1]),
      thumbnail: null,
      width: 1,
      height: 1,
      made_by: ids.crew,
    })
    .execute()
  await trx
    .insertInto('device')
    .values({ id: crypto.randomUUID(), shop_id: shopId, kind: 'tablet', crew_id: ids.crew, session_id: 'none' })
    .execute()
  await trx
    .insertInto('evidence')
    .values({
      id: crypto.randomUUID(),
      shop_id: shopId,
      procedure_id: ids.procedure,
      item_id: 'p1',
      fields: ['name'],
      source: 'printed',
      words: 'sheet 4',
      person_id: ids.crew,
    })
    .execute()
}

beforeAll(async () => {
  if (!process.env.DATABASE_URL) throw new Error('This test needs a database. Run it with bin/test unit.')
  app = makeDb(process.env.DATABASE_URL)
  owner = makeDb(process.env.DATABASE_OWNER_URL)
  accounts = makeDb(process.env.ACCOUNTS_DATABASE_URL)
  await asShop(app, shops.ours, (trx) => fill(trx, shops.ours, true))
  await asShop(app, shops.theirs, (trx) => fill(trx, shops.theirs, false))
})
afterAll(async () => {
  await app.destroy()
  await owner.destroy()
  await accounts.destroy()
})

const TABLES = [
  'shop',
  'crew',
  'procedure',
  'revision',
  'vehicle',
  'job',
  'job_event',
  'media',
  'evidence',
  'device',
] as const

describe('shops are kept apart by the database', () => {
  test.each(TABLES)('%s shows one shop its own rows, and nobody without a shop any', async (table) => {
    const mine = await asShop(app, shops.ours, (trx) => trx.selectFrom(table).select('id').execute())
    expect(mine).toHaveLength(1)
    expect(await app.selectFrom(table).select('id').execute()).toEqual([])
  })
  test('a row can’t be written into another shop, nor point into one', async () => {
    const theirs = made.get(shops.theirs)!
    await expect(
      asShop(app, shops.ours, (trx) =>
        trx
          .insertInto('vehicle')
          .values({ id: crypto.randomUUID(), shop_id: shops.theirs, label: 'Van 9', procedure_id: null, build: '{}' })
          .execute(),
      ),
    ).rejects.toThrow(/row-level security/)
    await expect(
      asShop(app, shops.ours, (trx) =>
        trx
          .insertInto('job_event')
          .values({
            id: crypto.randomUUID(),
            shop_id: shops.ours,
            job_id: theirs.job,
            person_id: theirs.crew,
            at: 'now',
            body: '{}',
          })
          .execute(),
      ),
    ).rejects.toThrow(/foreign key/)
    const changed = await asShop(app, shops.ours, (trx) =>
      trx.updateTable('vehicle').set({ plate: 'X' }).where('id', '=', theirs.vehicle).executeTakeFirst(),
    )
    expect(changed.numUpdatedRows).toBe(0n)
  })
})

describe('accounts are read by a role of their own', () => {
  test.each(['select * from auth."user"', 'select * from auth.session', 'delete from auth.account where false'])(
    'who reads the shops’ records may not: %s',
    async (text) => {
      await expect(asShop(app, shops.ours, (trx) => sql.raw(text).execute(trx))).rejects.toThrow(/permission denied/)
      expect((await sql.raw(text).execute(accounts)).rows).toBeDefined()
    },
  )
  test.each([...TABLES, 'access_entry'] as const)('who reads accounts may not read %s', async (table) => {
    await expect(accounts.selectFrom(table).selectAll().execute()).rejects.toThrow(/permission denied/)
  })
})

describe('what happened is kept', () => {
  test.each([
    'update job_event set at = at',
    'delete from job_event',
    'truncate job_event',
    'update revision set note = note',
    'delete from revision',
    'update evidence set words = words',
    'delete from evidence',
    'update access_entry set kind = kind',
    'delete from access_entry',
  ])('the application may not: %s', async (text) => {
    await expect(asShop(app, shops.ours, (trx) => sql.raw(text).execute(trx))).rejects.toThrow(/permission denied/)
  })
  test.each([
    'update job_event set at = at',
    'delete from job_event',
    'truncate job_event',
    'update revision set note = note',
    'delete from revision',
    'truncate revision cascade',
  ])('nor may the owner: %s', async (text) => {
    await expect(sql.raw(text).execute(owner)).rejects.toThrow(/kept as they are/)
  })
})

test('only a demo shop can be removed, whole, and only from inside', async () => {
  const remove = (shopId: string) =>
    asShop(app, shopId, (trx) => sql<{ gone: boolean }>`select remove_demo_shop() as gone`.execute(trx))
  expect((await remove(shops.theirs)).rows[0]!.gone).toBe(false)
  expect((await remove(shops.ours)).rows[0]!.gone).toBe(true)
  const left = await owner.selectFrom('shop').select('id').where('id', 'in', Object.values(shops)).execute()
  expect(left.map((row) => row.id)).toEqual([shops.theirs])
  const notes = await owner.selectFrom('installation_note').select('name').execute()
  expect(notes).toContainEqual({ name: 'demo removed' })
  const events = await owner
    .selectFrom('job_event')
    .select('shop_id')
    .where('shop_id', 'in', Object.values(shops))
    .execute()
  expect(events.map((row) => row.shop_id)).toEqual([shops.theirs])
})

test('a database that a newer application made is refused and left as it is', async () => {
  await sql`insert into kysely_migration (name, timestamp) values ('9999_from_the_future', 'now')`.execute(owner)
  try {
    expect(await migrate(owner)).toEqual({ kind: 'newer database', unknown: ['9999_from_the_future'] })
  } finally {
    await sql`delete from kysely_migration where name = '9999_from_the_future'`.execute(owner)
  }
  expect(await migrate(owner)).toMatchObject({ kind: 'done' })
})
