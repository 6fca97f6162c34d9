import { sql, type Kysely } from 'kysely'

/**
 * What was said of a vehicle's build at the desk, and when, apart from what jobs told on the way: `build` is the fold
 * of both, so that what is told is taken back by taking the event back.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  const run = (text: string) => sql.raw(text).execute(db)
  await run(`alter table vehicle add column said_build jsonb not null default '{}',
    add column said_at timestamptz not null default now()`)
  await run('update vehicle set said_build = build')
}
