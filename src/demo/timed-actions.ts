import type { Trx } from '../data/connection';
import { newId } from '../data/ids';
import type { Action } from '../data/record';

/** Something that was done in the demo shop, and when: the record is written in that order. */
export interface TimedAction {
  readonly at: Date;
  /** Whose hands, as they stand in the list of people. */
  readonly person: number;
  /** The pail it fills, which has to stand clean by then. */
  readonly fills?: string;
  readonly does: (trx: Trx, action: Action) => Promise<unknown>;
}

/** Does them one after another in the order of time; those of one moment as they are listed. */
export async function doInOrder(
  trx: Trx,
  shopId: string,
  people: readonly string[],
  timedActions: readonly TimedAction[],
): Promise<void> {
  for (const { at, person, does } of [...timedActions].sort((a, b) => a.at.getTime() - b.at.getTime()))
    await does(trx, { shopId, personId: people[person] ?? '', actionKey: newId(), at });
}
