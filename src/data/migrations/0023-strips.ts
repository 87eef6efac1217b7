import type { Knex } from 'knex';
import { underShop } from './under-shop';

const TABLE = `
create table strip_reading (
  id uuid primary key,
  shop_id uuid not null references shop,
  relay_id uuid not null,
  pass int not null check (pass between 0 and 200),
  dirt text not null check (dirt in ('rinsed','scummed','slimy')),
  predicted_ppm numeric(6,1) not null check (predicted_ppm >= 0),
  read_ppm numeric(6,1) not null check (read_ppm between 0 and 2000),
  demand_mg numeric(7,1) not null check (demand_mg >= 0),
  read_at timestamptz not null,
  read_by uuid not null,
  foreign key (shop_id, relay_id) references relay (shop_id, id),
  foreign key (shop_id, read_by) references person (shop_id, id),
  constraint strip_once_a_pass unique (relay_id, pass)
);
create index strip_reading_by_dirt on strip_reading (shop_id, dirt);
`;

/** Strips that were read of a relay's solution: they correct the batch that runs and teach what the shop's pails take up. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(TABLE);
  await underShop(knex, ['strip_reading']);
  await knex.raw('grant update (plan) on relay to hush_pail_app');
}
