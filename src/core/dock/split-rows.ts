import Papa from 'papaparse';
import { findHeading, type Heading } from './columns';

/** A row of cells with the line of the file it begins on, and how many lines it takes up. */
export interface FileRow {
  readonly line: number;
  readonly lines: number;
  readonly cells: readonly string[];
}

const DELIMITERS = [';', ',', '\t', '|'] as const;

/** Each line on its own: a quotation mark that is never closed then spoils one line and no more. */
function lineByLine(lines: readonly string[], delimiter: string): FileRow[] {
  return lines.map((text, i) => {
    const { data, errors } = Papa.parse<string[]>(text, { delimiter });
    const cells = errors.length === 0 && data.length === 1 ? (data[0] ?? []) : text.split(delimiter);
    return { line: i + 1, lines: 1, cells };
  });
}

/** Rows by the rules of CSV, cells over several lines included; null where quotation marks go astray. */
function byTheRules(text: string, delimiter: string): FileRow[] | null {
  const { data, errors } = Papa.parse<string[]>(text, { delimiter, newline: '\n' });
  if (errors.some((e) => e.type === 'Quotes')) return null;
  const rows: FileRow[] = [];
  let line = 1;
  for (const cells of data) {
    const lines = 1 + cells.reduce((n, c) => n + (c.split('\n').length - 1), 0);
    // A cell that swallowed whole rows was opened by a stray mark, not by somebody's long remark.
    if (
      lines > 1 &&
      cells.some((c) =>
        c
          .split('\n')
          .slice(1)
          .some((l) => l.split(delimiter).length > 3),
      )
    )
      return null;
    rows.push({ line, lines, cells });
    line += lines;
  }
  return rows;
}

export interface SplitFile {
  readonly rows: readonly FileRow[];
  readonly heading: Heading | null;
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
    const heading = findHeading(rows.map((r) => r.cells));
    const known = heading?.columns.size ?? 0;
    if (known > (best?.heading?.columns.size ?? 0) || best === null) best = { rows, heading };
  }
  return best ?? { rows: lineByLine(lines, ','), heading: null };
}
