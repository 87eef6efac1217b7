// Whether rows that come fit into a database: laid out alike, and hanging on nothing that is not there.
import { quoted } from './export-shop.mjs';

/** @typedef {import('./export-shop.mjs').Table} Table */

/** The first row of an answer. */
export const one = async (
  /** @type {import('pg').Client} */ client,
  /** @type {string} */ sql,
  /** @type {unknown[]} */ values = [],
) => (await client.query(sql, values)).rows[0];

/** What a foreign key or a rule looked at late would have refused: it is asked of the shop's rows at the end. */
export async function refuseWhatHangs(
  /** @type {import('pg').Client} */ client,
  /** @type {string} */ shopId,
) {
  const { rows: keys } = await client.query(
    `select conname as name, contype as kind, conrelid::regclass::text as child, confrelid::regclass::text as parent,
        (select array_agg(a.attname::text order by k.no) from unnest(conkey) with ordinality as k (num, no)
          join pg_attribute a on a.attrelid = conrelid and a.attnum = k.num) as columns,
        (select array_agg(a.attname::text order by k.no) from unnest(confkey) with ordinality as k (num, no)
          join pg_attribute a on a.attrelid = confrelid and a.attnum = k.num) as meant
      from pg_constraint
      where connamespace = 'public'::regnamespace and (contype = 'f' or (contype in ('u', 'p') and condeferrable))`,
  );
  for (const { name, kind, child, parent, columns, meant } of keys) {
    const ofShop = child === 'shop' ? 'id' : 'shop_id';
    const list = columns.map((/** @type {string} */ c) => `c.${quoted(c)}`);
    const sql =
      kind === 'f'
        ? `select 1 from ${child} as c where c.${ofShop} = $1 and ${list.map((/** @type {string} */ c) => `${c} is not null`).join(' and ')}
            and not exists (select 1 from ${parent} as p where ${list.map((/** @type {string} */ c, /** @type {number} */ i) => `p.${quoted(meant[i])} = ${c}`).join(' and ')}) limit 1`
        : `select 1 from ${child} as c where c.${ofShop} = $1 and ${list.map((/** @type {string} */ c) => `${c} is not null`).join(' and ')}
            group by ${list.join(', ')} having count(*) > 1 limit 1`;
    if (await one(client, sql, [shopId]))
      throw new Error(`${child} does not fit together (${name}). Nothing was changed; take another export.`);
  }
}

/**
 * Rules that hold for what is new alone: rows from before them come as they are, as they stood.
 * @template T
 * @param {import('pg').Client} client
 * @param {() => Promise<T>} work
 */
export async function withoutLaterRules(client, work) {
  const { rows: rules } = await client.query(
    `select conrelid::regclass::text as table, conname as name, pg_get_constraintdef(oid) as says
      from pg_constraint where connamespace = 'public'::regnamespace and contype = 'c' and not convalidated`,
  );
  for (const { table, name } of rules)
    await client.query(`alter table ${table} drop constraint ${quoted(name)}`);
  const found = await work();
  for (const { table, name, says } of rules)
    await client.query(`alter table ${table} add constraint ${quoted(name)} ${says}`);
  return found;
}

/** The tables of an export, which must be those that are here, column by column. */
export function sameTables(/** @type {Table[]} */ here, /** @type {import('./bring-shop.mjs').Told} */ told) {
  const columnsOf = (/** @type {{ name: string, columns: { name: string }[] }[]} */ tables) =>
    JSON.stringify(tables.map((t) => [t.name, t.columns.map((c) => c.name)]));
  if (columnsOf(here) !== columnsOf(told.tables))
    throw new Error('That export is laid out otherwise than this version. Nothing was changed.');
}
