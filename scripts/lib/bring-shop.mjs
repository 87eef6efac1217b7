// One shop's rows, as an export has them, put into a database that has no such shop yet.
import { createReadStream, existsSync } from 'node:fs';
import path from 'node:path';
import { createInterface } from 'node:readline';
import { quoted, tablesOf } from './export-shop.mjs';
import { one, refuseWhatHangs, sameTables, withoutLaterRules } from './fits-together.mjs';
import { readJson } from './paths.mjs';
import { connected } from './client.mjs';

const AT_ONCE = 500;
const FORMAT = 1;

/** @typedef {import('./export-shop.mjs').Table} Table */
/** @typedef {{ format: number, shop: string, migration: string, tables: { name: string, rows: number, columns: { name: string }[] }[] }} Told */

/**
 * What an export says of itself. @returns {Told}
 * @throws Error where the folder is none
 */
export function toldOf(/** @type {string} */ folder) {
  const told = readJson(path.join(folder, 'schema.json'));
  if (!told || told.format !== FORMAT || !Array.isArray(told.tables))
    throw new Error(
      `${folder} is no export: its schema.json is not there or not of ours. Nothing was changed.`,
    );
  return told;
}

/** Rows of a table of an export, so many at once, as JSON texts. */
async function* rowsIn(/** @type {string} */ folder, /** @type {string} */ table) {
  const file = path.join(folder, 'json', `${table}.jsonl`);
  if (!existsSync(file)) throw new Error(`${file} is missing. Nothing was changed.`);
  /** @type {string[]} */
  let lines = [];
  for await (const line of createInterface({ input: createReadStream(file), crlfDelay: Infinity })) {
    if (line === '') continue;
    lines.push(line);
    if (lines.length >= AT_ONCE) {
      yield lines;
      lines = [];
    }
  }
  if (lines.length > 0) yield lines;
}

/** Columns the database counts up by itself, with what counts them; those it works out are told apart. */
async function countedColumns(/** @type {import('pg').Client} */ client) {
  const { rows } = await client.query(
    `select table_name as table, column_name as column, is_generated <> 'NEVER' as "isWorkedOut",
        pg_get_serial_sequence(quote_ident(table_name), column_name) as counter
      from information_schema.columns
      where table_schema = 'public' and (is_identity = 'YES' or is_generated <> 'NEVER')`,
  );
  return rows;
}

/** What means nothing without the secret that an export leaves out: it is taken up anew. */
const NEEDS_SECRETS = ['second_factor'];

/** Numbers that stand for a counted row elsewhere: they move with it. */
const FOLLOWS = [{ table: 'record_entry', column: 'corrects', of: 'id' }];

/**
 * How far a table's counted numbers move so that none meets one that is there: nought where none would.
 * @param {import('pg').Client} client
 * @param {string} folder
 */
async function shiftOf(client, folder, /** @type {string} */ table, /** @type {string} */ column) {
  const { most } = await one(
    client,
    `select coalesce(max(${quoted(column)}), 0) as most from ${quoted(table)}`,
  );
  let least = Infinity;
  for await (const lines of rowsIn(folder, table))
    for (const line of lines) least = Math.min(least, Number(JSON.parse(line)[column]));
  return least > Number(most) ? 0 : Number(most) - least + 1;
}

/** Puts one table's rows in. @returns how many they were */
async function bringTable(
  /** @type {import('pg').Client} */ client,
  /** @type {Table} */ table,
  /** @type {{ folder: string, shopId: string, slug: string, workedOut: Set<string>, shift: Map<string, number>, unknownHash: string }} */ how,
) {
  const { folder, shopId, slug, workedOut, shift, unknownHash } = how;
  const lacks = table.name === 'person' && !table.columns.some((c) => c.name === 'secret_hash');
  const names = table.columns.map((c) => c.name).filter((name) => !workedOut.has(name));
  if (lacks) names.push('secret_hash');
  const columns = names.map(quoted).join(', ');
  // A nothing that is written down as JSON is no lack of a value where there must be one.
  const isNothing = (/** @type {string} */ name) =>
    table.columns.some((c) => c.name === name && c.type === 'jsonb' && !c.mayBeEmpty);
  const values = names
    .map((name) => (isNothing(name) ? `coalesce(${quoted(name)}, 'null'::jsonb)` : quoted(name)))
    .join(', ');
  const sql = `insert into ${quoted(table.name)} (${columns}) overriding system value
    select ${values} from json_populate_recordset(null::${quoted(table.name)}, $1::json)`;
  let count = 0;
  for await (const lines of rowsIn(folder, table.name)) {
    const rows = lines.map((line) => {
      const row = JSON.parse(line);
      if (row[table.ofShop] !== shopId)
        throw new Error(`${table.name} has a row of another shop. Nothing was changed.`);
      for (const [column, by] of shift) if (row[column] !== null) row[column] = Number(row[column]) + by;
      if (table.name === 'shop') row.slug = slug;
      if (lacks) row.secret_hash = unknownHash;
      return JSON.stringify(row);
    });
    await client.query(sql, [`[${rows.join(',')}]`]);
    count += rows.length;
  }
  return count;
}

