import type { Knex } from 'knex';
import { underShop } from './under-shop';

const TABLES = `
create table sanitiser (
  shop_id uuid primary key references shop,
  name text not null check (length(name) between 1 and 60),
  percent numeric(5,2) not null check (percent > 0 and percent <= 20),
  made_on date,
  storage_c numeric(4,1) not null check (storage_c between -10 and 50),
  target_ppm int not null check (target_ppm between 20 and 5000),
  contact_min int not null check (contact_min between 1 and 120)
);
create table relay (
  id uuid primary key,
  shop_id uuid not null references shop,
  begun_at timestamptz not null,
  begun_by uuid not null,
  plan jsonb not null,
  ended_at timestamptz check (ended_at >= begun_at),
  foreign key (shop_id, begun_by) references person (shop_id, id),
  unique (shop_id, id)
);
create unique index relay_one_open on relay (shop_id) where ended_at is null;
`;

/** What the shop sanitises with, and the relay that is being run: one at a time, seen from every tablet. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(TABLES);
  await underShop(knex, ['sanitiser', 'relay']);
  await knex.raw(
    `grant update on sanitiser to hush_pail_app; grant update (ended_at) on relay to hush_pail_app;`,
  );
}
