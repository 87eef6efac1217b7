import type { Knex } from 'knex';

/** What the shop doses its sanitiser with, where it weighed that once: a cap, a squeeze, a stroke. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
alter table sanitiser add column cup_name text check (length(cup_name) between 1 and 20);
alter table sanitiser add column cup_ml numeric(5,1) check (cup_ml between 0.5 and 500);
alter table sanitiser add constraint cup_is_whole check ((cup_name is null) = (cup_ml is null));
`);
}
