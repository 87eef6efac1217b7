import { readDeliveryNote } from './read-note';
import type { NoteLine } from './types';

const booked = (lines: readonly NoteLine[]) => lines.filter((l) => l.status !== 'ignored');

test.each([
  // A label we do not know, before its date, is no supplier.
  ['Ship date,11/24/2026\nInvoice,55120\nItem,Bunches,Stems/Bunch\nRose,2,25', null, '55120'],
  ['Truck out,24.11.2026\nLieferschein,4471\nArtikel,Bund,Stiele/Bund\nRose,2,20', null, '4471'],
  [
    'Pellinor Air Flowers\nDelivery note QN-12\nproduct,bunches,stems per bunch\nRose,2,20',
    'Pellinor Air Flowers',
    'QN-12',
  ],
  // A number behind the paper's name, in its own cell; a date in the next is none.
  ['ALBARÁN 2026-0912;Fecha: 24/11/2026\nProducto;Ramos;Tallos por ramo\nRosa;6;25', null, '2026-0912'],
  [
    'Gärtnerei Nordkap\nLieferung vom 24.11.2026, LS 88120\nArtikel;Bund;Stiele/Bund\nRosen;5;20',
    'Gärtnerei Nordkap',
    '88120',
  ],
  ['Fjordside Farms,#A-5521,2026-11-24\nItem,Bunches,Stems/Bunch\nRose,2,25', 'Fjordside Farms', 'A-5521'],
  ['WZ 118/2026;2026-11-24\nNazwa;Pęczki;Szt. w pęczku\nRóża;5;20', null, '118/2026'],
])('the head of %j is of %s, number %s', (text, supplier, deliveryRef) => {
  expect(readDeliveryNote(text)).toMatchObject({ supplier, deliveryRef });
});

test('a row of sums that nobody named is a total, compared with the lines, and no line without a product', () => {
  const lines =
    'Artikel;Bossen;Stelen per bos;Aantal stelen;Prijs;Bedrag\nRoos;10;20;200;0,55;110,00\nTulp;12;10;120;0,22;26,40\n';
  const note = readDeliveryNote(`${lines};;;320;;136,40`);
  expect(note.lines.at(-1)).toMatchObject({ status: 'ignored' });
  expect(note.statedTotal).toBe(136.4);
  // One that counts bunches at a price is a line whose product is missing: somebody is asked.
  const missing = readDeliveryNote(`${lines};5;10;50;0,30;15,00`);
  expect(missing.lines.at(-1)).toMatchObject({ status: 'needs-decision', stems: 50 });
});

test('a length that stands with the variety is the length, and no part of its name', () => {
  const note = readDeliveryNote('Producto;Variedad;Ramos;Tallos por ramo\nRosa;Explorer 70 cm;6;25');
  const [line] = booked(note.lines);
  expect(line).toMatchObject({ variety: 'Explorer', lengthCm: 70, stems: 150 });
});

test('what is in one of what is counted is read from its column, whatever that is called', () => {
  for (const heading of ['VPE', 'Inhalt', 'Verpackungseinheit'])
    expect(
      booked(
        readDeliveryNote(`Menge;Artikel;${heading};Preis\n10;Rosen;Bund à 20;9,80\n5;Nelken;Bund à 25;4,50`)
          .lines,
      ).map((l) => [heading, l.stems]),
    ).toEqual([
      [heading, 200],
      [heading, 125],
    ]);
});
