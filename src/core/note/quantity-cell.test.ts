import * as fc from 'fast-check';
import { readByHabit } from '../numbers/number-habit';
import { readAmounts, type CellAmounts } from './quantity-cell';

const read = (text: string): CellAmounts | null => readAmounts(text, (t) => readByHabit(t, null));
/** What a cell says, without what it does not. */
const said = (text: string): Partial<CellAmounts> | null => {
  const amounts = read(text);
  return amounts && Object.fromEntries(Object.entries(amounts).filter(([, n]) => n !== null));
};

test.each<readonly [text: string, amounts: Partial<CellAmounts>]>([
  ['40', { plain: 40 }],
  ['4 Bund', { bunches: 4 }],
  ['4 Bd.', { bunches: 4 }],
  ['12 bossen', { bunches: 12 }],
  ['6 bottes', { bunches: 6 }],
  ['5 ramos', { bunches: 5 }],
  ['7 mazzi', { bunches: 7 }],
  ['3 pęczki', { bunches: 3 }],
  ['9 molhos', { bunches: 9 }],
  ['9 buntar', { bunches: 9 }],
  ['200 St', { stems: 200 }],
  ['200 Stück', { stems: 200 }],
  ['60 tallos', { stems: 60 }],
  ['60 hastes', { stems: 60 }],
  ['2 Karton', { boxes: 2 }],
  ['2 cajas', { boxes: 2 }],
  ['3 packs', { packs: 3 }],
  ['5 dozen', { dozens: 5 }],
  ['4 x 10', { bunches: 4, perBunch: 10 }],
  ['4×10', { bunches: 4, perBunch: 10 }],
  ['4 bunches of 10', { bunches: 4, perBunch: 10 }],
  ['10 Bd à 20', { bunches: 10, perBunch: 20 }],
  ['30 ramos, 25 tallos por ramo', { bunches: 30, perBunch: 25 }],
  ['12 bunches x 10 stems', { bunches: 12, perBunch: 10 }],
  ['bunch of 10', { perBunch: 10 }],
  ['10 / bunch', { perBunch: 10 }],
  ['25 stems per bunch', { perBunch: 25 }],
  ['10 Stiele/Bund', { perBunch: 10 }],
  ['2 boxes x 10 x 25', { boxes: 2, bunchesPerBox: 10, perBunch: 25 }],
  ['2 cartons of 80 stems', { boxes: 2, perBox: 80 }],
  ['600 g', { weightG: 600 }],
  ['2.5 kg', { weightG: 2500 }],
])('“%s”', (text, amounts) => {
  expect(said(text)).toEqual(amounts);
});

test.each([
  'about 40',
  '40-ish',
  '4 x',
  'ten',
  '4 bunches of roses',
  '-3',
  '0',
  '2,5 bunches',
  '4 4',
  'à',
  '/',
  'x 10 of',
])('“%s” is not half read: it says nothing', (text) => {
  expect(read(text)).toBeNull();
});

test('whatever is counted in whichever words, the count is the one that stands there', () => {
  const unit = fc.constantFrom(
    ...(['Bund', 'bossen', 'bottes', 'ramos', 'mazzi', 'pęczki', 'bunches'] as const).map(
      (word) => [word, 'bunches'] as const,
    ),
    ...(['Stiele', 'stelen', 'tiges', 'tallos', 'steli', 'stems', 'szt.'] as const).map(
      (word) => [word, 'stems'] as const,
    ),
    ...(['Kartons', 'boxes', 'colis', 'cajas', 'scatole'] as const).map((word) => [word, 'boxes'] as const),
  );
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 99_999 }),
      unit,
      fc.constantFrom('', ' '),
      (n, [word, field], gap) => {
        expect(said(`${n}${gap}${word}`)).toEqual({ [field]: n });
      },
    ),
  );
});

test('so many of so many comes back as both, whatever joins them', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 500 }),
      fc.integer({ min: 1, max: 500 }),
      fc.constantFrom('x', '×', '*'),
      fc.constantFrom('', ' '),
      (bunches, perBunch, times, gap) => {
        expect(said(`${bunches}${gap}${times}${gap}${perBunch}`)).toEqual({ bunches, perBunch });
      },
    ),
  );
});

test('whatever stands in a cell, it is read or not, and never throws or comes to less than one', () => {
  const piece = fc.oneof(
    fc.constantFrom('x', 'of', 'Bund', 'St', 'kg', '/', 'per', 'box', ',', '(', ')', 'à', '@', '10er'),
    fc.integer({ min: -5, max: 200_000 }).map(String),
    fc.string({ maxLength: 4 }),
  );
  fc.assert(
    fc.property(fc.array(piece, { maxLength: 8 }), (pieces) => {
      const amounts = read(pieces.join(' '));
      if (amounts)
        for (const n of Object.values(amounts))
          if (n !== null) {
            expect(n).toBeGreaterThanOrEqual(1);
            expect(Number.isInteger(n)).toBe(true);
          }
    }),
    { numRuns: 500 },
  );
});
