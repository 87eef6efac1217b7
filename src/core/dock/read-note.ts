import Papa from 'papaparse';
import { plainWords, matchSpecies } from './match-species';
import { readCount, readIsoDate, readNumber } from './read-cells';
import type { DeliveryNote, NoteLine } from './types';

/** Column names a note may use for each thing we read; the first row naming a product is the heading. */
const COLUMNS = {
  deliveryRef: ['delivery ref', 'delivery', 'ref', 'reference'],
  supplier: ['supplier', 'grower', 'from'],
  product: ['product', 'article', 'species', 'flower', 'item'],
  variety: ['variety', 'sort', 'cultivar'],
  colour: ['colour', 'color'],
  lengthCm: ['length cm', 'length'],
  bunches: ['bunches', 'bunch'],
  stemsPerBunch: ['stems per bunch', 'per bunch', 'stems bunch'],
  headsMin: ['heads min', 'heads'],
  weightG: ['weight g', 'weight', 'grams'],
  cutDate: ['cut date', 'cut'],
  origin: ['origin', 'route'],
  packing: ['packing', 'packed'],
  unitPrice: ['unit price', 'price'],
  currency: ['currency'],
} as const;
type Column = keyof typeof COLUMNS;

/** Past this a file is no delivery note (2 MB is some twenty thousand lines). */
export const NOTE_MAX_BYTES = 2_000_000;

/** A file that could not be read as a delivery note at all, in words for the person who dropped it. */
export class UnreadableNoteError extends Error {
  override readonly name = 'UnreadableNoteError';
}

/** Text of a file: UTF-8 where it is valid, else Windows-1252. */
export function decodeNote(bytes: Uint8Array): string {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes).replace(/^\uFEFF/, '');
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}

function findHeading(rows: readonly string[][]): { at: number; columns: Map<Column, number> } | null {
  for (let at = 0; at < Math.min(rows.length, 10); at++) {
    const names = (rows[at] ?? []).map(plainWords);
    const columns = new Map<Column, number>();
    for (const column of Object.keys(COLUMNS) as Column[]) {
      const found = names.findIndex((n) => (COLUMNS[column] as readonly string[]).includes(n));
      if (found >= 0) columns.set(column, found);
    }
    if (columns.has('product') && (columns.has('bunches') || columns.has('weightG'))) return { at, columns };
  }
  return null;
}

function readLine(row: readonly string[], line: number, columns: ReadonlyMap<Column, number>): NoteLine {
  const cell = (column: Column): string => (row[columns.get(column) ?? -1] ?? '').trim();
  const reasons: string[] = [];
  const decide: string[] = [];
  const match = matchSpecies(cell('product'));
  if (!match) decide.push(`nothing we know is called "${cell('product')}"`);
  else if (match.how === 'likely') reasons.push(match.reason);
  const read = (column: Column, name: string, reader: (text: string) => number | null): number | null => {
    if (cell(column) === '') return null;
    const value = reader(cell(column));
    if (value === null) decide.push(`${name} "${cell(column)}" is not a count that can be booked`);
    return value;
  };
  const bunches = read('bunches', 'bunches', readCount);
  const stemsPerBunch = read('stemsPerBunch', 'stems a bunch', readCount);
  const weightG = read('weightG', 'weight', readCount);
  const cutDate = readIsoDate(cell('cutDate'));
  if (cell('cutDate') && !cutDate) decide.push(`cut date "${cell('cutDate')}" is no date`);
  let stems: number | null = bunches !== null && stemsPerBunch !== null ? bunches * stemsPerBunch : null;
  if (stems === null && weightG !== null && match) {
    const { gramsPerStem } = match.species;
    if (gramsPerStem === null) decide.push('sold by weight, and we have no grams a stem for it');
    else {
      stems = Math.round(weightG / gramsPerStem);
      reasons.push(`${weightG} g at about ${gramsPerStem} g a stem`);
    }
  } else if (stems === null) decide.push('no count of stems');
  const status = decide.length > 0 ? 'needs-decision' : match?.how === 'likely' ? 'guessed' : 'understood';
  return {
    line,
    status,
    reasons: [...decide, ...reasons],
    product: cell('product'),
    speciesKey: match?.species.key ?? null,
    variety: cell('variety') || null,
    colour: cell('colour') || null,
    lengthCm: readNumber(cell('lengthCm')),
    bunches,
    stemsPerBunch,
    stems,
    weightG,
    headsMin: readCount(cell('headsMin')),
    cutDate,
    origin: cell('origin') || null,
    packing: cell('packing') || null,
    unitPrice: readNumber(cell('unitPrice')),
    currency: cell('currency') || null,
  };
}

/**
 * Reads a delivery note from CSV text. Every line of the file comes back: understood, guessed,
 * waiting for a decision, or ignored with its reason.
 * @throws UnreadableNoteError when it is empty, or no heading names a product and a count
 */
export function readDeliveryNote(text: string): DeliveryNote {
  if (text.trim() === '') throw new UnreadableNoteError('The file is empty. Nothing was booked in.');
  if (/[\u0000-\u0008]/.test(text.slice(0, 4000)))
    throw new UnreadableNoteError(
      'This is not a CSV file: it holds binary data. Ask the supplier for the note as CSV. Nothing was booked in.',
    );
  const { data: rows } = Papa.parse<string[]>(text, { skipEmptyLines: false });
  const heading = findHeading(rows);
  if (!heading)
    throw new UnreadableNoteError(
      'No heading names a product and a count of bunches or a weight, so this does not read as a delivery note. Nothing was booked in.',
    );
  const { at, columns } = heading;
  const body = rows.slice(at + 1);
  const first = body.find((r) => r.some((c) => c.trim() !== ''));
  const of = (column: Column): string | null => (first?.[columns.get(column) ?? -1] ?? '').trim() || null;
  const lines = body
    .map((row, i) => ({ row, line: at + 2 + i }))
    .filter(({ row }) => row.some((c) => c.trim() !== ''))
    .map(({ row, line }) => readLine(row, line, columns));
  if (lines.length === 0)
    throw new UnreadableNoteError('The note has a heading but no lines. Nothing was booked in.');
  return { supplier: of('supplier'), deliveryRef: of('deliveryRef'), lines };
}
