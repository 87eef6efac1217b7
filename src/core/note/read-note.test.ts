import { readFileSync } from 'node:fs';
import path from 'node:path';
import { decodeNote } from './decode';
import { matchSpecies } from '../species/match-species';
import { UnreadableNoteError } from './note-help';
import { readDeliveryNote } from './read-note';
import type { NoteLine } from './types';

const fixture = (name: string) => readFileSync(path.join(__dirname, '../../../tests/fixtures', name));
const clean = fixture('delivery-note-clean.csv');
const messy = fixture('delivery-note-messy.csv');
const booked = (lines: readonly NoteLine[]) => lines.filter((l) => l.status !== 'ignored');

test('the clean note reads as sixteen lines under its heading, all understood, mimosa by its weight', () => {
  const note = readDeliveryNote(decodeNote(clean));
  expect(note).toMatchObject({ supplier: 'Norrholt Growers', deliveryRef: 'QN-4471', statedTotal: null });
  const lines = booked(note.lines);
  expect(lines.map((l) => [l.speciesKey, l.stems])).toEqual([
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
  expect(lines.every((l) => l.status === 'understood')).toBe(true);
  expect(lines[13]).toMatchObject({ priceUnit: 'kg', reasons: ['1250 g at about 55 g a stem'] });
  expect(note.lines[0]).toMatchObject({ line: 1, status: 'ignored', reasons: ['the heading'] });
});

/** What a person reads off each line of the messy note; dates of November 2026. */
const EXPECTED: readonly (readonly [
  line: number,
  status: string,
  wants: Partial<NoteLine>,
  reason: string,
])[] = [
  [1, 'ignored', {}, 'above the heading'],
  [2, 'ignored', {}, 'heading'],
  [
    3,
    'understood',
    {
      speciesKey: 'rose',
      variety: 'Evening Ferry',
      colour: 'deep red',
      bunches: 6,
      stemsPerBunch: 25,
      stems: 150,
      lengthCm: 60,
      cutDate: '2026-11-19',
      unitPrice: 0.58,
      priceUnit: 'stem',
    },
    '',
  ],
  [
    4,
    'guessed',
    {
      speciesKey: 'chrysanthemum-spray',
      variety: 'Pebble',
      colour: 'white',
      stems: 20,
      lengthCm: 70,
      cutDate: '2026-11-18',
      unitPrice: 0.77,
    },
    'Spray chrysanthemum',
  ],
  [
    5,
    'needs-decision',
    {
      speciesKey: 'alstroemeria',
      variety: 'Driftwood',
      bunches: 5,
      stemsPerBunch: 10,
      stems: 50,
      lengthCm: 70,
      cutDate: '2026-11-19',
      unitPrice: 0.39,
    },
    '2 bunches short',
  ],
  [
    6,
    'guessed',
    { speciesKey: 'peony', variety: 'Cold Harbour', stems: 15, cutDate: '2026-11-20', unitPrice: 2.9 },
    'year',
  ],
  [
    7,
    'guessed',
    { speciesKey: 'lisianthus', variety: 'Spray of Foam', colour: null, stems: 20, unitPrice: 0.95 },
    'Lisianthus',
  ],
  [
    8,
    'guessed',
    {
      speciesKey: 'limonium',
      bunches: null,
      weightG: 850,
      stems: 24,
      cutDate: null,
      unitPrice: 12.4,
      priceUnit: 'kg',
    },
    '850 g',
  ],
  [
    9,
    'understood',
    { speciesKey: 'ruscus', bunches: 2, stemsPerBunch: 10, stems: 20, cutDate: null, unitPrice: 1.1 },
    'when it was cut',
  ],
  [
    10,
    'guessed',
    {
      speciesKey: 'gypsophila',
      bunches: 2,
      stemsPerBunch: 10,
      stems: 20,
      weightG: 600,
      cutDate: '2026-11-17',
      unitPrice: 11,
      priceUnit: 'kg',
    },
    '10 stems a bunch',
  ],
  [
    11,
    'understood',
    { speciesKey: 'anthurium', stems: 8, lengthCm: null, cutDate: '2026-11-16', unitPrice: 3.2 },
    'grade “L”',
  ],
  [
    12,
    'needs-decision',
    { speciesKey: null, stems: 10, lengthCm: 45, cutDate: '2026-11-20', unitPrice: 0.6 },
    'Widow',
  ],
  [13, 'needs-decision', { speciesKey: 'rose', stems: 150, duplicateOf: 3 }, 'same as line 1 (row 3)'],
  [14, 'ignored', {}, 'empty'],
  [15, 'ignored', {}, 'total'],
];

describe('the messy note reads as a person would read it', () => {
  const note = readDeliveryNote(decodeNote(messy));
  test('who sent it, its number, its day, and a total that does not agree with its lines', () => {
    expect(note).toMatchObject({
      supplier: 'Pellinor Air Flowers',
      deliveryRef: 'PA-20931',
      noteDate: '2026-11-24',
      statedTotal: 412.35,
    });
    expect(note.computedTotal).not.toBe(note.statedTotal);
    expect(note.lines).toHaveLength(EXPECTED.length);
  });
  test.each(EXPECTED)('line %d: %s', (at, status, wants, reason) => {
    const line = note.lines[at - 1];
    expect(line).toMatchObject({ line: at, status, ...wants });
    expect(line?.reasons.join(' / ')).toContain(reason);
  });
  test('told who sends it, and what was chosen last time, it asks no more', () => {
    const again = readDeliveryNote(decodeNote(messy), {
      remembered: { 'Pellinor Air Flowers': { 'widows thrill': 'scabiosa', limonium: 'statice' } },
      gramsPerStem: { statice: 42.5 },
    });
    expect(again.lines[11]).toMatchObject({ status: 'understood', speciesKey: 'scabiosa' });
    expect(again.lines[7]).toMatchObject({ speciesKey: 'statice', stems: 20 });
  });
});

const heading = 'supplier,product,bunches,stems_per_bunch,cut_date\n';
const only = (text: string): NoteLine | undefined => booked(readDeliveryNote(text).lines)[0];
test.each([
  ['-3,10', 'bunches “-3”'],
  ['2.5,10', 'bunches “2.5”'],
  ['many,10', 'bunches “many”'],
])('a count of %s waits for a decision and says which', (counts, reason) => {
  const line = only(`${heading}N,Rose,${counts},2026-11-20\n`);
  expect(line).toMatchObject({ status: 'needs-decision', stems: null });
  expect(line?.reasons.join(' ')).toContain(reason);
});

test('no line of the file is lost: unknown names, days that are none, empty lines, remarks, a cell over two lines', () => {
  const { lines } = readDeliveryNote(
    `${heading}N,Widow's thrill,1,10,2026-11-20\n\nN,Rose,1,10,2026-02-30\n,see you tomorrow,,,\nN,"Rose,\nred",1,10,2026-11-20\n`,
  );
  expect(lines.map((l) => [l.line, l.status])).toEqual([
    [1, 'ignored'],
    [2, 'needs-decision'],
    [3, 'ignored'],
    [4, 'needs-decision'],
    [5, 'ignored'],
    [6, 'understood'],
    [7, 'ignored'],
  ]);
  expect(lines[5]).toMatchObject({ speciesKey: 'rose', colour: 'red' });
  expect(lines[6]?.reasons).toEqual(['goes on from line 6']);
});

test('a quotation mark that is never closed spoils its own line and no other', () => {
  const { lines } = readDeliveryNote(
    `${heading}N,"Rose,1,10,2026-11-20\nN,Tulip,2,10,2026-11-20\nN,Iris,1,5,2026-11-20\n`,
  );
  expect(lines.map((l) => l.line)).toEqual([1, 2, 3, 4]);
  expect(lines.slice(2).map((l) => [l.speciesKey, l.stems])).toEqual([
    ['tulip', 20],
    ['iris', 5],
  ]);
});

test.each([
  [
    'Produkt;Bund;Stk/Bund;Preis EUR\nTulpen;2;10;1.234,50',
    { speciesKey: 'tulip', stems: 20, unitPrice: 1234.5, currency: 'EUR' },
  ],
  [
    'article|stems|length|price\nRosa hybrids|40|24 in|€ 0.60/st',
    { speciesKey: 'rose', stems: 40, lengthCm: 61, unitPrice: 0.6, priceUnit: 'stem', currency: 'EUR' },
  ],
  [
    'item\tbunches\tper bunch\tcut\tprice per bunch\nIris\t3\tx10\t11/20/2026\t$4.50',
    { stems: 30, cutDate: '2026-11-20', unitPrice: 4.5, priceUnit: 'bunch', currency: 'USD' },
  ],
  [
    'product,weight kg,cut,price\nMimosa,"1,1",20 Nov 2026,"14,00"',
    { weightG: 1100, stems: 20, cutDate: '2026-11-20', priceUnit: 'kg' },
  ],
])('another supplier’s habits: %j', (text, wants) => {
  expect(only(text)).toMatchObject(wants);
});

test('counts that contradict one another are not settled for the shop', () => {
  const line = only('product,bunches,stems per bunch,stems\nRose,5,20,90');
  expect(line?.status).toBe('needs-decision');
  expect(line?.reasons[0]).toContain('5 × 20 is 100');
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

test('old Windows files and UTF-16 are read too', () => {
  expect(decodeNote(Uint8Array.from([0x4c, 0xe4, 0x6e, 0x67, 0x65]))).toBe('Länge');
  expect(decodeNote(Uint8Array.from([0x80, 0x20, 0x31, 0x96, 0x32]))).toBe('€ 1–2');
  expect(decodeNote(Uint8Array.from([0x49, 0x6c, 0x6f, 0x9c, 0xe6]))).toBe('Ilość');
  expect(decodeNote(Uint8Array.from([0xff, 0xfe, 0x4c, 0x00, 0xe4, 0x00]))).toBe('Lä');
  expect(decodeNote(Uint8Array.from([0xfe, 0xff, 0x00, 0x4c, 0x00, 0xe4]))).toBe('Lä');
});

test.each([
  ['Rose', 'rose', 'named'],
  ['Helianthus annuus', 'sunflower', 'named'],
  ['peonies', 'peony', 'named'],
  ['Hydragnea', 'hydrangea', 'likely'],
  ['Lisianthus dbl', 'lisianthus', 'likely'],
])('%s is %s, %s', (text, key, how) => {
  expect(matchSpecies(text)).toMatchObject({ species: { key }, how });
});
test('a name nobody knows is nobody', () => {
  expect(matchSpecies('Widow’s thrill')).toBeNull();
  expect(matchSpecies('constructor')).toBeNull();
});
