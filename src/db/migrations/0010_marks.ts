import { sql, type Kysely } from 'kysely'

/** An event can also bear the mark that its person was not authorised for what they did. */
export async function up(db: Kysely<unknown>): Promise<void> {
  const run = (text: string) => sql.raw(text).execute(db)
  await run('alter table job_event drop constraint job_event_mark_check')
  await run(`alter table job_event add constraint job_event_mark_check check (mark in ('had left', 'not authorised'))`)
}
