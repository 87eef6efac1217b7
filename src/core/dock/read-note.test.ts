import { readFileSync } from 'node:fs';
import path from 'node:path';
import { matchSpecies } from './match-species';
import { UnreadableNoteError, decodeNote, readDeliveryNote } from './read-note';

const clean = readFileSync(path.join(__dirname, '../../../tests/fixtures/delivery-note-clean.csv'));

test('the clean note reads as sixteen lines, all understood, mimosa by its weight', () => {
  const note = readDeliveryNote(decodeNote(clean));
  expect(note).toMatchObject({ supplier: 'Norrholt Growers', deliveryRef: 'QN-4471' });
  expect(note.lines.map((l) => [l.speciesKey, l.stems])).toEqual([
    ['rose', 160],
    ['spray-rose', 40],
    ['lily-oriental', 40],
    ['tulip', 100],
    ['daffodil', 60],
    ['hydrangea', 10],
    ['gerbera', 30],
    ['amaryllis', 20],
    ['bird-of-paradise', 10],
    ['carnation', 100],
    ['statice', 30],
    ['aster', 50],
    ['tweedia', 20],
    ['mimosa', 23],
    ['eucalyptus', 25],
    ['leatherleaf', 80],
  ]);
  expect(note.lines.every((l) => l.status === 'understood')).toBe(true);
  expect(note.lines[13]?.reasons).toEqual(['1250 g at about 55 g a stem']);
});

const heading = 'supplier,product,bunches,stems_per_bunch,cut_date\n';
test.each([
  ['-3,10', 'bunches "-3"'],
  ['2.5,10', 'bunches "2.5"'],
  ['many,10', 'bunches "many"'],
])('a count of %s waits for a decision and says which', (counts, reason) => {
  const [line] = readDeliveryNote(`${heading}N,Rose,${counts},2026-11-20\n`).lines;
  expect(line).toMatchObject({ status: 'needs-decision', stems: null });
  expect(line?.reasons.join(' ')).toContain(reason);
});

test('no line of the file is lost: an unknown name and a day that is none wait for a decision', () => {
  const { lines } = readDeliveryNote(
    `${heading}N,Widow's thrill,1,10,2026-11-20\n\nN,Rose,1,10,2026-02-30\n`,
  );
  expect(lines.map((l) => [l.line, l.status])).toEqual([
    [2, 'needs-decision'],
    [4, 'needs-decision'],
  ]);
});

test.each([
  ['', 'empty'],
  ['\n \n', 'empty'],
  ['PK\u0003\u0004\u0000\u0000', 'binary'],
  ['Dear florist, the van is late.\nYours', 'No heading'],
  [heading, 'no lines'],
])('%j is refused in words', (text, words) => {
  expect(() => readDeliveryNote(text)).toThrow(UnreadableNoteError);
  expect(() => readDeliveryNote(text)).toThrow(words);
});

test('old Windows files are read too', () => {
  expect(decodeNote(Uint8Array.from([0x4c, 0xe4, 0x6e, 0x67, 0x65]))).toBe('Länge');
});

test.each([
  ['Rose', 'rose', 'named'],
  ['Helianthus annuus', 'sunflower', 'named'],
  ['peonies', 'peony', 'likely'],
  ['Hydragnea', 'hydrangea', 'likely'],
])('%s is %s, %s', (text, key, how) => {
  expect(matchSpecies(text)).toMatchObject({ species: { key }, how });
});
test('a name nobody knows is nobody', () => {
  expect(matchSpecies('Widow’s thrill')).toBeNull();
});
