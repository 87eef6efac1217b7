import type { Knex } from 'knex';
import { RULES } from './0007-rules';
import { layStaysFromHistory } from './0007-stays-from-history';

const OWN_SHOP = `nullif(current_setting('app.shop_id', true), '')::uuid`;
const SHOP_TABLES = ['action', 'action_change', 'portion', 'stay', 'card_withdrawal'] as const;
const APPEND_ONLY = ['action', 'action_change', 'card_withdrawal'] as const;

/** Every action as it was done, once for its key, and the rows it changed as they were and became. */
const ACTIONS = `
create table action (
  seq bigint generated always as identity primary key,
  shop_id uuid not null references shop,
  key uuid not null,
  name text not null check (length(name) between 3 and 60),
  person_id uuid not null,
  body_hash text not null,
  input jsonb,
  result jsonb not null default 'null',
  at timestamptz not null,
  logged_at timestamptz not null,
  takes_back uuid,
  constraint action_once unique (shop_id, key),
  constraint action_taken_back_once unique (shop_id, takes_back),
  foreign key (shop_id, person_id) references person (shop_id, id)
);
create index action_of_person on action (shop_id, person_id, seq desc);
create table action_change (
  seq bigint generated always as identity primary key,
  shop_id uuid not null references shop,
  action_key uuid not null,
  tab text not null,
  row_id uuid not null,
  before jsonb,
  after jsonb not null
);
create index action_change_of on action_change (shop_id, action_key, seq);
alter table record_entry drop constraint record_entry_action_key;
create index record_entry_action on record_entry (shop_id, action_key);
alter table record_entry
  add column logged_at timestamptz,
  add column hands_id uuid,
  add column part_id uuid,
  add column detail_v int not null default 1 check (detail_v between 1 and 99),
  add foreign key (shop_id, hands_id) references person (shop_id, id);
create table card_withdrawal (
  seq bigint generated always as identity primary key,
  shop_id uuid not null references shop,
  card_id uuid not null,
  withdrawn boolean not null,
  at timestamptz not null,
  by_id uuid not null,
  foreign key (shop_id, by_id) references person (shop_id, id)
);
alter table care_card add unique (shop_id, id);
alter table card_withdrawal add foreign key (shop_id, card_id) references care_card (shop_id, id);
create index card_withdrawal_latest on card_withdrawal (shop_id, card_id, seq desc);
`;

/** A lot's stems stand in portions; each has its own water, its own steps, its own line of stays. */
const PORTIONS = `
create table portion (
  id uuid primary key,
  shop_id uuid not null references shop,
  lot_id uuid not null,
  no int not null check (no > 0),
  stems int not null,
  plan_no int not null default 1,
  droop text check (droop in ('firm','soft','hanging')),
  sap_open boolean not null default false,
  purpose text not null default 'usual'
    check (purpose in ('usual','sell soon','hold','force','event','dry')),
  event_on date,
  constraint portion_stems_left check (stems >= 0),
  constraint portion_event_has_a_day check ((purpose = 'event') = (event_on is not null)),
  constraint portion_of_shop unique (shop_id, id),
  constraint portion_number unique (lot_id, no) deferrable initially deferred,
  foreign key (shop_id, lot_id) references lot (shop_id, id)
);
create index portion_with_stems on portion (shop_id, lot_id) where stems > 0;
insert into portion (id, shop_id, lot_id, no, stems, plan_no, sap_open, purpose, event_on)
  select id, shop_id, id, 1, stems_left, plan_no, sap_open, purpose, event_on from lot;
drop trigger protocol_step_sap on protocol_step;
drop trigger lot_sap_apart on lot;
alter table protocol_step add column portion_id uuid;
update protocol_step set portion_id = lot_id;
alter table protocol_step
  alter column portion_id set not null,
  drop constraint protocol_step_lot_id_plan_no_position_key,
  add foreign key (shop_id, portion_id) references portion (shop_id, id),
  add constraint protocol_step_place unique (portion_id, plan_no, position),
  drop column lot_id;
alter table arrangement_line add column portion_id uuid;
update arrangement_line set portion_id = lot_id;
alter table arrangement_line
  alter column portion_id set not null,
  drop constraint arrangement_line_pkey,
  add primary key (arrangement_id, portion_id),
  add foreign key (shop_id, portion_id) references portion (shop_id, id);
`;

