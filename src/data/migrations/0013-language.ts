import type { Knex } from 'knex';

/** Everybody reads the shop in a language of their own; those who have not said which read English. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`alter table person add column language text not null default 'en'
    constraint person_language check (language ~ '^[a-z]{2}$');
    grant update (language) on person to hush_pail_app;`);
}
