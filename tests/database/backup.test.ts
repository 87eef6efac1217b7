import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import {
  backUp,
  backupsIn,
  beforeChanges,
  contentsOf,
  hasOwnShop,
  isBackupDue,
  restoreFrom,
} from '../../scripts/lib/backup.mjs';
import { connectAsOwner } from '@/data/connection';
import { backedUpBefore } from '../../scripts/lib/backed-up-before';
import { migrate } from '@/data/migrate';
import { freshShop, olderShop, type TestShop } from '../support/database';

let shop: TestShop;
let url = '';
const folder = mkdtempSync(path.join(os.tmpdir(), 'hush-pail-backups-'));
beforeAll(async () => {
  shop = await freshShop();
  await shop.bookLot(40, 'KEPT-1');
  url = shop.ownerUrl;
});
afterAll(async () => {
  await shop.close();
  rmSync(folder, { recursive: true });
});

const at = (minute: number) => ({ at: new Date(Date.UTC(2026, 10, 24, 7, minute)), keep: 2 });
/** Nobody is connected while a database is replaced. */
const alone = async (): Promise<void> => {
  await Promise.all([shop.owner.destroy(), shop.app.destroy()]);
};

test('the drill: backed up, lost, brought back, and every row of every table is as it was', async () => {
  const before = await contentsOf(url);
  const { file, contents } = await backUp(url, folder, at(0));
  expect(contents).toEqual(before);
  expect(statSync(file).mode & 0o077).toBe(0);
  expect(Object.keys(before)).toEqual(expect.arrayContaining(['lot', 'lot_photo', 'record_entry']));
  // Another computer, with another zone and another way to write dates, reads the same of it.
  const name = new URL(url).pathname.slice(1);
  await shop.owner.raw(`alter database ?? set timezone = 'Asia/Tokyo'`, [name]);
  await shop.owner.raw(`alter database ?? set datestyle = 'German'`, [name]);
  expect(await contentsOf(url)).toEqual(before);
  await shop.owner.raw(
    `drop table care_card cascade; set session_replication_role = replica; delete from lot`,
  );
  expect(await contentsOf(url)).not.toEqual(before);
  await alone();
  expect(await restoreFrom(url, file)).toEqual(before);
  expect(await contentsOf(url)).toEqual(before);
  // Its rules came back with it: nobody takes an entry out of the record.
  const again = connectAsOwner(url, 1);
  await expect(again('record_entry').delete()).rejects.toThrow();
  await again.destroy();
});

test('a file that is broken or was written over changes nothing, and leaves nothing lying about', async () => {
  const before = await contentsOf(url);
  const { file } = await backUp(url, folder, at(1));
  const whole = readFileSync(file);
  writeFileSync(file, whole.subarray(0, whole.length / 2));
  await expect(restoreFrom(url, file)).rejects.toThrow('not as it was written');
  rmSync(`${file}.json`);
  await expect(restoreFrom(url, file)).rejects.toThrow('pg_restore did not finish');
  expect(await contentsOf(url)).toEqual(before);
  rmSync(file);
  expect(readdirSync(folder).filter((name) => name.endsWith('.part'))).toEqual([]);
});

test('so many are kept, the newest; one that could not be made is none', async () => {
  for (const minute of [2, 3, 4]) await backUp(url, folder, at(minute));
  const kept = backupsIn(folder).map((file: string) => path.basename(file));
  expect(kept).toEqual(['hush-pail-2026-11-24T07-04-00Z.dump', 'hush-pail-2026-11-24T07-03-00Z.dump']);
  // The night after the newest the next is due; in a folder with none, at once.
  expect(isBackupDue(folder, Date.UTC(2026, 10, 25, 3, 3, 59))).toBe(false);
  expect(isBackupDue(folder, Date.UTC(2026, 10, 25, 3, 4))).toBe(true);
  expect(isBackupDue(path.join(folder, 'none'), 0)).toBe(true);
  const nowhere = new URL(url);
  nowhere.pathname = '/nothing_here';
  await expect(backUp(nowhere.href, folder, at(5))).rejects.toThrow('pg_dump did not finish');
  expect(backupsIn(folder)).toHaveLength(2);
});

test('before its shape changes an own shop is backed up; a demo alone, or one of today’s shape, is not', async () => {
  const older = await olderShop();
  try {
    expect(await backedUpBefore(older.owner, older.ownerUrl, folder)).toBeNull();
    expect(await hasOwnShop(older.ownerUrl)).toBe(false);
    await older.owner('shop').update({ demo: false });
    expect(await hasOwnShop(older.ownerUrl)).toBe(true);
    const kept = await backedUpBefore(older.owner, older.ownerUrl, folder);
    expect(kept).toMatch(/\.dump$/);
    expect(backupsIn(beforeChanges(folder))).toEqual([kept]);
    // Daily ones go by their own number, and never for it: it is the way back from a change.
    for (const minute of [20, 21, 22]) await backUp(url, folder, at(minute));
    expect(backupsIn(folder)).toHaveLength(2);
    expect(backupsIn(beforeChanges(folder))).toEqual([kept]);
    await migrate(older.owner);
    expect(await backedUpBefore(older.owner, older.ownerUrl, folder)).toBeNull();
  } finally {
    await older.close();
  }
});
