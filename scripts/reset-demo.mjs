// npm run reset-demo: throws the demo world away and starts it afresh, dated to today; or takes it out.
import path from 'node:path';
import { backUp, beforeChanges, hasOwnShop } from './lib/backup.mjs';
import { STATE, tellFault } from './lib/paths.mjs';
import { besideShop, shopTask } from './lib/shop-cluster.mjs';

/** What its sign-in address ends with. */
const DEMO = 'slow-tide';
const HELP = `npm run reset-demo [-- --remove] [--shop=${DEMO}]
  Empties the demo shop and loads it afresh, dated to today (or to HUSH_PAIL_NOW). Works while the shop runs.
  --remove       takes it out and loads none; HUSH_PAIL_DEMO=none keeps it out at the next start
  --shop=${DEMO}  where a shop of your own stands beside it: names what goes, so that nobody does it by mistake.
                 All shops are backed up before; yours keeps every row.`;
/** So many of those made before a change are kept. */
const KEEP = 30;

if (process.argv.includes('--help')) {
  console.log(HELP);
  process.exit(0);
}
try {
  await besideShop(async (/** @type {string} */ url) => {
    // There is none where nothing was ever made.
    const isOwn = await hasOwnShop(url).catch((/** @type {any} */ error) => {
      if (['3D000', '42P01'].includes(error.code)) return false;
      throw error;
    });
    if (!isOwn) return;
    if (!process.argv.includes(`--shop=${DEMO}`))
      throw new Error(
        `A shop of your own stands beside the demo. Nothing was changed; say what goes: npm run reset-demo -- --shop=${DEMO}`,
      );
    const { file } = await backUp(url, beforeChanges(path.join(STATE, 'backups')), {
      at: new Date(),
      keep: KEEP,
    });
    console.log(`What stood here is kept: ${file}`);
  });
  const isRemoved = process.argv.includes('--remove');
  await shopTask('reset', isRemoved ? { HUSH_PAIL_DEMO: 'none' } : {});
  console.log(
    isRemoved
      ? 'The demo is gone. Start with HUSH_PAIL_DEMO=none, or it comes back.'
      : 'The demo world is fresh. Everyone signs in again.',
  );
} catch (error) {
  tellFault(error);
}
