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
