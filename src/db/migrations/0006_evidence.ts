import { sql, type Kysely } from 'kysely'

/**
 * Who entered a fact at the desk, and where they had it from: append-only, and outside the revisions, which never
 * change.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  const run = (text: string) => sql.raw(text).execute(db)
  await run(`create table evidence (
    id uuid primary key, shop_id uuid not null, procedure_id uuid not null, item_id text not null, fields text[] not null,
    source text not null check (source in ('not said', 'own work', 'printed', 'hearsay')), words text not null default '',
    person_id uuid not null, made_at timestamptz not null default now(),
    foreign key (shop_id, procedure_id) references procedure (shop_id, id), foreign key (shop_id, person_id) references crew (shop_id, id))`)
  await run('create index evidence_of_procedure on evidence (shop_id, procedure_id, made_at)')
  const mine = `shop_id = nullif(current_setting('app.shop_id', true), '')::uuid`
  await run('alter table evidence enable row level security')
  await run('alter table evidence force row level security')
  await run(`create policy own_shop on evidence to istruzione_app using (${mine}) with check (${mine})`)
  await run('create policy owner_all on evidence to istruzione_owner using (true) with check (true)')
  await run('grant select, insert on evidence to istruzione_app')
  await run('create trigger keep before update or delete on evidence for each row execute function refuse_change()')
  await run('create trigger keep_all before truncate on evidence for each statement execute function refuse_change()')
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
      delete from evidence where shop_id = gone;
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
