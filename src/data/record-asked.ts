import type { EntryKind } from '../core/record/entry-details';
import type { Trx } from './connection';
import { entries, type Entry } from './record';

/** What the record is asked; what is left out does not matter. */
export interface RecordQuestion {
  /** What was done to it, to its portions, to the delivery it came with, its claims, and what was made of it. */
  readonly lot?: { readonly id: string; readonly deliveryId: string } | undefined;
  /** Its washes and fills, and what was stood in it. */
  readonly pail?: { readonly id: string; readonly name: string } | undefined;
  /** Who tapped it, or whose hands did it. */
  readonly personId?: string | undefined;
  readonly kinds?: readonly EntryKind[] | undefined;
  /** Done in this span: from, and before. */
  readonly span?: { readonly from: Date; readonly before: Date } | undefined;
}

// Whose entries are looked for is found first, and then read by the index of subjects: told as one
// statement it is answered by going through all of a long record.

async function subjectsOfLot(trx: Trx, lot: NonNullable<RecordQuestion['lot']>): Promise<string[]> {
  const [claims, made] = await Promise.all([
    trx('claim').where('lot_id', lot.id).pluck<string[]>('id'),
    trx('arrangement_line').where('lot_id', lot.id).pluck<string[]>('arrangement_id'),
  ]);
  return [lot.id, lot.deliveryId, ...claims, ...made];
}

async function lotsThatStoodIn(trx: Trx, pailId: string): Promise<string[]> {
  return trx('stay as s')
    .join('pail_fill as f', 'f.id', 's.fill_id')
    .join('portion as o', 'o.id', 's.portion_id')
    .where('f.pail_id', pailId)
    .distinct()
    .pluck<string[]>('o.lot_id');
}

/** Where a page of the record begins: beyond an entry, going to older or to newer ones. */
export interface RecordPage {
  readonly limit: number;
  readonly order: 'newest' | 'oldest';
  readonly beyondId?: number | undefined;
}

/** Entries that answer it, in that order, those beyond an entry where one is named. */
export async function manyEntriesAsked(
  trx: Trx,
  { lot, pail, personId, kinds, span }: RecordQuestion,
  { limit, order, beyondId }: RecordPage,
): Promise<Entry[]> {
  const isNewest = order === 'newest';
  const asked = entries(trx)
    .orderBy('e.id', isNewest ? 'desc' : 'asc')
    .limit(limit);
  if (beyondId !== undefined) void asked.where('e.id', isNewest ? '<' : '>', beyondId);
  if (lot) void asked.whereIn('e.subject_id', await subjectsOfLot(trx, lot));
  if (pail) {
    void asked.whereIn('e.subject_id', [pail.id, ...(await lotsThatStoodIn(trx, pail.id))]);
    void asked.where((one) => {
      void one
        .where('e.subject_id', pail.id)
        .orWhereRaw(`e.detail -> 'poured' @> ?::jsonb`, [JSON.stringify([{ pail: pail.name }])]);
    });
  }
  if (personId !== undefined)
    void asked.where((one) => {
      void one.where('e.person_id', personId).orWhere('e.hands_id', personId);
    });
  if (kinds) void asked.whereIn('e.kind', [...kinds]);
  if (span) void asked.where('e.at', '>=', span.from).where('e.at', '<', span.before);
  return asked as Promise<Entry[]>;
}
