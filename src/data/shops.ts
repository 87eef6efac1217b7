import type { Trx } from './connection';
import { newId } from './ids';
import { beginLines } from './stays';

/** A shop as it is first written down, with who works there, its rooms and its pails. */
export interface NewShop {
  readonly id: string;
  readonly slug: string;
  readonly name: string;
  readonly timeZone: string;
  readonly demo: boolean;
  readonly people: readonly {
    readonly name: string;
    readonly role: 'manager' | 'hand';
    readonly login: string | null;
    readonly secretHash: string;
  }[];
  readonly rooms: readonly {
    readonly name: string;
    readonly kind: string;
    readonly tempC: number;
    readonly humidityPct: number;
    readonly litHours: number;
  }[];
  readonly pails: readonly {
    readonly name: string;
    readonly sizeL: number;
    readonly heightCm: number;
    /** Stands clean and upside down as the shop opens. */
    readonly isClean: boolean;
  }[];
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

/** Writes a shop down. @param pailsFrom from when its pails stand in it; its opening, where it is not told */
export async function insertShop(trx: Trx, shop: NewShop, at: Date, pailsFrom = at): Promise<Furnished> {
  const shop_id = shop.id;
  await trx('shop').insert({
    id: shop_id,
    slug: shop.slug,
    name: shop.name,
    time_zone: shop.timeZone,
    demo: shop.demo,
    created_at: at,
  });
  const people = shop.people.map(({ secretHash: secret_hash, ...p }) => ({
    id: newId(),
    shop_id,
    ...p,
    secret_hash,
  }));
  const rooms = shop.rooms.map((r) => ({
    id: newId(),
    shop_id,
    name: r.name,
    kind: r.kind,
    temp_c: r.tempC,
    humidity_pct: r.humidityPct,
    lit_hours: r.litHours,
  }));
  const pails = shop.pails.map((p) => ({
    id: newId(),
    shop_id,
    name: p.name,
    size_l: p.sizeL,
    height_cm: p.heightCm,
    state: p.isClean ? 'sanitised' : 'dirty',
    sanitised_at: p.isClean ? at : null,
  }));
  await trx('person').insert(people);
  await trx('room').insert(rooms);
  if (pails.length > 0) await trx('pail').insert(pails);
  const bench = rooms.find((r) => r.kind === 'bench')?.id ?? '';
  const standing = pails.map((p) => ({ subjectId: p.id, roomId: bench, wet: true, fillId: null }));
  if (standing.length > 0) await beginLines(trx, shop_id, 'pail_id', pailsFrom, standing);
  return {
    people: people.map((p) => p.id),
    rooms: new Map(rooms.map((r) => [r.kind, r.id])),
    pails: pails.map((p) => p.id),
  };
}
