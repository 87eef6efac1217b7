// Everything of one shop as files that any program reads: JSON and CSV a table, and what their columns are.
import { mkdirSync, renameSync, rmSync, statSync, writeFileSync, createWriteStream } from 'node:fs';
import { once } from 'node:events';
import { finished } from 'node:stream/promises';
import path from 'node:path';
import { connected } from './client.mjs';

/** Told in every export: what its files are laid out by. */
const FORMAT = 1;
/** How somebody signs in, and where from, is nobody's but theirs: it is in a backup, and in no export. */
const LEFT_OUT = new Set(['session', 'sign_in_try']);
const LEFT_OUT_COLUMNS = new Set(['secret_hash', 'factor_secret']);
/** What belongs to the database itself. */
const NOT_OF_A_SHOP = /^knex_migrations/;
const AT_ONCE = 2000;

/** @typedef {{ name: string, type: string, mayBeEmpty: boolean }} Column */
/** @typedef {{ name: string, columns: Column[], key: string[], ofShop: string }} Table */

export const quoted = (/** @type {string} */ name) => `"${name.replaceAll('"', '""')}"`;

/**
 * Every table of a shop, with its columns in their order and what its rows are told apart by.
 * @param {import('pg').Client} client
 * @param {{ withSecrets?: boolean, all?: boolean }} what also how somebody signs in; also sessions and wrong tries
 * @returns {Promise<Table[]>}
 */
export async function tablesOf(client, { withSecrets = false, all = false } = {}) {
  const { rows } = await client.query(
    `select c.table_name as table, c.column_name as column, c.data_type as type, c.is_nullable = 'YES' as empty
      from information_schema.columns as c
      join information_schema.tables as t using (table_schema, table_name)
      where c.table_schema = 'public' and t.table_type = 'BASE TABLE'
      order by c.table_name collate "C", c.ordinal_position`,
  );
  const { rows: keys } = await client.query(
    `select r.relname as table, array_agg(a.attname::text order by array_position(i.indkey::int2[], a.attnum)) as columns
      from pg_index as i join pg_class as r on r.oid = i.indrelid
      join pg_attribute as a on a.attrelid = r.oid and a.attnum = any (i.indkey)
      where i.indisprimary and r.relnamespace = 'public'::regnamespace group by r.relname`,
  );
  const tables = [...new Set(rows.map((r) => r.table))].filter(
    (name) => !NOT_OF_A_SHOP.test(name) && (all || !LEFT_OUT.has(name)),
  );
  return tables.map((name) => {
    const columns = rows
      .filter((r) => r.table === name && (withSecrets || !LEFT_OUT_COLUMNS.has(r.column)))
      .map((r) => ({ name: r.column, type: r.type, mayBeEmpty: r.empty }));
    const ofShop = name === 'shop' ? 'id' : columns.find((c) => c.name === 'shop_id')?.name;
    // Rather nothing than a part that looks like all of it.
    if (ofShop === undefined)
      throw new Error(`Whose the rows of ${name} are is not known. Nothing was written.`);
    return { name, columns, key: keys.find((k) => k.table === name)?.columns ?? [], ofShop };
  });
}

/** @typedef {(text: string) => string} Defuse how a text is kept from being taken for a formula: core/csv/defused's */

