import { createHash } from 'node:crypto';
import type { Trx } from './connection';
import type { Action } from './record';

/** An action as it was done, once for its key. */
export interface ActionDone {
  readonly key: string;
  readonly name: string;
  readonly personId: string;
  readonly bodyHash: string;
  /** What it was told; null where that is too long to keep. */
  readonly input: unknown;
  readonly result: unknown;
  readonly at: Date;
  /** The key of the action it took back. */
  readonly takesBack: string | null;
  /** Taken back by a later one. */
  readonly isTakenBack: boolean;
}

/** Longer than this, what an action was told is not kept beside it, and it is not offered to be done again. */
const MOST_INPUT_CHARS = 40_000;

/** Two bodies with one hash are the same tap: keys in one order, whoever wrote them. */
export function hashOf(name: string, body: unknown): string {
  return createHash('sha256')
    .update(`${name}\n${ordered(body)}`)
    .digest('hex');
}

function ordered(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(ordered).join()}]`;
  if (typeof value === 'object' && value !== null)
    return `{${Object.entries(value)
      .filter(([, of]) => of !== undefined)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([key, of]) => `${JSON.stringify(key)}:${ordered(of)}`)
      .join()}}`;
  return value === undefined ? 'null' : JSON.stringify(value);
}

const COLUMNS = {
  key: 'a.key',
  name: 'a.name',
  personId: 'a.person_id',
  bodyHash: 'a.body_hash',
  input: 'a.input',
  result: 'a.result',
  at: 'a.at',
  takesBack: 'a.takes_back',
};
const actions = (trx: Trx) =>
  trx('action as a')
    .select(COLUMNS)
    .select(
      trx.raw(
        'exists (select 1 from action b where b.shop_id = a.shop_id and b.takes_back = a.key) as "isTakenBack"',
      ),
    );

/** The action of that key, if it was done; waits for one that is being done just now. */
export async function maybeActionOnce(trx: Trx, key: string): Promise<ActionDone | undefined> {
  await trx.raw('select pg_advisory_xact_lock(hashtextextended(?, 0))', [key]);
  return maybeAction(trx, key);
}

export async function maybeAction(trx: Trx, key: string): Promise<ActionDone | undefined> {
  return actions(trx).where('a.key', key).first() as Promise<ActionDone | undefined>;
}

/** What older versions of the product did under that key: they kept no more than their entry. */
export async function isKeyOfOlderEntry(trx: Trx, key: string): Promise<boolean> {
  const found: unknown = await trx('record_entry').where({ action_key: key }).first('id');
  return found !== undefined;
}

/** The last things somebody did that wrote into the record, the newest first. */
export async function manyLastActionsOf(
  trx: Trx,
  personId: string,
  since: Date,
  limit: number,
): Promise<ActionDone[]> {
  return actions(trx)
    .where('a.person_id', personId)
    .where('a.logged_at', '>=', since)
    .whereExists(
      trx('record_entry as e')
        .select(trx.raw('1'))
        .whereRaw('e.shop_id = a.shop_id and e.action_key = a.key'),
    )
    .orderBy([
      { column: 'a.logged_at', order: 'desc' },
      { column: 'a.seq', order: 'desc' },
    ])
    .limit(limit) as Promise<ActionDone[]>;
}

/** Keeps an action as done; the last thing its transaction does. */
export async function insertAction(
  trx: Trx,
  action: Action,
  done: {
    readonly name: string;
    readonly bodyHash: string;
    readonly input: unknown;
    readonly result: unknown;
    readonly takesBack?: string | null;
  },
): Promise<void> {
  const input = JSON.stringify(done.input ?? null);
  await trx('action').insert({
    shop_id: action.shopId,
    key: action.actionKey,
    name: done.name,
    person_id: action.personId,
    body_hash: done.bodyHash,
    input: input.length <= MOST_INPUT_CHARS ? input : null,
    result: JSON.stringify(done.result ?? null),
    at: action.at,
    logged_at: action.loggedAt ?? action.at,
    takes_back: done.takesBack ?? null,
  });
}
