import { matchSpecies } from '../species/match-species';
import { foldedWords } from '../species/folded-words';
import type { Column, Heading } from './columns';
import type { LineContext } from './line-reading';

const TOTAL =
  /^(grand |sub ?|zwischen|end|page )?(total|totals|sum|summe|suma|somme|totaal|totale|totali|totales|gesamt\w*|tot|razem|ogolem|subtotaal|subtotal|endbetrag|rechnungsbetrag|zu zahlen|to pay|do zaplaty|netto|brutto|totaux|sous total|subtotale)\b/;
/** What a note charges for that is no flower. */
const CHARGE =
  /^(freight|transport\w*|delivery (charge|cost)s?|shipping|handling|fuel|packaging|deposit|bucket deposit|vat|tax|discount|rounding|versand\w*|fracht\w*|porto|verpackung\w*|pfand\w*|mwst|ust|rabatt|rundung|vracht\w*|transportkosten|statiegeld|fust\w*|btw|korting|port|frais( de port)?|emballages?|consigne|tva|remise|flete|porte|portes|envase|iva|descuento|trasporto|spedizione|imballo|cauzione|sconto|transport|dostawa|opakowanie|kaucja|rabat)\b/;

/** A credit for what came before: no flower comes with it. */
const CREDIT =
  /^(credit|creditnota|credit note|gutschrift|storno|avoir|abono|nota (de|di) credito|credito|korekta|kreditnota|nota de abono)\b/;

const trimmed = (cells: readonly string[]): string[] => cells.map((c) => c.trim()).filter((c) => c !== '');

/** Columns that a line has and the sum under all of them has not. */
const OF_A_LINE = [
  'product',
  'variety',
  'code',
  'stemsPerBunch',
  'pack',
  'lengthCm',
  'unitPrice',
  'cutDate',
] as const satisfies readonly Column[];
const SUMMED = [
  'stems',
  'stemsInAll',
  'bunches',
  'boxes',
  'quantity',
  'amount',
] as const satisfies readonly Column[];

/** A row of sums that nobody named: figures under what is summed up, and nothing that a line is of. */
function isUnnamedTotal(cells: readonly string[], heading: Heading): boolean {
  const isFilled = (column: Column): boolean =>
    (cells[heading.columns.get(column) ?? -1] ?? '').trim() !== '';
  return SUMMED.some(isFilled) && !OF_A_LINE.some(isFilled) && !cells.some((c) => /\p{L}{4}/u.test(c));
}

/** Whether a row sums up the lines above it, by its word or by what it has. */
export function isTotal(cells: readonly string[], heading: Heading): boolean {
  if (isUnnamedTotal(cells, heading)) return true;
  const words = trimmed(cells).find((c) => /\p{L}/u.test(c)) ?? '';
  return TOTAL.test(foldedWords(words)) && matchSpecies(words) === null;
}

const COUNTING = [
  'bunches',
  'stemsPerBunch',
  'stems',
  'stemsInAll',
  'quantity',
  'boxes',
  'ordered',
  'weightG',
  'unitPrice',
] as const;

/** Words of a row with nothing countable in it: a remark under the lines, a signature, a heading of a group. */
function isRemark(
  cell: (column: (typeof COUNTING)[number] | 'product') => string,
  context: LineContext,
): boolean {
  return (
    COUNTING.map(cell).every((c) => c === '') &&
    matchSpecies(cell('product'), context.remembered, context.species) === null
  );
}

/** Why a row of the file is no flower, in words; null for one that may be. */
export function whySetAside(cells: readonly string[], context: LineContext): string | null {
  const cell = (column: (typeof COUNTING)[number] | 'product'): string =>
    (cells[context.heading.columns.get(column) ?? -1] ?? '').trim();
  const filled = trimmed(cells);
  if (filled.length === 0) return 'an empty line';
  if (filled.every((c) => /^[-=_*. ]+$/.test(c))) return 'a rule across the page';
  if (isTotal(cells, context.heading)) return 'a total, compared with the lines';
  if (isRemark(cell, context)) return 'a remark, with nothing to count in it';
  const product = cell('product');
  const isCharge =
    CHARGE.test(foldedWords(product)) && matchSpecies(product, context.remembered, context.species) === null;
  if (isCharge) return 'a charge, and no flower';
  return CREDIT.test(foldedWords(product)) ? 'a credit, and no flower' : null;
}
