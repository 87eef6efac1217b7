import type { Knex } from 'knex';

/** What readings of water are held against, and what form and colour pails have. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
alter table pail add column form text not null default 'tapered' check (form in ('tapered', 'straight'));
alter table pail add column colour text
  check (colour in ('black', 'white', 'grey', 'green', 'blue', 'red', 'yellow'));
alter table food add column step_us numeric(6,1) check (step_us between 10 and 10000);
alter table shop add column tap_ph numeric(4,2) check (tap_ph between 4 and 11);
alter table shop add column tap_us numeric(6,1) check (tap_us between 0 and 5000);
alter table shop add constraint shop_tap_is_whole check ((tap_ph is null) = (tap_us is null));
grant update (tap_ph, tap_us) on shop to hush_pail_app;
`);
}
