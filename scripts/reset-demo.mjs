// npm run reset-demo: throws the demo world away and starts it afresh, dated to today.
import { tellFault } from './lib/paths.mjs';
import { shopTask } from './lib/shop-cluster.mjs';

if (process.argv.includes('--help')) {
  console.log(
    'npm run reset-demo\n  Empties the demo shop and loads it afresh, dated to today (or to HUSH_PAIL_NOW). Works while the shop runs.\n  A shop of your own beside it keeps every row.',
  );
  process.exit(0);
}
try {
  await shopTask('reset');
  console.log('The demo world is fresh. Everyone signs in again.');
} catch (error) {
  tellFault(error);
}
