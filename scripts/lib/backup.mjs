// Backups in PostgreSQL's own format: made, tried by bringing them back beside, kept to a number; and brought back.
import { createHash } from 'node:crypto';
import { spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, readdirSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { serverFolder } from './cluster.mjs';
import { readJson } from './paths.mjs';
import { connected } from './client.mjs';

/** What is before the time in the name of a backup of all shops. */
const ALL = 'hush-pail';
const STAMP = /^[\dTZ-]+\.dump$/;

/** The same server, another database of it. */
export function urlOf(/** @type {string} */ url, /** @type {string} */ database) {
  const other = new URL(url);
  other.pathname = `/${database}`;
  return other.href;
}
export const databaseOf = (/** @type {string} */ url) => new URL(url).pathname.slice(1);

function tool(/** @type {string} */ name, /** @type {string[]} */ args) {
  const run = spawnSync(path.join(serverFolder() ?? '', name), args, { encoding: 'utf8' });
  if (run.status !== 0)
    throw new Error(
      `${name} did not finish: ${run.stderr?.trim().split('\n').at(-1) ?? run.error?.message ?? ''}`,
    );
}

async function inDatabase(
  /** @type {string} */ url,
  /** @type {(client: import('pg').Client) => Promise<any>} */ work,
) {
  const client = await connected(url);
  try {
    return await work(client);
  } finally {
    await client.end();
  }
}

/**
 * What stands in a database: of each table how many rows, and a sum over all of them in whatever order they lie.
 * @returns {Promise<Record<string, string>>}
 */
export const contentsOf = (/** @type {string} */ url) =>
  inDatabase(url, async (/** @type {import('pg').Client} */ client) => {
    // Written out alike on every computer, whatever its zone and its letters.
    await client.query(`set timezone = 'UTC'; set datestyle = 'ISO, YMD'; set bytea_output = 'hex'`);
    const { rows: tables } = await client.query(
      `select table_name as name from information_schema.tables
        where table_schema = 'public' and table_type = 'BASE TABLE' order by table_name collate "C"`,
    );
    /** @type {Record<string, string>} */
    const contents = {};
    for (const { name } of tables) {
      const { rows } = await client.query(
        `select count(*) || ' ' || coalesce(md5(string_agg(md5(t::text), '' order by md5(t::text) collate "C")), '') as sum from "${name}" as t`,
      );
      contents[name] = rows[0].sum;
    }
    return contents;
  });

/** Brings a dump into a database of that name, made for it; one that is there already goes before. */
export async function bringInto(
  /** @type {string} */ url,
  /** @type {string} */ database,
  /** @type {string} */ file,
) {
  await inDatabase(urlOf(url, 'postgres'), async (/** @type {import('pg').Client} */ client) => {
    await client.query(`drop database if exists "${database}"`);
    await client.query(`create database "${database}"`);
  });
  tool('pg_restore', ['--exit-on-error', '--single-transaction', '--dbname', urlOf(url, database), file]);
}

export const dropped = (/** @type {string} */ url, /** @type {string} */ database) =>
  inDatabase(urlOf(url, 'postgres'), (/** @type {import('pg').Client} */ client) =>
    client.query(`drop database if exists "${database}"`),
  );

const sumOf = (/** @type {string} */ file) => createHash('sha256').update(readFileSync(file)).digest('hex');

/** Those made before something is changed or replaced stand apart: the daily ones never push them out. */
export const beforeChanges = (/** @type {string} */ folder) => path.join(folder, 'before-changes');

/** The backups in a folder, the newest first: of all shops, or what else is before the time in their names. */
export function backupsIn(/** @type {string} */ folder, named = ALL) {
  try {
    return readdirSync(folder)
      .filter((name) => name.startsWith(`${named}-`) && STAMP.test(name.slice(named.length + 1)))
      .sort()
      .reverse()
      .map((name) => path.join(folder, name));
  } catch {
    return [];
  }
}

/** When a backup was made, ms, by its name. */
export const madeAtMs = (/** @type {string} */ file) =>
  Date.parse(path.basename(file).replace(/^hush-pail-(.{10}T)(\d\d)-(\d\d)-(\d\d)Z\.dump$/, '$1$2:$3:$4Z'));

/** A night's backup is due again the next night, also where that one comes round a little sooner. */
const DUE_AFTER_MS = 20 * 3_600_000;
/** Whether the newest backup in a folder is of the day before, or there is none. */
export function isBackupDue(/** @type {string} */ folder, /** @type {number} */ nowMs) {
  const [newest] = backupsIn(folder);
  return newest === undefined || nowMs - madeAtMs(newest) >= DUE_AFTER_MS;
}

/** Whether somebody's own shop is kept in a database, and not the demo alone. */
export const hasOwnShop = (/** @type {string} */ url) =>
  inDatabase(url, async (/** @type {import('pg').Client} */ client) => {
    const { rows } = await client.query('select 1 from shop where not demo limit 1');
    return rows.length > 0;
  });

/**
 * Backs a database up into a folder, all of it, photographs too, and tries it: it is brought back into a
 * database beside and read there. Only then does it bear its name; older ones go, but for so many.
 * @param {string} url the database, as its owner
 * @param {string} folder
 * @param {{ at: Date, keep: number, named?: string }} how
 */
export async function backUp(url, folder, { at, keep, named = ALL }) {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const file = path.join(folder, `${named}-${at.toISOString().slice(0, 19).replaceAll(':', '-')}Z.dump`);
  const part = `${file}.part`;
  const scratch = `${databaseOf(url)}_try`;
  /** @type {Record<string, string>} */
  let contents;
  try {
    // Names, hashes and photographs of people are in it: for its owner's eyes, wherever it is written.
    writeFileSync(part, '', { mode: 0o600 });
    // Jobs that wait are this computer's, not the shop's.
    tool('pg_dump', [
      '--format=custom',
      '--exclude-schema=jobs',
      '--exclude-table-data=live.change',
      '--file',
      part,
      url,
    ]);
    await bringInto(url, scratch, part);
    contents = await contentsOf(urlOf(url, scratch));
    const note = { at: at.toISOString(), sha256: sumOf(part), contents };
    writeFileSync(`${file}.json`, `${JSON.stringify(note, null, 1)}\n`, { mode: 0o600 });
    renameSync(part, file);
  } finally {
    await dropped(url, scratch);
    rmSync(part, { force: true });
  }
  for (const old of backupsIn(folder, named).slice(keep)) {
    rmSync(old);
    rmSync(`${old}.json`, { force: true });
  }
  return { file, bytes: statSync(file).size, contents };
}

/** @returns {Promise<{ id: string, slug: string, name: string }[]>} */
const ownShopsIn = (/** @type {string} */ url) =>
  inDatabase(url, async (/** @type {import('pg').Client} */ client) => {
    const { rows } = await client.query('select id, slug, name from shop where not demo order by created_at');
    return rows;
  });

/** A backup of one shop, or of before another was opened, does not take others' away unless they are named. */
async function refuseToLose(
  /** @type {string} */ here,
  /** @type {string} */ coming,
  /** @type {readonly string[]} */ losing,
) {
  const back = new Set((await ownShopsIn(coming)).map((s) => s.id));
  const lost = (await ownShopsIn(here)).filter((s) => !back.has(s.id) && !losing.includes(s.slug));
  if (lost.length > 0)
    throw new Error(
      `That backup has no ${lost.map((s) => s.name).join(', ')}. Nothing was changed. One shop of it: --shop=NAME. All of it, without that one: --losing=${lost.map((s) => s.slug).join(',')}`,
    );
}

/**
 * Puts a backup in the place of the database, which nobody may be connected to. It is brought in beside and
 * read before anything goes: a file that is broken or is not what its note says changes nothing.
 */
export async function restoreFrom(
  /** @type {string} */ url,
  /** @type {string} */ file,
  /** @type {readonly string[]} */ losing = [],
) {
  const note = readJson(`${file}.json`);
  if (note && note.sha256 !== sumOf(file))
    throw new Error('That backup is not as it was written. Nothing was changed; take another.');
  const database = databaseOf(url);
  const [coming, leaving] = [`${database}_coming`, `${database}_leaving`];
  try {
    await bringInto(url, coming, file);
    const contents = await contentsOf(urlOf(url, coming));
    if (note && JSON.stringify(note.contents) !== JSON.stringify(contents))
      throw new Error('What came back is not what was backed up. Nothing was changed; take another.');
    await refuseToLose(url, urlOf(url, coming), losing);
    await inDatabase(urlOf(url, 'postgres'), async (/** @type {import('pg').Client} */ client) => {
      // At no moment is there neither: what leaves goes last.
      await client.query(`drop database if exists "${leaving}"`);
      await client.query(`alter database "${database}" rename to "${leaving}"`);
      await client.query(`alter database "${coming}" rename to "${database}"`);
      await client.query(`drop database "${leaving}"`);
    });
    return contents;
  } finally {
    await dropped(url, coming);
  }
}
