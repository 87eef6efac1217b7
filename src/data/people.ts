import type { Knex } from 'knex';
import type { Trx } from './connection';
import { asDataError } from './errors';

export interface ShopName {
  readonly id: string;
  readonly slug: string;
  readonly name: string;
  readonly demo: boolean;
}

export interface PersonRow {
  readonly id: string;
  readonly name: string;
  readonly role: 'manager' | 'hand';
  readonly login: string | null;
  readonly secret_hash: string;
  readonly active: boolean;
  readonly failed_attempts: number;
  readonly locked_until: Date | null;
  readonly session_epoch: number;
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

export async function manyActivePeople(trx: Trx): Promise<PersonRow[]> {
  return trx<PersonRow>('person').where({ active: true }).orderBy('name').select('*');
}

export async function maybePerson(trx: Trx, id: string): Promise<PersonRow | undefined> {
  return trx<PersonRow>('person').where({ id }).first();
}

/** A person with the shop they are of, as a session wants them. */
export interface PersonInShop {
  readonly id: string;
  readonly name: string;
  readonly role: PersonRow['role'];
  readonly active: boolean;
  readonly epoch: number;
  readonly shopId: string;
  readonly shopName: string;
  readonly timeZone: string;
  readonly demo: boolean;
  readonly promiseConfidence: number;
  readonly language: string;
}

export async function maybePersonInShop(trx: Trx, id: string): Promise<PersonInShop | undefined> {
  return trx('person as p')
    .join('shop as s', 's.id', 'p.shop_id')
    .where('p.id', id)
    .first<PersonInShop | undefined>({
      id: 'p.id',
      name: 'p.name',
      role: 'p.role',
      active: 'p.active',
      epoch: 'p.session_epoch',
      shopId: 's.id',
      shopName: 's.name',
      timeZone: 's.time_zone',
      demo: 's.demo',
      promiseConfidence: 's.promise_confidence',
      language: 'p.language',
    });
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

/** The person, their row locked, so that guesses made at once are counted one by one. */
export async function maybePersonForSignIn(
  trx: Trx,
  by: { id: string } | { login: string },
): Promise<PersonRow | undefined> {
  return trx<PersonRow>('person')
    .where({ ...by, active: true })
    .forUpdate()
    .first();
}

export async function countFailedSignIn(
  trx: Trx,
  person: PersonRow,
  lockedUntil: Date | null,
): Promise<void> {
  await trx('person')
    .where({ id: person.id })
    .update({ failed_attempts: person.failed_attempts + 1, locked_until: lockedUntil });
}

export async function clearFailedSignIns(trx: Trx, personId: string): Promise<void> {
  await trx('person').where({ id: personId }).update({ failed_attempts: 0, locked_until: null });
}

/** What somebody reads the shop in. */
export async function setLanguage(trx: Trx, personId: string, language: string): Promise<void> {
  await trx('person').where({ id: personId }).update({ language });
}
