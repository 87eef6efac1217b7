import 'server-only';
import { LOCK_ORDER, type Lock, type LockedThing } from '@/core/actions/contract';
import type { Trx } from '@/data/connection';
import { RefusedError } from '@/data/errors';
import { manyEntriesOf, maybeEntry } from '@/data/record';

/** What was to be locked has changed while it was being locked: the action begins anew. */
export class LockedTooLateError extends Error {
  override readonly name = 'LockedTooLateError';
}

type Ids = Record<LockedThing, Set<string>>;
/** Things that were locked, for whoever wants to know what an action is about. */
export type Locked = Readonly<Record<LockedThing, ReadonlySet<string>>>;

const TABLE_OF: Readonly<Partial<Record<LockedThing, string>>> = {
  person: 'person',
  order: 'expected_delivery',
  delivery: 'delivery',
  'kept-line': 'kept_line',
  lot: 'lot',
  pail: 'pail',
  arrangement: 'arrangement',
  claim: 'claim',
};
const NOT_HERE: Readonly<Record<string, string>> = {
  person: 'Nobody of that name works here.',
  order: 'That order is not in this shop.',
  delivery: 'That delivery is not in this shop.',
  'kept-line': 'That line is not in this shop.',
  lot: 'That lot is not in this shop.',
  portion: 'That lot is not in this shop.',
  step: 'That step is not in this shop.',
  pail: 'That pail is not in this shop.',
  arrangement: 'That arrangement is not in this shop.',
  claim: 'That claim is not in this shop.',
  photo: 'That photograph is not in this shop.',
  entry: 'That entry is not in this shop’s record.',
};

/** The one thing behind an id, by a query that answers its own id too: `id`, `is`. */
const BEHIND: Readonly<Partial<Record<Lock['what'], { readonly thing: LockedThing; readonly sql: string }>>> =
  {
    step: {
      thing: 'lot',
      sql: 'select s.id, o.lot_id as is from protocol_step s join portion o on o.id = s.portion_id where s.id = any(?::uuid[])',
    },
    portion: { thing: 'lot', sql: 'select id, lot_id as is from portion where id = any(?::uuid[])' },
    photo: { thing: 'lot', sql: 'select id, lot_id as is from lot_photo where id = any(?::uuid[])' },
    card: {
      thing: 'arrangement',
      sql: 'select id, arrangement_id as is from care_card where id = any(?::uuid[])',
    },
    claim: { thing: 'lot', sql: 'select id, lot_id as is from claim where id = any(?::uuid[])' },
  };
/** All things within another; there may be none. */
const WITHIN: Readonly<Partial<Record<Lock['what'], string>>> = {
  'contents of pail': `select distinct o.lot_id as is from stay s join portion o on o.id = s.portion_id
     join pail_fill f on f.id = s.fill_id where s.to_at is null and f.pail_id = any(?::uuid[])`,
  'lots of delivery': 'select id as is from lot where delivery_id = any(?::uuid[])',
  'lots of arrangement': `select distinct o.lot_id as is from arrangement_line al
     join portion o on o.id = al.portion_id where al.arrangement_id = any(?::uuid[])`,
};
const ITSELF: Readonly<Partial<Record<Lock['what'], LockedThing>>> = {
  'contents of pail': 'pail',
  'lots of delivery': 'delivery',
  'lots of arrangement': 'arrangement',
};

async function idsBy(trx: Trx, sql: string, ids: readonly string[]): Promise<{ id?: string; is: string }[]> {
  const { rows } = await trx.raw<{ rows: { id?: string; is: string }[] }>(sql, [[...ids]]);
  return rows;
}

const UUIDS = /[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}/g;

/** What taking an entry back may touch: whatever of the shop's its action named or changed. */
async function behindEntry(trx: Trx, { id, field }: Lock): Promise<Lock[]> {
  const entry = await maybeEntry(trx, Number(id));
  if (!entry) throw new RefusedError(`${NOT_HERE.entry ?? ''} Nothing was changed.`, field);
  const entries = await manyEntriesOf(trx, entry.actionKey);
  const { rows } = await trx.raw<{ rows: { tab: string; id: string }[] }>(
    `select distinct tab, row_id as id from action_change where action_key = ?
       and tab in ('lot','portion','pail','protocol_step','arrangement','claim','kept_line','expected_delivery')`,
    [entry.actionKey],
  );
  const named: Readonly<Record<string, Lock['what']>> = {
    protocol_step: 'step',
    kept_line: 'kept-line',
    expected_delivery: 'order',
  };
  const changed = rows.map((r) => ({ what: named[r.tab] ?? (r.tab as Lock['what']), id: r.id, field }));
  const subjects = entries.flatMap((e): Lock[] => {
    const what = { delivery: 'lots of delivery', card: 'card', arrangement: 'lots of arrangement' } as const;
    if (e.subjectKind === 'lot' || e.subjectKind === 'pail' || e.subjectKind === 'claim')
      return [{ what: e.subjectKind, id: e.subjectId, field }];
    const of = Object.entries(what).find(([kind]) => kind === e.subjectKind)?.[1];
    return of ? [{ what: of, id: e.subjectId, field }] : [{ what: 'house', id: '', field }];
  });
  // Arrangements and orders are told of as deliveries in places: what is no such thing is passed over.
  const pails = JSON.stringify(entries.map((e) => e.detail)).match(UUIDS) ?? [];
  const fills = await idsBy(
    trx,
    'select distinct pail_id as is from pail_fill where id = any(?::uuid[])',
    pails,
  );
  return [...changed, ...subjects, ...fills.map((f) => ({ what: 'pail' as const, id: f.is, field }))];
}

