// npm run bench: how fast the model runs here. Figures, never a test.
import { spawnSync } from 'node:child_process';
import { ensurePackages } from './lib/packages.mjs';
import { CHECKOUT, bin, tellFault } from './lib/paths.mjs';

if (process.argv.includes('--help')) {
  console.log(
    'npm run bench\n  Prints the median times of a lot, a list of lots and an arrangement, and stem-hours a second.',
  );
  process.exit(0);
}
await ensurePackages({ quiet: true }).catch(tellFault);
const run = spawnSync(process.execPath, [bin('tsx'), 'scripts/bench.ts'], {
  cwd: CHECKOUT,
  stdio: 'inherit',
});
process.exit(run.status ?? 1);
