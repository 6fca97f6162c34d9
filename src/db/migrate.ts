import { Migrator, sql } from 'kysely'
import type { Db } from './client'
import { MIGRATIONS } from './migrations/all'

export type MigrationOutcome =
  | { kind: 'done'; applied: string[] }
  | { kind: 'newer database'; unknown: string[] }
  | { kind: 'failed'; detail: string }

/** Brings the database to this application's version. A database that is newer is refused and left as it is. */
export async function migrate(owner: Db): Promise<MigrationOutcome> {
  const unknown = await unknownMigrations(owner)
  if (unknown.length > 0) return { kind: 'newer database', unknown }
  const migrator = new Migrator({ db: owner, provider: { getMigrations: async () => MIGRATIONS } })
  const { error, results } = await migrator.migrateToLatest()
  if (error) return { kind: 'failed', detail: error instanceof Error ? error.message : String(error) }
  return { kind: 'done', applied: (results ?? []).map((result) => result.migrationName) }
}

/** Migrations the database has had that this application does not know. */
export async function unknownMigrations(owner: Db): Promise<string[]> {
  const there = await sql<{
    there: boolean
  }>`select to_regclass('public.kysely_migration') is not null as there`.execute(owner)
  if (!there.rows[0]?.there) return []
  const names = await sql<{ name: string }>`select name from kysely_migration order by name`.execute(owner)
  return names.rows.map((row) => row.name).filter((name) => !(name in MIGRATIONS))
}
