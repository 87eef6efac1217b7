import { expectRead, openLines, prices, readText } from '../support/read-notes';

test('an auction’s letter: large-flowered by its short form, a quality that is no length', async () => {
  const note = await expectRead(
    `Bloemenhandel Zilverdam B.V.
Leverbon 2026-44871   Datum 24-11-2026
Aantal fust;Fustcode;Artikel;Lengte;Kwaliteit;Stelen per fust;Stelen;Prijs per steel;Bedrag
4;566;Gerbera gr Sunset Quay;;A1;50;200;0,22;44,00
2;577;R gr Harbour Red;60;A1;80;160;0,58;92,80
3;544;Tulp en Amberlight;38;A1;100;300;0,19;57,00
1;999;Eucalyptus cinerea;70;A2;25;25;0,40;10,00
Totaal;;;;;;685;;203,80
`,
    ['Bloemenhandel Zilverdam B.V.', '2026-44871', '2026-11-24'],
    [
      ['gerbera', 'Sunset Quay', null, null, 200],
      ['rose', 'Harbour', 'Red', 60, 160],
      ['tulip', 'Amberlight', null, 38, 300],
      ['eucalyptus', null, null, 70, 25],
    ],
  );
  expect([note.statedTotal, note.computedTotal]).toEqual([203.8, 203.8]);
});

test('a farm’s packing list: boxes are numbered, "2-3" are two of them', async () => {
  const note = await expectRead(
    `FINCA VALLE ALTO - PACKING LIST
INVOICE No: FVA-2211   AWB 176-4455 2210   FECHA: 2026/11/23
BOX,TYPE,PRODUCT,VARIETY,LENGTH,BUNCH/BOX,STEMS/BUNCH,TOTAL STEMS,UNIT PRICE,TOTAL
1,HB,ROSES,TIDEWATER,50,10,25,250,0.32,80.00
1,HB,ROSES,TIDEWATER,60,4,25,100,0.38,38.00
2-3,HB,ROSES,SILVER PIER,60,14,25,700,0.38,266.00
4,QB,SPRAY ROSES,SMALL LANTERN,50,8,10,80,0.45,36.00
TOTAL,,,,,,,1130,,420.00
`,
    ['FINCA VALLE ALTO', 'FVA-2211', '2026-11-23'],
    [
      ['rose', 'TIDEWATER', null, 50, 250],
      ['rose', 'TIDEWATER', null, 60, 100],
      ['rose', 'SILVER PIER', null, 60, 700],
      ['spray-rose', 'SMALL LANTERN', null, 50, 80],
    ],
  );
  expect(openLines(note).map((l) => l.status)).not.toContain('needs-decision');
});

test('boxes that are counted stay counted: two of ten bunches are twenty', async () => {
  const note = await readText(
    'Box,Product,Bunch/box,Stems/bunch,Total stems\n2,Roses,10,25,500\n1,Tulips,20,10,200\n3,Statice,5,10,150\n',
  );
  expect(openLines(note).map((l) => [l.bunches, l.stems])).toEqual([
    [20, 500],
    [20, 200],
    [15, 150],
  ]);
});

test('a table with a column for each length has a line for each', async () => {
  await expectRead(
    `Farm Alta Niebla;;;;;
Packing list 7781;24-Nov-2026;;;;
Variety;40;50;60;70;Total stems
Rose Lantern;;100;75;25;200
Rose Salt Wind;50;100;;;150
Rose Gull;25;25;25;;75
Total;75;225;100;25;425
`,
    ['Farm Alta Niebla', '7781', '2026-11-24'],
    [
      ['rose', 'Lantern', null, 50, 100],
      ['rose', 'Lantern', null, 60, 75],
      ['rose', 'Lantern', null, 70, 25],
      ['rose', 'Salt Wind', null, 40, 50],
      ['rose', 'Salt Wind', null, 50, 100],
      ['rose', 'Gull', null, 40, 25],
      ['rose', 'Gull', null, 50, 25],
      ['rose', 'Gull', null, 60, 25],
    ],
  );
  // What is counted under the lengths is said by the sums beside them; where nothing says it, it is asked.
  const bunches = await readText('Variety,50cm,60cm,Stems/bunch,Total bunches\nRose Gull,4,2,25,6\n');
  expect(openLines(bunches).map((l) => [l.lengthCm, l.bunches, l.stems])).toEqual([
    [50, 4, 100],
    [60, 2, 50],
  ]);
  const unsaid = await readText('Variety,50,60\nRose Gull,4,2\nRose Lantern,8,3\n');
  expect(unsaid.question?.about).toContain('quantity');
});

