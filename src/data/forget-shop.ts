import type { Knex } from 'knex';

/**
 * Takes everything of one shop out of the database, and nothing of another: for a demo that begins afresh.
 * Only the cluster's owner may: the record's own rules, which let nobody delete, are off while it lasts.
 * @returns how many rows went
 */
export function forgetShop(owner: Knex, shopId: string): Promise<number> {
  return owner.transaction(async (trx) => {
    await trx.raw(`set local session_replication_role = replica`);
    const { rows: tables } = await trx.raw<{ rows: { name: string }[] }>(
      `select c.table_name as name from information_schema.columns c
         join information_schema.tables t using (table_schema, table_name)
        where c.table_schema = 'public' and c.column_name = 'shop_id' and t.table_type = 'BASE TABLE'
        order by 1`,
    );
    let gone = 0;
    for (const { name } of tables) gone += await trx(name).where({ shop_id: shopId }).delete();
    return gone + (await trx('shop').where({ id: shopId }).delete());
  });
}
