import { firstGuess } from '../dock/first-guess';
import { readDeliveryNote } from '../note/read-note';
import { SHIPPED_SPECIES } from '../species/registry';
import { conditioned } from './conditioned';
import { cameOn, MOST_STOCK_LINES, stockIn } from './stock-in-hand';

const TODAY = '2026-11-24';
const read = (csv: string) => stockIn(readDeliveryNote(csv, { today: TODAY }), TODAY);

test('a sheet of stock is taken line by line; what nobody could be sure of is left out, each with why', () => {
  const { lines, guessed, aside } = read(
    [
      'Flower;Variety;Colour;Length;Stems;Cut;Price',
      'Rose;Avalanche;white;60;85;2026-11-20;0,65',
      'Gypsophila;;white;70;25;;1.10',
      'Bird of nowhere;;red;;10;2026-11-19;',
      'Tulip;;mixed;40;0;2026-11-22;',
      'Tulip;;mixed;40;20;2026-12-02;',
      'Tulip;;mixed;40;20;2026-08-02;',
    ].join('\n'),
  );
  expect(lines).toEqual([
    {
      ...{ speciesKey: 'rose', variety: 'Avalanche', colour: 'white', lengthCm: 60, stems: 85 },
      ...{ cutDate: '2026-11-20', unitPrice: 0.65 },
    },
    {
      ...{ speciesKey: 'gypsophila', variety: null, colour: 'white', lengthCm: 70, stems: 25 },
      ...{ cutDate: '2026-11-20', unitPrice: 1.1 },
    },
  ]);
  expect(guessed).toBe(1);
  expect(aside.map((a) => a.line)).toEqual([4, 5, 6, 7]);
  expect(aside.map((a) => a.why)).toEqual([
    'which flower?',
    expect.stringMatching(/stems/),
    expect.stringMatching(/2026-12-02/),
    expect.stringMatching(/2026-08-02.*sixty days/),
  ]);
});

test('no more than a shop begins with at once, and the rest by name', () => {
  const rows = Array.from(
    { length: MOST_STOCK_LINES + 3 },
    (_, i) => `Rose,V${i},${i + 1},2026-11-2${i % 4}`,
  );
  const { lines, aside } = read(['Flower,Variety,Stems,Cut', ...rows].join('\n'));
  expect([lines.length, aside.length]).toEqual([MOST_STOCK_LINES, 3]);
  expect(aside[0]?.why).toContain(String(MOST_STOCK_LINES));
});

test('a line came the day after it was cut, and never tomorrow', () => {
  expect(cameOn({ cutDate: '2026-11-20' }, TODAY)).toBe('2026-11-21');
  expect(cameOn({ cutDate: TODAY }, TODAY)).toBe(TODAY);
});

test('what stands in water is as old as its journey left it, firm, with most of the air cut away and only its pail to be told', () => {
  const species = SHIPPED_SPECIES.byKey('hydrangea');
  const guess = firstGuess({ species, origin: null, packing: '', hoursSinceCut: 24 });
  const now = conditioned(guess);
  expect(now).toMatchObject({ stage: guess.stage, agedDays: guess.agedDays, droop: 'firm' });
  expect(now.plan.map((step) => step.kind)).toEqual(['drink']);
  expect(guess.airShare).toBeGreaterThan(0);
  expect(now.airShare).toBeCloseTo(0.3 * guess.airShare, 12);
});
