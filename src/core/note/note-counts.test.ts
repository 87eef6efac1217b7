import { linesAnswered, withAnswer, waitsForAnswer } from './answer';
import { readDeliveryNote } from './read-note';
import type { NoteHelp } from './note-help';
import type { NoteLine } from './types';

const linesOf = (text: string, help: NoteHelp = {}): NoteLine[] =>
  readDeliveryNote(text, help).lines.filter((l) => l.status !== 'ignored');
const stemsOf = (text: string, help: NoteHelp = {}): (number | null)[] =>
  linesOf(text, help).map((l) => l.stems);

/** Notes whose counts can be meant in one way only, with the stems a florist would count. */
test.each([
  ['bunches and stems a bunch', 'Artikel;Bund;Stiele je Bund\nRosen;6;25\nTulpen;10;10', [150, 100]],
  [
    'a phrase in one cell',
    'Producto;Cantidad\nRosas;30 ramos, 25 tallos por ramo\nClaveles;4 x 20',
    [750, 80],
  ],
  [
    'units of measure',
    'item,qty,uom,pack\nRose,4,bunch,10\nTulip,5,dozen,\nIris,30,each,\nGerbera,2,box,50',
    [40, 60, 30, 100],
  ],
  [
    'Dutch "dozen" are boxes',
    'Omschrijving;Aantal;Eenheid;Inhoud\nRozen;3;dozen;40\nTulpen;2;dozen;50',
    [120, 100],
  ],
  ['boxes of bunches', 'flower,boxes,bunches per box,stems per bunch\nRose,2,10,20', [400]],
  ['shipped, not ordered', 'product,ordered,shipped,unit,stems per unit\nRose,10,8,bunch,20', [160]],
  [
    'a thousand by the mark of the prices',
    'Artikel;Stiele;Preis\nRosen;1.000;0,58\nNelken;200;0,20',
    [1000, 200],
  ],
  ['three decimals throughout', 'Artikel;Stiele;Preis\nRosen;40.000;0.58\nNelken;20.000;0.20', [40, 20]],
  ['a heading in two rows', 'Product;Quantity;;Price\n;Bunches;Stems/bunch;EUR\nRose;4;20;0,50', [80]],
])('%s', (_, text, stems) => {
  expect(stemsOf(text)).toEqual(stems);
});

test('a weight is a weight wherever it stands, and is no count', () => {
  expect(linesOf('Artikel;Stiele\nRosen;40\nSchleierkraut;600 g')[1]).toMatchObject({
    weightG: 600,
    stems: 24,
  });
  expect(linesOf('item,qty\nMimosa,3 kg')[0]).toMatchObject({ weightG: 3000, bunches: null });
  expect(linesOf('Artikel;Bund;Gewicht\nMimosa;2;850 g')[0]).toMatchObject({
    status: 'needs-decision',
    stems: null,
  });
  expect(linesOf('item,weight\nMimosa,12')[0]).toMatchObject({ status: 'needs-decision', weightG: null });
});

const OPEN = 'item,bunches,stems\nRose,10,20\nTulip,5,10\nIris,1,10\n';

test('“stems” beside bunches are asked about once, with both readings; a line that comes out the same is not', () => {
  const { question, lines } = readDeliveryNote(OPEN);
  expect(question).toMatchObject({ about: ['stems'], lines: 2 });
  expect(question?.answers.map((a) => a.example)).toEqual(['Rose: 20 stems', 'Rose: 200 stems']);
  expect(lines[1]).toMatchObject({ status: 'needs-decision', stems: null });
  expect(lines[1]?.readings?.map((r) => [r.bunches, r.stemsPerBunch, r.stems])).toEqual([
    [10, 2, 20],
    [10, 20, 200],
  ]);
  expect(lines[3]).toMatchObject({ status: 'understood', stems: 10 });
});

test.each([
  [
    'the sums show each bunch',
    'item,bunches,stems,price,amount\nRose,10,20,0.50,100.00\nTulip,5,10,0.30,15.00',
    [200, 50],
  ],
  [
    'the sums show the line',
    'item,bunches,stems,price,amount\nRose,10,20,0.50,10.00\nTulip,5,10,0.30,3.00',
    [20, 10],
  ],
  ['a total of stems', 'item,bunches,stems\nRose,10,20\nTulip,5,10\nTotal stems: 250,,', [200, 50]],
  ['ten stems are no four bunches', 'item,bunches,stems\nRose,4,10\nTulip,3,20\nIris,2,10', [40, 60, 20]],
  ['fewer stems than bunches', 'item,bunches,stems\nRose,12,10\nTulip,25,10', [120, 250]],
  ['no bunch has hundreds', 'item,bunches,stems\nRose,10,250\nTulip,30,600', [250, 600]],
])('it is settled where %s', (_, text, stems) => {
  expect(stemsOf(text)).toEqual(stems);
});

