import { sql, type Kysely } from 'kysely'

/** The words a shop uses besides the trade's. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql.raw(`alter table shop add column words jsonb not null default '[]'`).execute(db)
  await sql.raw('grant update (words) on shop to istruzione_app').execute(db)
}
