import type { Words } from '../core/words/message';
import type { DetailOf, ENTRY_DETAILS, EntryKind } from '../core/record/entry-details';
import type { Trx } from './connection';

/** Who does an action, when, and the key that makes a repeated tap do nothing twice. */
export interface Action {
  readonly shopId: string;
  readonly personId: string;
  readonly actionKey: string;
  /** When it was done: for a tap that waited on its tablet, when it was made. */
  readonly at: Date;
  /** When it reached the record; as `at` where it is not told. */
  readonly loggedAt?: Date;
  /** Whose hands did it, where that is not who tapped. */
  readonly handsId?: string | null;
}

export type SubjectKind =
  | 'delivery'
  | 'lot'
  | 'pail'
  | 'arrangement'
  | 'card'
  | 'step'
  | 'figure'
  | 'claim'
  | 'house'
  | 'species'
  | 'person'
  | 'room'
  | 'tool';

/** The version of its kind's detail that each entry is written in; held to the core's schemas by the compiler. */
const DETAIL_VERSION: { readonly [K in EntryKind]: (typeof ENTRY_DETAILS)[K]['length'] } = {
  begin: 2,
  done: 2,
  skip: 2,
  'look-back': 2,
  recut: 2,
  purpose: 2,
  apart: 1,
  processed: 1,
  look: 2,
  bin: 2,
  split: 1,
  merge: 1,
  'keep-for': 2,
  decide: 2,
  flaw: 1,
  count: 2,
  temperature: 1,
  photo: 1,
  'photo-away': 1,
  logger: 2,
  'book-in': 1,
  'line-booked': 1,
  'line-refused': 2,
  'lot-corrected': 1,
  'delivery-corrected': 1,
  unlearnt: 1,
  order: 1,
  'call-off': 1,
  claim: 1,
  'claim-moved': 1,
  'claim-window': 2,
  make: 2,
  card: 1,
  wash: 3,
  fill: 2,
  relay: 1,
  strip: 1,
  'water-look': 1,
  'water-reading': 1,
  'top-up': 1,
  'tool-cleaned': 1,
  'tip-out': 2,
  'turn-over': 2,
  house: 1,
  species: 1,
  figure: 1,
  skill: 1,
  person: 1,
  shop: 1,
  room: 1,
  pail: 1,
  correction: 1,
};

export interface EntryInput<K extends EntryKind = EntryKind> {
  readonly kind: K;
  readonly subjectKind: SubjectKind;
  readonly subjectId: string;
  /** The portion of the lot, where it was about one. */
  readonly partId?: string | null;
  /** What was done, as the record shows it to whoever reads it. */
  readonly says: Words;
  readonly detail: DetailOf<K>;
  readonly corrects?: number;
}

export interface Entry {
  readonly id: number;
  readonly at: Date;
  readonly loggedAt: Date;
  readonly actionKey: string;
  readonly personId: string;
  readonly personName: string;
  /** Whose hands did it, where they were not the one's who tapped. */
  readonly handsName: string | null;
  readonly kind: string;
  readonly subjectKind: SubjectKind;
  readonly subjectId: string;
  readonly partId: string | null;
  /** A message; what was entered before there were messages is as it was written. */
  readonly words: Words;
  readonly detailVersion: number;
  readonly detail: unknown;
  readonly corrects: number | null;
  readonly corrected: boolean;
}

/** Writes one entry of the record. */
export async function writeEntry<K extends EntryKind>(
  trx: Trx,
  action: Action,
  entry: EntryInput<K>,
): Promise<number> {
  const { handsId } = action;
  const [row] = await trx('record_entry')
    .insert({
      shop_id: action.shopId,
      action_key: action.actionKey,
      at: action.at,
      logged_at: action.loggedAt ?? action.at,
      person_id: action.personId,
      hands_id: handsId && handsId !== action.personId ? handsId : null,
      kind: entry.kind,
      subject_kind: entry.subjectKind,
      subject_id: entry.subjectId,
      part_id: entry.partId ?? null,
      ...(typeof entry.says === 'string' ? { words: entry.says } : { message: JSON.stringify(entry.says) }),
      detail_v: DETAIL_VERSION[entry.kind],
      detail: JSON.stringify(entry.detail),
      corrects: entry.corrects ?? null,
    })
    .returning<{ id: number }[]>('id');
  return row?.id ?? 0;
}