test('a sum that fits both, or sums that contradict each other, settle nothing', () => {
  expect(stemsOf('item,bunches,stems,price,amount\nRose,10,20,5.00,50.00')).toEqual([null]);
  expect(stemsOf('item,bunches,stems,price,amount\nRose,10,20,0.50,100.00\nTulip,5,10,0.30,3.00')).toEqual([
    null,
    null,
  ]);
});

test('what was said of such a note before is remembered, by supplier and make, and can be doubted', () => {
  const saved = { columns: {}, hasHeading: true, meaning: { stems: 'a bunch' as const } };
  const { make } = readDeliveryNote(OPEN, { supplier: 'Salt Hill' });
  const help = { supplier: 'Salt Hill', rememberedColumns: { 'Salt Hill': { [make.shape]: saved } } };
  expect(readDeliveryNote(OPEN, help)).toMatchObject({ meaningBy: 'memory', question: null });
  expect(stemsOf(OPEN, help)).toEqual([200, 50, 10]);
  expect(stemsOf(OPEN, { ...help, supplier: 'Another' })).toEqual([null, null, 10]);
  expect(readDeliveryNote(OPEN, { ...help, isDoubted: true }).question).not.toBeNull();
  // What its sums show goes before what was said of another.
  const sums = 'item,bunches,stems,price,amount\nRose,10,20,0.50,10.00';
  const shape = readDeliveryNote(sums).make.shape;
  expect(stemsOf(sums, { supplier: 'S', rememberedColumns: { S: { [shape]: saved } } })).toEqual([20]);
});

test('an answer gives each waiting line its counts, and takes nothing else off it', () => {
  const [rose, tulip, iris] = linesOf(
    'item,bunches,stems,remark\nRose,10,20,\nTulp x?,5,10,\nIris,1,10,',
    {},
  );
  if (!rose || !tulip || !iris) throw new Error('three lines');
  expect(waitsForAnswer(rose)).toBe(true);
  expect(withAnswer(rose, { stems: 'a bunch' })).toMatchObject({
    stems: 200,
    status: 'understood',
    decisions: 0,
  });
  expect(withAnswer(iris, { stems: 'a bunch' })).toBe(iris);
  const unknown = linesOf("item,bunches,stems\nWidow's thrill,5,10\nRose,10,20")[0];
  expect(unknown && waitsForAnswer(unknown)).toBe(false);
  expect(unknown && withAnswer(unknown, { stems: 'in all' })).toMatchObject({
    stems: 10,
    status: 'needs-decision',
    decisions: 1,
  });
});

test('four pieces in packs of ten are asked about: they may be packs', () => {
  const [line] = linesOf('item,qty,uom,pack\nRose,4,each,10');
  expect(line).toMatchObject({ status: 'needs-decision', stems: null });
});

test('a quantity with no unit is asked about: stems, or bunches whose stems nobody told', () => {
  const [line] = linesOf('Artikel;Menge\nRosen;40');
  expect(line?.readings?.map((r) => [r.bunches, r.stems])).toEqual([
    [null, 40],
    [40, null],
  ]);
  expect(stemsOf('Artikel;Menge;Preis je Stiel;Betrag\nRosen;40;0,50;20,00')).toEqual([40]);
});

test('columns nobody knows are named; a heading that comes again, and with other columns, goes for what follows', () => {
  const note = readDeliveryNote(
    'Artikel;Bund;Stiele je Bund;Lagerplatz\nRosen;6;25;A\nArtikel;Bund;Stiele je Bund;Lagerplatz\nTulpen;5;10;B\nArtikel;Stiele je Bund;Bund;Zzq\nIris;10;3;x',
  );
  expect(note.unreadColumns).toEqual(['Lagerplatz', 'Zzq']);
  expect(note.lines.filter((l) => l.status !== 'ignored').map((l) => [l.bunches, l.stems])).toEqual([
    [6, 150],
    [5, 50],
    [3, 30],
  ]);
});

