import type { Knex } from 'knex';

/** What money the shop counts in, and what it pays for its sanitiser and its water; prices where it told them. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
alter table shop add column currency text not null default 'EUR' check (currency ~ '^[A-Z]{3}$');
alter table sanitiser add column price_per_l numeric(8,2) check (price_per_l between 0 and 10000);
alter table sanitiser add column water_per_m3 numeric(8,2) check (water_per_m3 between 0 and 10000);
grant update (currency) on shop to hush_pail_app;
`);
}
