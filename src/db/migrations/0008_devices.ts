import { sql, type Kysely } from 'kysely'

/** Which devices have signed in to a shop: what they are called, when they were last seen, what waits on them. */
export async function up(db: Kysely<unknown>): Promise<void> {
  const run = (text: string) => sql.raw(text).execute(db)
  await run(`create table device (
    id uuid not null, shop_id uuid not null references shop, name text not null default '' check (length(name) <= 40),
    kind text not null check (kind in ('tablet', 'phone', 'computer')), crew_id uuid not null, session_id text not null,
    waiting integer not null default 0 check (waiting >= 0), clock_ahead_ms bigint not null default 0,
    first_seen timestamptz not null default now(), last_seen timestamptz not null default now(),
    primary key (shop_id, id), foreign key (shop_id, crew_id) references crew (shop_id, id) on delete cascade)`)
  const mine = `shop_id = nullif(current_setting('app.shop_id', true), '')::uuid`
  await run('alter table device enable row level security')
  await run('alter table device force row level security')
  await run(`create policy own_shop on device to istruzione_app using (${mine}) with check (${mine})`)
  await run('create policy owner_all on device to istruzione_owner using (true) with check (true)')
  await run('grant select, insert, update on device to istruzione_app')
}
