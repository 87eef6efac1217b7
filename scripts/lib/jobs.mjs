// What is done by itself while the shop is open: a queue kept in the database, each job once, tried again, to be seen.
import { execFile } from 'node:child_process';
import { promisify } from 'node:util';
import PgBoss from 'pg-boss';
import { hasOwnShop, isBackupDue } from './backup.mjs';
import { CHECKOUT } from './paths.mjs';
import { connected } from './client.mjs';

/** Where the queue stands in the database: beside the shops, and in no backup of them. */
const SCHEMA = 'jobs';
export const BACK_UP = 'back-up';
/** While nobody is at the bench. */
const NIGHTLY = '30 2 * * *';
const LOOKS_EVERY_MS = 3_600_000;
const run = promisify(execFile);

/** Where the shop's night is: its own shop's zone, where there is one. */
async function zoneOf(/** @type {string} */ url) {
  const client = await connected(url);
  try {
    const { rows } = await client.query(
      'select time_zone as zone from shop order by demo, created_at limit 1',
    );
    return String(rows[0]?.zone ?? 'UTC');
  } finally {
    await client.end();
  }
}

/** The desk sees how its jobs went, and changes none of them. */
async function shownToTheDesk(/** @type {string} */ url) {
  const client = await connected(url);
  try {
    // Two that begin at once do it one after the other.
    await client.query(
      `begin; select pg_advisory_xact_lock(hashtext('${SCHEMA}')); grant usage on schema ${SCHEMA} to hush_pail_app; grant select on ${SCHEMA}.job to hush_pail_app; commit`,
    );
  } finally {
    await client.end();
  }
}

/** Backs the shops up by a process of its own. @throws Error with the last line of what it said */
async function backedUpBeside() {
  try {
    await run(process.execPath, ['scripts/backup.mjs'], { cwd: CHECKOUT });
  } catch (error) {
    const said = /** @type {{ stderr?: string }} */ (error).stderr?.trim().split('\n').at(-1);
    throw new Error(said || String(error), { cause: error });
  }
}

/**
 * Keeps the queue and what stands in it: a backup each night, and whenever the computer was off at night.
 * A job that fails is tried four times more, each time later.
 * @param {string} url the database, as its owner
 * @param {{ folder: string, say?: (line: string) => void, backUp?: () => Promise<void>, retryDelayS?: number, asksEveryS?: number }} how
 */
export async function keepJobs(
  url,
  { folder, say = console.log, backUp = backedUpBeside, retryDelayS = 300, asksEveryS = 20 },
) {
  const boss = new PgBoss({ connectionString: url, schema: SCHEMA, max: 2 });
  // A database that is away for a moment is said by whoever keeps it up.
  boss.on('error', () => {});
  await boss.start();
  // Of one kind one waits and one is underway, whoever else asks for it.
  await boss.createQueue(BACK_UP, {
    name: BACK_UP,
    policy: 'stately',
    retryLimit: 4,
    retryDelay: retryDelayS,
    retryBackoff: true,
    expireInSeconds: 3600,
  });
  await shownToTheDesk(url);
  await boss.work(BACK_UP, { pollingIntervalSeconds: asksEveryS }, async () => {
    if (!(await hasOwnShop(url)) || !isBackupDue(folder, Date.now())) return { made: false };
    try {
      await backUp();
    } catch (error) {
      say(`The shop was not backed up, and is tried again: ${String(error)}`);
      throw error;
    }
    say('The shop is backed up.');
    return { made: true };
  });
  await boss.schedule(BACK_UP, NIGHTLY, {}, { tz: await zoneOf(url) });
  const look = async () => {
    if ((await hasOwnShop(url)) && isBackupDue(folder, Date.now())) await boss.send(BACK_UP, {});
  };
  const orSay = () => look().catch((error) => say(`No backup yet: ${String(error)}`));
  const looking = setInterval(() => void orSay(), LOOKS_EVERY_MS);
  looking.unref();
  await orSay();
  return {
    stop: async () => {
      clearInterval(looking);
      await boss.stop({ graceful: false, wait: true, timeout: 5000 });
    },
  };
}
