import type { SavedColumns } from '../core/note/columns';
import { readSavedColumns } from '../core/note/stored-columns';
import type { Trx } from './connection';

/** Species by a supplier's words, by supplier. */
export type SupplierWords = Record<string, Record<string, string>>;

/** What each supplier's words were taken to mean last time. */
export async function manySupplierWords(trx: Trx): Promise<SupplierWords> {
  const rows: { supplier: string; words: string; species_key: string }[] = await trx('supplier_word').select(
    'supplier',
    'words',
    'species_key',
  );
  const bySupplier: SupplierWords = {};
  for (const row of rows)
    bySupplier[row.supplier] = { ...bySupplier[row.supplier], [row.words]: row.species_key };
  return bySupplier;
}

/** Remembers what words of a supplier's note meant; the last choice stands. */
export async function rememberSupplierWords(
  trx: Trx,
  shopId: string,
  supplier: string,
  meant: readonly { readonly words: string; readonly speciesKey: string }[],
  at: Date,
): Promise<void> {
  const byWords = new Map(meant.map((m) => [m.words, m.speciesKey]));
  if (byWords.size === 0) return;
  await trx('supplier_word')
    .insert(
      [...byWords].map(([words, species_key]) => ({
        shop_id: shopId,
        supplier,
        words,
        species_key,
        chosen_at: at,
      })),
    )
    .onConflict(['shop_id', 'supplier', 'words'])
    .merge(['species_key', 'chosen_at']);
}

/** Forgets what words of a supplier's note meant. */
export async function forgetSupplierWords(trx: Trx, supplier: string, words: string): Promise<number> {
  return trx('supplier_word').where({ supplier, words }).delete();
}

/** Forgets how a supplier's notes of that make are read. */
export async function forgetSupplierColumns(trx: Trx, supplier: string, shape: string): Promise<number> {
  return trx('supplier_columns').where({ supplier, shape }).delete();
}

/** How each supplier's notes keep their columns, by the make of the note. */
export async function manySupplierColumns(trx: Trx): Promise<Record<string, Record<string, SavedColumns>>> {
  const rows: { supplier: string; shape: string; saved: unknown }[] = await trx('supplier_columns').select(
    'supplier',
    'shape',
    'saved',
  );
  const bySupplier: Record<string, Record<string, SavedColumns>> = {};
  for (const { supplier, shape, saved } of rows) {
    const read = readSavedColumns(saved);
    if (read) bySupplier[supplier] = { ...bySupplier[supplier], [shape]: read };
  }
  return bySupplier;
}

/** Remembers which column of a supplier's notes is what; the last word stands. */
export async function rememberSupplierColumns(
  trx: Trx,
  shopId: string,
  supplier: string,
  shape: string,
  saved: SavedColumns,
  at: Date,
): Promise<void> {
  await trx('supplier_columns')
    .insert({ shop_id: shopId, supplier, shape, saved: JSON.stringify(saved), chosen_at: at })
    .onConflict(['shop_id', 'supplier', 'shape'])
    .merge(['saved', 'chosen_at']);
}