test('a print whose columns are kept apart by spaces', async () => {
  await expectRead(
    `QUAYSIDE FLOWER EXCHANGE            DELIVERY NOTE 55012        24 NOV 2026

ITEM                       COLOUR      CM   BUNCHES  PER BUNCH    STEMS
Rose Night Ferry           red         60        8         20      160
Chrysanthemum spray Kelp   green       70        6          5       30
Gypsophila Million Foam    white       70        4         25      100
Ruscus                     -           60        5         10       50
Freesia                                          3         10       30
`,
    ['QUAYSIDE FLOWER EXCHANGE', '55012', '2026-11-24'],
    [
      ['rose', 'Night Ferry', 'red', 60, 160],
      ['chrysanthemum-spray', 'Kelp', 'green', 70, 30],
      ['gypsophila', 'Million Foam', 'white', 70, 100],
      ['ruscus', null, null, 60, 50],
      ['freesia', null, null, null, 30],
    ],
  );
  const french = await expectRead(
    `LES FLEURS DU PHARE                BON DE LIVRAISON 20415        24/11/2026

Désignation                  Cond.   Qté   P.U.    Montant
Rose Vague Rouge 60          20      10    11,00   110,00
Tulipe simple jaune          10      20     2,40    48,00
Gypsophile                   25       4    12,50    50,00
TOTAL                                              208,00
`,
    ['LES FLEURS DU PHARE', '20415', '2026-11-24'],
    [
      ['rose', 'Vague', 'Rouge', 60, 200],
      ['tulip', null, 'jaune', null, 200],
      ['gypsophila', null, null, null, 100],
    ],
  );
  expect(prices(french)).toEqual(['11/bunch', '2.4/bunch', '12.5/bunch']);
});

test('packs and their size, quoted cells, a date with its weekday', async () => {
  const note = await expectRead(
    `"Supplier","Cold Harbour Imports Ltd"
"Ref","CHI/26/0981"
"Date","Tue 24 Nov 2026"
"Description","Packs","Pack size","Price per pack","Line total"
"Rose, ""Lee Shore"", red, 50 cm","12","20","£11.00","£132.00"
"Carnation, white","10","20","£4.40","£44.00"
"Lily, Oriental, 3+ buds","8","10","£14.00","£112.00"
`,
    ['Cold Harbour Imports Ltd', 'CHI/26/0981', '2026-11-24'],
    [
      ['rose', 'Lee Shore', 'red', 50, 240],
      ['carnation', null, 'white', null, 200],
      ['lily-oriental', null, null, null, 80],
    ],
  );
  expect(openLines(note).at(-1)?.headsMin).toBe(3);
  expect(prices(note)).toEqual(['11/bunch', '4.4/bunch', '14/bunch']);
});

test('two rows of headings, a column left empty, sums nobody named', async () => {
  const note = await expectRead(
    `;;;;;;
;Weekly delivery;;;;;
;Grower:;Aldermoor Nurseries;;;Week 48;
;Delivery no.:;A-20817;;Date:;24.11.2026;
;;;;;;
;Crop;Variety;Packed;;Price;
;;;Bunches;Stems/bunch;per bunch;Line
;Tulip;Sea Fret;20;10;2,50;50,00
;Tulip;Little Gull;10;10;2,75;27,50
;Ranunculus;Amber mixed;15;10;3,00;45,00
;;;45;;;122,50
`,
    ['Aldermoor Nurseries', 'A-20817', '2026-11-24'],
    [
      ['tulip', 'Sea Fret', null, null, 200],
      ['tulip', 'Little Gull', null, null, 100],
      ['ranunculus', 'Amber mixed', null, null, 150],
    ],
  );
  expect(prices(note)).toEqual(['2.5/bunch', '2.75/bunch', '3/bunch']);
  expect(note.lines.at(-1)).toMatchObject({ status: 'ignored' });
});

test('wraps with what is in them behind the name; charges and credits are no flowers', async () => {
  const note = await expectRead(
    `Invoice no: 2026-5567
Date: 24/11/2026
From: Spindrift Wholesale

Code,Description,Qty,Unit,Unit Price,Total
1001,Rose Red Naval 70cm x20,10,Wrap,12.00,120.00
1002,Lisianthus Rosita White x10,6,Wrap,8.50,51.00
9001,Delivery charge,1,Each,10.00,10.00
9002,Bucket deposit,4,Each,1.50,6.00
9010,Credit: rose short last week,-1,Wrap,12.00,-12.00
`,
    ['Spindrift Wholesale', '2026-5567', '2026-11-24'],
    [
      ['rose', 'Red Naval', null, 70, 200],
      ['lisianthus', 'Rosita', 'White', null, 60],
    ],
  );
  expect(note.lines.filter((l) => l.reasons[0]?.startsWith('a c'))).toHaveLength(3);
});
