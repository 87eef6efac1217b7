// npm run psql: the database of this checkout's shop, as its owner, whether the shop is open or not.
import { spawnSync } from 'node:child_process';
import path from 'node:path';
import { serverFolder } from './lib/cluster.mjs';
import { CHECKOUT, tellFault } from './lib/paths.mjs';
import { besideShop } from './lib/shop-cluster.mjs';

const HELP = `npm run psql [-- -c "select count(*) from lot"]
  Opens psql on the database of this checkout's shop, as its owner: row-level security does not bind it.
  What follows -- is handed to psql.`;
if (process.argv.includes('--help')) {
  console.log(HELP);
  process.exit(0);
}
try {
  await besideShop((/** @type {string} */ url) => {
    const run = spawnSync(path.join(serverFolder() ?? '', 'psql'), [url, ...process.argv.slice(2)], {
      cwd: CHECKOUT,
      stdio: 'inherit',
    });
    process.exitCode = run.status ?? 1;
  });
} catch (error) {
  tellFault(error);
}
