import * as fc from 'fast-check';
import { boxesCounted } from './box-numbers';
import { rowsByLength } from './by-length';
import { findHeading } from './columns';
import { byWidth, type FileRow } from './fixed-width';
import { readDeliveryNote } from './read-note';

const rowsOf = (table: readonly (readonly string[])[]): FileRow[] =>
  table.map((cells, i) => ({ line: i + 1, lines: 1, cells }));
const flower = fc.constantFrom('Rose red', 'Tulip yellow', 'Iris blue', 'Statice', 'Freesia white', 'Ruscus');
const count = fc.integer({ min: 1, max: 900 });

describe('columns kept apart by spaces', () => {
  const HEADING = ['ITEM', 'COLOUR', 'CM', 'BUNCHES', 'PER BUNCH'];
  const line = fc.tuple(
    flower,
    fc.constantFrom('red', 'white', ''),
    fc.constantFrom('60', '70', ''),
    count.map(String),
    fc.constantFrom('10', '20', '25'),
  );

  test('printed at whatever widths, words to the left and numbers to the right, every cell is found again', () => {
    fc.assert(
      fc.property(
        fc.array(line, { minLength: 1, maxLength: 12 }),
        fc.array(fc.integer({ min: 2, max: 9 }), { minLength: 5, maxLength: 5 }),
        (lines, gaps) => {
          const table = [HEADING, ...lines];
          const widths = HEADING.map((_, c) => Math.max(...table.map((r) => (r[c] ?? '').length)));
          const printed = table.map((r) =>
            r
              .map((cell, c) => {
                const width = widths[c] ?? 0;
                const isNumber = c >= 2;
                return (isNumber ? cell.padStart(width) : cell.padEnd(width)) + ' '.repeat(gaps[c] ?? 2);
              })
              .join('')
              .trimEnd(),
          );
          const rows = byWidth(printed);
          expect(rows?.map((r) => HEADING.map((_, c) => r.cells[c] ?? ''))).toEqual(table.map((r) => [...r]));
        },
      ),
      { numRuns: 300 },
    );
  });

  test('prose, and what has two columns, is no such table', () => {
    expect(byWidth(['Dear all,', 'the van is late today.'])).toBeNull();
    expect(byWidth(['Rose  20', 'Tulip  10'])).toBeNull();
    expect(byWidth([])).toBeNull();
    expect(byWidth([''])).toBeNull();
  });

  test('every line of the print is one row, the empty ones too', () => {
    const rows = byWidth(['A shop', '', 'ITEM   CM   BUNCHES', 'Rose   60   4', '', 'Tulip       7']);
    expect(rows?.map((r) => r.line)).toEqual([1, 2, 3, 4, 5, 6]);
    expect(rows?.at(-1)?.cells).toEqual(['Tulip', '', '7']);
  });
});

describe('a column for each length', () => {
  const LENGTHS = [40, 50, 60, 70, 80];

  test('opened into lines, no stem is lost, none is doubled, each has its own length', () => {
    const counts = fc.array(fc.option(fc.integer({ min: 1, max: 400 }), { freq: 3 }), {
      minLength: 5,
      maxLength: 5,
    });
    fc.assert(
      fc.property(fc.array(fc.tuple(flower, counts), { minLength: 1, maxLength: 8 }), (lines) => {
        const told = lines.filter(([, of]) => of.some((n) => n !== null));
        fc.pre(told.length > 0);
        const table = [
          ['Variety', ...LENGTHS.map(String), 'Total stems'],
          ...told.map(([name, of]) => [
            name,
            ...of.map((n) => (n === null ? '' : String(n))),
            String(of.reduce<number>((sum, n) => sum + (n ?? 0), 0)),
          ]),
        ];
        const rows = rowsByLength(rowsOf(table)) ?? [];
        const wanted = told.flatMap(([name, of]) =>
          of.flatMap((n, i) => (n === null ? [] : [[name, String(LENGTHS[i]), String(n)]])),
        );
        expect(rows.slice(1).map((r) => [...r.cells])).toEqual(wanted);
        expect(new Set(rows.map((r) => r.line)).size).toBe(rows.length);
        const note = readDeliveryNote(table.map((r) => r.join(';')).join('\n'));
        const stems = note.lines.reduce((sum, l) => sum + (l.stems ?? 0), 0);
        expect(stems).toBe(told.flatMap(([, of]) => of).reduce<number>((sum, n) => sum + (n ?? 0), 0));
      }),
      { numRuns: 150 },
    );
  });

  test.each([
    [
      'a note that has its counts already',
      [
        ['Product', 'Length', 'Stems'],
        ['Rose', '60', '20'],
      ],
    ],
    [
      'lengths that do not rise',
      [
        ['Variety', '60', '40'],
        ['Rose', '3', '4'],
      ],
    ],
    [
      'one length alone',
      [
        ['Variety', '60'],
        ['Rose', '3'],
      ],
    ],
    [
      'numbers that are no lengths',
      [
        ['Variety', '1', '2', '3'],
        ['Rose', '3', '4', '5'],
      ],
    ],
    [
      'no flower’s column',
      [
        ['Thing', '40', '60'],
        ['Rose', '3', '4'],
      ],
    ],
  ])('%s is left as it stands', (_what, table) => {
    expect(rowsByLength(rowsOf(table))).toBeNull();
  });
});

describe('boxes', () => {
  const HEADING = ['Box', 'Product', 'Bunch/box', 'Stems/bunch', 'Total stems'];
  const heading = (table: readonly (readonly string[])[]) => {
    const found = findHeading(table.map((r) => [...r]));
    if (!found) throw new Error('it has a heading');
    return found;
  };
  const boxes = (table: readonly (readonly string[])[]): (string | undefined)[] =>
    boxesCounted(rowsOf(table), heading(table))
      .slice(1)
      .map((r) => r.cells[0]);

  test('that are numbered are one each, or as many as their numbers reach', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 1, max: 4 }), flower, count, fc.constantFrom(10, 20, 25)), {
          minLength: 2,
          maxLength: 10,
        }),
        (lines) => {
          let next = 1;
          const table = [
            HEADING,
            ...lines.map(([n, name, bunches, per]) => {
              const label = n === 1 ? String(next) : `${next}-${next + n - 1}`;
              next += n;
              return [label, name, String(bunches), String(per), String(n * bunches * per)];
            }),
          ];
          expect(boxes(table)).toEqual(lines.map(([n]) => String(n)));
        },
      ),
    );
  });

  test('that are counted stay counted', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 2, max: 9 }), count, fc.constantFrom(10, 20)), {
          minLength: 1,
          maxLength: 8,
        }),
        (lines) => {
          const table = [
            HEADING,
            ...lines.map(([n, bunches, per]) => [
              String(n),
              'Rose',
              String(bunches),
              String(per),
              String(n * bunches * per),
            ]),
          ];
          expect(boxes(table)).toEqual(lines.map(([n]) => String(n)));
        },
      ),
    );
  });

  test('without a sum to hold them against nothing is taken for a number', () => {
    expect(boxes([HEADING, ['3', 'Rose', '4', '20', '']])).toEqual(['3']);
  });
});
