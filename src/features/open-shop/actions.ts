'use server';
import { redirect } from 'next/navigation';
import * as v from 'valibot';
import {
  needsLacking,
  openingSchema,
  pailsToMake,
  roomsToMake,
  slugFor,
  type Opening,
} from '@/core/opening/opening';
import { usualPrinting } from '@/core/labels/printing';
import { setClaimHours } from '@/data/claims';
import { isLanguage } from '@/core/words/catalogues';
import { inShop, type Trx } from '@/data/connection';
import { DataError } from '@/data/errors';
import { setHouse } from '@/data/house';
import { newId } from '@/data/ids';
import { manyShopNames } from '@/data/people';
import { insertShop, type NewShop } from '@/data/shops';
import { askedFrom, deviceAsking } from '@/server/asked-from';
import { now } from '@/server/clock';
import { database } from '@/server/database';
import { log } from '@/server/log';
import { hashOf } from '@/server/secrets';
import { beginSessionOf } from '@/server/session';
import { bookStock, stockToBook } from './stock';

export interface OpenState {
  readonly message: string | null;
  /** What is wrong, by the field it is wrong in. */
  readonly fields: Readonly<Record<string, string>>;
}

/** Shops of their own that one server opens by itself; more are asked for of whoever runs it. */
const MOST_SHOPS = 8;
function mostShops(): number {
  const asked = Number(process.env.HUSH_PAIL_MOST_SHOPS ?? MOST_SHOPS);
  return Number.isInteger(asked) && asked >= 0 ? asked : MOST_SHOPS;
}

/** Who works there, their secrets hashed one after another: a shop of forty hands keeps nobody else from signing in. */
async function hashed({ manager, hands }: Opening): Promise<NewShop['people']> {
  const { name, login, password } = manager;
  const people: NewShop['people'][number][] = [
    { name, role: 'owner', login, secretHash: await hashOf(password) },
  ];
  for (const hand of hands)
    people.push({ name: hand.name, role: 'hand', login: null, secretHash: await hashOf(hand.pin) });
  return people;
}

/** Writes down what it lacks and how long its suppliers allow: as the desk would, said by whoever opens it. */
async function furnish(
  trx: Trx,
  shopId: string,
  personId: string,
  opening: Opening,
  at: Date,
): Promise<void> {
  for (const key of needsLacking(opening)) {
    const setting = { kind: 'has', subject: '', key, value: 'no', reason: 'As it was opened' } as const;
    await setHouse(trx, { shopId, personId, at, actionKey: newId() }, setting, null);
  }
  for (const { name, claimHours } of opening.suppliers) await setClaimHours(trx, shopId, name, claimHours);
}

async function opened(opening: Opening): Promise<OpenState | null> {
  const { name, timeZone, language, units, currency, rooms, pails } = opening;
  if (!isLanguage(language))
    return { message: 'Nothing was opened.', fields: { language: 'No such language.' } };
  const shops = await manyShopNames(database());
  if (shops.filter((s) => !s.demo).length >= mostShops())
    return {
      message: 'This computer keeps no more shops. Nothing was opened; ask whoever set it up.',
      fields: {},
    };
  if (shops.some((s) => s.name === name))
    return {
      message: 'A shop of that name is open here already. Nothing was opened a second time.',
      fields: {},
    };
  const people = await hashed(opening);
  const id = newId();
  const slug = slugFor(
    name,
    shops.map((s) => s.slug),
  );
  const shop = {
    id,
    slug,
    name,
    timeZone,
    language,
    units,
    currency,
    demo: false,
    people,
    printing: usualPrinting(units),
  };
  const things = { rooms: roomsToMake(rooms), pails: pailsToMake(pails) };
  const [address, device, at] = [await askedFrom(), await deviceAsking(), now()];
  const stock = await stockToBook(opening, at);
  if (typeof stock === 'string') return { message: 'Nothing was opened.', fields: { inHand: stock } };
  await inShop(database(), id, async (trx) => {
    const made = await insertShop(trx, { ...shop, ...things }, at);
    await furnish(trx, id, made.people[0] ?? '', opening, at);
    const unwashed = made.pails.filter((_, i) => !things.pails[i]?.isClean);
    const opener = { shopId: id, personId: made.people[0] ?? '', at };
    await bookStock(trx, opener, { rooms: made.rooms, pails: unwashed }, stock);
    await beginSessionOf(trx, { shopId: id, personId: made.people[0] ?? '', address, device, at });
  });
  return null;
}

/** Opens a shop and signs its manager in. */
export async function openShop(_before: OpenState, told: unknown): Promise<OpenState> {
  const read = v.safeParse(openingSchema, told);
  if (!read.success)
    return {
      message: 'Something is missing still. Nothing was opened.',
      fields: Object.fromEntries(read.issues.map((i) => [v.getDotPath(i) ?? '', i.message])),
    };
  let refused: OpenState | null;
  try {
    refused = await opened(read.output);
  } catch (error) {
    const isAway = error instanceof DataError && error.fault === 'unavailable';
    if (!isAway) log.error({ err: error }, 'a shop was not opened');
    return {
      message: isAway
        ? 'The shop’s memory is not answering. Nothing was opened; try again in a moment.'
        : 'That did not go through. Nothing was opened; look whether the shop is at sign-in already, else try again.',
      fields: {},
    };
  }
  if (refused) return refused;
  redirect('/dock');
}
