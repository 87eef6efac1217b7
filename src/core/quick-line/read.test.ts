import fc from 'fast-check';
import { codeOf } from '../labels/codes';
import { SHIPPED_SPECIES } from '../species/registry';
import { readQuickLine } from './read';
import type { Meaning, QuickWorld } from './types';

const lot = (number: number, speciesKey: string, variety: string | null, stems: number) => ({
  id: `lot ${number}`,
  number,
  speciesKey,
  name: SHIPPED_SPECIES.byKey(speciesKey).name,
  variety,
  stems,
});
const WORLD: QuickWorld = {
  lots: [
    lot(141, 'rose', 'Evening Buoy', 60),
    lot(148, 'tulip', 'Lamplighter', 110),
    lot(153, 'tulip', 'Skerry', 2),
  ],
  pails: ['7', '12', '148', 'Blue 3'].map((name) => ({ id: `pail ${name}`, name })),
  arrangements: [{ id: 'foyer', name: 'Opera foyer, opening night' }],
  people: [
    { id: 'wen', name: 'Wen' },
    { id: 'ilse', name: 'Ilse' },
  ],
  places: [
    { key: 'dock', name: 'Dock' },
    { key: 'send-off', name: 'Send-off' },
  ],
};
const reading = (text: string) => readQuickLine(text, WORLD, SHIPPED_SPECIES);
/** A meaning in a few words of this test's own. */
const said = (m: Meaning): string => {
  switch (m.kind) {
    case 'dose':
      return `dose ${m.litres}`;
    case 'food':
      return `${m.food} ${m.litres}`;
    case 'place':
      return `place ${m.key}`;
    case 'lot':
    case 'record of lot':
      return `${m.kind} ${m.lot.number}`;
    case 'pail':
    case 'record of pail':
    case 'tip out':
      return `${m.kind} ${m.pail.name}`;
    case 'card':
      return `card ${m.arrangement.id}`;
    case 'record of person':
      return `record of ${m.person.id}`;
    case 'delivery line':
      return `line ${m.text}`;
    case 'bin':
      return `bin ${m.stems} of ${m.lot.number} ${m.reason}`;
    case 'split':
      return `split ${m.stems} of ${m.lot.number}`;
    case 'flaw':
      return `${m.seen} of ${m.sample} of ${m.lot.number} ${m.flaw}`;
  }
};
const meant = (text: string): string[] => reading(text).meanings.map(said);
const DOES: readonly Meaning['kind'][] = ['tip out', 'bin', 'split', 'flaw'];

test.each([
  ['tip out 7', ['tip out 7']],
  ['Tip out pail Blue 3', ['tip out Blue 3']],
  ['empty 12', ['tip out 12']],
  ['where tulip', ['lot 148', 'lot 153']],
  ['where is lamplighter', ['lot 148']],
  ['tulip skerry', ['lot 153']],
  ['pail 12', ['pail 12']],
  ['lot 148', ['lot 148']],
  ['148', ['lot 148', 'pail 148']],
  ['bin 4 of 148 broken', ['bin 4 of 148 broken']],
  ['bin 2 lamplighter grey mould', ['bin 2 of 148 grey mould']],
  ['card opera foyer', ['card foyer']],
  ['3 tulip 20 broken', ['3 of 20 of 148 broken', 'line 3x20 tulip', 'lot 148', 'lot 153']],
  ['3 rose 20 limp', ['split 3 of 141', 'line 3x20 rose', 'lot 141']],
  ['record of 148', ['record of lot 148', 'record of pail 148']],
  ['who wen', ['record of wen']],
  ['dock', ['place dock']],
  ['send-off', ['place send-off']],
  [codeOf({ kind: 'lot', number: 141 }), ['lot 141']],
  ['', []],
])('%s', (text, meanings) => {
  expect(meant(text)).toEqual(meanings);
  expect(reading(text)).toMatchObject({ unread: [], problem: null });
});

test('without a reason each is offered, and none is taken for granted', () => {
  const reasons = reading('bin 4 of 148').meanings;
  expect(reasons.length).toBeGreaterThan(4);
  expect(reasons.every((m) => m.kind === 'bin' && m.stems === 4 && m.lot.number === 148)).toBe(true);
});

test.each([
  ['bin 4 of 148 brokne', ['brokne'], ['lot 148']],
  ['tip out 7 tomorrow', ['tomorrow'], ['pail 7']],
  ['3 rose 20 limpish', ['limpish'], ['line 3x20 rose', 'lot 141']],
])('%s: a word nobody knows is asked about, and nothing to do is offered', (text, unread, meanings) => {
  expect(reading(text).unread).toEqual(unread);
  expect(meant(text)).toEqual(meanings);
});

test.each([
  ['food 3 L', 'flower-food 3'],
  ['flower food for 4,5 l', 'flower-food 4.5'],
  ['2 gal of food', 'flower-food 7.570823568'],
  ['bulb food 4 L', 'bulb-food 4'],
  ['4 l holding solution', 'holding 4'],
  ['bleach 10 L', 'dose 10'],
  ['bleach for 7,5 l', 'dose 7.5'],
  ['bleach 2 gal', 'dose 7.570823568'],
  ['10 qt bleach', 'dose 9.46352946'],
  ['12 litres of sanitiser', 'dose 12'],
])('%s is a dose', (text, meant) => {
  expect(reading(text).meanings.map(said)).toEqual([meant]);
});

test.each([
  ['tip out', 'Which pail?'],
  ['tip out 99', 'There is no pail 99.'],
  ['bin 500 of 148 broken', 'Lot 148 has 110 stems, not 500.'],
  ['bin tulip', 'How many stems, of which lot?'],
  ['where peacock', 'Nothing here is called peacock.'],
])('%s: what is lacking is said', (text, problem) => {
  expect(reading(text)).toMatchObject({ meanings: [], problem });
});

test('whatever is typed, what is offered to be done is about what is here, in numbers it has, with every word read', () => {
  const word = fc.constantFrom(
    ...'tip out bin where pail lot card record of tulip rose lamplighter 3 4 7 20 148 153 500 broken limp grey mould wen dock foyer zzz'.split(
      ' ',
    ),
  );
  fc.assert(
    fc.property(fc.array(fc.oneof(word, fc.string({ maxLength: 6 })), { maxLength: 7 }), (words) => {
      const { meanings, unread } = reading(words.join(' '));
      for (const m of meanings.filter((one) => DOES.includes(one.kind))) {
        expect(unread).toEqual([]);
        if (m.kind === 'bin') expect(m.stems).toBeLessThanOrEqual(m.lot.stems);
        if (m.kind === 'flaw') expect(m.seen < m.sample && m.sample <= m.lot.stems).toBe(true);
        if (m.kind === 'split') expect(m.stems).toBeLessThan(m.lot.stems);
      }
    }),
    { numRuns: 300 },
  );
});
