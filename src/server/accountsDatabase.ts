import 'server-only'
import { Kysely, PostgresDialect } from 'kysely'
import type pg from 'pg'
import { makePool } from '../db/client'
import type { AccountsDatabase } from '../db/schema'
import { env } from './env'
import { watchPool } from './metrics'

const shared = globalThis as { istruzioneAccounts?: { pool: pg.Pool; db: Kysely<AccountsDatabase> } }

function opened() {
  if (!shared.istruzioneAccounts) {
    const pool = watchPool('accounts', makePool(env().ACCOUNTS_DATABASE_URL, 'auth'))
    shared.istruzioneAccounts = { pool, db: new Kysely({ dialect: new PostgresDialect({ pool }) }) }
  }
  return shared.istruzioneAccounts
}

/**
 * Accounts, sessions and tries, by a role that sees nothing else. The shops' role sees none of them: a question about
 * records that went wrong can't show another shop's accounts.
 */
export const accountsDatabase = () => opened().db
export const accountsPool = () => opened().pool
