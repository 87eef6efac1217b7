// npm run export: everything of one shop as JSON and CSV, to read it elsewhere.
import path from 'node:path';
import { exportShop } from './lib/export-shop.mjs';
import { tellFault } from './lib/paths.mjs';
import { besideShop } from './lib/shop-cluster.mjs';

const HELP = `npm run export -- --to=FOLDER [--shop=NAME]
  Writes everything of one shop as it stands at one moment: json/TABLE.jsonl (a row a line), csv/TABLE.csv, and
  schema.json, which says what their columns are, what rows are told apart by and how many there are. Photographs
  are hexadecimal in their column. Hashes of PINs and passwords, sessions and wrong tries are left out: to bring
  a shop back take "npm run backup"; to have it on another computer, "npm run import". Works while the shop runs.
  --to=FOLDER  a folder that is not there yet
  --shop=NAME  which, where there are several: as at the end of its sign-in address`;

if (process.argv.includes('--help')) {
  console.log(HELP);
  process.exit(0);
}
const said = (/** @type {string} */ name) =>
  process.argv.find((a) => a.startsWith(`--${name}=`))?.slice(name.length + 3);
try {
  const to = said('to');
  if (!to) throw new Error('Where to? --to=FOLDER, one that is not there yet. Nothing was written.');
  const folder = path.resolve(to);
  const slug = said('shop');
  const { shop, tables } = await besideShop(async (/** @type {string} */ url) => {
    const { tsImport } = await import('tsx/esm/api');
    /** @type {typeof import('../src/core/csv/defused.ts')} */
    const { defusedCell } = await tsImport('../src/core/csv/defused.ts', import.meta.url);
    return exportShop(url, { ...(slug ? { slug } : {}), to: folder, defusedCell });
  });
  const rows = Object.values(tables).reduce((sum, n) => sum + n, 0);
  console.log(`${folder}\n${shop}: ${rows} rows of ${Object.keys(tables).length} tables`);
} catch (error) {
  tellFault(error);
}
