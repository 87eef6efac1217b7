import * as v from 'valibot';
import { specOf } from '@/core/actions/actions';
import type { Meaning } from '@/core/quick-line/types';
import { USUAL_SANITISER } from '@/core/sanitising/sanitiser';
import { answerOf, type Around } from '@/features/quick-line/options';

const LOT_ID = '0193a1f0-0000-7000-8000-000000000148';
const lot = { id: LOT_ID, number: 148, speciesKey: 'rose', name: 'Rose', variety: 'Pale Ferry', stems: 60 };
const thing = { id: '0193a1f0-0000-7000-8000-000000000007', name: '7' };
const around = (changes: Partial<Around> = {}): Around => ({
  atBench: false,
  sanitiser: USUAL_SANITISER,
  foods: {},
  today: '2026-11-24',
  language: 'en',
  standing: new Map([[LOT_ID, { pail: '12', room: 'bench' }]]),
  ...changes,
});
const offered = (meaning: Meaning, changes: Partial<Around> = {}) => {
  const { options } = answerOf({ meanings: [meaning], unread: [], problem: null }, around(changes));
  const [only] = options;
  if (!only) throw new Error('nothing is offered');
  return only;
};

const SHOWN: readonly [Meaning, string][] = [
  [{ kind: 'place', key: 'pails' }, '/pails'],
  [{ kind: 'lot', lot }, `/dock?lot=${LOT_ID}`],
  [{ kind: 'pail', pail: thing }, `/pails?pail=${thing.id}`],
  [{ kind: 'card', arrangement: thing }, `/send-off?arrangement=${thing.id}`],
  [{ kind: 'record of lot', lot }, '/desk?lot=148'],
  [{ kind: 'record of pail', pail: { ...thing, name: 'A & B' } }, '/desk?pail=A%20%26%20B'],
  [{ kind: 'record of person', person: thing }, `/desk?who=${thing.id}`],
  [{ kind: 'delivery line', text: '6x25 rose 60' }, '/dock?typed=6x25%20rose%2060'],
  [{ kind: 'dose', litres: 10 }, '/pails'],
];
test.each(SHOWN)('%j is shown at %s, and does nothing', (meaning, href) => {
  const option = offered(meaning);
  expect(option.href).toBe(href);
  expect(option.does).toBeUndefined();
});

const DONE: readonly [Meaning, string][] = [
  [{ kind: 'tip out', pail: thing }, 'pails/tip-out'],
  [{ kind: 'bin', lot, stems: 4, reason: 'broken' }, 'dock/bin'],
  [{ kind: 'split', lot, stems: 20 }, 'dock/split'],
  [{ kind: 'flaw', lot, flaw: 'grey-mould', seen: 3, sample: 20 }, 'dock/flaw'],
];
test.each(DONE)('%j is done by %s once it is confirmed, with a body that is taken', (meaning, name) => {
  const { does, href } = offered(meaning);
  expect(href).toBeUndefined();
  expect(does?.name).toBe(name);
  const { input } = specOf(does?.name ?? 'dock/bin');
  expect(v.safeParse(input, does?.body).success).toBe(true);
});

test('how much food goes into so many litres: in the shop’s own measure, or where to tell what it feeds with', () => {
  const asked: Meaning = { kind: 'food', food: 'flower-food', litres: 3 };
  const food = {
    name: 'Quayside food',
    aLitre: 10,
    unit: 'mL',
    sachetL: null,
    cup: { name: 'scoop', ml: 20 },
  } as const;
  const told = offered(asked, { foods: { 'flower-food': food } });
  expect(told.words).toBe('Quayside food: 30 mL (1½ × scoop), for 3 L of flower food');
  expect(told.note).toContain('never into a pail that chlorine still stands in');
  expect(offered(asked, { foods: { 'flower-food': { ...food, sachetL: 2 } } }).words).toBe(
    'Quayside food: 2 × sachet, filled to 4 L: half a dose is worse than it sounds, for 3 L of flower food',
  );
  expect(offered(asked)).toMatchObject({
    href: '/desk/water',
    words: 'For 3 L of flower food: as its label says',
  });
  // In quarts and ounces for whoever reads those.
  expect(offered(asked, { language: 'en-US', foods: { 'flower-food': food } }).words).toMatch(
    /1 fl oz .*3\.2 qt/,
  );
});

test('a lot says where it stands; at the bench it opens there', () => {
  const found: Meaning = { kind: 'lot', lot };
  expect(offered(found).note).toBe('60 stems, pail 12, bench');
  expect(offered(found, { standing: new Map() }).note).toBe('60 stems, dry, ');
  expect(offered(found, { atBench: true }).href).toBe(`/bench?lot=${LOT_ID}`);
});

test('a dose and a flaw are told in the reader’s units and language', () => {
  // Four and a half per cent to 200 ppm in ten litres: 10 × 200 / 45,000 = 44 mL, by the bottle as it is new.
  expect(offered({ kind: 'dose', litres: 10 }).words).toMatch(/^4\d mL of thick household bleach in 10 L$/);
  expect(offered({ kind: 'dose', litres: 10 }, { language: 'en-US' }).words).toMatch(/ qt$/);
  const flaw: Meaning = { kind: 'flaw', lot, flaw: 'grey-mould', seen: 3, sample: 20 };
  expect(offered(flaw).words).toContain('3 of 20 grey mould');
  expect(offered(flaw, { language: 'es' }).words).toContain('moho gris');
});

test('what was not understood is said beside what is offered', () => {
  const answer = answerOf(
    { meanings: [{ kind: 'lot', lot }], unread: ['sideways'], problem: null },
    around(),
  );
  expect(answer.options).toHaveLength(1);
  expect(answer.problem).toContain('sideways');
});
