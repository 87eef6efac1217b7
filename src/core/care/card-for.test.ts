import * as fc from 'fast-check';
import { arrangementOf } from '../../../tests/support/bench-inputs';
import { predictArrangement } from '../arrangement/predict-arrangement';
import type { ArrangementForecast } from '../arrangement/types';
import { DEFAULT_SCHOOLS, type Schools } from '../protocol/schools';
import { SHIPPED_SPECIES } from '../species/registry';
import { takesColdNights } from '../species/traits';
import { cardFor, type CardSubject } from './card-for';
import { readStoredCard } from './stored-card';

const FORECAST = predictArrangement(arrangementOf(60, 'mixed'));
const SHOP = { name: 'The Slow Tide', address: '4 Harbour Row', telephone: '', hours: 'Tue to Sat' };
const FROM = { date: '2026-11-24', hour: 7 };

const subject = (keys: readonly string[], over: Partial<CardSubject> = {}): CardSubject => ({
  name: 'Foyer, low and wide',
  vesselKind: 'vase',
  litres: 2,
  solution: 'flower-food',
  result: {},
  lines: keys.map((speciesKey) => ({ speciesKey, variety: null, stems: 5 })),
  ...over,
});
const forecastOf = (keys: readonly string[]): ArrangementForecast => ({
  ...FORECAST,
  lines: keys.map((species) => ({ ...(FORECAST.lines[0] as ArrangementForecast['lines'][number]), species })),
  limitingLine: 0,
});
const issue = (
  keys: readonly string[],
  over: Partial<CardSubject> = {},
  { schools = DEFAULT_SCHOOLS, goesTo = 'home' as const, tag = 'en' as const } = {},
) => cardFor(subject(keys, over), forecastOf(keys), SHOP, SHIPPED_SPECIES, FROM, schools, goesTo, tag);
const textOf = (card: ReturnType<typeof issue>): string =>
  [...card.card.lines.map((l) => l.text), card.card.rescue ?? '', ...card.card.cautions].join('\n');
const house = (answers: Schools['house']): Schools => ({ house: answers, exceptions: {} });

test('it bears the shop, the vessel, the day and what is in it, with varieties in marks', () => {
  const card = issue(['rose'], {
    lines: [
      { speciesKey: 'rose', variety: 'Night Ferry', stems: 12 },
      { speciesKey: 'eucalyptus', variety: null, stems: 1 },
    ],
  });
  expect(card).toMatchObject({
    arrangementName: 'Foyer, low and wide',
    shopName: 'The Slow Tide',
    contact: '4 Harbour Row, Tue to Sat',
    vessel: { kind: 'vase', litres: 2 },
    date: '2026-11-24',
    language: 'en',
  });
  expect(card.contents[0]).toContain('12');
  expect(card.contents[0]).toContain('‘Night Ferry’');
  expect(card.contents[1]).not.toContain('‘');
});

test('a shop that says nothing of itself has no line for it', () => {
  const card = cardFor(
    subject(['rose']),
    forecastOf(['rose']),
    { name: 'A' },
    SHIPPED_SPECIES,
    FROM,
    DEFAULT_SCHOOLS,
  );
  expect(card).not.toHaveProperty('contact');
});

test('the date that leads is the promise: never after the middle of its forecast', () => {
  const { lead, dates } = issue(['rose']).card;
  expect(lead?.until === null || (lead?.until ?? '') <= dates.lastStand).toBe(true);
  expect(dates.firstFade <= dates.stillAGift && dates.stillAGift <= dates.lastStand).toBe(true);
});

test('daffodils: no recut on the card; lilies: anthers and cats; callas and gerberas no boiling', () => {
  expect(textOf(issue(['daffodil', 'tulip']))).toMatch(/not the daffodils/);
  const lily = textOf(issue(['lily-oriental']));
  expect(lily).toMatch(/anther/i);
  expect(lily).toMatch(/Cats.*vet/s);
  expect(issue(['gerbera']).card.rescue).toBeNull();
});

test('foam: nothing to recut or change, poured twice a day', () => {
  const card = issue(['rose', 'carnation'], { vesselKind: 'foam', litres: 1.7 });
  const lines = card.card.lines.map((l) => l.key);
  expect(lines).toContain('top-up');
  expect(lines).not.toContain('change');
  expect(lines).not.toContain('food');
  expect(card.card.lines.find((l) => l.key === 'top-up')?.text).toMatch(/morning and evening/i);
});

test('plain water is said as plain, food by the litres of its vase', () => {
  expect(textOf(issue(['rose']))).toMatch(/2 L/);
  expect(textOf(issue(['rose'], { solution: 'plain' }))).not.toMatch(/food for/i);
});

