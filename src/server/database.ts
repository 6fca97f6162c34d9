import 'server-only'
import { makeDb, makePool, type Db } from '../db/client'
import { env } from './env'
import { watchPool } from './metrics'

// Route bundles each have their own copy of this module; the pool is one for the process.
const shared = globalThis as { istruzioneDb?: Db }

/** The application's database, opened on first use. */
export function database(): Db {
  shared.istruzioneDb ??= makeDb(watchPool('records', makePool(env().DATABASE_URL)))
  return shared.istruzioneDb
}
