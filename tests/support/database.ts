import { SHIPPED_SPECIES } from '@/core/species/registry';
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { gunzipSync } from 'node:zlib';
import type { Knex } from 'knex';
import { firstGuess } from '@/core/dock/first-guess';
import { connect, connectAsOwner, inShop, type Trx } from '@/data/connection';
import { bookDelivery } from '@/data/deliveries';
import { DataError, RefusedError } from '@/data/errors';
import { migrate } from '@/data/migrate';
import type { Action } from '@/data/record';
import { loadDemo, type DemoKind } from '@/demo/load';

const SERVER = process.env.HUSH_PAIL_TEST_DATABASE;
// A database of its own with eight weeks of vans takes a busy machine over Jest's five seconds.
jest.setTimeout(60_000);
const AT = new Date('2026-11-24T06:50:00Z');

export interface TestShop {
  readonly owner: Knex;
  /** Connected as the role the application has. */
  readonly app: Knex;
  /** Where the application's role reaches it, for connections of a test's own. */
  readonly appUrl: string;
  /** Where its owner reaches it. */
  readonly ownerUrl: string;
  readonly shopId: string;
  readonly personId: string;
  readonly benchId: string;
  readonly action: (key?: string) => Action;
  readonly inside: <T>(work: (trx: Trx) => Promise<T>) => Promise<T>;
  /** Books one lot in and answers its id. */
  readonly bookLot: (stems: number, deliveryRef?: string) => Promise<string>;
  readonly close: () => Promise<void>;
}

/** A fresh database of its own with the demo shop in it. */
export const freshShop = (kind: DemoKind = 'quiet', at: Date = AT): Promise<TestShop> =>
  shopIn(async (owner) => {
    await owner.raw('grant usage on schema public to hush_pail_app');
    await migrate(owner);
    await loadDemo(owner, at, kind);
  });

/** A shop that an older version filled, as it was before the migrations that followed. */
export const olderShop = (): Promise<TestShop> =>
  shopIn(async (owner) => {
    const dump = gunzipSync(readFileSync(path.join(__dirname, '../fixtures/database-0006.sql.gz')));
    await owner.raw(dump.toString().replaceAll('?', '\\?'));
    await owner.raw(`select set_config('search_path', 'public', false)`);
    await owner.raw('grant usage on schema public to hush_pail_app');
  });

/** A database with nothing in it, to bring something into. */
export async function emptyDatabase(): Promise<{
  readonly url: string;
  readonly close: () => Promise<void>;
}> {
  if (!SERVER) throw new Error('Database tests run through "npm test", which starts their server.');
  const name = `t_${randomUUID().replaceAll('-', '')}`;
  const server = connectAsOwner(`${SERVER}/postgres`, 1);
  await server.raw('create database ??', [name]);
  return {
    url: `${SERVER}/${name}`,
    close: async () => {
      await server.raw('drop database ??', [name]);
      await server.destroy();
    },
  };
}

async function shopIn(fill: (owner: Knex) => Promise<void>): Promise<TestShop> {
  if (!SERVER) throw new Error('Database tests run through "npm test", which starts their server.');
  const name = `t_${randomUUID().replaceAll('-', '')}`;
  const server = connectAsOwner(`${SERVER}/postgres`, 1);
  await server.raw(
    `do $$ begin create role hush_pail_app login nosuperuser nobypassrls; exception when duplicate_object or unique_violation then null; end $$`,
  );
  await server.raw('create database ??', [name]);
  await server.destroy();
  const owner = connectAsOwner(`${SERVER}/${name}`, 4);
  await fill(owner);
  const appUrl = new URL(`${SERVER}/${name}`);
  appUrl.username = 'hush_pail_app';
  const app = connect(appUrl.href, 8);
  const shop = await owner('shop').first<{ id: string }>('id');
  const person = await owner('person').where({ name: 'Wen' }).first<{ id: string }>('id');
  const bench = await owner('room').where({ kind: 'bench' }).first<{ id: string }>('id');
  const action = (key: string = randomUUID()): Action => ({
    shopId: shop.id,
    personId: person.id,
    actionKey: key,
    at: AT,
  });
  const inside: TestShop['inside'] = (work) => inShop(app, shop.id, work);
  const bookLot: TestShop['bookLot'] = async (stems, deliveryRef = randomUUID()) => {
    const { lotIds } = await inside(async (trx) => {
      // Under the shop's counters, as the contract books it.
      await trx.raw('select pg_advisory_xact_lock(hashtextextended(?, 1))', [shop.id]);
      return bookDelivery(trx, action(), {
        supplier: 'Norrholt Growers',
        deliveryRef,
        roomId: bench.id,
        arrivedAt: AT,
        lots: [
          {
            line: 1,
            speciesKey: 'tulip',
            variety: 'Harbour mix',
            colour: 'mixed',
            lengthCm: 40,
            headsMin: null,
            stems,
            cutDate: '2026-11-22',
            origin: null,
            packing: 'dry crate',
            isWetPacked: false,
            unitPrice: 0.3,
            currency: 'EUR',
            ...firstGuess({
              species: SHIPPED_SPECIES.byKey('tulip'),
              origin: null,
              packing: 'dry crate',
              hoursSinceCut: 40,
            }),
          },
        ],
      });
    });
    return lotIds[0] ?? '';
  };
  return {
    owner,
    app,
    appUrl: appUrl.href,
    ownerUrl: `${SERVER}/${name}`,
    shopId: shop.id,
    personId: person.id,
    benchId: bench.id,
    action,
    inside,
    bookLot,
    close: async () => {
      await Promise.all([app.destroy(), owner.destroy()]);
    },
  };
}

/** The name a failed piece of data work is known by. */
export const faultOf = async (work: Promise<unknown>): Promise<string> =>
  work.then(
    () => 'none',
    (error: unknown) =>
      error instanceof DataError ? error.fault : error instanceof RefusedError ? 'refused' : String(error),
  );
