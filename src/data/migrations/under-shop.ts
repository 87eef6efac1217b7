import type { Knex } from 'knex';

const OWN_SHOP = `nullif(current_setting('app.shop_id', true), '')::uuid`;

/**
 * Puts new tables under row-level security by shop: the application reads and adds rows of the shop its
 * transaction is in, and no others. What more it may do is granted by each migration.
 */
export async function underShop(knex: Knex, tables: readonly string[]): Promise<void> {
  for (const table of tables)
    await knex.raw(`alter table ${table} enable row level security; alter table ${table} force row level security;
      create policy own_shop on ${table} using (shop_id = ${OWN_SHOP}) with check (shop_id = ${OWN_SHOP});
      grant select, insert on ${table} to hush_pail_app;`);
}
