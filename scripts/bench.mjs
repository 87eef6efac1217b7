// npm run bench: how fast the model runs here. Figures, never a test.
import { runTs } from './lib/run-ts.mjs';

if (process.argv.includes('--help')) {
  console.log(`npm run bench
  Prints stem-hours a second of lots and of an arrangement, the median times of a stock list, an
  arrangement with its first band and a ranking of habits, memory, and the speed-up over the plain twin.`);
  process.exit(0);
}
await runTs('bench.ts', []);