/** A cell a spreadsheet takes for what it says: none is reckoned, none ends a row. */
function cellOf(/** @type {unknown} */ value, /** @type {Defuse} */ defusedCell) {
  if (value === null || value === undefined) return '';
  const text = typeof value === 'object' ? JSON.stringify(value) : String(value);
  const defused = typeof value === 'string' ? defusedCell(text) : text;
  return /[",\r\n]/.test(defused) ? `"${defused.replaceAll('"', '""')}"` : defused;
}

async function write(/** @type {import('node:fs').WriteStream} */ stream, /** @type {string} */ text) {
  if (!stream.write(text)) await once(stream, 'drain');
}

/** One table's rows into a file of JSON, a row a line, and one of CSV. @returns how many they are */
async function writeTable(
  /** @type {import('pg').Client} */ client,
  /** @type {Table} */ table,
  /** @type {string} */ shopId,
  /** @type {string} */ folder,
  /** @type {Defuse} */ defusedCell,
) {
  const names = table.columns.map((/** @type {Column} */ c) => quoted(c.name)).join(', ');
  const order = (table.key.length > 0 ? table.key : table.columns.map((/** @type {Column} */ c) => c.name))
    .map(quoted)
    .join(', ');
  const json = createWriteStream(path.join(folder, 'json', `${table.name}.jsonl`), { mode: 0o600 });
  const csv = createWriteStream(path.join(folder, 'csv', `${table.name}.csv`), { mode: 0o600 });
  await write(csv, `${table.columns.map((/** @type {Column} */ c) => c.name).join(',')}\r\n`);
  await client.query(
    `declare rows cursor for select row_to_json(r)::text as row
      from (select ${names} from ${quoted(table.name)} where ${quoted(table.ofShop)} = $1 order by ${order}) as r`,
    [shopId],
  );
  let count = 0;
  for (;;) {
    const { rows } = await client.query(`fetch ${AT_ONCE} from rows`);
    for (const { row } of rows) {
      await write(json, `${row}\n`);
      const values = JSON.parse(row);
      await write(
        csv,
        `${table.columns.map((/** @type {Column} */ c) => cellOf(values[c.name], defusedCell)).join(',')}\r\n`,
      );
    }
    count += rows.length;
    if (rows.length < AT_ONCE) break;
  }
  await client.query('close rows');
  json.end();
  csv.end();
  await Promise.all([finished(json), finished(csv)]);
  return count;
}

async function shopCalled(/** @type {import('pg').Client} */ client, /** @type {string | undefined} */ slug) {
  const { rows } = await client.query('select id, slug, name, demo from shop order by created_at');
  const found =
    rows.find((s) => s.slug === slug) ?? (slug === undefined && rows.length === 1 ? rows[0] : null);
  if (!found)
    throw new Error(
      `Which shop? --shop=… is one of: ${rows.map((s) => `${s.slug} (${s.name})`).join(', ')}. Nothing was written.`,
    );
  return found;
}

/**
 * Writes everything of one shop as it stands at one moment. The folder bears its name only once all of it is there.
 * @param {string} url the owner's
 * @param {{ slug?: string, to: string, defusedCell: Defuse, withSecrets?: boolean }} what which shop; the folder to
 *   write, which is not there yet; whether hashes of PINs and passwords are in it, which is for our own commands alone
 * @returns {Promise<{ shop: string, tables: Record<string, number> }>} how many rows each table has
 */
export async function exportShop(url, { slug, to, defusedCell, withSecrets = false }) {
  if (statSync(to, { throwIfNoEntry: false }))
    throw new Error(`${to} is there already. Nothing was written.`);
  const part = `${to}.part`;
  const client = await connected(url);
  try {
    await client.query(`set timezone = 'UTC'; set datestyle = 'ISO, YMD'; set bytea_output = 'hex'`);
    await client.query('begin isolation level repeatable read read only');
    const shop = await shopCalled(client, slug);
    const tables = await tablesOf(client, { withSecrets });
    rmSync(part, { recursive: true, force: true });
    for (const kind of ['json', 'csv']) mkdirSync(path.join(part, kind), { recursive: true, mode: 0o700 });
    /** @type {Record<string, number>} */
    const counts = {};
    for (const table of tables)
      counts[table.name] = await writeTable(client, table, shop.id, part, defusedCell);
    const { rows } = await client.query('select name from knex_migrations order by id desc limit 1');
    const schema = tables.map(({ name, columns, key }) => ({ name, rows: counts[name], key, columns }));
    writeFileSync(
      path.join(part, 'schema.json'),
      `${JSON.stringify({ format: FORMAT, shop: shop.name, migration: rows[0]?.name ?? null, tables: schema }, null, 1)}\n`,
      { mode: 0o600 },
    );
    renameSync(part, to);
    return { shop: shop.name, tables: counts };
  } finally {
    rmSync(part, { recursive: true, force: true });
    await client.end();
  }
}