test('two columns of one thing that differ are asked about, and a price that cannot be read is kept as written', () => {
  const [line] = linesOf('item,bunches,bunches,stems per bunch,price\nRose,4,5,10,on request');
  expect(line).toMatchObject({
    status: 'needs-decision',
    stems: null,
    unitPrice: null,
    priceAsWritten: 'on request',
  });
});

test.each([
  ['24.11.2026', '26.11.2026', 'after the note'],
  ['24.11.2026', '01.10.2026', 'over three weeks'],
  ['24.11.2026', '20.11.2025', 'over three weeks'],
  ['', '03/04/2026', '3 April or 4 March'],
])('on a note of %j a cut on %j is asked about', (noteDate, cut, reason) => {
  const [line] = linesOf(`Salt Hill;SH-1;${noteDate}\nproduct;bunches;stems per bunch;cut\nRose;4;10;${cut}`);
  expect(line?.status).toBe('needs-decision');
  expect(line?.reasons[0]).toContain(reason);
});

test('the day of the note tells which part of a date is the month', () => {
  const cutOf = (note: string, cut: string) =>
    linesOf(`Salt Hill;SH-1;${note}\nproduct;bunches;stems per bunch;cut\nRose;4;10;${cut}`)[0]?.cutDate;
  expect(cutOf('2026-11-12', '10/11/2026')).toBe('2026-11-10');
  expect(cutOf('2026-11-12', '11/10/2026')).toBe('2026-11-10');
  expect(cutOf('12 de noviembre de 2026', '10 nov')).toBe('2026-11-10');
});

test('a hundred times what is usual is asked about; the supplier’s own number of a line is kept', () => {
  const lines = linesOf(
    'Pos;item;bunches;stems per bunch\n10;Rose;4;10\n20;Tulip;5;10\n30;Iris;600;10\n40;Stock;3;10',
  );
  expect(lines.map((l) => [l.supplierLine, l.status])).toEqual([
    ['10', 'understood'],
    ['20', 'understood'],
    ['30', 'needs-decision'],
    ['40', 'understood'],
  ]);
});

test('a count a hundred times what that supplier usually sends is asked about, however large the note', () => {
  const text = (stems: number) => `flower,stems\nRose,${stems}\nTulip,${stems}\nIris,${stems}`;
  const usualStems = { Harbour: { ofAny: 50, bySpecies: { tulip: 100, iris: 10 } } };
  const statuses = (stems: number, help: NoteHelp) => linesOf(text(stems), help).map((l) => l.status);
  const known = { supplier: 'Harbour', usualStems };
  // Nothing is odd beside lines of its own size, where nothing else is known.
  expect(statuses(5000, {})).not.toContain('needs-decision');
  expect(statuses(5000, { ...known, supplier: 'Another' })).not.toContain('needs-decision');
  const [rose, tulip, iris] = linesOf(text(5000), known);
  expect(rose?.reasons[0]).toBe('5000 stems, where 50 is usual for a line of this supplier: is that so?');
  expect(tulip?.status).not.toBe('needs-decision');
  expect(iris?.reasons[0]).toBe('5000 stems, where 10 is usual for it from this supplier: is that so?');
  expect(statuses(999, known)).not.toContain('needs-decision');
  expect(linesOf('flower,stems\nRose,50000')[0]?.reasons[0]).toBe('50000 stems on one line: is that so?');
});

test('a count that is known by the note’s answer is held against what is usual as well', () => {
  const usualStems = { Harbour: { ofAny: 3, bySpecies: {} } };
  const text = 'flower;bunches;stems\nRose;20;40\nTulip;10;40\nIris;20;40';
  const note = readDeliveryNote(text, { supplier: 'Harbour', usualStems, isDoubted: true });
  const open = note.lines.filter((l) => l.status !== 'ignored');
  const each = linesAnswered(open, { stems: 'a bunch' }, note.usual, () => false);
  expect(each.map((l) => l.stems)).toEqual([800, 400, 800]);
  expect(each.every((l) => l.status === 'needs-decision')).toBe(true);
  expect(each[0]?.reasons[0]).toContain('where 3 is usual for a line of this supplier');
  const inAll = linesAnswered(open, { stems: 'in all' }, note.usual, () => false);
  expect(inAll.map((l) => l.stems)).toEqual([40, 40, 40]);
  expect(inAll.some((l) => l.status === 'needs-decision')).toBe(false);
});
