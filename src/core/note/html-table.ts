import { Parser } from 'htmlparser2';
import type { FileRow } from './split-rows';

const MOST_ROWS = 20_000;
const MOST_SPANNED = 200;

/** Collects rows of a page's tables, and what is written outside of them as rows of one cell. */
class RowCollector {
  readonly rows: string[][] = [];
  private row: string[] | null = null;
  private cell: string | null = null;
  private span = 1;
  private loose = '';
  /** Inside a style or script, whose text is none of the page's. */
  private hidden = 0;

  open(name: string, attributes: Readonly<Record<string, string>>): void {
    if (name === 'style' || name === 'script' || name === 'head') this.hidden++;
    if (name === 'tr') {
      this.endLoose();
      this.endRow();
      this.row = [];
    } else if (name === 'td' || name === 'th') {
      this.endCell();
      this.row ??= [];
      this.cell = '';
      this.span = Math.min(MOST_SPANNED, Math.max(1, Number(attributes.colspan) || 1));
    } else if (name === 'br') this.text(' ');
    else if (/^(p|div|h[1-6]|table|li)$/.test(name)) this.endLoose();
  }

  close(name: string): void {
    if (name === 'style' || name === 'script' || name === 'head') this.hidden = Math.max(0, this.hidden - 1);
    if (name === 'td' || name === 'th') this.endCell();
    else if (name === 'tr' || name === 'table') this.endRow();
    else if (/^(p|div|h[1-6]|body|html|li)$/.test(name)) this.endLoose();
  }

  text(text: string): void {
    if (this.hidden > 0) return;
    if (this.cell !== null) this.cell += text;
    else if (this.row === null) this.loose += text;
  }

  private endCell(): void {
    if (this.cell === null) return;
    const text = this.cell.replace(/[\s\u00a0]+/g, ' ').trim();
    this.row?.push(text, ...Array.from({ length: this.span - 1 }, () => ''));
    this.cell = null;
  }

  private endRow(): void {
    this.endCell();
    if (this.row && this.rows.length < MOST_ROWS) this.rows.push(this.row);
    this.row = null;
  }

  private endLoose(): void {
    const text = this.loose.replace(/[\s\u00a0]+/g, ' ').trim();
    if (text !== '' && this.row === null && this.rows.length < MOST_ROWS) this.rows.push([text]);
    this.loose = '';
  }
}

/** Rows of the tables of a page, such as Excel's "web page" with the name of a workbook. */
export function rowsOfHtml(text: string): FileRow[] {
  const collector = new RowCollector();
  const parser = new Parser(
    {
      onopentag: (name, attributes) => collector.open(name, attributes),
      onclosetag: (name) => collector.close(name),
      ontext: (t) => collector.text(t),
    },
    { decodeEntities: true },
  );
  parser.write(text);
  parser.end();
  return collector.rows.map((cells, i) => ({ line: i + 1, lines: 1, cells }));
}
