import type { Knex } from 'knex';

const TABLES = `
create table expected_delivery (
  id uuid primary key,
  shop_id uuid not null references shop,
  supplier text not null check (length(supplier) between 1 and 120),
  order_ref text not null check (length(order_ref) between 1 and 60),
  due_on date not null,
  state text not null default 'expected' check (state in ('expected','arrived','called-off')),
  delivery_id uuid,
  placed_at timestamptz not null,
  placed_by uuid not null,
  unique (shop_id, id),
  unique (shop_id, supplier, order_ref),
  foreign key (shop_id, delivery_id) references delivery (shop_id, id),
  foreign key (shop_id, placed_by) references person (shop_id, id),
  check ((state = 'arrived') = (delivery_id is not null))
);
create index expected_delivery_open on expected_delivery (shop_id, due_on) where state = 'expected';
create table expected_line (
  shop_id uuid not null references shop,
  expected_id uuid not null,
  line int not null check (line > 0),
  species_key text not null,
  variety text,
  length_cm numeric(5,1),
  stems int not null check (stems > 0),
  primary key (expected_id, line),
  foreign key (shop_id, expected_id) references expected_delivery (shop_id, id)
);
create table kept_line (
  id uuid primary key,
  shop_id uuid not null references shop,
  delivery_id uuid not null,
  line int not null check (line > 0),
  fate text not null check (fate in ('waiting','refused','booked')),
  reason text not null default '' check (length(reason) <= 300),
  product text not null check (length(product) <= 300),
  said jsonb not null,
  lot_id uuid,
  unique (shop_id, id),
  unique (delivery_id, line),
  foreign key (shop_id, delivery_id) references delivery (shop_id, id),
  foreign key (shop_id, delivery_id, lot_id) references lot (shop_id, delivery_id, id),
  check ((fate = 'booked') = (lot_id is not null))
);
create index kept_line_waiting on kept_line (shop_id, delivery_id) where fate = 'waiting';
create table supplier_columns (
  shop_id uuid not null references shop,
  supplier text not null check (length(supplier) between 1 and 120),
  shape text not null check (length(shape) between 1 and 400),
  saved jsonb not null,
  chosen_at timestamptz not null,
  primary key (shop_id, supplier, shape)
);
create table bunch_weighing (
  id uuid primary key,
  shop_id uuid not null references shop,
  lot_id uuid not null,
  species_key text not null,
  length_cm numeric(5,1),
  stems int not null check (stems between 1 and 10000),
  grams numeric(9,1) not null check (grams > 0),
  weighed_at timestamptz not null,
  weighed_by uuid not null,
  corrects uuid unique,
  unique (shop_id, id),
  foreign key (shop_id, corrects) references bunch_weighing (shop_id, id),
  foreign key (shop_id, lot_id) references lot (shop_id, id),
  foreign key (shop_id, weighed_by) references person (shop_id, id)
);
create table lot_temperature (
  id uuid primary key,
  seq bigint generated always as identity,
  shop_id uuid not null references shop,
  lot_id uuid not null,
  place text not null check (place in ('box','water')),
  temp_c numeric(4,1) check (temp_c between -20 and 60),
  taken_at timestamptz not null,
  taken_by uuid not null,
  foreign key (shop_id, lot_id) references lot (shop_id, id),
  foreign key (shop_id, taken_by) references person (shop_id, id)
);
create index lot_temperature_latest on lot_temperature (shop_id, lot_id, place, seq desc);
create table lot_photo (
  id uuid primary key,
  shop_id uuid not null references shop,
  lot_id uuid not null,
  jpeg bytea not null check (octet_length(jpeg) between 100 and 400000),
  width_px int not null check (width_px between 1 and 4000),
  height_px int not null check (height_px between 1 and 4000),
  taken_at timestamptz not null,
  taken_by uuid not null,
  withdrawn_at timestamptz,
  unique (shop_id, id),
  foreign key (shop_id, lot_id) references lot (shop_id, id),
  foreign key (shop_id, taken_by) references person (shop_id, id)
);
create index lot_photo_of_lot on lot_photo (shop_id, lot_id, taken_at) where withdrawn_at is null;
alter table lot
  add column stems_short int not null default 0,
  add column decision text check (decision in ('accepted','use first','reduced price','refused')),
  add column for_day date,
  add column merged_into uuid,
  add column in_hand_by uuid,
  add column in_hand_at timestamptz,
  add foreign key (shop_id, merged_into) references lot (shop_id, id),
  add foreign key (shop_id, in_hand_by) references person (shop_id, id),
  add constraint lot_merged_is_empty check (merged_into is null or stems_left = 0);
alter table delivery add column taken_back_at timestamptz;
alter table delivery drop constraint delivery_once;
create unique index delivery_once on delivery (shop_id, supplier, delivery_ref) where taken_back_at is null;
create index lot_by_delivery on lot (delivery_id);
create index delivery_by_supplier on delivery (shop_id, supplier, booked_at desc);
`;
const OF_A_SHOP = [
  'expected_delivery',
  'expected_line',
  'kept_line',
  'supplier_columns',
  'bunch_weighing',
  'lot_temperature',
  'lot_photo',
];
/** What was measured stands; another row corrects it. */
const APPEND_ONLY = ['bunch_weighing', 'lot_temperature'];

/**
 * A whole delivery: what was ordered, what of its note waits or was refused, how its columns are
 * read, what was weighed, taken and photographed, and what was decided of each lot.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(TABLES);
  const own = `nullif(current_setting('app.shop_id', true), '')::uuid`;
  for (const table of OF_A_SHOP)
    await knex.raw(`alter table ${table} enable row level security; alter table ${table} force row level security;
      create policy own_shop on ${table} using (shop_id = ${own}) with check (shop_id = ${own});
      grant select, insert on ${table} to hush_pail_app;`);
  for (const table of APPEND_ONLY)
    await knex.raw(`create trigger ${table}_stands before update or delete or truncate on ${table}
      for each statement execute function refuse_rewriting();`);
  await knex.raw(`grant update (state, delivery_id) on expected_delivery to hush_pail_app;
    grant update (fate, reason, lot_id) on kept_line to hush_pail_app;
    grant update (saved, chosen_at) on supplier_columns to hush_pail_app;
    grant update (withdrawn_at) on lot_photo to hush_pail_app;
    grant update (taken_back_at) on delivery to hush_pail_app;`);
}
