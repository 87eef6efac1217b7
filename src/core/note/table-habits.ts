import { isTwofold, numberHabitOf } from '../numbers/number-habit';
import type { DecimalMark } from '../numbers/read-number';
import type { Column, Heading } from './columns';
import { COUNT_COLUMNS, readHeading } from './headings';
import type { TableHabits } from './line-facts';

const MONEY: readonly Column[] = ['unitPrice', 'amount'];

const figuresIn = (cell: string): string => /\d[\d.,'’]*/.exec(cell)?.[0]?.replace(/[.,]$/, '') ?? '';
const otherThan = (mark: DecimalMark): DecimalMark => (mark === ',' ? '.' : ',');

/**
 * What "1.000" is in a column of counts: a thousand where the file's decimal mark is the other one, or
 * where other counts of the column stand without a mark; one where every count has three decimals.
 * Null where neither is so.
 */
function markOfCounts(cells: readonly string[], fileMark: DecimalMark | null): DecimalMark | null {
  const own = numberHabitOf(cells).mark;
  const figures = cells.map(figuresIn).filter((f) => f !== '');
  const twofold = figures.filter(isTwofold);
  const [sep, ...others] = new Set(twofold.map((f): DecimalMark => (f.includes(',') ? ',' : '.')));
  if (own !== null) return own;
  if (sep === undefined) return fileMark;
  if (others.length > 0) return null;
  if (fileMark !== null && fileMark !== sep) return fileMark;
  const isEveryThousands = twofold.length === figures.length && twofold.every((f) => f.endsWith('000'));
  // With the file's own decimal mark it is one with three decimals, if every count has them; else nobody can say.
  if (fileMark === sep) return isEveryThousands ? sep : null;
  return isEveryThousands ? null : otherThan(sep);
}

/** A weight "1.250": a fraction of kilograms, thousands of grams. */
function markOfWeights(
  cells: readonly string[],
  fileMark: DecimalMark | null,
  isKg: boolean | null,
): DecimalMark | null {
  const own = numberHabitOf(cells).mark ?? fileMark;
  const twofold = cells.map(figuresIn).find(isTwofold);
  if (own !== null || twofold === undefined || isKg === null) return own;
  const sep: DecimalMark = twofold.includes(',') ? ',' : '.';
  return isKg ? sep : otherThan(sep);
}

/** How each column of a table writes its numbers, judged by the whole column and by the file's money. */
export function habitsOf(rows: readonly (readonly string[])[], heading: Heading): TableHabits {
  const cellsOf = (column: Column): string[] => {
    const at = heading.columns.get(column);
    return at === undefined ? [] : rows.map((r) => (r[at] ?? '').trim()).filter((c) => c !== '');
  };
  const money = numberHabitOf([...MONEY, 'weightG' as const].flatMap(cellsOf)).mark;
  const marks = new Map<number, DecimalMark | null>();
  for (const [column, at] of heading.columns) {
    const cells = cellsOf(column);
    const noun = readHeading((heading.cells[at] ?? '').trim())?.noun;
    if ((COUNT_COLUMNS as readonly Column[]).includes(column)) marks.set(at, markOfCounts(cells, money));
    else if (column === 'weightG')
      marks.set(at, markOfWeights(cells, money, noun === 'kg' ? true : noun === 'g' ? false : null));
    else marks.set(at, numberHabitOf(cells).mark ?? money);
  }
  return { marks };
}
