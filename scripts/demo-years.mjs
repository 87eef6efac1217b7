// npm run demo-years -- 5: puts years of history behind the demo shop.
import { giveUp, tellFault } from './lib/paths.mjs';
import { shopTask } from './lib/shop-cluster.mjs';

const HELP = `npm run demo-years -- 5
  Puts so many years behind the demo shop: a year is 2,000 deliveries of 20,000 lots, 300,000 entries of the
  record, 8,000 arrangements and 600 claims. Some minutes for five. "npm run reset-demo" takes it away again.`;
if (process.argv.includes('--help')) {
  console.log(HELP);
  process.exit(0);
}
const years = Number(process.argv[2] ?? 5);
if (!(years > 0 && years <= 20)) giveUp('How many years? A number up to 20.');
try {
  await shopTask('years', { HUSH_PAIL_YEARS: String(years) });
} catch (error) {
  tellFault(error);
}
