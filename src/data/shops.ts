import type { Language } from '../core/words/catalogues';
import type { LabelRoll, Printing } from '../core/labels/printing';
import type { Units } from '../core/units/measures';
import type { Trx } from './connection';
import { insertPails, type NewPail } from './pails';
import { insertPeople, type NewPerson } from './people';
import { insertRoom, type RoomFigures, type RoomRow } from './rooms';

/** A shop as it is first written down, with who works there, its rooms and its pails. */
export interface NewShop {
  readonly id: string;
  readonly slug: string;
  readonly name: string;
  readonly timeZone: string;
  readonly demo: boolean;
  /** Metric where it is not told. */
  readonly units?: Units;
  /** English where it is not told. */
  readonly language?: Language;
  /** ISO 4217; euro where it is not told. */
  readonly currency?: string;
  /** What its printers hold; European papers, and labels by the sheet, where it is not told. */
  readonly printing?: Printing;
  readonly people: readonly NewPerson[];
  readonly rooms: readonly (RoomFigures & Pick<RoomRow, 'kind'>)[];
  readonly pails: readonly NewPail[];
}

/** Who and what is in a shop, by id. */
export interface Furnished {
  /** In the order they were told. */
  readonly people: readonly string[];
  /** By kind. */
  readonly rooms: ReadonlyMap<string, string>;
  /** In the order they were told. */
  readonly pails: readonly string[];
}

const printingRow = ({ documents, cards, labels }: Printing) => ({
  document_paper: documents,
  card_paper: cards,
  label_width_mm: labels?.widthMm ?? null,
  label_height_mm: labels?.heightMm ?? null,
});

/** Writes a shop down. @param pailsFrom from when its pails stand in it; its opening, where it is not told */
export async function insertShop(trx: Trx, shop: NewShop, at: Date, pailsFrom = at): Promise<Furnished> {
  const shop_id = shop.id;
  await trx('shop').insert({
    id: shop_id,
    slug: shop.slug,
    name: shop.name,
    time_zone: shop.timeZone,
    demo: shop.demo,
    units: shop.units ?? 'metric',
    language: shop.language ?? 'en',
    ...(shop.currency === undefined ? {} : { currency: shop.currency }),
    ...(shop.printing === undefined ? {} : printingRow(shop.printing)),
    created_at: at,
  });
  const people = await insertPeople(trx, shop_id, shop.people, shop.language);
  const rooms = new Map<string, string>();
  for (const room of shop.rooms) rooms.set(room.kind, await insertRoom(trx, shop_id, room));
  const pails = await insertPails(trx, shop_id, shop.pails, rooms.get('bench') ?? '', at, pailsFrom);
  return { people, rooms, pails };
}

/** What a shop is to those outside it, and what it promises them. */
export interface ShopDetails {
  readonly name: string;
  readonly address: string;
  readonly telephone: string;
  readonly hours: string;
  /** Whom it calls when somebody is hurt, as it wrote that down; empty where it did not. */
  readonly emergency: string;
  /** How often a promise is to hold, 0.5 to 0.99. */
  readonly promiseConfidence: number;
  /** How it tells measures to whoever has not said otherwise for themselves. */
  readonly units: Units;
  /** What its cards are written in, where nobody chooses another. */
  readonly language: Language;
  /** The money it counts in, ISO 4217. */
  readonly currency: string;
}

const DETAILS = {
  name: 'name',
  address: 'address',
  telephone: 'telephone',
  hours: 'hours',
  emergency: 'emergency',
  promiseConfidence: 'promise_confidence',
  units: 'units',
  language: 'language',
  currency: 'currency',
};

export async function shopDetails(trx: Trx): Promise<ShopDetails> {
  return trx('shop').first<ShopDetails>(DETAILS);
}

/** What the shop's printers hold. */
export async function shopPrinting(trx: Trx): Promise<Printing> {
  const row = await trx('shop').first<
    Pick<Printing, 'documents' | 'cards'> & Record<keyof LabelRoll, number | null>
  >({
    documents: 'document_paper',
    cards: 'card_paper',
    widthMm: 'label_width_mm',
    heightMm: 'label_height_mm',
  });
  const { documents, cards, widthMm, heightMm } = row;
  const labels = widthMm === null || heightMm === null ? null : { widthMm, heightMm };
  return { documents, cards, labels };
}

export async function setShopPrinting(trx: Trx, shopId: string, printing: Printing): Promise<void> {
  await trx('shop').where({ id: shopId }).update(printingRow(printing));
}

/** Whether what water cost may be told by person. */
export async function areLossesByPerson(trx: Trx): Promise<boolean> {
  const { is } = await trx('shop').first<{ is: boolean }>({ is: 'losses_by_person' });
  return is;
}

export async function setLossesByPerson(trx: Trx, shopId: string, isTold: boolean): Promise<void> {
  await trx('shop').where({ id: shopId }).update({ losses_by_person: isTold });
}

export async function setShopDetails(trx: Trx, shopId: string, details: ShopDetails): Promise<void> {
  const { promiseConfidence, ...told } = details;
  await trx('shop')
    .where({ id: shopId })
    .update({ ...told, promise_confidence: promiseConfidence });
}
