import { AsyncLocalStorage } from 'node:async_hooks'
import {
  CompiledQuery,
  Kysely,
  PostgresDialect,
  PostgresDriver,
  type DatabaseConnection,
  type PostgresDialectConfig,
  type Transaction,
  type TransactionSettings,
} from 'kysely'
import pg from 'pg'
import type { Database } from './schema'

export type Db = Kysely<Database>
export type ShopTransaction = Transaction<Database>

/** How long a request waits for a connection before it says that there is no database: one may hang without a word. */
const PATIENCE_MS = 15_000

/** A pool for a database address. `schema` puts a schema first on the search path (the sign-in library has its own). */
export function makePool(url: string | undefined, schema?: string, patienceMs = PATIENCE_MS): pg.Pool {
  if (!url)
    throw new Error(
      'DATABASE_URL is not set. Start the application with bin/start, which makes the database and sets it.',
    )
  const pool = new pg.Pool({
    connectionString: url,
    max: 8,
    allowExitOnIdle: true,
    connectionTimeoutMillis: patienceMs,
    ...(schema ? { options: `-c search_path=${schema}` } : {}),
  })
  // A connection that breaks (a database restart) must not take the process down, idle (the next query reports it) or
  // lent between two queries (whoever holds it is told by their own): the pool listens to the idle ones only.
  pool.on('error', () => undefined)
  pool.on('connect', (client) => client.on('error', () => undefined))
  return pool
}

export function makeDb(from: pg.Pool | string | undefined): Db {
  const pool = from instanceof pg.Pool ? from : makePool(from)
  return new Kysely<Database>({ dialect: new ShopDialect({ pool }) })
}

/** Runs queries as one shop: row-level security shows and takes that shop's rows only, until the transaction ends. */
export function asShop<T>(db: Db, shopId: string, run: (trx: ShopTransaction) => Promise<T>): Promise<T> {
  if (!UUID.test(shopId)) throw new Error('a shop is named by its id')
  return beginning.run({ shopId }, () => db.transaction().execute(run))
}

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i
/**
 * Whose the transaction is that begins next: taken by it, and by no other. One for the process, as its pool is: the
 * bundles of pages and of the tablets' door have their own copy of this module.
 */
const shared = globalThis as { istruzioneBeginning?: AsyncLocalStorage<{ shopId: string | null }> }
const beginning = (shared.istruzioneBeginning ??= new AsyncLocalStorage())

/** One message begins a transaction and says whose it is: half of what a small question costs is the way there. */
class ShopDriver extends PostgresDriver {
  override async beginTransaction(connection: DatabaseConnection, settings: TransactionSettings): Promise<void> {
    const asked = beginning.getStore()
    if (!asked?.shopId) return super.beginTransaction(connection, settings)
    const { shopId } = asked
    asked.shopId = null
    await connection.executeQuery(CompiledQuery.raw(`begin; select set_config('app.shop_id', '${shopId}', true)`))
  }
}

class ShopDialect extends PostgresDialect {
  constructor(private readonly given: PostgresDialectConfig) {
    super(given)
  }
  override createDriver(): ShopDriver {
    return new ShopDriver(this.given)
  }
}

export async function ping(db: Db): Promise<void> {
  await db.executeQuery(CompiledQuery.raw('select 1'))
}
