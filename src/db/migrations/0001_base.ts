import { sql, type Kysely } from 'kysely'

/**
 * Shops, crew, procedures with revisions and drafts, vehicles, jobs and their events; row-level security on all of
 * them.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  const run = (text: string) => sql.raw(text).execute(db)
  await run(`create table shop (
    id uuid primary key, name text not null check (length(name) between 1 and 80), is_demo boolean not null default false,
    house jsonb not null, created_at timestamptz not null default now())`)
  await run(`create table crew (
    id uuid primary key, shop_id uuid not null references shop, name text not null check (length(name) between 1 and 60),
    role text not null check (role in ('installer', 'lead', 'owner')), pin_hash text not null, user_id text unique,
    active boolean not null default true, pin_failures integer not null default 0, pin_locked_until timestamptz,
    created_at timestamptz not null default now(), unique (shop_id, id), unique (shop_id, name))`)
  await run(`create table acting (
    session_id text not null, shop_id uuid not null, crew_id uuid not null, since timestamptz not null default now(), current boolean not null,
    primary key (session_id, crew_id), foreign key (shop_id, crew_id) references crew (shop_id, id) on delete cascade)`)
  await run(`create table procedure (
    id uuid primary key, shop_id uuid not null references shop, name text not null check (length(name) between 1 and 80),
    created_at timestamptz not null default now(), unique (shop_id, id))`)
  await run(`create table revision (
    id uuid primary key, shop_id uuid not null, procedure_id uuid not null, number integer not null check (number > 0), document jsonb not null,
    published_by uuid not null, published_at timestamptz not null default now(), note text not null default '',
    unique (procedure_id, number), unique (shop_id, id),
    foreign key (shop_id, procedure_id) references procedure (shop_id, id), foreign key (shop_id, published_by) references crew (shop_id, id))`)
  await run(`create table draft (
    procedure_id uuid primary key, shop_id uuid not null, document jsonb not null, version integer not null default 1,
    changed_by uuid not null, changed_at timestamptz not null default now(),
    foreign key (shop_id, procedure_id) references procedure (shop_id, id), foreign key (shop_id, changed_by) references crew (shop_id, id))`)
  await run(`create table vehicle (
    id uuid primary key, shop_id uuid not null references shop, label text not null check (length(label) between 1 and 40), plate text not null default '',
    customer text not null default '', procedure_id uuid, build jsonb not null default '{}', created_at timestamptz not null default now(),
    unique (shop_id, id), unique (shop_id, label), foreign key (shop_id, procedure_id) references procedure (shop_id, id))`)
  await run(`create table job (
    id uuid primary key, shop_id uuid not null, vehicle_id uuid not null, procedure_id uuid not null, revision_id uuid, draft_document jsonb,
    title text not null check (length(title) between 1 and 120), bay text not null default '', promised_at timestamptz, request jsonb not null,
    created_by uuid not null, created_at timestamptz not null default now(), handed_over_at timestamptz,
    unique (shop_id, id), check (revision_id is not null or draft_document is not null),
    foreign key (shop_id, vehicle_id) references vehicle (shop_id, id), foreign key (shop_id, procedure_id) references procedure (shop_id, id),
    foreign key (shop_id, revision_id) references revision (shop_id, id), foreign key (shop_id, created_by) references crew (shop_id, id))`)
  await run(`create table job_event (
    id uuid not null, shop_id uuid not null, job_id uuid not null, person_id uuid not null, at text not null, body jsonb not null,
    received_seq bigint generated always as identity, received_at timestamptz not null default now(),
    primary key (shop_id, id), foreign key (shop_id, job_id) references job (shop_id, id), foreign key (shop_id, person_id) references crew (shop_id, id))`)
  await run('create table installation_note (name text primary key, at timestamptz not null default now())')
  await run('create index job_event_of_job on job_event (shop_id, job_id, received_seq)')
  await run('create index job_of_vehicle on job (shop_id, vehicle_id)')
  await keepShopsApart(run)
  await keepHistory(run)
  await helpers(run)
}

async function keepShopsApart(run: (text: string) => Promise<unknown>): Promise<void> {
  for (const table of ['shop', 'crew', 'acting', 'procedure', 'revision', 'draft', 'vehicle', 'job', 'job_event']) {
    const column = table === 'shop' ? 'id' : 'shop_id'
    // A pooled connection reads '' once the setting has been used: both mean "no shop", which sees nothing.
    const mine = `${column} = nullif(current_setting('app.shop_id', true), '')::uuid`
    await run(`alter table ${table} enable row level security`)
    await run(`alter table ${table} force row level security`)
    await run(`create policy own_shop on ${table} to istruzione_app using (${mine}) with check (${mine})`)
    await run(`create policy owner_all on ${table} to istruzione_owner using (true) with check (true)`)
  }
  await run('grant select, insert, update on shop, crew, acting, procedure, draft, vehicle, job to istruzione_app')
  await run('grant delete on draft, acting to istruzione_app')
  await run('grant select, insert on revision, job_event to istruzione_app')
  await run('revoke update on shop from istruzione_app')
  await run('grant update (name, house) on shop to istruzione_app')
}

/**
 * What was published or happened is never changed: not by the application, not by the owner. Only a demo shop can be
 * cleared away whole.
 */
async function keepHistory(run: (text: string) => Promise<unknown>): Promise<void> {
  await run(`create function refuse_change() returns trigger language plpgsql as $$
    begin
      if tg_op = 'DELETE' and current_user = 'istruzione_owner' and current_setting('app.clearing_demo', true) = old.shop_id::text
         and exists (select from shop where id = old.shop_id and is_demo) then return old; end if;
      raise exception '% rows are kept as they are: % is refused', tg_table_name, lower(tg_op) using errcode = 'insufficient_privilege';
    end $$`)
  for (const table of ['job_event', 'revision']) {
    await run(`create trigger keep before update or delete on ${table} for each row execute function refuse_change()`)
    await run(`create trigger keep_all before truncate on ${table} for each statement execute function refuse_change()`)
  }
}

async function helpers(run: (text: string) => Promise<unknown>): Promise<void> {
  // Before a shop is known, the signed-in user's own crew row is the one thing that may be looked up across shops.
  await run(`create function crew_of_user(wanted text) returns table (shop_id uuid, crew_id uuid) language sql stable security definer
    set search_path = public as $$ select shop_id, id from crew where user_id = wanted and active $$`)
  await run(`create function demo_crew(wanted_role text) returns table (shop_id uuid, crew_id uuid, user_id text) language sql stable security definer
    set search_path = public as $$ select c.shop_id, c.id, c.user_id from crew c join shop s on s.id = c.shop_id
    where s.is_demo and c.active and c.role = wanted_role and c.user_id is not null order by c.name limit 1 $$`)
  await run(`create function remove_demo_shop() returns boolean language plpgsql security definer set search_path = public as $$
    declare gone uuid := nullif(current_setting('app.shop_id', true), '')::uuid;
    begin
      if not exists (select from shop where id = gone and is_demo) then return false; end if;
      perform set_config('app.clearing_demo', gone::text, true);
      delete from job_event where shop_id = gone;
      delete from job where shop_id = gone;
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
  for (const name of ['crew_of_user(text)', 'demo_crew(text)', 'remove_demo_shop()']) {
    await run(`revoke all on function ${name} from public`)
    await run(`grant execute on function ${name} to istruzione_app`)
  }
}