const ENTRY_COLUMNS = {
  id: 'e.id',
  at: 'e.at',
  actionKey: 'e.action_key',
  personId: 'e.person_id',
  personName: 'p.name',
  handsName: 'h.name',
  kind: 'e.kind',
  subjectKind: 'e.subject_kind',
  subjectId: 'e.subject_id',
  partId: 'e.part_id',
  detailVersion: 'e.detail_v',
  detail: 'e.detail',
  corrects: 'e.corrects',
};

/** Entries with who made them, and whether a later one corrected each. */
export const entries = (trx: Trx) =>
  trx('record_entry as e')
    .join('person as p', 'p.id', 'e.person_id')
    .leftJoin('person as h', 'h.id', 'e.hands_id')
    .select(ENTRY_COLUMNS)
    .select(trx.raw('coalesce(e.message, to_jsonb(e.words)) as "words"'))
    .select(trx.raw('coalesce(e.logged_at, e.at) as "loggedAt"'))
    .select(
      trx.raw(
        'exists (select 1 from record_entry c where c.shop_id = e.shop_id and c.corrects = e.id) as corrected',
      ),
    );

/** The newest entries, newest first. */
export async function manyNewestEntries(trx: Trx, limit: number): Promise<Entry[]> {
  return entries(trx).orderBy('e.id', 'desc').limit(limit) as Promise<Entry[]>;
}

export async function maybeEntry(trx: Trx, id: number): Promise<Entry | undefined> {
  return entries(trx).where('e.id', id).first() as Promise<Entry | undefined>;
}

/** What one action wrote, in the order it was written. */
export async function manyEntriesOf(trx: Trx, actionKey: string): Promise<Entry[]> {
  return entries(trx).where('e.action_key', actionKey).orderBy('e.id') as Promise<Entry[]>;
}

/** The newest entry about a subject, of one kind where it is asked, that has not been corrected and corrects none. */
export async function maybeLastStandingEntry(
  trx: Trx,
  subjectId: string,
  kind?: EntryKind,
): Promise<Entry | undefined> {
  return entries(trx)
    .where({ 'e.subject_id': subjectId, ...(kind ? { 'e.kind': kind } : {}) })
    .whereNull('e.corrects')
    .whereNotExists(
      trx('record_entry as c').select(trx.raw('1')).whereRaw('c.shop_id = e.shop_id and c.corrects = e.id'),
    )
    .orderBy('e.id', 'desc')
    .first() as Promise<Entry | undefined>;
}

/** A standing entry about the same subject (and the same part of it, or the whole) that came after this one. */
export async function maybeLaterEntry(trx: Trx, entry: Entry): Promise<Entry | undefined> {
  return entries(trx)
    .where('e.subject_id', entry.subjectId)
    .where('e.id', '>', entry.id)
    .whereNot('e.action_key', entry.actionKey)
    .whereNull('e.corrects')
    .where((one) => {
      if (entry.partId !== null) void one.whereNull('e.part_id').orWhere('e.part_id', entry.partId);
    })
    .whereNotExists(
      trx('record_entry as c').select(trx.raw('1')).whereRaw('c.shop_id = e.shop_id and c.corrects = e.id'),
    )
    .orderBy('e.id', 'desc')
    .first() as Promise<Entry | undefined>;
}

/** What stands round every page, in one statement: the last entry's time, and how many cards are due, counted to `most`. */
export async function standing(
  trx: Trx,
  most: number,
): Promise<{ readonly lastLoggedAt: Date | null; readonly cardsDue: number }> {
  const { rows } = await trx.raw<{ rows: { logged: Date | null; due: number }[] }>(
    `select (select coalesce(logged_at, at) from record_entry order by id desc limit 1) as logged,
       (select count(*)::int from (select 1 from arrangement where card_due limit ?) d) as due`,
    [most],
  );
  return { lastLoggedAt: rows[0]?.logged ?? null, cardsDue: rows[0]?.due ?? 0 };
}

/** When the last entry reached the record; undefined while there is none. */
export async function maybeLastLoggedAt(trx: Trx): Promise<Date | undefined> {
  const row = await trx('record_entry')
    .orderBy('id', 'desc')
    .first<{ logged: Date } | undefined>(trx.raw('coalesce(logged_at, at) as logged'));
  return row?.logged;
}
