import { sql, type Kysely } from 'kysely'

/** What a shop adds of its own: rules, tools, kits, and what its people are authorised for. */
export async function up(db: Kysely<unknown>): Promise<void> {
  const run = (text: string) => sql.raw(text).execute(db)
  await run(
    `alter table shop add column rules jsonb not null default '{}', add column tools jsonb not null default '[]'`,
  )
  await run('grant update (rules, tools) on shop to istruzione_app')
  await run(`alter table crew add column authorised text[] not null default '{}'`)
  await run(`create table kit (
    id uuid primary key, shop_id uuid not null references shop, name text not null check (length(name) between 1 and 80), body jsonb not null,
    version integer not null default 1, changed_by uuid not null, changed_at timestamptz not null default now(), unique (shop_id, id), unique (shop_id, name),
    foreign key (shop_id, changed_by) references crew (shop_id, id))`)
  const mine = `shop_id = nullif(current_setting('app.shop_id', true), '')::uuid`
  await run('alter table kit enable row level security')
  await run('alter table kit force row level security')
  await run(`create policy own_shop on kit to istruzione_app using (${mine}) with check (${mine})`)
  await run('create policy owner_all on kit to istruzione_owner using (true) with check (true)')
  await run('grant select, insert, update, delete on kit to istruzione_app')
  // Kits name the crew who changed them: they go when a demo shop goes.
  await run(`create or replace function remove_demo_shop() returns boolean language plpgsql security definer set search_path = public as $$
    declare gone uuid := nullif(current_setting('app.shop_id', true), '')::uuid;
    begin
      if not exists (select from shop where id = gone and is_demo) then return false; end if;
      perform set_config('app.clearing_demo', gone::text, true);
      delete from job_event where shop_id = gone;
      delete from job where shop_id = gone;
      delete from kit where shop_id = gone;
      delete from vehicle where shop_id = gone;
      delete from draft where shop_id = gone;
      delete from revision where shop_id = gone;
      delete from procedure where shop_id = gone;
      delete from acting where shop_id = gone;
      delete from auth."user" where id in (select user_id from crew where shop_id = gone);
      delete from crew where shop_id = gone;
      delete from shop where id = gone;
      insert into installation_note (name) values ('demo removed') on conflict do nothing;
      perform set_config('app.clearing_demo', '', true);
      return true;
    end $$`)
}
