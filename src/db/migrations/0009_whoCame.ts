import { sql, type Kysely } from 'kysely'

/**
 * Who came in, who was refused and whose rights changed; which events arrived in the name of somebody who had left;
 * and tries at names and addresses, which outlive a restart. Accounts are read by a role of their own. What a tablet
 * asks each second is one question.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  const run = (text: string) => sql.raw(text).execute(db)
  await run(`create table access_entry (
    seq bigint generated always as identity primary key, shop_id uuid not null references shop on delete cascade,
    at timestamptz not null default now(), kind text not null check (length(kind) <= 40), by_id uuid, of_id uuid,
    session_id text, detail text not null default '' check (length(detail) <= 200),
    foreign key (shop_id, by_id) references crew (shop_id, id) on delete cascade,
    foreign key (shop_id, of_id) references crew (shop_id, id) on delete cascade)`)
  await run('create index access_entry_of_shop on access_entry (shop_id, seq desc)')
  const mine = `shop_id = nullif(current_setting('app.shop_id', true), '')::uuid`
  await run('alter table access_entry enable row level security')
  await run('alter table access_entry force row level security')
  await run(`create policy own_shop on access_entry to istruzione_app using (${mine}) with check (${mine})`)
  await run('create policy owner_all on access_entry to istruzione_owner using (true) with check (true)')
  await run('grant select, insert on access_entry to istruzione_app')

  await run(`alter table job_event add column mark text check (mark in ('had left'))`)
  await run(`create index job_event_marked on job_event (shop_id, received_seq) where mark is not null`)

  // Whether there is anything new of a job, in one question; as the asking role, so that it sees its own shop alone.
  await run(`create function newest_of_job(wanted_shop uuid, wanted_job uuid) returns bigint language plpgsql
    security invoker set search_path = public as $$
    begin
      perform set_config('app.shop_id', wanted_shop::text, true);
      return coalesce((select received_seq from job_event where shop_id = wanted_shop and job_id = wanted_job
        order by received_seq desc limit 1), (select 0 from job where id = wanted_job));
    end $$`)
  await run('revoke all on function newest_of_job(uuid, uuid) from public')
  await run('grant execute on function newest_of_job(uuid, uuid) to istruzione_app')

  // What is tried is kept as a digest: neither a name nor an address can be read from it.
  await run(`create table auth.try (
    what text primary key check (length(what) = 64), failures integer not null, last timestamptz not null default now())`)
  await run('create index try_of_age on auth.try (last)')
}
