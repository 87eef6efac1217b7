import type { Knex } from 'knex';

/** What water cost is asked of what came lately, and a pail tells of its waters: neither reads a shop's whole history. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
create index lot_by_arrival on lot (shop_id, arrived_at desc);
create index pail_fill_of_pail on pail_fill (pail_id, filled_at desc);
create index arrangement_line_of_portion on arrangement_line (portion_id);
`);
}
