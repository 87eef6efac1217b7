import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import Papa from 'papaparse';
import { backUp, restoreFrom } from '../../scripts/lib/backup.mjs';
import { defusedCell } from '@/core/csv/defused';
import { exportShop } from '../../scripts/lib/export-shop.mjs';
import { insertShop } from '@/data/shops';
import { newId } from '@/data/ids';
import { inShop } from '@/data/connection';
import { freshShop, type TestShop } from '../support/database';

let shop: TestShop;
const folder = mkdtempSync(path.join(os.tmpdir(), 'hush-pail-export-'));
const to = (name: string): string => path.join(folder, name);
const read = (at: string, file: string): string => readFileSync(path.join(to(at), file), 'utf8');
const linesOf = (at: string, table: string): Record<string, unknown>[] =>
  read(at, `json/${table}.jsonl`)
    .split('\n')
    .filter((line) => line !== '')
    .map((line) => JSON.parse(line) as Record<string, unknown>);
/** Every file of an export with what stands in it. */
const filesOf = (at: string): Record<string, string> =>
  Object.fromEntries(
    readdirSync(to(at), { recursive: true, encoding: 'utf8' })
      .filter((file) => statSync(path.join(to(at), file)).isFile())
      .sort()
      .map((file) => [file, read(at, file)]),
  );

beforeAll(async () => {
  shop = await freshShop();
  await shop.bookLot(40, '=1+1 "quoted", and more');
  const id = newId();
  await inShop(shop.app, id, (trx) =>
    insertShop(
      trx,
      {
        ...{ id, slug: 'other', name: 'The Other One', timeZone: 'Europe/Oslo', demo: false, pails: [] },
        people: [{ name: 'Somebody Else', role: 'owner', login: 'else', secretHash: 'a hash of theirs' }],
        rooms: [{ kind: 'bench', name: 'Bench', tempC: 18, humidityPct: 60, litHours: 11 }],
      },
      new Date(),
    ),
  );
});
afterAll(async () => {
  await shop.close();
  rmSync(folder, { recursive: true });
});

test('every row of the shop and none of another’s, the same as JSON and as CSV', async () => {
  const { tables } = await exportShop(shop.ownerUrl, { slug: 'other', to: to('other'), defusedCell });
  expect(linesOf('other', 'person').map((p) => p.name)).toEqual(['Somebody Else']);
  expect(tables.lot).toBe(0);
  const { slug } = await shop.owner('shop').where({ id: shop.shopId }).first<{ slug: string }>('slug');
  const mine = await exportShop(shop.ownerUrl, { slug, to: to('mine'), defusedCell });
  expect(JSON.stringify(filesOf('mine'))).not.toMatch(/Somebody Else|The Other One/);
  for (const [table, rows] of Object.entries(mine.tables)) {
    const where = table === 'shop' ? { id: shop.shopId } : { shop_id: shop.shopId };
    const [counted] = await shop.owner(table).where(where).count<{ count: string }[]>();
    expect([table, rows]).toEqual([table, Number(counted?.count)]);
    expect(linesOf('mine', table)).toHaveLength(rows);
    const csv = Papa.parse<Record<string, string>>(read('mine', `csv/${table}.csv`).trimEnd(), {
      header: true,
    });
    expect([table, csv.errors, csv.data.length]).toEqual([table, [], rows]);
  }
  expect(mine.tables.lot).toBeGreaterThan(0);
  expect(mine.tables.record_entry).toBeGreaterThan(0);
});

test('what a spreadsheet would reckon is not reckoned; who signs in how is in no file', () => {
  expect(read('mine', 'csv/delivery.csv')).toContain(`"'=1+1 ""quoted"", and more"`);
  expect(linesOf('mine', 'delivery').some((d) => Object.values(d).includes('=1+1 "quoted", and more'))).toBe(
    true,
  );
  const all = JSON.stringify(filesOf('mine'));
  expect(all).not.toMatch(/secret_hash|\$argon2|a hash of theirs/);
  expect(Object.keys(filesOf('mine')).join()).not.toMatch(/session|sign_in_try/);
  expect(statSync(to('mine')).mode & 0o077).toBe(0);
});

test('a folder that is there, a shop that is none: nothing is written', async () => {
  await expect(exportShop(shop.ownerUrl, { slug: 'other', to: to('mine'), defusedCell })).rejects.toThrow(
    'there already',
  );
  await expect(exportShop(shop.ownerUrl, { slug: 'nobody', to: to('x'), defusedCell })).rejects.toThrow(
    /Which shop.*other/,
  );
  await expect(exportShop(shop.ownerUrl, { to: to('x'), defusedCell })).rejects.toThrow('Which shop');
  expect(readdirSync(folder).sort()).toEqual(['mine', 'other']);
});

test('backed up, lost and brought back: its export is the same to the byte', async () => {
  const { file } = await backUp(shop.ownerUrl, to('backups'), {
    at: new Date('2026-11-24T07:00:00Z'),
    keep: 2,
  });
  await shop.owner.raw(
    `drop table care_card cascade; set session_replication_role = replica; delete from lot`,
  );
  const slug = linesOf('mine', 'shop').map((s) => String(s.slug))[0] ?? '';
  await Promise.all([shop.owner.destroy(), shop.app.destroy()]);
  await restoreFrom(shop.ownerUrl, file);
  await exportShop(shop.ownerUrl, { slug, to: to('again'), defusedCell });
  expect(filesOf('again')).toEqual(filesOf('mine'));
});