/** Lines of time: without a gap, without an overlap, one open end, and never in water that was tipped out. */
const STAYS = `
create extension if not exists btree_gist;
alter table pail_fill
  add column is_open boolean generated always as (emptied_at is null) stored,
  add constraint pail_fill_openness unique (id, is_open);
create table stay (
  id uuid primary key,
  shop_id uuid not null references shop,
  portion_id uuid,
  pail_id uuid,
  arrangement_id uuid,
  subject_id uuid generated always as (coalesce(portion_id, pail_id, arrangement_id)) stored,
  room_id uuid not null,
  temp_c numeric(4,1) not null check (temp_c between -10 and 45),
  humidity_pct int not null check (humidity_pct between 1 and 100),
  lit_hours int not null check (lit_hours between 0 and 24),
  ethylene_ppm numeric(6,3) not null default 0 check (ethylene_ppm >= 0),
  wet boolean not null,
  fill_id uuid,
  from_at timestamptz not null,
  to_at timestamptz,
  follows timestamptz,
  in_open_water boolean generated always as (case when to_at is null and fill_id is not null then true end) stored,
  check (num_nonnulls(portion_id, pail_id, arrangement_id) = 1),
  check (fill_id is null or (wet and portion_id is not null)),
  check (to_at > from_at),
  check (follows = from_at),
  foreign key (shop_id, portion_id) references portion (shop_id, id),
  foreign key (shop_id, pail_id) references pail (shop_id, id),
  foreign key (shop_id, arrangement_id) references arrangement (shop_id, id),
  foreign key (shop_id, room_id) references room (shop_id, id),
  foreign key (shop_id, fill_id) references pail_fill (shop_id, id),
  constraint stay_in_open_water foreign key (fill_id, in_open_water)
    references pail_fill (id, is_open) deferrable initially deferred,
  constraint stay_ends unique (subject_id, to_at) deferrable initially immediate,
  constraint stay_without_overlap exclude using gist
    (subject_id with =, tstzrange(from_at, to_at) with &&) deferrable initially deferred
);
create unique index stay_open_once on stay (subject_id) where to_at is null;
create index stay_of_subject on stay (subject_id, from_at);
create index stay_in_fill on stay (fill_id) where fill_id is not null;
`;

/** Rows whose changes are kept with their action; of those in the second list what is put in as well. */
const CHANGES_KEPT = [
  'lot',
  'portion',
  'stay',
  'protocol_step',
  'pail',
  'pail_fill',
  'arrangement',
  'claim',
  'kept_line',
  'expected_delivery',
  'lot_photo',
] as const;
const INSERTS_KEPT = [
  'portion',
  'stay',
  'pail_fill',
  'arrangement',
  'claim',
  'lot',
  'lot_photo',
  'expected_delivery',
] as const;

/** One contract for actions, and where stems, pails and arrangements were at what time. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(ACTIONS);
  await knex.raw(PORTIONS);
  await knex.raw(STAYS);
  await layStaysFromHistory(knex);
  // What waits to be checked is checked now: a table with checks due cannot be altered.
  await knex.raw('set constraints all immediate; set constraints all deferred');
  await knex.raw(RULES);
  for (const table of CHANGES_KEPT) {
    const on = (INSERTS_KEPT as readonly string[]).includes(table) ? 'insert or update' : 'update';
    await knex.raw(
      `create trigger ${table}_change after ${on} on ${table} for each row execute function log_change();`,
    );
  }
  await knex.raw(
    `alter table lot drop column plan_no, drop column fill_id, drop column room_id, drop column sap_open,
       drop column purpose, drop column event_on;`,
  );
  for (const table of SHOP_TABLES)
    await knex.raw(`alter table ${table} enable row level security; alter table ${table} force row level security;
      create policy own_shop on ${table} using (shop_id = ${OWN_SHOP}) with check (shop_id = ${OWN_SHOP});
      grant select, insert on ${table} to hush_pail_app;`);
  for (const table of APPEND_ONLY)
    await knex.raw(
      `create trigger ${table}_stands before update or delete or truncate on ${table} for each statement execute function refuse_rewriting();`,
    );
  // What was filled at once is looked up the long way until its figures are known.
  await knex.raw('set constraints all immediate; analyze portion; analyze stay; analyze protocol_step');
  // A stay that a correction takes back never was; what was done and corrected stands in the record.
  await knex.raw('grant update on portion to hush_pail_app; grant update, delete on stay to hush_pail_app;');
}
