import type { Trx } from './connection';

/** A person's second factor. */
export interface SecondFactor {
  readonly personId: string;
  readonly secret: string;
}

export async function maybeFactor(trx: Trx, personId: string): Promise<SecondFactor | undefined> {
  return trx('second_factor')
    .where('person_id', personId)
    .first<SecondFactor | undefined>({ personId: 'person_id', secret: 'factor_secret' });
}

/** Who has one. */
export async function manyWithFactor(trx: Trx): Promise<string[]> {
  return trx('second_factor').pluck<string[]>('person_id');
}

/** Writes one down. @returns false where they have one already */
export async function insertFactor(
  trx: Trx,
  shopId: string,
  { personId, secret }: SecondFactor,
  step: number,
  at: Date,
): Promise<boolean> {
  const made = await trx('second_factor')
    .insert({ person_id: personId, shop_id: shopId, factor_secret: secret, since: at, last_step: step })
    .onConflict('person_id')
    .ignore()
    .returning<{ person_id: string }[]>('person_id');
  return made.length > 0;
}

/** Takes a code's step up; false where it, or a later one, was taken already. */
export async function takeStep(trx: Trx, personId: string, step: number): Promise<boolean> {
  const taken = await trx('second_factor')
    .where('person_id', personId)
    .where('last_step', '<', step)
    .update({ last_step: step });
  return taken > 0;
}

/** @returns whether there was one */
export async function dropFactor(trx: Trx, personId: string): Promise<boolean> {
  return (await trx('second_factor').where('person_id', personId).delete()) > 0;
}
