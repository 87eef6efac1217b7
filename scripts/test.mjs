// npm test: the same preparation as npm start, then format, lint, directions, types, unit, database and browser tests.
import { spawn, spawnSync } from 'node:child_process';
import { chmodSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { OWNER, freePort, initCluster, startCluster } from './lib/cluster.mjs';
import { CHECKOUT, bin, readJson, tellFault } from './lib/paths.mjs';
import { ensureBuild, prepareMachine } from './lib/prepare.mjs';
import { runningCopy } from './lib/running.mjs';
import { openTestShop } from './lib/test-shop.mjs';

const HELP = `npm test [-- --only=unit,database,browser]
  Prepares everything on a bare clone, then runs: format, lint, directions, unused, types, unit, database, browser.
  --only=…   just those of the steps, by name`;
if (process.argv.includes('--help')) {
  console.log(HELP);
  process.exit(0);
}
const only =
  process.argv
    .find((a) => a.startsWith('--only='))
    ?.slice(7)
    .split(',') ?? null;
const wants = (/** @type {string} */ name) => only === null || only.includes(name);
const tally = { passed: 0, failed: 0 };
/** @type {string[]} */
const failures = [];

function run(
  /** @type {string} */ name,
  /** @type {string} */ command,
  /** @type {string[]} */ args,
  env = {},
) {
  const started = Date.now();
  const done = spawnSync(process.execPath, [bin(command), ...args], {
    cwd: CHECKOUT,
    stdio: 'inherit',
    env: { ...process.env, ...env },
  });
  const seconds = ((Date.now() - started) / 1000).toFixed(1);
  console.log(`${done.status === 0 ? 'ok  ' : 'FAIL'} ${name} (${seconds} s)`);
  if (done.status !== 0) failures.push(name);
}

/** The same for a child that must not block us: the browser tests ask our control server meanwhile. */
function runBeside(
  /** @type {string} */ name,
  /** @type {string} */ command,
  /** @type {string[]} */ args,
  /** @type {Record<string, string | undefined>} */ env,
) {
  const started = Date.now();
  return new Promise((resolve) => {
    const child = spawn(process.execPath, [bin(command), ...args], {
      cwd: CHECKOUT,
      stdio: 'inherit',
      env: { ...process.env, ...env },
    });
    child.once('exit', (code) => {
      console.log(
        `${code === 0 ? 'ok  ' : 'FAIL'} ${name} (${((Date.now() - started) / 1000).toFixed(1)} s)`,
      );
      if (code !== 0) failures.push(name);
      resolve(undefined);
    });
  });
}

function runJest(
  /** @type {string} */ name,
  /** @type {string} */ projects,
  /** @type {Record<string, string | undefined>} */ env,
  /** @type {string} */ scratch,
) {
  const report = path.join(scratch, `${projects}.json`);
  run(name, 'jest', ['--selectProjects', projects, '--json', `--outputFile=${report}`], env);
  const counts = readJson(report);
  tally.passed += counts?.numPassedTests ?? 0;
  tally.failed += (counts?.numFailedTests ?? 0) + (counts?.numRuntimeErrorTestSuites ?? (counts ? 0 : 1));
}

function countBrowser(/** @type {string} */ report) {
  const counts = JSON.parse(readFileSync(report, 'utf8')).stats;
  tally.passed += counts.expected + counts.flaky;
  tally.failed += counts.unexpected;
}

/** The browser tests in two workers, each with a shop of its own, so that nobody meets another's lots. */
const BROWSER_WORKERS = 2;

async function browserTests(
  /** @type {string} */ scratch,
  /** @type {Awaited<ReturnType<typeof openTestShop>>[]} */ shops,
) {
  ensureBuild({ runningPid: runningCopy()?.pid ?? null });
  for (let n = 0; n < BROWSER_WORKERS; n++) shops.push(await openTestShop(scratch, n));
  const report = path.join(scratch, 'browser.json');
  await runBeside('browser', 'playwright', ['test'], {
    HUSH_PAIL_TEST_URL: shops.map((s) => s.url).join(','),
    HUSH_PAIL_TEST_CONTROL: shops.map((s) => s.control).join(','),
    PLAYWRIGHT_JSON_OUTPUT_NAME: report,
  });
  countBrowser(report);
}

const scratch = mkdtempSync(path.join(os.tmpdir(), 'hush-pail-'));
const home = path.join(scratch, 'cluster');
/** @type {{ cluster: Awaited<ReturnType<typeof startCluster>> | null }} */
const holder = { cluster: null };
/** @type {Awaited<ReturnType<typeof openTestShop>>[]} */
const shops = [];
let interrupted = false;
async function cleanUp() {
  await holder.cluster?.stop();
  await Promise.all(shops.map((shop) => shop.stop()));
  rmSync(scratch, { recursive: true, force: true });
}
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => {
    interrupted = true;
    void cleanUp().then(() => process.exit(130));
  });
try {
  await prepareMachine({ browser: wants('browser') });
  if (wants('format')) run('format', 'prettier', ['--check', '--log-level=warn', '.']);
  if (wants('lint')) run('lint', 'eslint', ['.', '--max-warnings=0']);
  if (wants('directions'))
    run('directions', 'depcruise', [
      '--config',
      '.dependency-cruiser.cjs',
      '--output-type',
      'err',
      'src',
      'scripts',
    ]);
  if (wants('unused')) run('unused', 'knip', []);
  if (wants('types')) {
    run('types', 'tsc', ['--noEmit']);
    run('types of the scripts', 'tsc', ['-p', 'tsconfig.scripts.json']);
  }
  if (wants('unit')) runJest('unit', 'unit', {}, scratch);
  if (wants('database') || wants('browser')) chmodSync(scratch, 0o711);
  if (wants('database')) {
    initCluster(home, { password: 'none', throwaway: true });
    const cluster = await startCluster(home, { port: await freePort(16500), throwaway: true });
    holder.cluster = cluster;
    runJest(
      'database',
      'database',
      { HUSH_PAIL_TEST_DATABASE: `postgres://${OWNER}@127.0.0.1:${cluster.port}` },
      scratch,
    );
  }
  if (wants('browser'))
    await browserTests(scratch, /** @type {Awaited<ReturnType<typeof openTestShop>>[]} */ shops);
  await cleanUp();
  console.log(`\n${tally.passed} passed, ${tally.failed} failed`);
  if (failures.length > 0) console.error(`Not in order: ${failures.join(', ')}`);
  process.exit(failures.length > 0 ? 1 : 0);
} catch (error) {
  await cleanUp().catch(() => {});
  if (!interrupted) tellFault(error);
}
