// Entry of the core's command line in plain Node: makes sure the packages are there, then runs it.
import { spawnSync } from 'node:child_process';
import { ensurePackages } from './lib/packages.mjs';
import { CHECKOUT, bin, tellFault } from './lib/paths.mjs';

await ensurePackages({ quiet: true }).catch(tellFault);
const run = spawnSync(process.execPath, [bin('tsx'), 'scripts/core.ts', ...process.argv.slice(2)], {
  cwd: CHECKOUT,
  stdio: 'inherit',
});
process.exit(run.status ?? 1);
