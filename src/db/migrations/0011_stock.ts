import { sql, type Kysely } from 'kysely'

/** What lies on the shop's shelves, as it was last counted. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql.raw(`alter table shop add column stock jsonb not null default '[]'`).execute(db)
  await sql.raw('grant update (stock) on shop to istruzione_app').execute(db)
}
