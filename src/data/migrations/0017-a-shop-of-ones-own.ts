import type { Knex } from 'knex';

/**
 * The application opens shops: it writes a shop down with its people, rooms and pails. Row-level security
 * holds as everywhere: only rows of the shop the transaction is in.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw('grant insert on shop, person, room, pail to hush_pail_app');
}
