// npm run backup: all shops of this checkout in one file, tried by bringing it back beside.
import path from 'node:path';
import { backUp } from './lib/backup.mjs';
import { STATE, tellFault } from './lib/paths.mjs';
import { besideShop } from './lib/shop-cluster.mjs';
import { backUpShop } from './lib/todays-shape.mjs';

const HELP = `npm run backup [-- --to=FOLDER] [--keep=14] [--shop=NAME]
  Writes every shop of this checkout, photographs too, into one file of PostgreSQL's own format, brings it
  back into a database beside and reads it there; older files go, but for so many. Works while the shop runs.
  --to=FOLDER  where it is written; ${path.join(STATE, 'backups')} where it is not said. Best on another disk.
  --keep=14    how many are kept
  --shop=NAME  one shop alone, as at the end of its sign-in address; its files stand beside the others`;

if (process.argv.includes('--help')) {
  console.log(HELP);
  process.exit(0);
}
const said = (/** @type {string} */ name) =>
  process.argv.find((a) => a.startsWith(`--${name}=`))?.slice(name.length + 3);
const keep = Number(said('keep') ?? 14);
try {
  if (!Number.isInteger(keep) || keep < 1)
    throw new Error('--keep is a whole number from 1. Nothing was written.');
  await besideShop(async (/** @type {string} */ url) => {
    const began = Date.now();
    const [to, slug] = [said('to') ?? path.join(STATE, 'backups'), said('shop')];
    const { file, bytes, contents } = await (slug
      ? backUpShop(url, to, { slug, at: new Date(), keep })
      : backUp(url, to, { at: new Date(), keep }));
    const rows = Object.values(contents).reduce((sum, of) => sum + Number(String(of).split(' ')[0]), 0);
    console.log(
      `${file}\n${(bytes / 2 ** 20).toFixed(1)} MB, ${rows} rows of ${Object.keys(contents).length} tables, brought back and read, ${((Date.now() - began) / 1000).toFixed(1)} s`,
    );
  });
} catch (error) {
  tellFault(error);
}
