import type { Knex } from 'knex';
import type { Role } from '../core/actions/contract';
import type { Language } from '../core/words/catalogues';
import type { Units } from '../core/units/measures';
import type { Trx } from './connection';
import { asDataError } from './errors';
import { newId } from './ids';

export interface ShopName {
  readonly id: string;
  readonly slug: string;
  readonly name: string;
  readonly demo: boolean;
}

export interface PersonRow {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
  readonly login: string | null;
  readonly secret_hash: string;
  readonly active: boolean;
  /** When their name was erased; null while it stands. */
  readonly erased_at: Date | null;
}

/** The shops served here; the only thing that may be known before somebody signs in. */
export async function manyShopNames(db: Knex): Promise<ShopName[]> {
  try {
    const { rows } = await db.raw<{ rows: ShopName[] }>('select id, slug, name, demo from shop_directory()');
    return rows;
  } catch (error) {
    throw asDataError(error);
  }
}

/** Those who work here; whoever only looks the books over is none of them. */
export async function manyActivePeople(trx: Trx): Promise<PersonRow[]> {
  return trx<PersonRow>('person')
    .where({ active: true })
    .whereNot({ role: 'auditor' })
    .orderBy('name')
    .select('*');
}

export async function maybePerson(trx: Trx, id: string): Promise<PersonRow | undefined> {
  return trx<PersonRow>('person').where({ id }).first();
}

/** The person as they may be asked for their secret, nothing locked. */
export async function maybePersonToAsk(
  trx: Trx,
  by: { id: string } | { login: string },
): Promise<PersonRow | undefined> {
  return trx<PersonRow>('person')
    .where({ ...by, active: true })
    .first();
}

/** Whether somebody works here still and has that secret; it stays so until the transaction ends. */
export async function isStill(trx: Trx, { id, secret_hash }: PersonRow): Promise<boolean> {
  const found: unknown = await trx('person').where({ id, secret_hash, active: true }).forShare().first('id');
  return found !== undefined;
}

/** Everybody who works or has worked here. */
export async function manyPeople(trx: Trx): Promise<PersonRow[]> {
  return trx<PersonRow>('person')
    .orderBy([{ column: 'active', order: 'desc' }, 'name'])
    .select('*');
}

/** Whether somebody, here now or once, goes by that name or signs in by that. */
export async function isTaken(trx: Trx, by: { name: string } | { login: string }): Promise<boolean> {
  const [[column, value] = ['name', '']] = Object.entries(by);
  const found: unknown = await trx('person').whereRaw('lower(??) = lower(?)', [column, value]).first('id');
  return found !== undefined;
}

/** Somebody as they are first written down; their secret as a hash of it. */
export type NewPerson = Pick<PersonRow, 'name' | 'role' | 'login'> & { readonly secretHash: string };

/** Writes people down. @returns their ids, in the order they were told */
export async function insertPeople(
  trx: Trx,
  shopId: string,
  people: readonly NewPerson[],
  /** What they read the shop in to begin with. */
  language: Language = 'en',
): Promise<string[]> {
  const rows = people.map(({ name, role, login, secretHash }) => ({
    id: newId(),
    shop_id: shopId,
    name,
    role,
    login,
    secret_hash: secretHash,
    language,
  }));
  await trx('person').insert(rows);
  return rows.map((r) => r.id);
}

/** Retires somebody or brings them back; whoever is retired stands at no bench. */
export async function setActive(trx: Trx, personId: string, isHere: boolean, at: Date): Promise<void> {
  await trx('person').where({ id: personId }).update({ active: isHere });
  if (isHere) return;
  await trx('at_bench')
    .where({ person_id: personId })
    .whereNull('left_at')
    .update({ left_at: trx.raw('greatest(?::timestamptz, came_at)', [at]) });
}

/**
 * Takes the name of somebody who works here no longer out of every row that bears it.
 * @returns what they are called from now on; null where they work here, or it was done before
 */
export async function eraseName(trx: Trx, personId: string, at: Date): Promise<string | null> {
  const { rows } = await trx.raw<{ rows: { name: string | null }[] }>('select erase_name(?, ?) as name', [
    personId,
    at,
  ]);
  return rows[0]?.name ?? null;
}

export async function setSecretHash(trx: Trx, personId: string, secretHash: string): Promise<void> {
  await trx('person').where({ id: personId }).update({ secret_hash: secretHash });
}

/** What somebody reads the shop in; units null: the shop's. */
export async function setReading(
  trx: Trx,
  personId: string,
  reading: { readonly language: string } | { readonly units: Units | null },
): Promise<void> {
  await trx('person').where({ id: personId }).update(reading);
}
