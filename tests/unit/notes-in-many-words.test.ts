import { expectRead, openLines, prices, readText } from '../support/read-notes';

test.each([
  [
    'Swedish',
    `Följesedel 20118
Leverantör: Norrvik Blommor AB
Datum: 2026-11-24
Artikel;Antal buntar;Stjälkar per bunt;Pris/bunt
Tulpan röd;20;10;28,00
Ros vit 50 cm;6;20;95,00
Krysantemum;5;5;45,00
`,
    ['Norrvik Blommor AB', '20118', '2026-11-24'],
    [
      ['tulip', null, 'röd', null, 200],
      ['rose', null, 'vit', 50, 120],
      ['chrysanthemum-spray', null, null, null, 25],
    ],
  ],
  [
    'Danish',
    `Følgeseddel nr. 55120
Dato: 24-11-2026
Leverandør: Fjordblomst ApS
Vare;Farve;Længde;Bundter;Stk/bundt;Pris pr. bundt
Roser;rød;60;10;20;90,00
Tulipaner;gul;35;30;10;25,00
Nelliker;hvid;55;8;20;40,00
`,
    ['Fjordblomst ApS', '55120', '2026-11-24'],
    [
      ['rose', null, 'rød', 60, 200],
      ['tulip', null, 'gul', 35, 300],
      ['carnation', null, 'hvid', 55, 160],
    ],
  ],
  [
    'Portuguese',
    `Guia de remessa 2026/117
Data: 24-11-2026
Fornecedor: Flores da Enseada Lda
Produto;Cor;Comprimento (cm);Molhos;Hastes por molho;Preço por haste (€)
Rosa;vermelha;60;10;20;0,55
Cravo;branco;55;8;20;0,22
Antúrio;vermelho;;4;10;1,10
`,
    ['Flores da Enseada Lda', '2026/117', '2026-11-24'],
    [
      ['rose', null, 'vermelha', 60, 200],
      ['carnation', null, 'branco', 55, 160],
      ['anthurium', null, 'vermelho', null, 40],
    ],
  ],
  [
    'Polish',
    `WZ 118/2026;2026-11-24
Lp.;Nazwa;Kolor;Długość;Pęczki;Sztuk w pęczku;Razem szt.;Cena/szt.;Wartość
1;Róża;czerwona;60;10;20;200;2,50;500,00
2;Tulipan;mix;;20;10;200;1,20;240,00
Razem;;;;30;;400;;740,00
`,
    [null, '118/2026', '2026-11-24'],
    [
      ['rose', null, 'czerwona', 60, 200],
      ['tulip', null, 'mix', null, 200],
    ],
  ],
] as const)('a note in %s is read as one in English is', async (_language, text, head, lines) => {
  await expectRead(text, head, lines);
});

test('a money sign over a column of so much a stem is a price, and no count', async () => {
  const note = await expectRead(
    `ARTICOLO;LUNGHEZZA;N. MAZZI;STELI/MAZZO;TOT. STELI;€/STELO;TOTALE €
Rosa Marea Rossa;70;5;20;100;0,80;80,00
Gerbera mista;;4;10;40;0,55;22,00
Bocca di leone bianca;80;3;10;30;0,60;18,00
`,
    [null, null, null],
    [
      ['rose', 'Marea', 'Rossa', 70, 100],
      ['gerbera', null, 'mista', null, 40],
      ['snapdragon', null, 'bianca', 80, 30],
    ],
  );
  expect(prices(note)).toEqual(['0.8/stem', '0.55/stem', '0.6/stem']);
});

test('what is priced by the dozen or the gram is kept by the stem or the kilogram', async () => {
  const dozens = await readText(
    'Ship date: 11/23/2026\nVendor: Copper Gulch Farms\nItem,Dozens,Price/dozen,Ext\nCarnation standard red,25,4.20,105.00\nSunflower,8,9.00,72.00\n',
  );
  expect(openLines(dozens).map((l) => [l.stems, l.unitPrice, l.priceUnit])).toEqual([
    [300, 0.35, 'stem'],
    [96, 0.75, 'stem'],
  ]);
  expect(dozens.computedTotal).toBe(177);
  const grams = await readText('Artikel;Menge;Einheit;Preis;Betrag\nSchleierkraut;2.500;g;0,02;50,00\n');
  expect(openLines(grams)[0]).toMatchObject({ weightG: 2500, unitPrice: 20, priceUnit: 'kg' });
});

