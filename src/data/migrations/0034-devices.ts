import type { Knex } from 'knex';
import { underShop } from './under-shop';

/** What reads by itself, and what it read: each number of a device once. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
create table device (
  id uuid primary key,
  shop_id uuid not null references shop,
  name text not null check (length(name) between 1 and 40),
  kind text not null check (kind in ('doser', 'strip reader')),
  added_by uuid not null,
  added_at timestamptz not null,
  retired_at timestamptz,
  foreign key (shop_id, added_by) references person (shop_id, id),
  unique (shop_id, id)
);
create unique index device_name on device (shop_id, lower(name)) where retired_at is null;
create table device_reading (
  device_id uuid not null,
  seq bigint not null check (seq > 0),
  shop_id uuid not null references shop,
  at timestamptz not null,
  received_at timestamptz not null,
  pail_id uuid,
  reading jsonb not null,
  primary key (device_id, seq),
  foreign key (shop_id, device_id) references device (shop_id, id),
  foreign key (shop_id, pail_id) references pail (shop_id, id)
);
create index device_reading_at on device_reading (device_id, at desc);
create trigger device_reading_stands before delete or update or truncate on device_reading
  for each statement execute function refuse_rewriting();
`);
  await underShop(knex, ['device', 'device_reading']);
  await knex.raw('grant update (retired_at) on device to hush_pail_app');
}
