import type { Knex } from 'knex';

/** Whether what water cost is told by whoever filled the pail: only where a manager allows it. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
alter table shop add column losses_by_person boolean not null default false;
grant update (losses_by_person) on shop to hush_pail_app;
`);
}