test('when it was cut, as it is spoken of: by weekday, or yesterday', async () => {
  const note = await readText(
    `Supplier,Fen Edge Farm
Delivery note,FE-118
Date,24/11/2026
Crop,Variety,Stems,Cut
Sweet pea,mixed,200,Mon
Larkspur,Sublime White,100,22/11
Scabiosa,Oxford Blue,60,yesterday
Tulip,,100,Tuesday
Iris,,50,some day
`,
  );
  // The 24th of November 2026 is a Tuesday.
  expect(openLines(note).map((l) => l.cutDate)).toEqual([
    '2026-11-23',
    '2026-11-22',
    '2026-11-23',
    '2026-11-24',
    null,
  ]);
});

test('what was ordered stands beside what was sent; a substitute is asked about', async () => {
  const note = await readText(
    `PO 8812;Tidemark Flowers;24.11.2026
Item;Ordered (bunches);Shipped (bunches);Stems/bunch;Note
Gerbera mixed;10;8;10;2 bunches short
Anemone blue;10;10;10;
Freesia white;5;5;10;sub for yellow
`,
  );
  expect(note.supplier).toBe('Tidemark Flowers');
  expect(openLines(note).map((l) => [l.stems, l.ordered, l.status])).toEqual([
    [80, '10', 'needs-decision'],
    [100, '10', 'understood'],
    [50, '5', 'needs-decision'],
  ]);
});

test.each([
  ['Greens & Co - dispatch note GC/4471 - 24 Nov 2026', 'Greens & Co', 'GC/4471'],
  ['Delivery from Lamp Row Growers\tdated 24/11/26\tNote LR0098', 'Lamp Row Growers', 'LR0098'],
  ['Tidemark Flowers\t24.11.2026', 'Tidemark Flowers', null],
  ['Order 4410 - Pier Nine Flowers', 'Pier Nine Flowers', '4410'],
])('the head %j is of %s, number %s', async (head, supplier, ref) => {
  const note = await readText(`${head}\nProduct\tBunches\tStems per bunch\nRose\t2\t20\n`);
  expect([note.supplier, note.deliveryRef]).toEqual([supplier, ref]);
});

test('short words of farms: boxes, stems and bunches by their initials, packs behind a stroke', async () => {
  const initials = await readText(
    `LINE|SPECIES|CULTIVAR|LEN|BCH|SPB|STEMS|CUT
1|Rosa|Night Buoy|60|10|20|200|2026-11-23
2|Gypsophila|Spray|70|5|25|125|2026-11-23
`,
  );
  expect(openLines(initials).map((l) => [l.bunches, l.stemsPerBunch, l.stems, l.status])).toEqual([
    [10, 20, 200, 'understood'],
    [5, 25, 125, 'understood'],
  ]);
  const strokes = await expectRead(
    `Date;Supplier;Doc;Flower;Size;Qty;UOM;Total
24/11/2026;Norrholt;NH-1;Rose red;60;10;bunch/20;120,00
24/11/2026;Norrholt;NH-1;Ruscus;70;5;bunch/10;22,50
`,
    ['Norrholt', 'NH-1', '2026-11-24'],
    [
      ['rose', null, 'red', 60, 200],
      ['ruscus', null, null, 70, 50],
    ],
  );
  expect(strokes.computedTotal).toBe(142.5);
  const spanish = await expectRead(
    `Proforma 2231 / Cliente: Slow Tide / Fecha 23-11-2026
Cajas;Tipo;Producto;Variedad;Color;cm;Ramos x caja;Tallos x ramo;Tallos;P. unit.;Subtotal
2;TB;Rosa;Marea;Rojo;60;8;25;400;0,35;140,00
1;TB;Clavel;Ola;Rosado;65;20;20;400;0,15;60,00
`,
    [null, '2231', '2026-11-23'],
    [
      ['rose', 'Marea', 'Rojo', 60, 400],
      ['carnation', 'Ola', 'Rosado', 65, 400],
    ],
  );
  expect(openLines(spanish).map((l) => l.bunches)).toEqual([16, 20]);
});

test('grades in figures beside a name: buds of a lily, and no part of a variety', async () => {
  const note = await readText(
    `Product;Bunches;Stems/bunch
Oriental Lily Sea Wall 3/5 90cm;6;10
LA hybrid lily Buoy 2+;8;10
Hydrangea Verena 60cm 1's;20;1
Snapdragon 5-6 bloom white;4;10
`,
  );
  expect(openLines(note).map((l) => [l.speciesKey, l.variety, l.lengthCm, l.headsMin, l.stems])).toEqual([
    ['lily-oriental', 'Sea Wall', 90, 3, 60],
    ['lily-asiatic', 'Buoy', null, 2, 80],
    ['hydrangea', 'Verena', 60, null, 20],
    ['snapdragon', null, null, 5, 40],
  ]);
});
