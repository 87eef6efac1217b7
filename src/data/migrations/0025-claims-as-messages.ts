import type { Knex } from 'knex';

/**
 * What a claim says is a message, put into its reader's language as entries of the record are; one that was
 * opened before stands as it was written.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
alter table claim add column message jsonb;
alter table claim alter column words drop not null;
alter table claim add constraint claim_says_something
  check (message is not null or words is not null);
alter table claim add constraint claim_message_is_one
  check (message is null or jsonb_typeof(message -> 'message') = 'string');
`);
}
