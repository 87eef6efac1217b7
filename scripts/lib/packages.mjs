import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { CHECKOUT, LOCAL, giveUp, isRoot } from './paths.mjs';

const STAMP = path.join(CHECKOUT, 'node_modules', '.hush-pail-lock');
/** @type {Record<string, string>} */
const APT_PACKAGES = { postgres: 'postgresql', chromium: 'chromium' };

function lockHash() {
  return createHash('sha256')
    .update(readFileSync(path.join(CHECKOUT, 'package-lock.json')))
    .digest('hex');
}

const LOCK = path.join(LOCAL, 'installing');
const isUpToDate = (/** @type {string} */ wanted) =>
  existsSync(STAMP) && readFileSync(STAMP, 'utf8') === wanted;

/** Takes the lock on installing; a lock whose holder has gone counts for nothing. */
function takeLock() {
  mkdirSync(LOCAL, { recursive: true });
  try {
    writeFileSync(LOCK, String(process.pid), { flag: 'wx' });
    return true;
  } catch (error) {
    if (/** @type {NodeJS.ErrnoException} */ (error).code !== 'EEXIST') throw error;
    const holder = readFileSync(LOCK, 'utf8');
    if (holder !== '' && !existsSync(`/proc/${holder}`)) rmSync(LOCK, { force: true });
    return false;
  }
}

/**
 * Runs `npm ci` when the packages are missing or the lock file has changed since they were put there.
 * Another copy that is at it is waited for: two at once would tear each other's folders down.
 */
export async function ensurePackages({ quiet = false } = {}) {
  const wanted = lockHash();
  if (isUpToDate(wanted)) return;
  if (!quiet) console.log('Installing packages (about a minute, once) …');
  while (!takeLock()) await sleep(300);
  try {
    if (isUpToDate(wanted)) return;
    const run = spawnSync('npm', ['ci', '--include=dev', '--no-audit', '--no-fund', '--loglevel=error'], {
      cwd: CHECKOUT,
      stdio: ['ignore', quiet ? 'ignore' : 'inherit', 'inherit'],
    });
    if (run.error || run.status !== 0)
      throw new Error(
        'The packages could not be installed. With a network, run "npm ci" in the checkout, then this again.',
      );
    writeFileSync(STAMP, wanted);
  } finally {
    rmSync(LOCK, { force: true });
  }
}

function aptInstall(/** @type {string[]} */ names) {
  if (!isRoot) return false;
  console.log(`Installing ${names.join(' and ')} from Debian …`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const apt = (/** @type {string[]} */ ...args) =>
    spawnSync('apt-get', ['-qq', ...args], { stdio: ['ignore', 'ignore', 'inherit'], env }).status === 0;
  return apt('install', '-y', ...names) || (apt('update') && apt('install', '-y', ...names));
}

/** Installs what Debian packages are missing, or says the one line that does. */
export function ensureDebianPackages(/** @type {string[]} */ missing) {
  if (missing.length === 0) return;
  const names = missing.map((m) => APT_PACKAGES[m] ?? m);
  if (!aptInstall(names))
    giveUp(
      `Missing: ${names.join(', ')}. Run this once, then start again:\n  sudo apt-get install -y ${names.join(' ')}`,
    );
}
