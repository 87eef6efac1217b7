// A shop from elsewhere or from before, in the shape this version has: worked out in a database beside.
import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { backUp, bringInto, databaseOf, dropped, urlOf } from './backup.mjs';
import { bringShop, keepOnly, toldOf } from './bring-shop.mjs';
import { exportShop } from './export-shop.mjs';

/** @typedef {(url: string, shape?: string) => unknown} Shape gives a database, made where it is not there, a shape */

/**
 * Hands a folder with one shop of today's shape to `work`, with all that signs people in; nothing is left of it after.
 * @template T
 * @param {string} url the database beside which it is worked out, as its owner
 * @param {{ slug?: string, fill: (scratch: string) => Promise<unknown>, shape: Shape }} how what puts the shop in
 * @param {(folder: string) => Promise<T>} work
 */
async function reshaped(url, { slug, fill, shape }, work) {
  const beside = `${databaseOf(url)}_beside`;
  const scratch = urlOf(url, beside);
  const folder = mkdtempSync(path.join(os.tmpdir(), 'hush-pail-shop-'));
  try {
    await dropped(url, beside);
    await fill(scratch);
    await shape(scratch);
    const to = path.join(folder, 'shop');
    // Nobody opens these as a spreadsheet: they are gone again in a moment.
    const defusedCell = (/** @type {string} */ text) => text;
    await exportShop(scratch, { ...(slug ? { slug } : {}), to, withSecrets: true, defusedCell });
    return await work(to);
  } finally {
    await dropped(url, beside);
    rmSync(folder, { recursive: true, force: true });
  }
}

/**
 * One shop of a backup, over itself or where it is not: no other shop's rows are touched.
 * @param {string} url
 * @param {{ file: string, slug: string, shape: Shape }} what
 */
export const shopFromBackup = (url, { file, slug, shape }) =>
  reshaped(url, { slug, shape, fill: (scratch) => bringInto(scratch, databaseOf(scratch), file) }, (folder) =>
    bringShop(url, { folder, over: true }),
  );

/**
 * The shop of an export, of this version or an older one, where it is not yet.
 * @param {string} url
 * @param {{ folder: string, slug?: string, unknownHash: string, ownersHash: string, shape: Shape }} what
 */
export async function shopFromExport(url, { folder, slug, unknownHash, ownersHash, shape }) {
  const { migration } = toldOf(folder);
  /** @type {string | null} */
  let ownersLogin = null;
  const fill = async (/** @type {string} */ scratch) => {
    await shape(scratch, migration);
    ({ ownersLogin } = await bringShop(scratch, { folder, unknownHash, ownersHash }));
  };
  const brought = await reshaped(url, { shape, fill }, (today) =>
    bringShop(url, { folder: today, ...(slug ? { slug } : {}) }),
  );
  return { ...brought, ownersLogin };
}

/** Writes one shop into a file of its own, as a backup of all is written, and tries it the same way. */
export async function backUpShop(
  /** @type {string} */ url,
  /** @type {string} */ folder,
  /** @type {{ slug: string, at: Date, keep: number }} */ { slug, at, keep },
) {
  const beside = `${databaseOf(url)}_beside`;
  const scratch = urlOf(url, beside);
  const temporary = mkdtempSync(path.join(os.tmpdir(), 'hush-pail-shop-'));
  try {
    const { file } = await backUp(url, temporary, { at, keep: 1 });
    await bringInto(url, beside, file);
    await keepOnly(scratch, slug);
    return await backUp(scratch, folder, { at, keep, named: `shop-${slug}` });
  } finally {
    await dropped(url, beside);
    rmSync(temporary, { recursive: true, force: true });
  }
}
