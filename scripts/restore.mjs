// npm run restore: a backup in the place of what stands here, which is backed up before.
import { existsSync } from 'node:fs';
import path from 'node:path';
import { backUp, backupsIn, beforeChanges, restoreFrom } from './lib/backup.mjs';
import { STATE, tellFault } from './lib/paths.mjs';
import { runningCopy } from './lib/running.mjs';
import { besideShop, giveShape, shopTask } from './lib/shop-cluster.mjs';
import { shopFromBackup } from './lib/todays-shape.mjs';

const HELP = `npm run restore -- FILE --over=hush_pail
  Puts a backup in the place of all shops of this checkout. What stands here is backed up before; a file that
  is broken changes nothing. The shop must be stopped. --over names what is replaced, so that nobody does it
  by mistake. A shop that is here and not in the file is not lost by it: --losing=NAME says that it may be.
       npm run restore -- FILE --shop=NAME --over=NAME
  Puts one shop of a backup in the place of itself, or where it is not; no other shop's rows are touched. NAME is
  what stands at the end of its sign-in address. Its people sign in anew. Also from an older version's backup.
  On a new computer: clone, "npm run restore -- FILE --over=hush_pail", "npm start".`;
const DATABASE = 'hush_pail';

if (process.argv.includes('--help')) {
  console.log(HELP);
  process.exit(0);
}
const said = (/** @type {string} */ name) =>
  process.argv.find((a) => a.startsWith(`--${name}=`))?.slice(name.length + 3);
const [file] = process.argv.slice(2).filter((a) => !a.startsWith('--'));
const folder = path.join(STATE, 'backups');
try {
  if (!file || !existsSync(file)) {
    const known = [...backupsIn(folder), ...backupsIn(beforeChanges(folder))];
    throw new Error(
      `Which backup? Nothing was changed.\n${known.length > 0 ? `Here are:\n${known.join('\n')}` : `There is none in ${folder}.`}`,
    );
  }
  const slug = said('shop');
  if (said('over') !== (slug ?? DATABASE))
    throw new Error(
      slug
        ? `This replaces all that ${slug} has. Say so: npm run restore -- ${file} --shop=${slug} --over=${slug}`
        : `This replaces all that every shop here has. Say so: npm run restore -- ${file} --over=${DATABASE}`,
    );
  if (runningCopy())
    throw new Error('The shop is open. Nothing was changed; stop it first (Ctrl-C where it runs).');
  // The roles and the database have to be there, also on a new computer.
  await shopTask('prepare', { HUSH_PAIL_DEMO: 'none' });
  await besideShop(async (/** @type {string} */ url) => {
    // None goes for it: the one that is to come back may be the oldest.
    const before = await backUp(url, beforeChanges(folder), { at: new Date(), keep: Infinity });
    console.log(`What stood here is kept: ${before.file}`);
    if (slug) {
      const { shop, tables } = await shopFromBackup(url, { file, slug, shape: giveShape });
      const rows = Object.values(tables).reduce((sum, n) => sum + n, 0);
      console.log(`${shop} is back, ${rows} rows. Start the shop: npm start`);
      return;
    }
    const contents = await restoreFrom(url, file, said('losing')?.split(','));
    console.log(`${Object.keys(contents).length} tables are back. Start the shop: npm start`);
  });
} catch (error) {
  tellFault(error);
}
