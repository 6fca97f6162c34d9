import { readFileSync } from 'node:fs'
import { sql } from 'kysely'
import { makeDb, makePool, type Db } from '../db/client'
import { migrate } from '../db/migrate'

/**
 * Brings schemas and tables to this version. Run by the start command with the owner's address; prints one sentence on
 * failure.
 */
async function main(): Promise<number> {
  const url = process.env.DATABASE_OWNER_URL
  const owner = makeDb(url)
  try {
    await prepareAuthSchema(owner)
    const outcome = await migrate(owner)
    if (outcome.kind === 'newer database')
      return stop(
        `The database was made by a newer Istruzione (it has had ${outcome.unknown.join(', ')}). Start that version, or restore a back-up made with this one.`,
      )
    if (outcome.kind === 'failed')
      return stop(`The database could not be brought up to date: ${outcome.detail}. Nothing was changed.`)
    await migrateSignIn(owner, url)
    return 0
  } finally {
    await owner.destroy()
  }
}

/**
 * The sign-in library's tables lie in a schema of their own, owned by the owner and usable by a role that uses nothing
 * else: what reads the shops' records can't read an account.
 */
async function prepareAuthSchema(owner: Db): Promise<void> {
  for (const text of [
    'create schema if not exists auth',
    'revoke all on schema auth from istruzione_app',
    'revoke all on all tables in schema auth from istruzione_app',
    'alter default privileges in schema auth revoke all on tables from istruzione_app',
    'grant usage on schema auth to istruzione_accounts',
    'grant select, insert, update, delete on all tables in schema auth to istruzione_accounts',
    'alter default privileges in schema auth grant select, insert, update, delete on tables to istruzione_accounts',
  ])
    await sql.raw(text).execute(owner)
}

/** The sign-in library brings its own tables up to date, once for each of its versions. */
async function migrateSignIn(owner: Db, url: string | undefined): Promise<void> {
  const { version } = JSON.parse(readFileSync('node_modules/better-auth/package.json', 'utf8')) as { version: string }
  // With what it is asked to do: a second factor has a table of its own.
  const note = `sign-in library ${version}, second factor`
  if (await owner.selectFrom('installation_note').select('name').where('name', '=', note).executeTakeFirst()) return
  // Loaded only when needed: a second start takes a moment, not seconds.
  const { getMigrations } = await import('better-auth/db/migration')
  const { authFor } = await import('./auth')
  const pool = makePool(url, 'auth')
  const { runMigrations } = await getMigrations(
    authFor(pool, process.env.ISTRUZIONE_SECRET ?? '', 'http://127.0.0.1').options,
  )
  await runMigrations()
  await pool.end()
  await owner.insertInto('installation_note').values({ name: note }).execute()
}

function stop(sentence: string): number {
  process.stderr.write(`${sentence}\n`)
  return 1
}

process.exitCode = await main()
