import type { Knex } from 'knex';
import { underShop } from './under-shop';

/** Knives, snips, strippers and vases: each is cleaned on a clock of its own. When it was is in the record. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
create table tool (
  id uuid primary key,
  shop_id uuid not null references shop,
  name text not null check (length(name) between 1 and 40),
  kind text not null check (kind in ('knife', 'snips', 'stripper', 'vases')),
  every_hours integer not null check (every_hours between 1 and 720),
  added_at timestamptz not null,
  retired_at timestamptz,
  unique (shop_id, id)
);
create unique index tool_name on tool (shop_id, lower(name)) where retired_at is null;
`);
  await underShop(knex, ['tool']);
  await knex.raw('grant update (retired_at) on tool to hush_pail_app');
}
