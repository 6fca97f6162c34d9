import { sql, type Kysely } from 'kysely'

/**
 * Strips: jobs that have no plan until the vehicle goes back together, and what was photographed or spoken on any job.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  const run = (text: string) => sql.raw(text).execute(db)
  await run(`alter table job add column kind text not null default 'job' check (kind in ('job', 'strip'))`)
  await run('alter table job alter column request drop not null')
  await run(`alter table job add constraint job_has_request check (kind = 'strip' or request is not null)`)
  // Pictures and voices lie in the database, so that one backup holds everything and the shops' walls hold for them
  // too.
  await run(`create table media (
    id uuid not null, shop_id uuid not null, job_id uuid not null, kind text not null check (kind in ('photo', 'voice')), mime text not null,
    bytes bytea not null, thumbnail bytea, width integer, height integer, made_by uuid not null, made_at timestamptz not null default now(),
    primary key (shop_id, id), foreign key (shop_id, job_id) references job (shop_id, id), foreign key (shop_id, made_by) references crew (shop_id, id))`)
  const mine = `shop_id = nullif(current_setting('app.shop_id', true), '')::uuid`
  await run('alter table media enable row level security')
  await run('alter table media force row level security')
  await run(`create policy own_shop on media to istruzione_app using (${mine}) with check (${mine})`)
  await run('create policy owner_all on media to istruzione_owner using (true) with check (true)')
  await run('grant select, insert on media to istruzione_app')
  await run(`create or replace function remove_demo_shop() returns boolean language plpgsql security definer set search_path = public as $$
    declare gone uuid := nullif(current_setting('app.shop_id', true), '')::uuid;
    begin
      if not exists (select from shop where id = gone and is_demo) then return false; end if;
      perform set_config('app.clearing_demo', gone::text, true);
      delete from media where shop_id = gone;
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
