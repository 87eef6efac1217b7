import * as fc from 'fast-check';
import Papa from 'papaparse';
import { defused, defusedCell } from './defused';

test.each([
  '=1+1',
  '+31 6 12345678',
  '-2',
  '@SUM(A1)',
  ' =cmd',
  '"=A1',
  '\u200b=A1',
  '＝A1',
  'well\n=A1',
  '|calc',
])('%j begins no formula any more', (text) => {
  expect(defusedCell(text)).toBe(`'${text}`);
});

test.each(['rose', 'No. 5', 'a-b', 'x = y', '3 + 4', '', 'Norrholt & Sons', '12,5'])(
  '%j is left as it stands',
  (text) => {
    expect(defusedCell(text)).toBe(text);
  },
);

test('numbers stay numbers, also below nought', () => {
  expect(defused({ stems: 4, value: -1.5, what: '-1.5' })).toEqual({ stems: 4, value: -1.5, what: "'-1.5" });
});

test('whatever is in a cell: it comes back from the table as it was put in, and begins no formula', () => {
  const cell = fc.oneof(
    fc.string({ unit: 'grapheme' }),
    fc
      .constantFrom('=', '+', '-', '@', '\t', ' ', '"', "'", '\n', ';')
      .chain((mark) => fc.string().map((rest) => mark + rest)),
  );
  fc.assert(
    fc.property(fc.array(cell, { minLength: 1, maxLength: 5 }), (cells) => {
      const row = Object.fromEntries(cells.map((c, i) => [`c${i}`, c]));
      const table = Papa.unparse([defused(row)], { newline: '\r\n' });
      // The comma is named: a table of one column with semicolons in it would be guessed to be parted by them.
      const [back] = Papa.parse<Record<string, string>>(table, {
        header: true,
        newline: '\r\n',
        delimiter: ',',
      }).data;
      for (const [name, text] of Object.entries(row)) {
        const read = back?.[name] ?? '';
        expect(read.replace(/^'/, '')).toBe(text.startsWith("'") && read === text ? text.slice(1) : text);
        expect(read).not.toMatch(/^\s*[=+@-]/);
      }
    }),
  );
});
