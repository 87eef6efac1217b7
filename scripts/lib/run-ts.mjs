import { spawnSync } from 'node:child_process';
import { ensurePackages } from './packages.mjs';
import { CHECKOUT, bin, tellFault } from './paths.mjs';

/** Runs one of our TypeScript scripts from the checkout's root, once the packages are there, and ends with its code. */
export async function runTs(/** @type {string} */ script, args = process.argv.slice(2)) {
  await ensurePackages({ quiet: true }).catch(tellFault);
  const run = spawnSync(process.execPath, [bin('tsx'), `scripts/${script}`, ...args], {
    cwd: CHECKOUT,
    stdio: 'inherit',
  });
  process.exit(run.status ?? 1);
}
