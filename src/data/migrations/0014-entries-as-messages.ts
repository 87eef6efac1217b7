import type { Knex } from 'knex';

/** An entry of the record is a message that each reader has in their language; older ones stay as they were written. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table record_entry add column message jsonb
      constraint record_entry_message check (jsonb_typeof(message -> 'message') = 'string');
    alter table record_entry alter column words drop not null;
    alter table record_entry add constraint record_entry_says check (num_nonnulls(words, message) = 1);`);
}
