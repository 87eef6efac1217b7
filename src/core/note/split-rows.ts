import Papa from 'papaparse';
import { byWidth, type FileRow } from './fixed-width';
import { findHeading, type Heading } from './columns';

export type { FileRow };

const DELIMITERS = [';', ',', '\t', '|'] as const;

/** Each line on its own: a quotation mark that is never closed then spoils one line and no more. */
function lineByLine(lines: readonly string[], delimiter: string): FileRow[] {
  return lines.map((text, i) => {
    const { data, errors } = Papa.parse<string[]>(text, { delimiter });
    const cells = errors.length === 0 && data.length === 1 ? (data[0] ?? []) : text.split(delimiter);
    return { line: i + 1, lines: 1, cells };
  });
}

/** Cells of most rows that take up one line. */
function usualWidth(rows: readonly FileRow[]): number {
  const widths = new Map<number, number>();
  for (const { lines, cells } of rows)
    if (lines === 1) widths.set(cells.length, (widths.get(cells.length) ?? 0) + 1);
  return [...widths].reduce((best, entry) => (entry[1] > best[1] ? entry : best), [Infinity, 0])[0];
}

/** A row over several lines with so many times the usual separators, in its cells or between them, is two rows. */
const TWO_ROWS = 1.6;

/** Whether a cell swallowed what is no part of it: opened by a stray mark, not by somebody's long remark. */
function hasSwallowed({ lines, cells }: FileRow, delimiter: string, width: number): boolean {
  if (lines === 1) return false;
  if (cells.length > width) return true;
  if (cells.join(delimiter).split(delimiter).length > TWO_ROWS * width) return true;
  return cells.some((c) =>
    c
      .split('\n')
      .slice(1)
      .some((l) => l.split(delimiter).length > 3),
  );
}

/** Rows by the rules of CSV, cells over several lines included; null where quotation marks go astray. */
function byTheRules(text: string, delimiter: string): FileRow[] | null {
  const { data, errors } = Papa.parse<string[]>(text, { delimiter, newline: '\n' });
  if (errors.some((e) => e.type === 'Quotes')) return null;
  let line = 1;
  const rows = data.map((cells): FileRow => {
    const lines = 1 + cells.reduce((n, c) => n + (c.split('\n').length - 1), 0);
    const row = { line, lines, cells };
    line += lines;
    return row;
  });
  const width = usualWidth(rows);
  return rows.some((row) => hasSwallowed(row, delimiter, width)) ? null : rows;
}

export interface SplitFile {
  readonly rows: readonly FileRow[];
  readonly heading: Heading | null;
}

const knownColumns = (file: SplitFile | null): number => file?.heading?.columns.size ?? 0;

/** Whether a splitting knows more columns; where no heading is recognised, gives most rows the most cells. */
function isBetterSplit(file: SplitFile, best: SplitFile | null): boolean {
  if (best === null) return true;
  const [known, bestKnown] = [knownColumns(file), knownColumns(best)];
  return known > bestKnown || (known + bestKnown === 0 && usualWidth(file.rows) > usualWidth(best.rows));
}

/**
 * Splits a file into rows, by the separator whose heading is recognised best. Every line of the
 * file is in exactly one row; a newline at the very end begins none.
 */
export function splitRows(text: string): SplitFile {
  const clean = text.replace(/\r\n?/g, '\n').replace(/\n$/, '');
  const lines = clean.split('\n');
  let best: SplitFile | null = null;
  for (const delimiter of DELIMITERS) {
    if (!clean.includes(delimiter)) continue;
    const rows = byTheRules(clean, delimiter) ?? lineByLine(lines, delimiter);
    const file = { rows, heading: findHeading(rows.map((r) => r.cells)) };
    if (isBetterSplit(file, best)) best = file;
  }
  if (knownColumns(best) === 0) {
    const rows = byWidth(lines);
    const file = rows && { rows, heading: findHeading(rows.map((r) => r.cells)) };
    if (file && knownColumns(file) > 0) return file;
  }
  return best ?? { rows: lineByLine(lines, ','), heading: null };
}
