import { readByHabit } from '../numbers/number-habit';
import type { DecimalMark } from '../numbers/read-number';
import type { Column } from './columns';
import type { LineContext } from './line-reading';
import { unitOf } from './units';

const COUNT_COLUMNS: readonly Column[] = [
  'boxes',
  'bunches',
  'stems',
  'stemsInAll',
  'quantity',
  'stemsPerBunch',
  'pack',
  'ordered',
];
const NUMBER = /^[^\d-]{0,4}\s*(\d[\d.,'’ \u00a0]*?)\s*(?:€|EUR|GBP|USD|PLN|zł|£|\$)?$/i;

function amountIn(cell: string, mark: DecimalMark | null): number | null {
  const figures = NUMBER.exec(cell.trim())?.[1];
  return figures === undefined ? null : readByHabit(figures, mark);
}

const saysCount = (cells: readonly string[]): boolean =>
  cells.some((c) => c.split(/[^\p{L}]+/u).some((w) => unitOf(w) === 'stem' || unitOf(w) === 'bunch'));

/** The sum of money a total line states: under the sums or prices, else its last number that counts nothing. */
export function moneyIn(cells: readonly string[], { heading, habits }: LineContext): number | null {
  if (saysCount(cells.filter((c) => /\p{L}/u.test(c)))) return null;
  const mark =
    habits.marks.get(heading.columns.get('amount') ?? heading.columns.get('unitPrice') ?? -1) ?? null;
  for (const column of ['amount', 'unitPrice'] as const) {
    const amount = amountIn(cells[heading.columns.get(column) ?? -1] ?? '', mark);
    if (amount !== null) return amount;
  }
  const counting = new Set(COUNT_COLUMNS.map((c) => heading.columns.get(c)));
  for (const [at, cell] of [...cells.entries()].reverse()) {
    const amount = counting.has(at) ? null : amountIn(cell, mark);
    if (amount !== null) return amount;
  }
  return null;
}

/** Numbers of a total line that speaks of stems: "430 stems". */
const countsInWords = (cells: readonly string[]): number[] =>
  cells.flatMap((cell) =>
    (cell.match(/\d[\d.,'’]*/g) ?? [])
      .map((figures) => Number(figures.replace(/\D/g, '')))
      .filter((n) => Number.isInteger(n) && n > 0),
  );

/** Stems a total line states: in words, or under the stems where it is no plain sum of that column. */
export function stemsIn(
  cells: readonly string[],
  { heading, habits }: LineContext,
  body: readonly (readonly string[])[],
): number[] {
  const isOfStems = cells.some((c) => c.split(/[^\p{L}]+/u).some((w) => unitOf(w) === 'stem'));
  const under = (['stems', 'stemsInAll'] as const).flatMap((column) => {
    const at = heading.columns.get(column) ?? -1;
    const mark = habits.marks.get(at) ?? null;
    const total = amountIn(cells[at] ?? '', mark);
    const sum = body.reduce((n, r) => n + (readByHabit((r[at] ?? '').trim(), mark) ?? 0), 0);
    return total !== null && total !== sum ? [total] : [];
  });
  return [...(isOfStems ? countsInWords(cells) : []), ...under];
}
