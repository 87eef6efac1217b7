import type { Knex } from 'knex';

/**
 * What a shop is to those outside it (address, telephone, hours, on its cards), its rooms as they are
 * now, and pails that come and go: a retired one keeps its history.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table shop
      add column address text not null default '' check (length(address) <= 200),
      add column telephone text not null default '' check (length(telephone) <= 40),
      add column hours text not null default '' check (length(hours) <= 120);
    alter table pail
      add column retired_at timestamptz,
      add constraint pail_retired_empty check (retired_at is null or state not in ('filled','contact'));
    grant update (name, address, telephone, hours, promise_confidence) on shop to hush_pail_app;
    grant update (name, temp_c, humidity_pct, lit_hours) on room to hush_pail_app;`);
}
