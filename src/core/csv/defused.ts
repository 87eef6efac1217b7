/** What a spreadsheet takes for the beginning of a formula, also behind spaces, quotes and marks nobody sees. */
const BEGINS_FORMULA =
  /^[\s\u0000-\u0020\u00a0\u200b-\u200f\u2028\u2029\u2060\ufeff'"]*[=+\-@\uff1d\uff0b\uff0d\uff20|%]/u;

/** A cell that no spreadsheet takes for a formula: text that would begin one is put behind an apostrophe. */
export const defusedCell = (text: string): string =>
  BEGINS_FORMULA.test(text) || /[\t\r\n]\s*[=+\-@]/.test(text) ? `'${text}` : text;

/** A row whose every text cell is defused; numbers are left as they are. */
export function defused<Row extends Readonly<Record<string, string | number>>>(row: Row): Row {
  return Object.fromEntries(
    Object.entries(row).map(([name, cell]) => [name, typeof cell === 'string' ? defusedCell(cell) : cell]),
  ) as Row;
}
