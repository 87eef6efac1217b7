// npm run one -- <name>: the tests of the files whose path has that name, in seconds.
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, readdirSync, rmSync, chmodSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { OWNER } from './lib/cluster.mjs';
import { CHECKOUT, bin, giveUp, tellFault } from './lib/paths.mjs';
import { ensureBuild, prepareMachine } from './lib/prepare.mjs';
import { runningCopy } from './lib/running.mjs';
import { openTestShop } from './lib/test-shop.mjs';
import { warmCluster } from './lib/warm-cluster.mjs';

const HELP = `npm run one -- <name> [words of a test]
  Runs the test files whose path has that name: those of the core by themselves, those of the database against a
  server that stays warm for half an hour, those of the browser in a shop of their own.
  npm run one -- dock-look
  npm run one -- carry-over "none is carried twice"`;
const [name, words] = process.argv.slice(2);
if (name === '--help' || name === undefined) {
  console.log(HELP);
  process.exit(name === undefined ? 1 : 0);
}

const filesIn = (/** @type {string} */ folder) =>
  readdirSync(path.join(CHECKOUT, folder), { recursive: true, encoding: 'utf8' })
    .map((file) => path.join(folder, file))
    .filter((file) => /\.(test\.tsx?|spec\.ts)$/.test(file));

/** Not waited for in one go: what fails a shop's database for a test is answered by this process. */
async function run(/** @type {string} */ command, /** @type {string[]} */ args, env = {}) {
  const child = spawn(process.execPath, [bin(command), ...args], {
    cwd: CHECKOUT,
    stdio: 'inherit',
    env: { ...process.env, ...env },
  });
  const [status] = await once(child, 'exit');
  if (status !== 0) process.exitCode = 1;
}

async function inBrowser(/** @type {string[]} */ files) {
  ensureBuild({ runningPid: runningCopy()?.pid ?? null });
  const scratch = mkdtempSync(path.join(os.tmpdir(), 'hush-pail-'));
  chmodSync(scratch, 0o711);
  const shop = await openTestShop(scratch, 0);
  await run('playwright', ['test', ...files, '--reporter=list', ...(words ? ['-g', words] : [])], {
    HUSH_PAIL_TEST_URL: shop.url,
    HUSH_PAIL_TEST_CONTROL: shop.control,
  });
  await shop.stop();
  rmSync(scratch, { recursive: true, force: true });
}

try {
  const files = [...filesIn('src'), ...filesIn('tests')].filter((file) => file.includes(name));
  if (files.length === 0) giveUp(`No test file has "${name}" in its path.`);
  const browser = files.filter((file) => file.endsWith('.spec.ts'));
  const database = files.filter((file) => /^(src\/(data|server)|tests\/database)\//.test(file));
  const alone = files.filter((file) => !browser.includes(file) && !database.includes(file));
  await prepareMachine({ browser: browser.length > 0 });
  const named = words ? ['-t', words] : [];
  if (alone.length > 0)
    await run('jest', ['--selectProjects', 'unit', '--runTestsByPath', ...alone, ...named]);
  if (database.length > 0)
    await run('jest', ['--selectProjects', 'database', '--runTestsByPath', ...database, ...named], {
      HUSH_PAIL_TEST_DATABASE: `postgres://${OWNER}@127.0.0.1:${await warmCluster()}`,
    });
  if (browser.length > 0) await inBrowser(browser);
} catch (error) {
  tellFault(error);
}
