import { asTruth, expectRead, openLines, prices, readText } from '../support/read-notes';

test('a letter is read by its lines; its greeting and its name are no flowers', async () => {
  const letter = await expectRead(
    `Guten Morgen,
heute auf dem Wagen für Sie:
- 20 Bund Tulpen rot à 10 Stück
- 5 Bund Ranunkeln gemischt (10 Stiele)
- 40 Stück Rosen "Alte Mole" 70 cm
- 3 Bd. Eukalyptus à 5
Schnitt von gestern.
Viele Grüße, Gärtnerei Moorbek
`,
    [null, null, null],
    [
      ['tulip', null, 'rot', null, 200],
      ['ranunculus', null, 'gemischt', null, 50],
      ['rose', 'Alte Mole', null, 70, 40],
      ['eucalyptus', null, null, null, 15],
    ],
  );
  expect(letter.lines.filter((l) => l.status === 'ignored')).toHaveLength(4);
  const dashes = await readText(
    `Rose 'Sailmaker' - 5 bunches of 20 - 60cm - £12.00/bunch
Alstroemeria mixed - 10 bunches of 10 - £4.50/bunch
Asiatic lily yellow - 4 bunches of 10
2 boxes lilies or. pink 5-bud, 10 per bunch, 4 bunches/box
`,
  );
  expect(openLines(dashes).map(asTruth)).toEqual([
    ['rose', 'Sailmaker', null, 60, 100],
    ['alstroemeria', null, 'mixed', null, 100],
    ['lily-asiatic', null, 'yellow', null, 40],
    ['lily-oriental', null, 'pink', null, 80],
  ]);
  expect(openLines(dashes).at(-1)?.headsMin).toBe(5);
});

test('stems in brackets behind bunches: of each, or of all, and asked where they could be either', async () => {
  const note = await readText(
    '5 bunches tulips (10 stems)\n4 bunches roses (80 stems)\n3 bunches iris (10s)\n2 bunches stock (20 stems)\n',
  );
  expect(openLines(note).map((l) => l.stems)).toEqual([50, 80, 30, null]);
  expect(openLines(note).at(-1)?.status).toBe('needs-decision');
});

test('wraps of so many, counted before the flower; a count’s thousands are no decimals', async () => {
  const wraps = await readText(
    `12 x Roses 'Red Tide' 60cm (wraps of 20) £11.50
20 x Tulips 'Amber Quay' (wraps of 10)
`,
  );
  expect(openLines(wraps).map(asTruth)).toEqual([
    ['rose', 'Red Tide', null, 60, 240],
    ['tulip', 'Amber Quay', null, null, 200],
  ]);
  expect(prices(wraps)).toEqual(['11.5/bunch', '-/-']);
  const spanish = await readText(
    `Hola, sale hoy en el camión:
30 ramos de claveles rojos de 20 tallos
15 paquetes de gerberas variadas x 10
1.200 tallos de rosas blancas 50 cm
1.200 kg mimosa
Saludos, Finca Ventosa
`,
  );
  expect(openLines(spanish).map((l) => [l.speciesKey, l.stems, l.weightG])).toEqual([
    ['carnation', 600, null],
    ['gerbera', 150, null],
    ['rose', 1200, null],
    // A weight's point is of its grams: one kilogram and two tenths.
    ['mimosa', expect.any(Number), 1200],
  ]);
});

test('prose without a flower in it is no delivery note', async () => {
  await expect(readText('Dear all,\nthe van is late today, expect it at 9.\n')).rejects.toThrow(
    /delivery note/,
  );
});
