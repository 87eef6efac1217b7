// npm run import: a shop that was exported elsewhere, beside those that are here.
import { randomBytes } from 'node:crypto';
import path from 'node:path';
import { tellFault } from './lib/paths.mjs';
import { besideShop, giveShape, shopTask } from './lib/shop-cluster.mjs';
import { shopFromExport } from './lib/todays-shape.mjs';

const HELP = `npm run import -- FOLDER [--as=NAME]
  Brings a shop that "npm run export" wrote, here or elsewhere, by this version or an older one: all of it, record
  and photographs too, in one go or not at all. Shops that are here are not touched; one that is here already is
  refused. An export holds no PINs and passwords: the owner's new password is printed once, the others are given
  theirs at the desk, under People. Works while the shop runs.
  --as=NAME  the end of its sign-in address here, where it is to be another or is taken`;

if (process.argv.includes('--help')) {
  console.log(HELP);
  process.exit(0);
}
const [folder] = process.argv.slice(2).filter((a) => !a.startsWith('--'));
const slug = process.argv.find((a) => a.startsWith('--as='))?.slice(5);
try {
  if (!folder) throw new Error(`Which folder? Nothing was changed.\n${HELP}`);
  // The roles and the database have to be there, also on a new computer.
  await shopTask('prepare', { HUSH_PAIL_DEMO: 'none' });
  const { hash } = await import('@node-rs/argon2');
  const password = randomBytes(9).toString('base64url');
  const [unknownHash, ownersHash] = await Promise.all([hash(randomBytes(32)), hash(password)]);
  const from = path.resolve(folder);
  const found = await besideShop((/** @type {string} */ url) =>
    shopFromExport(url, {
      folder: from,
      ...(slug ? { slug } : {}),
      unknownHash,
      ownersHash,
      shape: giveShape,
    }),
  );
  const rows = Object.values(found.tables).reduce((sum, n) => sum + n, 0);
  console.log(`${found.shop} is here: ${rows} rows. It signs in at /sign-in?shop=${found.slug}`);
  if (found.ownersLogin)
    console.log(`"${found.ownersLogin}" signs in with: ${password}\nChange it at the desk, under People.`);
} catch (error) {
  tellFault(error);
}
