import type { Trx } from './connection';

/** Who does an action, when, and the key that makes a repeated tap do nothing twice. */
export interface Action {
  readonly shopId: string;
  readonly personId: string;
  readonly actionKey: string;
  readonly at: Date;
}

export interface EntryInput {
  readonly kind: string;
  readonly subjectKind:
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
    | 'person';
  readonly subjectId: string;
  /** The action in plain words, as the record shows it. */
  readonly words: string;
  readonly detail?: Readonly<Record<string, unknown>>;
  readonly corrects?: number;
}

export interface Entry {
  readonly id: number;
  readonly at: Date;
  readonly personId: string;
  readonly personName: string;
  readonly kind: string;
  readonly subjectId: string;
  readonly words: string;
  readonly detail: Record<string, unknown>;
  readonly corrects: number | null;
  readonly corrected: boolean;
}

/** Writes one entry of the record. */
export async function writeEntry(trx: Trx, action: Action, entry: EntryInput): Promise<number> {
  const [row] = await trx('record_entry')
    .insert({
      shop_id: action.shopId,
      action_key: action.actionKey,
      at: action.at,
      person_id: action.personId,
      kind: entry.kind,
      subject_kind: entry.subjectKind,
      subject_id: entry.subjectId,
      words: entry.words,
      detail: JSON.stringify(entry.detail ?? {}),
      corrects: entry.corrects ?? null,
    })
    .returning<{ id: number }[]>('id');
  return row?.id ?? 0;
}

/** What the action of that key was about, if it has been done; waits for one that is being done now. */
export async function maybeSubjectDone(trx: Trx, action: Action): Promise<string | undefined> {
  await trx.raw('select pg_advisory_xact_lock(hashtextextended(?, 0))', [action.actionKey]);
  const done = await trx('record_entry')
    .where({ action_key: action.actionKey })
    .first<{ subject_id: string } | undefined>('subject_id');
  return done?.subject_id;
}

const ENTRY_COLUMNS = [
  'e.id',
  'e.at',
  'e.person_id as personId',
  'p.name as personName',
  'e.kind',
  'e.subject_id as subjectId',
  'e.words',
  'e.detail',
  'e.corrects',
];

/** The newest entries, newest first, each with whether a later one corrected it. */
export async function manyNewestEntries(trx: Trx, limit: number): Promise<Entry[]> {
  return trx('record_entry as e')
    .join('person as p', 'p.id', 'e.person_id')
    .select(ENTRY_COLUMNS)
    .select(trx.raw('exists (select 1 from record_entry c where c.corrects = e.id) as corrected'))
    .orderBy('e.id', 'desc')
    .limit(limit) as Promise<Entry[]>;
}

/** The newest entry about a subject, of one kind where it is asked, that has not been corrected and corrects none; undefined when there is none. */
export async function maybeLastStandingEntry(
  trx: Trx,
  subjectId: string,
  kind?: string,
): Promise<Entry | undefined> {
  return trx('record_entry as e')
    .join('person as p', 'p.id', 'e.person_id')
    .select(ENTRY_COLUMNS)
    .where({ 'e.subject_id': subjectId, ...(kind ? { 'e.kind': kind } : {}) })
    .whereNull('e.corrects')
    .whereNotExists(trx('record_entry as c').select(trx.raw('1')).whereRaw('c.corrects = e.id'))
    .orderBy('e.id', 'desc')
    .first() as Promise<Entry | undefined>;
}
