import {
  appendFileSync,
  cpSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { backUp, restoreFrom } from '../../scripts/lib/backup.mjs';
import { bringShop } from '../../scripts/lib/bring-shop.mjs';
import { exportShop } from '../../scripts/lib/export-shop.mjs';
import { backUpShop, shopFromBackup, shopFromExport } from '../../scripts/lib/todays-shape.mjs';
import { defusedCell } from '@/core/csv/defused';
import { connectAsOwner, inShop } from '@/data/connection';
import { newId } from '@/data/ids';
import { migrate, shapeCalled } from '@/data/migrate';
import { insertShop } from '@/data/shops';
import { emptyDatabase, freshShop, olderShop, type TestShop } from '../support/database';

const folder = mkdtempSync(path.join(os.tmpdir(), 'hush-pail-one-shop-'));
const to = (name: string): string => path.join(folder, name);
const AT = { at: new Date('2026-11-24T07:00:00Z'), keep: 2 };
const NEW = { unknownHash: 'nobody knows', ownersHash: 'the new one' };

/** What the command gives a database that is worked in: its shape, and nothing else. */
async function shape(url: string, called?: string): Promise<void> {
  const server = new URL(url);
  const name = server.pathname.slice(1);
  server.pathname = '/postgres';
  const root = connectAsOwner(server.href, 1);
  const found: unknown = await root('pg_database').where({ datname: name }).first('datname');
  if (!found) await root.raw('create database ??', [name]);
  await root.destroy();
  const owner = connectAsOwner(url, 1);
  await owner.raw('grant usage on schema public to hush_pail_app');
  await migrate(owner, shapeCalled(called));
  await owner.destroy();
}

/** Everything of a shop as files, for comparing; how people sign in too, where that is asked. */
async function exported(url: string, slug: string, withSecrets = false): Promise<Record<string, string>> {
  const at = to(newId());
  await exportShop(url, { slug, to: at, defusedCell, withSecrets });
  const files = readdirSync(path.join(at, 'json')).sort();
  return Object.fromEntries(files.map((file) => [file, readFileSync(path.join(at, 'json', file), 'utf8')]));
}

/** Our demo as somebody's own shop, and another's shop beside it. */
async function twoShops(): Promise<{ shop: TestShop; slug: string }> {
  const shop = await freshShop();
  await shop.bookLot(40, 'KEPT-1');
  await shop.owner('shop').update({ demo: false, slug: 'mine' });
  // What an action answered that had nothing to answer, as the application writes it.
  const done = { shop_id: shop.shopId, person_id: shop.personId, at: AT.at, logged_at: AT.at };
  await shop
    .owner('action')
    .insert({ ...done, key: newId(), name: 'pails/wash', body_hash: 'x', result: 'null', input: { n: 1 } });
  const id = newId();
  await inShop(shop.app, id, (trx) =>
    insertShop(
      trx,
      {
        ...{ id, slug: 'theirs', name: 'Theirs', timeZone: 'Europe/Oslo', demo: false, pails: [] },
        people: [{ name: 'Somebody Else', role: 'owner', login: 'else', secretHash: 'a hash of theirs' }],
        rooms: [{ kind: 'bench', name: 'Bench', tempC: 18, humidityPct: 60, litHours: 11 }],
      },
      new Date(),
    ),
  );
  return { shop, slug: 'mine' };
}

let shop: TestShop;
beforeAll(async () => {
  ({ shop } = await twoShops());
});
afterAll(async () => {
  await shop.close();
  rmSync(folder, { recursive: true });
});

test('one shop of a backup comes back as it was; the other keeps what it did since', async () => {
  const before = await exported(shop.ownerUrl, 'mine', true);
  const { file } = await backUp(shop.ownerUrl, to('all'), AT);
  await shop.bookLot(25, 'AFTER-1');
  await shop.owner('person').where({ name: 'Somebody Else' }).update({ name: 'Renamed Since' });
  await shop.owner.raw(
    `set session_replication_role = replica; delete from lot; reset session_replication_role`,
  );
  const { shop: name } = await shopFromBackup(shop.ownerUrl, { file, slug: 'mine', shape });
  expect(name).toMatch(/./);
  expect(await exported(shop.ownerUrl, 'mine', true)).toEqual(before);
  expect((await exported(shop.ownerUrl, 'theirs'))['person.jsonl']).toContain('Renamed Since');
  // It goes on from there: what is counted up meets nothing that is there.
  await shop.bookLot(12, 'AGAIN-1');
});

test('a backup of one shop holds it alone, brings it back, and never takes another away', async () => {
  const before = await exported(shop.ownerUrl, 'mine', true);
  const { file } = await backUpShop(shop.ownerUrl, to('one'), { ...AT, slug: 'mine' });
  expect(readdirSync(to('one')).filter((f) => f.endsWith('.dump'))).toEqual([
    'shop-mine-2026-11-24T07-00-00Z.dump',
  ]);
  await expect(restoreFrom(shop.ownerUrl, file)).rejects.toThrow(/has no Theirs.*--losing=theirs/);
  await shop
    .owner('room')
    .where({ shop_id: shop.shopId })
    .update({ name: shop.owner.raw(`name || ' old'`) });
  await shopFromBackup(shop.ownerUrl, { file, slug: 'mine', shape });
  expect(await exported(shop.ownerUrl, 'mine', true)).toEqual(before);
  await expect(backUpShop(shop.ownerUrl, to('one'), { ...AT, slug: 'nobodys' })).rejects.toThrow(
    /Which shop.*theirs/,
  );
});

test('an export comes to another computer whole, beside a shop that counts the same numbers', async () => {
  await exportShop(shop.ownerUrl, { slug: 'mine', to: to('moves'), defusedCell });
  const { shop: other } = await twoShops();
  try {
    const there = { folder: to('moves'), ...NEW, shape };
    await expect(shopFromExport(other.ownerUrl, there)).rejects.toThrow('Another shop signs in at mine');
    const found = await shopFromExport(other.ownerUrl, { ...there, slug: 'moved' });
    expect(found.ownersLogin).toBe('ilse');
    const [was, is] = [await exported(shop.ownerUrl, 'mine'), await exported(other.ownerUrl, 'moved')];
    // Its entries follow those that were there; what corrects what, and all else, is as it was.
    const counted = /"(id|seq|corrects)":\d+/g;
    const plain = (files: Record<string, string>): Record<string, string> =>
      Object.fromEntries(
        Object.entries(files).map(([name, text]) => [name, text.replace(counted, '"$1":0')]),
      );
    expect(plain(is)).toEqual({
      ...plain(was),
      'shop.jsonl': plain(was)['shop.jsonl']?.replace('"slug":"mine"', '"slug":"moved"'),
    });
    const hashes = await other.owner('person').where({ shop_id: shop.shopId }).pluck<string[]>('secret_hash');
    expect(new Set(hashes)).toEqual(new Set(['nobody knows', 'the new one']));
    await expect(shopFromExport(other.ownerUrl, { ...there, slug: 'twice' })).rejects.toThrow('here already');
  } finally {
    await other.close();
  }
});

test('an export of an older version comes in the shape of this one', async () => {
  const [older, now] = [await olderShop(), await emptyDatabase()];
  try {
    await Promise.all([exportShop(older.ownerUrl, { to: to('older'), defusedCell }), shape(now.url)]);
    const { tables } = await shopFromExport(now.url, { folder: to('older'), ...NEW, shape });
    await migrate(older.owner);
    const slug = (await older.owner('shop').first<{ slug: string }>('slug')).slug;
    // Stays are worked out from history as the shape changes, each with an id of its own.
    const sorted = (files: Record<string, string>): Record<string, string> => ({
      ...files,
      'stay.jsonl': (files['stay.jsonl'] ?? '')
        .replace(/"id":"[^"]*"/g, '')
        .split('\n')
        .sort()
        .join('\n'),
    });
    expect(sorted(await exported(now.url, slug))).toEqual(sorted(await exported(older.ownerUrl, slug)));
    expect(tables.lot).toBeGreaterThan(10);
  } finally {
    await Promise.all([older.close(), now.close()]);
  }
});

test.each([
  ['a row is missing', (at: string) => writeFileSync(path.join(at, 'json/lot.jsonl'), ''), /not whole/],
  [
    'a row hangs on nothing',
    (at: string) => {
      const file = path.join(at, 'json/room.jsonl');
      writeFileSync(
        file,
        readFileSync(file, 'utf8').replace(/"id":"[^"]*"/g, () => `"id":"${newId()}"`),
      );
    },
    /does not fit together/,
  ],
  [
    'a row is another shop’s',
    (at: string) => appendFileSync(path.join(at, 'json/person.jsonl'), `{"shop_id":"${newId()}"}\n`),
    /another shop/,
  ],
  ['it is no export', (at: string) => rmSync(path.join(at, 'schema.json')), /no export/],
])('an export in which %s changes nothing', async (_, spoil, says) => {
  const at = to(newId());
  cpSync(to('moves'), at, { recursive: true });
  spoil(at);
  const here = await emptyDatabase();
  try {
    await shape(here.url);
    await expect(bringShop(here.url, { folder: at, ...NEW })).rejects.toThrow(says);
    const owner = connectAsOwner(here.url, 1);
    expect(await owner('shop').select('id')).toEqual([]);
    await owner.destroy();
  } finally {
    await here.close();
  }
});
