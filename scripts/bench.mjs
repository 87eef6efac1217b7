// npm run bench: how fast the model and the pages are here. Figures, never a test.
import { runTs } from './lib/run-ts.mjs';

if (process.argv.includes('--help')) {
  console.log(`npm run bench
  Prints stem-hours a second of lots and of an arrangement, the median times of a stock list, an
  arrangement with its first band and a ranking of habits, memory, and the speed-up over the plain twin.
npm run bench -- pages [years]
  Prints what each page takes (median, SQL, statements) in a new shop and with five years behind the same stock,
  beside an empty page of the same stack, at one connection and at fifty. Some minutes; on a database of its own.
npm run bench -- load [minutes]
  Has tablets read and tap for half an hour, and prints errors, times and memory as it goes.`);
  process.exit(0);
}
const [what, of] = process.argv.slice(2);
if (what === 'pages') await (await import('./bench-pages.mjs')).benchPages(Number(of ?? 5));
else if (what === 'load') await (await import('./bench-load.mjs')).benchLoad(Number(of ?? 30));
else await runTs('bench.ts', []);
