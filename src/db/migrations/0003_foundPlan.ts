import { sql, type Kysely } from 'kysely'

/** The order a job was opened with, kept as it was found, so that no device has to look for it again. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql.raw('alter table job add column found_plan jsonb').execute(db)
}
