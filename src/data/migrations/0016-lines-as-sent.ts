import type { Knex } from 'knex';

/**
 * A lot keeps its line as the supplier sent it: the supplier's own number, how it was sold, what was remarked.
 * What was booked wrongly can be put right, and what was learnt of a supplier's notes forgotten.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table lot
      add supplier_line text check (length(supplier_line) between 1 and 20),
      add bunches int check (bunches > 0),
      add stems_per_bunch int check (stems_per_bunch > 0),
      add remark text check (length(remark) between 1 and 300);
    create trigger delivery_change after update on delivery for each row execute function log_change();
    grant update (supplier, delivery_ref) on delivery to hush_pail_app;
    grant delete on supplier_columns, supplier_word to hush_pail_app;`);
}