/** Puts all of the one to the other. */
function addAll(ids: Ids, more: Ids): void {
  for (const thing of LOCK_ORDER) for (const id of more[thing]) ids[thing].add(id);
}

/** What is behind some things of one kind. @throws RefusedError naming the field of one that is not there */
async function behindThings(
  trx: Trx,
  { sql, thing }: { readonly sql: string; readonly thing: LockedThing },
  group: readonly Lock[],
  isLenient: boolean,
): Promise<[LockedThing, string[]]> {
  const found = await idsBy(
    trx,
    sql,
    group.map((g) => g.id),
  );
  const missing = group.find((g) => !found.some((f) => f.id === g.id.toLowerCase()));
  if (missing && !isLenient)
    throw new RefusedError(
      `${NOT_HERE[missing.what] ?? 'That is not in this shop.'} Nothing was changed.`,
      missing.field,
    );
  return [thing, found.map((f) => f.is)];
}

/** Every id behind things of one kind, put to `ids`. */
async function expandKind(
  trx: Trx,
  ids: Ids,
  what: Exclude<Lock['what'], 'counters' | 'house' | 'entry'>,
  group: readonly Lock[],
  isLenient: boolean,
): Promise<void> {
  const wanted = group.map((g) => g.id);
  const behind = BEHIND[what];
  if (behind) {
    const [thing, found] = await behindThings(trx, behind, group, isLenient);
    for (const id of found) ids[thing].add(id);
  }
  const within = WITHIN[what];
  if (within) for (const { is } of await idsBy(trx, within, wanted)) ids.lot.add(is);
  const itself = ITSELF[what] ?? LOCK_ORDER.find((thing) => thing === what);
  if (itself) for (const id of wanted) ids[itself].add(id.toLowerCase());
}

/** Every id behind what an action says it locks. @throws RefusedError naming the field of an id that is not there */
async function expanded(trx: Trx, locks: readonly Lock[], isLenient = false): Promise<Ids> {
  const ids = Object.fromEntries(LOCK_ORDER.map((thing) => [thing, new Set<string>()])) as Ids;
  const groups = new Map<Lock['what'], Lock[]>();
  for (const one of locks) groups.set(one.what, [...(groups.get(one.what) ?? []), one]);
  for (const [what, group] of groups) {
    if (what === 'counters' || what === 'house') ids[what].add('');
    else if (what === 'entry')
      for (const one of group) addAll(ids, await expanded(trx, await behindEntry(trx, one), true));
    else await expandKind(trx, ids, what, group, isLenient);
  }
  return ids;
}

/** Locks rows of one kind, the least id first. @throws RefusedError naming the field of one that is not there */
async function lockRows(
  trx: Trx,
  thing: LockedThing,
  ids: ReadonlySet<string>,
  locks: readonly Lock[],
): Promise<void> {
  const table = TABLE_OF[thing];
  if (ids.size === 0 || !table) return;
  const strength = thing === 'person' ? 'for share' : 'for update';
  const { rows } = await trx.raw<{ rows: { id: string }[] }>(
    `select id from ?? where id = any(?::uuid[]) order by id ${strength}`,
    [table, [...ids]],
  );
  const there = new Set(rows.map((r) => r.id));
  const missing = locks.find(
    (l) => (l.what === thing || ITSELF[l.what] === thing) && !there.has(l.id.toLowerCase()),
  );
  if (missing)
    throw new RefusedError(
      `${NOT_HERE[thing] ?? 'That is not in this shop.'} Nothing was changed.`,
      missing.field,
    );
}

const SHOP_LOCKS = { counters: 1, house: 4 } as const;

/**
 * Locks all that an action says it touches, kinds in the contract's order and each by id, before
 * anything is looked at.
 * @throws LockedTooLateError when what is behind a thing changed meanwhile
 */
export async function lockAll(trx: Trx, shopId: string, locks: readonly Lock[]): Promise<Locked> {
  const ids = await expanded(trx, locks);
  for (const thing of LOCK_ORDER)
    if (thing === 'counters' || thing === 'house') {
      if (ids[thing].size > 0)
        await trx.raw('select pg_advisory_xact_lock(hashtextextended(?, ?))', [shopId, SHOP_LOCKS[thing]]);
    } else await lockRows(trx, thing, ids[thing], locks);
  if (locks.some((l) => l.what in BEHIND || l.what in WITHIN || l.what === 'entry')) {
    const now = await expanded(trx, locks);
    for (const thing of LOCK_ORDER)
      for (const id of now[thing]) if (!ids[thing].has(id)) throw new LockedTooLateError();
  }
  return ids;
}
