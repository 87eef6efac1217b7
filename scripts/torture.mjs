// npm run torture: kills, races and hostile bodies, by hundreds and thousands. Not part of the tests.
import { spawn, spawnSync } from 'node:child_process';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { OWNER, freePort, initCluster, startCluster } from './lib/cluster.mjs';
import { CHECKOUT, bin, tellFault } from './lib/paths.mjs';
import { databaseTask, ensureBuild, prepareMachine } from './lib/prepare.mjs';
import { runningCopy } from './lib/running.mjs';

const HELP = `npm run torture [-- --kills=200] [-- --bodies=10000] [-- --only=races,kills,bodies]
  races    every two actions that touch one subject at once, and what must hold after each, by SQL
  kills    the application, the database and what started them killed in mid-action while tablets go on tapping
  bodies   hostile bodies for every action over HTTP, made from its schema and against it
  On a database of its own, made and thrown away. Prints what was lost, doubled, inconsistent or answered with a 5xx.`;
const option = (/** @type {string} */ name, /** @type {string} */ otherwise) =>
  process.argv.find((a) => a.startsWith(`--${name}=`))?.slice(name.length + 3) ?? otherwise;
if (process.argv.includes('--help')) {
  console.log(HELP);
  process.exit(0);
}
const only = option('only', 'races,kills,bodies').split(',');
const SECRET = 'only for torture, thirty-two letters and more';
const scratch = mkdtempSync(path.join(os.tmpdir(), 'hush-pail-torture-'));
chmodSync(scratch, 0o711);
const home = path.join(scratch, 'cluster');
let isOver = false;

/** The shop, started again whenever it ends; its process numbers, while it stands. */
function keepOpen(/** @type {number} */ databasePort, /** @type {number} */ webPort) {
  /** @type {{ starter: import('node:child_process').ChildProcess | null, pids: Record<string, number> | null, starts: number }} */
  const shop = { starter: null, pids: null, starts: 0 };
  const open = () => {
    if (isOver) return;
    shop.starts++;
    const child = spawn(
      process.execPath,
      ['scripts/lib/torture-shop.mjs', home, String(databasePort), String(webPort)],
      {
        cwd: CHECKOUT,
        stdio: ['ignore', 'pipe', 'inherit'],
        env: { ...process.env, HUSH_PAIL_SESSION_SECRET: SECRET },
      },
    );
    shop.starter = child;
    child.stdout.on('data', (text) => {
      try {
        shop.pids = JSON.parse(String(text));
      } catch {
        // Words of the framework, and no process numbers.
      }
    });
    child.once('exit', () => {
      shop.pids = null;
      setTimeout(open, 150);
    });
  };
  open();
  return shop;
}

const kill = (/** @type {number} */ pid) => {
  try {
    process.kill(pid, 'SIGKILL');
  } catch {
    // It has just ended by itself.
  }
};

/** What is killed, the likelier the oftener it stands here. */
const WHICH = ['web', 'web', 'web', 'database', 'database', 'starter'];
/** Kills one of the three at a random moment, again and again, once the shop stands. */
async function killAgainAndAgain(/** @type {any} */ shop, /** @type {number} */ times) {
  /** @type {Record<string, number>} */
  const killed = { web: 0, database: 0, starter: 0 };
  for (let n = 0; n < times;) {
    await new Promise((r) => setTimeout(r, 150 + Math.random() * 900));
    if (!shop.pids) continue;
    const which = WHICH[Math.floor(Math.random() * WHICH.length)] ?? 'web';
    kill(which === 'starter' ? shop.starter?.pid : shop.pids[which]);
    killed[which] = (killed[which] ?? 0) + 1;
    n++;
    if (n % 25 === 0) console.log(`${n} kills`);
  }
  return killed;
}

function clients(
  /** @type {string} */ task,
  /** @type {string[]} */ args,
  /** @type {Record<string, string | undefined>} */ env,
) {
  const child = spawn(process.execPath, [bin('tsx'), 'scripts/torture-clients.ts', task, ...args], {
    cwd: CHECKOUT,
    stdio: ['pipe', 'inherit', 'inherit'],
    env: { ...process.env, ...env, HUSH_PAIL_SESSION_SECRET: SECRET },
  });
  const ended = new Promise((resolve) => child.once('exit', resolve));
  return { child, ended };
}

let failed = 0;
try {
  await prepareMachine();
  initCluster(home, { password: 'none', throwaway: true });
  const databasePort = await freePort(17400);
  const webPort = await freePort(4300);
  const owner = `postgres://${OWNER}@127.0.0.1:${databasePort}`;
  const cluster = await startCluster(home, { port: databasePort });
  databaseTask('prepare', { HUSH_PAIL_OWNER_URL: `${owner}/torture`, HUSH_PAIL_APP_PASSWORD: 'cafe' });
  if (only.includes('races')) {
    const run = spawnSync(
      process.execPath,
      [bin('jest'), '--selectProjects', 'database', '--testPathPatterns', 'tests/database/races'],
      {
        cwd: CHECKOUT,
        stdio: 'inherit',
        env: { ...process.env, HUSH_PAIL_TEST_DATABASE: owner, HUSH_PAIL_TORTURE: '1' },
      },
    );
    failed += run.status === 0 ? 0 : 1;
  }
  await cluster.stop();
  if (only.includes('kills') || only.includes('bodies')) {
    ensureBuild({ runningPid: runningCopy()?.pid ?? null });
    const shop = keepOpen(databasePort, webPort);
    const env = { TORTURE_OWNER: `${owner}/torture`, TORTURE_WEB: `http://127.0.0.1:${webPort}` };
    if (only.includes('kills')) {
      const { child, ended } = clients('tap', [], env);
      const killed = await killAgainAndAgain(shop, Number(option('kills', '200')));
      console.log(`killed: ${JSON.stringify(killed)}; started ${shop.starts} times`);
      child.stdin.write('enough\n');
      failed += (await ended) === 0 ? 0 : 1;
    }
    if (only.includes('bodies'))
      failed += (await clients('bodies', [option('bodies', '10000')], env).ended) === 0 ? 0 : 1;
    isOver = true;
    const closed = new Promise((resolve) => shop.starter?.once('exit', resolve));
    shop.starter?.kill('SIGTERM');
    await closed;
  }
  rmSync(scratch, { recursive: true, force: true });
  process.exit(failed > 0 ? 1 : 0);
} catch (error) {
  isOver = true;
  rmSync(scratch, { recursive: true, force: true });
  tellFault(error);
}
