import type { Trx } from './connection';

/** A moment of the database: which transactions it shows and which not, as pg_snapshot writes it. */
export type Moment = string & { readonly __moment: true };

interface Unchanged {
  readonly isUnchanged: boolean;
  /** The moment at which that was so. */
  readonly moment: Moment;
}

/**
 * Whether every transaction that changed rows of this shop and shows now showed at that moment already.
 * What is read later in the same transaction may be newer than the moment it is told, never older.
 * @param since null where there is none: then something was changed
 */
export async function maybeUnchangedSince(trx: Trx, since: Moment | null): Promise<Unchanged> {
  const { rows } = await trx.raw<{ rows: [Unchanged] }>(
    `select live.unchanged_since(?::pg_snapshot) as "isUnchanged", pg_current_snapshot()::text as moment`,
    [since],
  );
  return rows[0];
}
