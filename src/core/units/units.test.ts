import fc from 'fast-check';
import english from '../words/en.json';
import spanish from '../words/es.json';
import { m } from '../words/message';
import { say } from '../words/say';
import { MEASURES, measured, measureNumber, type Measure } from './measures';
import { usPattern, usValues } from './us-patterns';

test.each<[Measure, number, string]>([
  ['tempC', 6, '43 °F'],
  ['tempC', 40, '104 °F'],
  ['tempC', 0, '32 °F'],
  ['tempC', -1, '30 °F'],
  ['cm', 2, '¾ in'],
  ['cm', 3, '1¼ in'],
  ['cm', 5, '2 in'],
  ['cm', 0.5, '¼ in'],
  ['cm', 60, '24 in'],
  ['litres', 10, '10.6 qt'],
  ['litres', 1.5, '1.6 qt'],
  ['ml', 15, '0.5 fl oz'],
  ['ml', 57, '1.9 fl oz'],
])('%s %d is %s in US units', (measure, n, us) => {
  expect(measured(measure, n, 'us')).toBe(us);
});

test('what is kept is told as it is kept to whoever reads metric, with their decimal sign', () => {
  expect(measured('cm', 2.5, 'metric', 'es-ES')).toBe('2,5 cm');
  expect(measured('litres', 1.5, 'metric')).toBe('1.5 L');
});

test('there and back is the same measure', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...(Object.keys(MEASURES) as Measure[])),
      fc.double({ min: -20, max: 100, noNaN: true }),
      (measure, n) => {
        const { toUs, fromUs } = MEASURES[measure];
        expect(fromUs(toUs(n))).toBeCloseTo(n, 9);
      },
    ),
  );
});

test('a sentence is turned where it measures: its own numbers, its ranges, what it is told with', () => {
  expect(usPattern('Hot, 45 to 50 °C, 5 cm deep for 30 s')).toBe('Hot, 113 to 122 °F, 2 in deep for 30 s');
  const pattern = usPattern('Keeps best at {low, number} to {high, number} °C.');
  const values = usValues(pattern, { low: 2, high: 4.5 });
  expect(pattern.replace(/\{(\w+)\}/g, (_, place: string) => String(values[place]))).toBe(
    'Keeps best at 36 to 40 °F.',
  );
  expect(say(m('figure.range-c', { low: 2, high: 5 }), 'en-US')).toBe('36 to 41 °F');
  expect(say(m('step.cut-slanted', { cm: 2 }), 'en-US')).toBe('Cut ¾ in, slanted');
  expect(say(m('step.cut-slanted', { cm: 2 }), 'en')).toBe('Cut 2 cm, slanted');
});

test('what somebody wrote is not turned, and what is no number stands', () => {
  const said = say(
    m('record.filled', { pail: '10 L blue', litres: 'some', solution: 'plain', tempC: 20 }),
    'en-US',
  );
  expect(said).toBe('Pail 10 L blue: some qt, plain, 68 °F');
});

test.each([
  ['en-US', english],
  ['es-US', spanish],
] as const)('no sentence of %s is left in metric units', (tag, catalogue) => {
  const left = Object.entries(catalogue).filter(([, pattern]) =>
    / (°C|cm|mL|L)(?![\p{L}\d])/u.test(usPattern(pattern)),
  );
  expect({ tag, left }).toEqual({ tag, left: [] });
});

test('a longer measure never reads as a shorter one', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.1, max: 40, noNaN: true }),
      fc.double({ min: 0.4, max: 20, noNaN: true }),
      (n, more) => {
        const inInches = (cm: number): number => {
          const text = measureNumber('cm', cm, 'us');
          const quarter = ['¼', '½', '¾'].findIndex((q) => text.endsWith(q)) + 1;
          return (Number.parseInt(text, 10) || 0) + quarter / 4;
        };
        expect(inInches(n + more)).toBeGreaterThanOrEqual(inInches(n));
      },
    ),
  );
});