async function bringRows(
  /** @type {import('pg').Client} */ client,
  /** @type {Table[]} */ tables,
  /** @type {{ folder: string, shopId: string, slug: string, hasSecrets: boolean, unknownHash: string }} */ how,
) {
  const counted = await countedColumns(client);
  /** @type {Record<string, number>} */
  const counts = {};
  for (const table of tables) {
    if (!how.hasSecrets && NEEDS_SECRETS.includes(table.name)) continue;
    const mine = counted.filter((c) => c.table === table.name);
    /** @type {Map<string, number>} */
    const shift = new Map();
    for (const { column } of mine.filter((c) => !c.isWorkedOut)) {
      const by = await shiftOf(client, how.folder, table.name, column);
      if (by === 0) continue;
      shift.set(column, by);
      for (const f of FOLLOWS) if (f.table === table.name && f.of === column) shift.set(f.column, by);
    }
    const workedOut = new Set(mine.filter((c) => c.isWorkedOut).map((c) => c.column));
    counts[table.name] = await bringTable(client, table, { ...how, workedOut, shift });
  }
  for (const { table, column, counter } of counted.filter((c) => c.counter !== null))
    await client.query(
      `select setval($1, greatest((select max(${quoted(column)}) from ${quoted(table)}), nextval($1)), true)`,
      [counter],
    );
  return counts;
}

/** Takes a shop out before it comes back as it was. */
async function clearShop(/** @type {import('pg').Client} */ client, /** @type {string} */ shopId) {
  for (const table of await tablesOf(client, { all: true }))
    await client.query(`delete from ${quoted(table.name)} where ${quoted(table.ofShop)} = $1`, [shopId]);
}

/**
 * Takes every shop but one out of a database, one that is worked in and thrown away.
 * @param {string} url
 * @param {string} slug
 */
export async function keepOnly(url, slug) {
  const client = await connected(url);
  try {
    await client.query('set session_replication_role = replica');
    const { rows } = await client.query('select id, slug, name from shop order by created_at');
    if (!rows.some((s) => s.slug === slug))
      throw new Error(
        `Which shop? --shop=… is one of: ${rows.map((s) => `${s.slug} (${s.name})`).join(', ')}. Nothing was written.`,
      );
    for (const other of rows.filter((s) => s.slug !== slug)) await clearShop(client, other.id);
  } finally {
    await client.end();
  }
}

/** The shop of an export, and where it signs in here. @throws Error where it may not come */
async function shopToBring(
  /** @type {import('pg').Client} */ client,
  /** @type {{ folder: string, asked: string | undefined, over: boolean }} */ { folder, asked, over },
) {
  const first = await rowsIn(folder, 'shop').next();
  if (first.done) throw new Error('That export holds no shop. Nothing was changed.');
  const shop = JSON.parse(first.value[0] ?? 'null');
  const slug = asked ?? shop.slug;
  const there = await one(client, 'select name from shop where id = $1', [shop.id]);
  if (there && !over)
    throw new Error(
      `${there.name} is here already. Nothing was changed; over a shop that stands goes a backup: npm run restore.`,
    );
  if (await one(client, 'select 1 from shop where slug = $1 and id <> $2', [slug, shop.id]))
    throw new Error(`Another shop signs in at ${slug}. Nothing was changed; say another address: --as=…`);
  return { id: shop.id, name: shop.name, slug, isThere: there !== undefined };
}

/** Gives an owner a way in, where an export holds none. @returns their name to sign in */
async function letOwnerIn(
  /** @type {import('pg').Client} */ client,
  /** @type {string} */ shopId,
  /** @type {string} */ hash,
) {
  const owner = await one(
    client,
    `update person set secret_hash = $2 where id = (select id from person
      where shop_id = $1 and active and login is not null order by role <> 'owner', name limit 1) returning login`,
    [shopId, hash],
  );
  return owner?.login ?? null;
}

/**
 * Puts an export's shop into a database of the same shape, in one transaction; that shop, where it stands
 * there and `over` says so, goes first. Sessions do not come with it.
 * @param {string} url the database, as its owner
 * @param {{ folder: string, slug?: string, over?: boolean, unknownHash?: string, ownersHash?: string }} what the
 *   export; the shop's address here, where it is to be another than it was; for an export without PINs and
 *   passwords a hash that nobody's has, and the owner's new one
 * @returns {Promise<{ shop: string, slug: string, ownersLogin: string | null, tables: Record<string, number> }>}
 * @throws Error in a line that says why; nothing is changed then
 */
export async function bringShop(
  url,
  { folder, slug: asked, over = false, unknownHash = '', ownersHash = '' },
) {
  const told = toldOf(folder);
  const hasSecrets = told.tables.some((t) => t.columns.some((c) => c.name === 'secret_hash'));
  const client = await connected(url);
  try {
    await client.query(`set timezone = 'UTC'`);
    await client.query('begin');
    // Rows refer to each other both ways; what they refer to is looked at once all of them are in.
    await client.query('set local session_replication_role = replica');
    const tables = await tablesOf(client, { withSecrets: hasSecrets });
    sameTables(tables, told);
    const shop = await shopToBring(client, { folder, asked, over });
    if (shop.isThere) await clearShop(client, shop.id);
    const how = { folder, shopId: shop.id, slug: shop.slug, hasSecrets, unknownHash };
    const counts = await withoutLaterRules(client, () => bringRows(client, tables, how));
    for (const { name, rows } of told.tables)
      if ((counts[name] ?? rows) !== rows)
        throw new Error(`${name} is not whole: ${counts[name]} of ${rows} rows. Nothing was changed.`);
    await refuseWhatHangs(client, shop.id);
    const ownersLogin = hasSecrets ? null : await letOwnerIn(client, shop.id, ownersHash);
    await client.query('commit');
    return { shop: shop.name, slug: shop.slug, ownersLogin, tables: counts };
  } finally {
    await client.end();
  }
}