test('cold nights are for those that bear them, and by the house’s school', () => {
  const nights = (keys: readonly string[], school?: string) =>
    issue(keys, {}, school ? { schools: house({ 'cold-nights': school }) } : {}).card.lines.find(
      (l) => l.key === 'nights',
    )?.text;
  expect(nights(['rose'])).toMatch(/cold/i);
  expect(nights(['anthurium'])).toBeUndefined();
  expect(nights(['rose', 'bird-of-paradise'])).toBeUndefined();
  expect(nights(['rose'], 'fridge')).toMatch(/fridge/i);
  expect(nights(['rose'], 'fridge')).toMatch(/3 °C/);
});

test('a foyer’s flowers are carried nowhere at night', () => {
  const foyer = cardFor(
    subject(['rose']),
    forecastOf(['rose']),
    SHOP,
    SHIPPED_SPECIES,
    FROM,
    DEFAULT_SCHOOLS,
    'public',
  );
  expect(foyer.card.lines.map((l) => l.key)).not.toContain('nights');
});

test('what was reckoned of this very arrangement orders what more can be had, largest first', () => {
  const result = {
    habits: [
      { habit: 'cold-nights', medianGainDays: 3.2 },
      { habit: 'pull-faded', medianGainDays: 0.6 },
      { habit: 'no-fruit', medianGainDays: 1.4 },
    ],
    more: { habits: ['cold-nights', 'no-fruit'], bothDays: 4.1 },
  };
  const { lines, together } = issue(['rose', 'carnation'], { result }).card;
  const gains = lines.filter((l) => !l.isOwed).map((l) => l.gainDays ?? 0);
  expect(gains).toEqual([...gains].sort((a, b) => b - a));
  expect(gains.length).toBeGreaterThan(0);
  expect(together).toMatch(/4/);
});

test('an older arrangement, of before habits were kept, has its card all the same', () => {
  for (const result of [null, {}, { habits: 'none' }, { more: 3 }]) {
    const card = issue(['rose'], { result });
    expect(card.card.lines.length).toBeGreaterThan(2);
    expect(card.card.together ?? null).toBeNull();
  }
});

test('in Spanish it says the same things, in Spanish', () => {
  const english = issue(['lily-oriental', 'rose']);
  const spanish = cardFor(
    subject(['lily-oriental', 'rose']),
    forecastOf(['lily-oriental', 'rose']),
    SHOP,
    SHIPPED_SPECIES,
    FROM,
    DEFAULT_SCHOOLS,
    'home',
    'es',
  );
  expect(spanish.card.lines.map((l) => [l.key, l.date])).toEqual(
    english.card.lines.map((l) => [l.key, l.date]),
  );
  expect(spanish.card.dates).toEqual(english.card.dates);
  expect(textOf(spanish)).toMatch(/gato/i);
  expect(textOf(spanish)).not.toMatch(/\b(the|water|cats)\b/i);
});

test('whatever stands together, a card has five or six lines at most, none of them twice, and never calls anything safe', () => {
  fc.assert(
    fc.property(
      fc.uniqueArray(fc.constantFrom(...SHIPPED_SPECIES.all), { minLength: 1, maxLength: 6 }),
      fc.constantFrom('vase' as const, 'foam' as const),
      fc.constantFrom('flower-food', 'plain'),
      (species, vesselKind, solution) => {
        const card = issue(
          species.map((s) => s.key),
          { vesselKind, solution },
        );
        const keys = card.card.lines.map((l) => l.key);
        expect(keys.length).toBeLessThanOrEqual(6);
        expect(new Set(keys).size).toBe(keys.length);
        expect(textOf(card)).not.toMatch(/\bsafe\b|undefined|NaN|\{/i);
        if (!species.every(takesColdNights)) expect(keys).not.toContain('nights');
        if (species.some((s) => s.pets === 'deadly to cats')) expect(card.card.cautions[0]).toMatch(/^Cats/);
      },
    ),
    { numRuns: 80 },
  );
});

test('a card that is kept is read back as it was issued, one of older make too, and nothing else is a card', () => {
  const whole = JSON.parse(JSON.stringify(issue(['rose', 'lily-oriental']))) as ReturnType<typeof issue>;
  expect(readStoredCard(whole)).toEqual(whole);
  const older = {
    ...whole,
    card: {
      ...whole.card,
      lead: undefined,
      lines: whole.card.lines.map(({ text, date }) => ({ text, date })),
    },
  };
  expect(readStoredCard(older)).toEqual(older);
  for (const none of [null, {}, { ...whole, card: null }, { ...whole, contents: 'roses' }])
    expect(() => readStoredCard(none)).toThrow();
});
