import { readByHabit } from '../numbers/number-habit';
import type { Column } from './columns';
import { factsOf, type LineFacts } from './line-facts';
import { moneyIn, stemsIn } from './note-totals';
import { isPerPiece, priceUnitIn, readPrice } from './read-cells';
import { ignoredLine } from './ignored-line';
import type { LineContext } from './line-reading';
import type { Section } from './sections';
import { isTotal, whySetAside } from './set-aside';
import type { Evidence, Totals } from './settle';
import type { FileRow } from './split-rows';
import type { NoteLine } from './types';

/** A row that may be a flower, with what its money tells of its counts. */
export interface OpenRow {
  readonly row: FileRow;
  readonly context: LineContext;
  readonly evidence: Evidence;
}

export const cellIn = (row: FileRow, { heading }: LineContext, column: Column): string =>
  (row.cells[heading.columns.get(column) ?? -1] ?? '').trim();

function evidenceOf(row: FileRow, context: LineContext): Evidence {
  const cell = (column: Column): string => cellIn(row, context, column);
  const mark = (column: Column) =>
    context.habits.marks.get(context.heading.columns.get(column) ?? -1) ?? null;
  const price = readPrice(cell('unitPrice'), mark('unitPrice'));
  const heading = context.heading.cells[context.heading.columns.get('unitPrice') ?? -1] ?? '';
  const said = [cell('unitPrice').replace(/[\d.,]+/, ' '), cell('priceUnit'), heading];
  const unit = said.map(priceUnitIn).find((u) => u !== null) ?? null;
  const amount = /\d[\d.,'’ \u00a0]*/.exec(cell('amount'))?.[0] ?? '';
  const kept = new Map<string, LineFacts>();
  return {
    facts: (meaning) => {
      const key = meaning.marks ?? '';
      const facts = kept.get(key) ?? factsOf(row.cells, context.heading, context.habits, meaning);
      kept.set(key, facts);
      return facts;
    },
    price: price && price.amount,
    // "Each" may be a stem, or whatever is sold as one piece.
    priceUnit: unit === 'stem' && said.some(isPerPiece) ? null : unit,
    amount: readByHabit(amount.trim().replace(/[.,]$/, ''), mark('amount')),
  };
}

const shown = (row: FileRow): string =>
  row.cells
    .map((c) => c.trim())
    .filter((c) => c !== '')
    .join(' · ');

/** Every row of the file: left aside with its reason, or open to be read. */
export function sortOut(
  rows: readonly FileRow[],
  sections: readonly Section[],
): { aside: NoteLine[]; open: OpenRow[]; totals: Totals } {
  const aside: NoteLine[] = [];
  const open: OpenRow[] = [];
  const inTable = new Set(sections.flatMap((s) => s.rows));
  const stems: number[] = [];
  let stated: number | null = null;
  const firstAt = sections[0]?.context.heading.at ?? 0;
  rows.forEach((row, at) => {
    if (!inTable.has(row))
      aside.push(
        ignoredLine(
          row.line,
          shown(row),
          at < firstAt ? 'stands above the heading' : at === firstAt ? 'the heading' : 'a heading',
        ),
      );
    for (let i = 1; i < row.lines; i++)
      aside.push(ignoredLine(row.line + i, '', `goes on from line ${row.line}`));
  });
  for (const { context, rows: body } of sections)
    for (const row of body) {
      const why = whySetAside(row.cells, context);
      if (why === null) open.push({ row, context, evidence: evidenceOf(row, context) });
      else aside.push(ignoredLine(row.line, shown(row), why));
      if (!isTotal(row.cells, context.heading)) continue;
      stems.push(
        ...stemsIn(
          row.cells,
          context,
          body.filter((r) => !isTotal(r.cells, context.heading)).map((r) => r.cells),
        ),
      );
      stated = moneyIn(row.cells, context) ?? stated;
    }
  return { aside, open, totals: { stems, money: stated } };
}
