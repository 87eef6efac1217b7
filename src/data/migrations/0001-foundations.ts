import type { Knex } from 'knex';

/** Tables in an order that foreign keys allow; all are under row-level security by shop. */
const SHOP_TABLES = [
  'person',
  'room',
  'pail',
  'pail_fill',
  'delivery',
  'lot',
  'protocol_step',
  'record_entry',
  'forecast',
  'arrangement',
  'arrangement_line',
  'care_card',
] as const;
/** Tables whose rows stand as they were written. */
const APPEND_ONLY = ['record_entry', 'forecast', 'care_card'] as const;

const TABLES = `
create table shop (
  id uuid primary key,
  slug text not null unique check (slug ~ '^[a-z0-9-]{2,40}$'),
  name text not null check (length(name) between 1 and 80),
  time_zone text not null,
  demo boolean not null default false,
  promise_confidence numeric(4,3) not null default 0.9 check (promise_confidence between 0.5 and 0.999),
  created_at timestamptz not null
);
create table person (
  id uuid primary key,
  shop_id uuid not null references shop,
  name text not null check (length(name) between 1 and 60),
  role text not null check (role in ('manager','hand')),
  login text check (login = lower(login)),
  secret_hash text not null,
  active boolean not null default true,
  failed_attempts int not null default 0 check (failed_attempts >= 0),
  locked_until timestamptz,
  session_epoch int not null default 1,
  unique (shop_id, id),
  unique (shop_id, name),
  check ((role = 'manager') = (login is not null))
);
create unique index person_login on person (shop_id, login) where login is not null;
create table room (
  id uuid primary key,
  shop_id uuid not null references shop,
  name text not null,
  temp_c numeric(4,1) not null check (temp_c between -10 and 45),
  humidity_pct int not null check (humidity_pct between 1 and 100),
  lit_hours int not null check (lit_hours between 0 and 24),
  kind text not null check (kind in ('bench','cold','warm','floor')),
  unique (shop_id, id),
  unique (shop_id, name)
);
create table pail (
  id uuid primary key,
  shop_id uuid not null references shop,
  name text not null check (length(name) between 1 and 20),
  size_l numeric(5,1) not null check (size_l > 0 and size_l <= 100),
  height_cm int not null check (height_cm > 0),
  state text not null check (state in ('dirty','scrubbed','contact','sanitised','filled')),
  sanitised_at timestamptz,
  contact_until timestamptz,
  version int not null default 1,
  unique (shop_id, id),
  unique (shop_id, name),
  check (state <> 'sanitised' or sanitised_at is not null),
  check ((state = 'contact') = (contact_until is not null))
);
create table pail_fill (
  id uuid primary key,
  shop_id uuid not null references shop,
  pail_id uuid not null,
  filled_at timestamptz not null,
  litres numeric(5,2) not null check (litres > 0),
  solution text not null,
  temp_c numeric(4,1) not null check (temp_c between 0 and 60),
  depth text not null check (depth in ('shallow','third','normal','deep')),
  start text not null check (start in ('clean','rinsed','reused')),
  alone boolean not null default false,
  override_reason text check (length(trim(override_reason)) > 0),
  emptied_at timestamptz check (emptied_at >= filled_at),
  foreign key (shop_id, pail_id) references pail (shop_id, id),
  unique (shop_id, id)
);
create unique index pail_fill_one_open on pail_fill (pail_id) where emptied_at is null;
create table delivery (
  id uuid primary key,
  shop_id uuid not null references shop,
  supplier text not null check (length(supplier) between 1 and 120),
  delivery_ref text not null check (length(delivery_ref) between 1 and 60),
  booked_at timestamptz not null,
  booked_by uuid not null,
  foreign key (shop_id, booked_by) references person (shop_id, id),
  unique (shop_id, id),
  constraint delivery_once unique (shop_id, supplier, delivery_ref)
);
create table lot (
  id uuid primary key,
  shop_id uuid not null references shop,
  number int not null check (number > 0),
  delivery_id uuid not null,
  line int not null,
  species_key text not null,
  variety text,
  colour text,
  length_cm numeric(5,1),
  heads_min int,
  stems_booked int not null check (stems_booked > 0),
  stems_left int not null,
  cut_date date not null,
  origin text,
  packing text not null default '',
  unit_price numeric(8,2) check (unit_price >= 0),
  currency text,
  arrived_at timestamptz not null,
  aged_days numeric(7,3) not null check (aged_days >= 0),
  air_share numeric(5,4) not null default 0 check (air_share between 0 and 1),
  stage numeric(3,2) not null check (stage between 0 and 1.5),
  droop text not null check (droop in ('firm','soft','hanging')),
  looked_at timestamptz,
  plan_no int not null default 1,
  fill_id uuid,
  room_id uuid not null,
  version int not null default 1,
  constraint lot_stems_left check (stems_left between 0 and stems_booked),
  foreign key (shop_id, delivery_id) references delivery (shop_id, id),
  foreign key (shop_id, fill_id) references pail_fill (shop_id, id),
  foreign key (shop_id, room_id) references room (shop_id, id),
  unique (shop_id, id),
  unique (shop_id, number)
);
create index lot_with_stems on lot (shop_id, number) where stems_left > 0;
create index lot_by_fill on lot (fill_id) where fill_id is not null;
create table protocol_step (
  id uuid primary key,
  shop_id uuid not null references shop,
  lot_id uuid not null,
  plan_no int not null,
  position int not null,
  kind text not null,
  step jsonb not null,
  status text not null default 'waiting' check (status in ('waiting','running','done','skipped')),
  started_at timestamptz,
  due_at timestamptz,
  ended_at timestamptz,
  version int not null default 1,
  foreign key (shop_id, lot_id) references lot (shop_id, id),
  unique (shop_id, id),
  unique (lot_id, plan_no, position),
  check (status <> 'running' or (started_at is not null and due_at is not null)),
  check ((status in ('done','skipped')) = (ended_at is not null))
);
create index protocol_step_open on protocol_step (shop_id, status) where status in ('waiting','running');
create table record_entry (
  id bigint generated always as identity primary key,
  shop_id uuid not null references shop,
  action_key uuid not null,
  at timestamptz not null,
  person_id uuid not null,
  kind text not null,
  subject_kind text not null,
  subject_id uuid not null,
  words text not null,
  detail jsonb not null default '{}',
  corrects bigint,
  constraint record_entry_action_key unique (shop_id, action_key),
  constraint record_entry_corrected_once unique (shop_id, corrects),
  unique (shop_id, id),
  foreign key (shop_id, person_id) references person (shop_id, id),
  foreign key (shop_id, corrects) references record_entry (shop_id, id)
);
create index record_entry_subject on record_entry (shop_id, subject_id, id desc);
create table forecast (
  id uuid primary key,
  shop_id uuid not null references shop,
  issued_at timestamptz not null,
  model_version text not null,
  input jsonb not null,
  result jsonb not null,
  unique (shop_id, id)
);
create table arrangement (
  id uuid primary key,
  shop_id uuid not null references shop,
  name text not null check (length(name) between 1 and 80),
  vessel_kind text not null check (vessel_kind in ('vase','foam')),
  litres numeric(5,2) not null check (litres > 0),
  solution text not null,
  made_at timestamptz not null,
  made_by uuid not null,
  forecast_id uuid not null,
  taken_apart_at timestamptz,
  foreign key (shop_id, made_by) references person (shop_id, id),
  foreign key (shop_id, forecast_id) references forecast (shop_id, id),
  unique (shop_id, id)
);
create table arrangement_line (
  shop_id uuid not null references shop,
  arrangement_id uuid not null,
  lot_id uuid not null,
  stems int not null check (stems > 0),
  primary key (arrangement_id, lot_id),
  foreign key (shop_id, arrangement_id) references arrangement (shop_id, id),
  foreign key (shop_id, lot_id) references lot (shop_id, id)
);
create table care_card (
  id uuid primary key,
  shop_id uuid not null references shop,
  arrangement_id uuid not null,
  issued_at timestamptz not null,
  issued_by uuid not null,
  card jsonb not null,
  foreign key (shop_id, arrangement_id) references arrangement (shop_id, id),
  foreign key (shop_id, issued_by) references person (shop_id, id)
);
create index care_card_by_arrangement on care_card (arrangement_id, issued_at);
`;

