import type { Knex } from 'knex';

/** Whom the shop calls when somebody is hurt: a manager writes it, and it stands beside every caution. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
alter table shop add column emergency text not null default '' check (length(emergency) <= 120);
grant update (emergency) on shop to hush_pail_app;
`);
}
