import type { Knex } from 'knex';
import { asDataError } from './errors';
import type { PersonRow } from './people';
import type { Units } from '../core/units/measures';

/** A moment of the database: which transactions it shows and which not, as pg_snapshot writes it. */
export type Moment = string & { readonly __moment: true };

/** What a sealed session says of itself. */
export interface SessionIds {
  readonly shopId: string;
  readonly personId: string;
  readonly sessionId: string;
}

/** A person with the shop they are of, as a session wants them, and whether what was kept of that shop still stands. */
export interface WhoAsks {
  readonly id: string;
  readonly name: string;
  readonly role: PersonRow['role'];
  readonly active: boolean;
  readonly shopId: string;
  readonly shopName: string;
  readonly timeZone: string;
  readonly demo: boolean;
  readonly promiseConfidence: number;
  readonly currency: string;
  readonly emergency: string;
  readonly language: string;
  /** Theirs, or the shop's where they said nothing. */
  readonly units: Units;
  /** Whether every transaction that changed rows of this shop and shows now showed at that moment already. */
  readonly isUnchanged: boolean;
  /** The moment at which that was so: what is read afterwards may be newer, never older. */
  readonly moment: Moment;
}

/**
 * Who a session is of, while it lasts: one question outside any transaction.
 * @param since the moment of what was kept; null where nothing was, then something was changed
 * @throws DataError
 */
export async function maybeWhoAsks(
  db: Knex,
  { shopId, personId, sessionId }: SessionIds,
  since: Moment | null,
): Promise<WhoAsks | undefined> {
  try {
    const { rows } = await db.raw<{ rows: [WhoAsks?] }>(
      'select * from live.standing(?::uuid, ?::uuid, ?::uuid, ?::pg_snapshot)',
      [shopId, personId, sessionId, since],
    );
    return rows[0];
  } catch (error) {
    throw asDataError(error);
  }
}
