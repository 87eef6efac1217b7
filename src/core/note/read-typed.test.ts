import fc from 'fast-check';
import { readTypedLines } from './read-typed';

const read = (text: string) => readTypedLines(text, { today: '2026-11-24' }).lines;

test.each([
  [
    '6x25 rose 60 deep red, cut 19/11',
    {
      speciesKey: 'rose',
      bunches: 6,
      stemsPerBunch: 25,
      stems: 150,
      lengthCm: 60,
      colour: 'deep red',
      cutDate: '2026-11-19',
    },
  ],
  ['4 bunches of 10 alstro 70cm', { speciesKey: 'alstroemeria', stems: 40, lengthCm: 70, status: 'guessed' }],
  [
    '1,1 kg mimosa cut 22 Nov @14.00/kg',
    { speciesKey: 'mimosa', weightG: 1100, stems: 20, cutDate: '2026-11-22', unitPrice: 14, priceUnit: 'kg' },
  ],
  [
    '12 stems iris ‘Slack Water’ blue',
    { speciesKey: 'iris', stems: 12, variety: 'Slack Water', colour: 'blue' },
  ],
  ['20 bird of paradise', { speciesKey: 'bird-of-paradise', stems: 20, lengthCm: null }],
  ['3 × 10 spray rose cream', { speciesKey: 'spray-rose', stems: 30, colour: 'cream' }],
  ['tulip 10x10 cut 31/12', { speciesKey: 'tulip', stems: 100, cutDate: '2025-12-31' }],
  ['2 boxes gerbera à 50', { speciesKey: 'gerbera', stems: 100, lengthCm: null }],
  ['2 boxes of 10 bunches of 5 tulips', { speciesKey: 'tulip', bunches: 20, stemsPerBunch: 5, stems: 100 }],
  ['2 x 20 x 5 spray chrysanthemum', { bunches: 40, stemsPerBunch: 5, stems: 200 }],
  ['3 bd Rosen 50cm à 20 St', { speciesKey: 'rose', bunches: 3, stems: 60, lengthCm: 50 }],
  ['4 bunches eucalyptus (10 stems each)', { speciesKey: 'eucalyptus', bunches: 4, stems: 40 }],
  ['3 ramos rosa de 25', { speciesKey: 'rose', bunches: 3, stems: 75 }],
  ['12 doz carnations', { speciesKey: 'carnation', stems: 144 }],
  ['a dozen roses', { speciesKey: 'rose', stems: 12 }],
  ['10 bunches of 25 rose 60 red @0.62', { stems: 250, lengthCm: 60, colour: 'red', unitPrice: 0.62 }],
  ['rose 50-60 cm 40 stems', { stems: 40, lengthCm: 50, colour: null }],
  ["5x10 baby's breath 'Pale Ferry'", { speciesKey: 'gypsophila', stems: 50, variety: 'Pale Ferry' }],
])('“%s”', (text, wants) => {
  expect(read(text)[0]).toMatchObject(wants);
});

test('what cannot be told waits for a decision and says what', () => {
  const lines = read('6x25 moonwort\nrose deep red\n\n5x10 tulip cut 45/19');
  expect(lines.map((l) => l.status)).toEqual([
    'needs-decision',
    'needs-decision',
    'ignored',
    'needs-decision',
  ]);
  expect(lines[1]?.reasons).toContain('no count of stems');
  expect(lines[3]?.reasons[0]).toContain('45/19');
});

test.each([
  ['8 bunches tulip', '8 bunches of how many stems?'],
  // A price, or what is in a bunch: nobody can tell.
  ['3 bu alstroemeria @ 10', '3 bunches of how many stems?'],
  ['2 boxes gerbera', '2 boxes of how many stems?'],
  ['5x tulip 10', 'what is “10”?'],
  ['tulip yellow 10/10', 'what is “10/10”?'],
  ['-5 tulips', 'what is “-5”?'],
  ['1.200 roses', 'what is “1.200”?'],
])('“%s” is asked about, never guessed: %s', (text, asks) => {
  const [line] = read(text);
  expect(line?.status).toBe('needs-decision');
  expect(line?.reasons).toContain(asks);
});

test('what is counted in any of the ways it is typed comes to the stems there are', () => {
  const bunch = fc.constantFrom('bunches', 'bd', 'Bund', 'ramos', 'bossen', 'bottes');
  const of = fc.constantFrom('of', 'à', 'x', 'je', 'de', 'van');
  const counted = fc
    .record({
      boxes: fc.integer({ min: 2, max: 9 }),
      bunches: fc.integer({ min: 2, max: 30 }),
      per: fc.constantFrom(5, 10, 20, 25),
      bunch,
      of,
    })
    .chain(({ boxes, bunches, per, bunch: word, of: join }) =>
      fc.constantFrom(
        { said: `${bunches}x${per}`, stems: bunches * per },
        { said: `${bunches} × ${per}`, stems: bunches * per },
        { said: `${bunches} ${word} ${join} ${per}`, stems: bunches * per },
        { said: `${bunches} ${word} ${join} ${per} stems`, stems: bunches * per },
        { said: `${bunches} ${word}, ${per} stems each`, stems: bunches * per },
        { said: `${boxes} x ${bunches} x ${per}`, stems: boxes * bunches * per },
        { said: `${boxes} boxes of ${bunches} ${word} of ${per}`, stems: boxes * bunches * per },
        { said: `${boxes} boxes ${join} ${per}`, stems: boxes * per },
        { said: `${bunches} dozen`, stems: bunches * 12 },
        { said: `${per} stems`, stems: per },
        { said: `${per}`, stems: per },
      ),
    );
  const flower = fc.constantFrom(
    ['roses', 'rose'],
    ['tulips', 'tulip'],
    ['gerbera', 'gerbera'],
    ['Nelken', 'carnation'],
  );
  const more = fc.record({
    colour: fc.constantFrom('', 'red', 'white'),
    cm: fc.constantFrom('', '60cm', '50-60 cm'),
    price: fc.constantFrom('', '@0.35', '€0.40/stem'),
    isFirst: fc.boolean(),
  });
  fc.assert(
    fc.property(counted, flower, more, ({ said, stems }, [name, key], { colour, cm, price, isFirst }) => {
      const what = [name, colour, cm].filter(Boolean).join(' ');
      const text = [...(isFirst ? [said, what] : [what, said]), price].filter(Boolean).join(' ');
      const [line] = read(text);
      expect([text, line?.speciesKey, line?.stems]).toEqual([text, key, stems]);
      expect(line?.lengthCm).toBe(cm === '' ? null : Number(cm.slice(0, 2)));
      expect(line?.colour).toBe(colour || null);
    }),
    { numRuns: 400 },
  );
});

test('whatever is typed, each line comes back once and nothing counted is below one', () => {
  fc.assert(
    fc.property(fc.array(fc.string({ maxLength: 40 }), { minLength: 1, maxLength: 5 }), (typed) => {
      const text = typed.map((t) => t.replace(/[\r\n]/g, ' ')).join('\n');
      const lines = read(`${text}x`);
      expect(lines.map((l) => l.line)).toEqual(typed.map((_, i) => i + 1));
      for (const line of lines) if (line.stems !== null) expect(line.stems).toBeGreaterThan(0);
    }),
  );
});
