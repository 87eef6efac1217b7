/** Database tasks of the start, test and reset commands. Run as the cluster's owner. */
import { connectAsOwner } from '../src/data/connection';
import { forgetShop } from '../src/data/forget-shop';
import { migrate, shapeCalled } from '../src/data/migrate';
import { loadDemo } from '../src/demo/load';
import { loadYears } from '../src/demo/years/load';
import path from 'node:path';
import type { Knex } from 'knex';
import pg from 'pg';
import { backedUpBefore } from './lib/backed-up-before';
import { STATE } from './lib/paths.mjs';

const HELP = `tsx scripts/database.ts <task>
  prepare   makes the database and the application's role, migrates, loads the demo world once
  reset     takes the demo out, no other shop's rows, and prepares it afresh
  anew      empties the whole database, every shop in it, and prepares it: for tests
  shape     makes the database and gives it the shape of HUSH_PAIL_SHAPE, a migration's name, or the newest; loads nothing
  years     prepares it, then puts HUSH_PAIL_YEARS of history behind the demo shop
Reads HUSH_PAIL_OWNER_URL and HUSH_PAIL_APP_PASSWORD; HUSH_PAIL_DEMO=quiet loads a demo with one delivery in it, none leaves it out.`;

async function makeDatabase(url: string, appPassword: string): Promise<void> {
  const name = new URL(url).pathname.slice(1);
  const server = new URL(url);
  server.pathname = '/postgres';
  const db = connectAsOwner(server.href, 1);
  try {
    const { rows } = await db.raw<{ rows: unknown[] }>(
      `select 1 from pg_roles where rolname = 'hush_pail_app'`,
    );
    const verb = rows.length === 0 ? 'create' : 'alter';
    // A role statement takes no parameters; the password is our own hex.
    if (!/^[0-9a-f]+$/.test(appPassword)) throw new Error('HUSH_PAIL_APP_PASSWORD must be hexadecimal.');
    await db.raw(
      `${verb} role hush_pail_app login nosuperuser nobypassrls nocreatedb nocreaterole password '${appPassword}'`,
    );
    const found: unknown = await db('pg_database').where({ datname: name }).first('datname');
    if (!found) await db.raw('create database ??', [name]);
  } finally {
    await db.destroy();
  }
}

const forgetAll = (db: Knex): Promise<unknown> =>
  db.raw(
    'drop schema public cascade; drop schema if exists live cascade; create schema public; grant usage on schema public to hush_pail_app',
  );

/** Where nobody else keeps a shop here all of it goes, and an older database is made anew; else only the demo's rows. */
async function forgetDemo(db: Knex): Promise<void> {
  const isMade = await db.schema.hasTable('shop');
  const shops = isMade ? await db('shop').select<{ id: string; demo: boolean }[]>('id', 'demo') : [];
  if (shops.every((s) => s.demo)) await forgetAll(db);
  else for (const { id, demo } of shops) if (demo) await forgetShop(db, id);
}

/** Loads the demo where it is wanted and not there yet. */
async function loadDemoOnce(db: Knex): Promise<void> {
  const { HUSH_PAIL_DEMO: wanted, HUSH_PAIL_NOW: clock } = process.env;
  if (wanted === 'none') return;
  const now = clock ? new Date(clock) : new Date();
  if (!(await loadDemo(db, now, wanted === 'quiet' ? 'quiet' : 'at work'))) return;
  // A database that was filled at once knows nothing of itself yet, and looks things up the long way.
  await db.raw('analyze');
  console.log('The demo world is loaded.');
}

async function loadHistory(url: string): Promise<void> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  await loadYears(client, Number(process.env.HUSH_PAIL_YEARS ?? 5), (line) => console.log(line));
  await client.end();
}

async function main(): Promise<void> {
  const task = process.argv[2];
  const url = process.env.HUSH_PAIL_OWNER_URL;
  if (task === '--help' || !url || !['prepare', 'reset', 'anew', 'years', 'shape'].includes(task ?? '')) {
    console.log(HELP);
    process.exit(task === '--help' ? 0 : 2);
  }
  await makeDatabase(url, process.env.HUSH_PAIL_APP_PASSWORD ?? '');
  const db = connectAsOwner(url);
  try {
    if (task === 'reset') await forgetDemo(db);
    if (task === 'anew') await forgetAll(db);
    await db.raw('grant usage on schema public to hush_pail_app');
    if (task === 'shape') return await migrate(db, shapeCalled(process.env.HUSH_PAIL_SHAPE));
    const kept = await backedUpBefore(db, url, path.join(STATE, 'backups'));
    if (kept) console.log(`The database changes its shape; what stood here is kept: ${kept}`);
    await migrate(db);
    await db.raw('select live.forget_old_changes()');
    await loadDemoOnce(db);
    if (task === 'years') await loadHistory(url);
  } finally {
    await db.destroy();
  }
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
});