const RULES = `
create function refuse_rewriting() returns trigger language plpgsql as $$
begin
  raise exception '% is append-only: correct it by another entry', tg_table_name using errcode = 'HP001';
end $$;
create function require_clean_pail() returns trigger language plpgsql as $$
begin
  if new.override_reason is null and not exists
     (select 1 from pail where id = new.pail_id and state = 'sanitised') then
    raise exception 'only a sanitised pail is filled' using errcode = 'HP002';
  end if;
  return new;
end $$;
create trigger pail_fill_clean before insert on pail_fill for each row execute function require_clean_pail();
create function shop_directory() returns table (id uuid, slug text, name text, demo boolean)
  language sql stable security definer set search_path = public, pg_temp as
  $$ select id, slug, name, demo from shop order by created_at $$;
revoke all on function shop_directory() from public;
grant execute on function shop_directory() to hush_pail_app;
`;

const OWN_SHOP = `nullif(current_setting('app.shop_id', true), '')::uuid`;

/** Lays the foundations: tables, rules, row-level security, and what the application may do. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(TABLES);
  await knex.raw(RULES);
  for (const table of ['shop', ...SHOP_TABLES]) {
    const key = table === 'shop' ? 'id' : 'shop_id';
    await knex.raw(`alter table ${table} enable row level security; alter table ${table} force row level security;
      create policy own_shop on ${table} using (${key} = ${OWN_SHOP}) with check (${key} = ${OWN_SHOP});
      grant select, insert on ${table} to hush_pail_app;`);
  }
  for (const table of APPEND_ONLY)
    await knex.raw(
      `create trigger ${table}_stands before update or delete or truncate on ${table} for each statement execute function refuse_rewriting();`,
    );
  await knex.raw(`revoke insert on shop, person, room from hush_pail_app;
    grant update on pail, pail_fill, lot, protocol_step, arrangement to hush_pail_app;
    grant update (failed_attempts, locked_until) on person to hush_pail_app;`);
}
