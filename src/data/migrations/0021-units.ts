import type { Knex } from 'knex';

/**
 * Measures are told in the shop's units; whoever reads others says so for themselves. They are kept in
 * metric ones. Its cards are written in its language.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table shop add column units text not null default 'metric'
      constraint shop_units check (units in ('metric','us'));
    alter table shop add column language text not null default 'en'
      constraint shop_language check (language ~ '^[a-z]{2}$');
    alter table person add column units text
      constraint person_units check (units in ('metric','us'));
    grant update (units, language) on shop to hush_pail_app;
    grant update (units) on person to hush_pail_app;`);
}
