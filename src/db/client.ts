import { CompiledQuery, Kysely, PostgresDialect, sql, type Transaction } from 'kysely'
import pg from 'pg'
import type { Database } from './schema'

export type Db = Kysely<Database>
export type ShopTransaction = Transaction<Database>

/** A pool for a database address. `schema` puts a schema first on the search path (the sign-in library has its own). */
export function makePool(url: string | undefined, schema?: string): pg.Pool {
  if (!url)
    throw new Error(
      'DATABASE_URL is not set. Start the application with bin/start, which makes the database and sets it.',
    )
  const pool = new pg.Pool({
    connectionString: url,
    max: 8,
    allowExitOnIdle: true,
    ...(schema ? { options: `-c search_path=${schema}` } : {}),
  })
  // An idle connection that breaks (a database restart) must not take the process down; the next query reports it.
  pool.on('error', () => undefined)
  return pool
}

export function makeDb(url: string | undefined): Db {
  return new Kysely<Database>({ dialect: new PostgresDialect({ pool: makePool(url) }) })
}

/** Runs queries as one shop: row-level security shows and takes that shop's rows only, until the transaction ends. */
export function asShop<T>(db: Db, shopId: string, run: (trx: ShopTransaction) => Promise<T>): Promise<T> {
  return db.transaction().execute(async (trx) => {
    await sql`select set_config('app.shop_id', ${shopId}, true)`.execute(trx)
    return run(trx)
  })
}

export async function ping(db: Db): Promise<void> {
  await db.executeQuery(CompiledQuery.raw('select 1'))
}
