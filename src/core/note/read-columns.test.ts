import { readSavedColumns } from './stored-columns';
import { shapeOf, type SavedColumns } from './columns';
import { NoHeadingError } from './note-help';
import { readDeliveryNote } from './read-note';

const BARE = 'Rosor;Kvall;6;25;19.11.2026\nTulip;Hamn;10;10;22.11.2026\n';
const STRANGE = `Kukka;Laji;Nippu;Kpl;Leikattu\nRose;Ilta;6;25;19.11.2026\n`;
const columns = { product: 0, variety: 1, bunches: 2, stemsPerBunch: 3, cutDate: 4 } as const;
const bare: SavedColumns = { columns, hasHeading: false };

test('a note without headings asks which column is what, and shows its first rows', () => {
  expect.assertions(2);
  try {
    readDeliveryNote(BARE);
  } catch (error) {
    expect(error).toBeInstanceOf(NoHeadingError);
    expect((error as NoHeadingError).rows[0]).toEqual(['Rosor', 'Kvall', '6', '25', '19.11.2026']);
  }
});

test('once said, its lines are read from the first on; a row of strange headings is set aside', () => {
  const read = readDeliveryNote(BARE, { columns: bare });
  expect(read.lines.map((l) => [l.line, l.stems, l.cutDate])).toEqual([
    [1, 150, '2026-11-19'],
    [2, 100, '2026-11-22'],
  ]);
  expect(read.lines[1]).toMatchObject({ speciesKey: 'tulip', variety: 'Hamn' });
  const strange = readDeliveryNote(STRANGE, { columns: { columns, hasHeading: true } });
  expect(strange.lines.map((l) => l.status)).toEqual(['ignored', 'understood']);
});

test('a supplier’s next note of the same make is read as the last was; of two that could have sent it, neither is guessed', () => {
  const shape = shapeOf(['', '', '', '', ''], false);
  const one = { 'Fjord Blooms': { [shape]: bare } };
  expect(readDeliveryNote(BARE, { rememberedColumns: one })).toMatchObject({ supplier: 'Fjord Blooms' });
  const two = { ...one, 'Salt Hill': { [shape]: bare } };
  expect(() => readDeliveryNote(BARE, { rememberedColumns: two })).toThrow(NoHeadingError);
  expect(readDeliveryNote(BARE, { rememberedColumns: two, supplier: 'Salt Hill' }).lines).toHaveLength(2);
  const named = {
    'Fjord Blooms': {
      [shapeOf(STRANGE.split('\n')[0]?.split(';') ?? [], true)]: { columns, hasHeading: true },
    },
  };
  expect(readDeliveryNote(STRANGE, { rememberedColumns: named }).lines[1]).toMatchObject({
    speciesKey: 'rose',
    stems: 150,
  });
});

test('columns said otherwise than their headings go before what the headings seem to say', () => {
  const csv = 'product,bunches,stems\nRose,25,6\n';
  const said: SavedColumns = { columns: { product: 0, stemsPerBunch: 1, bunches: 2 }, hasHeading: true };
  const remembered = { 'Salt Hill': { [shapeOf(['product', 'bunches', 'stems'], true)]: said } };
  const read = readDeliveryNote(csv, { rememberedColumns: remembered, supplier: 'Salt Hill' });
  expect(read.lines[1]).toMatchObject({ bunches: 6, stemsPerBunch: 25, stems: 150 });
  expect(readDeliveryNote(csv, { rememberedColumns: remembered, supplier: 'Other' }).lines[1]?.bunches).toBe(
    25,
  );
});

test('under a letter head the columns said are of the row that was recognised', () => {
  const csv = 'Note;Salt Hill;SH-7;24.11.2026\nproduct;qty;bunches\nRose;10;6\nTulip;10;4\n';
  const columns = { product: 0, stemsPerBunch: 1, bunches: 2 } as const;
  const read = readDeliveryNote(csv, { columns: { columns, hasHeading: true } });
  expect(read.supplier).toBe('Salt Hill');
  expect(read.lines.map((l) => [l.status, l.stems])).toEqual([
    ['ignored', null],
    ['ignored', null],
    ['understood', 60],
    ['understood', 40],
  ]);
});

test('columns that were said are read back as they are kept, and anything else has to be said anew', () => {
  const whole: SavedColumns = {
    ...bare,
    meaning: { stems: 'a bunch', quantity: 'boxes', marks: 'thousands' },
  };
  for (const said of [bare, whole]) expect(readSavedColumns(JSON.parse(JSON.stringify(said)))).toEqual(said);
  for (const none of [
    null,
    [],
    {},
    { ...bare, columns: { flowers: 1 } },
    { ...bare, columns: { product: -1 } },
  ])
    expect(readSavedColumns(none)).toBeNull();
});
