import { SHIPPED_SPECIES } from '../species/registry';
import fc from 'fast-check';
import { SPECIES, type Species } from '../species/species';
import { addDays } from '../calendar/dates';
import type { LanguageTag } from '../words/catalogues';
import { inEnglish, spoken } from '../words/say';
import { cardLead as leadOf, dayAfter } from './card-dates';
import { composeCard, type CareCardInput } from './compose-card';

const cardIn = (tag: LanguageTag, species: readonly Species[], over: Partial<CareCardInput> = {}) =>
  spoken(
    composeCard({
      vessel: { kind: 'vase', litres: 1.5 },
      species,
      solution: 'flower-food',
      changeEveryDays: 4,
      from: { date: '2026-11-24', hour: 7 },
      goesTo: 'home',
      promisedDays: 5.4,
      firstToFade: SHIPPED_SPECIES.byKey('gerbera'),
      daysTo: { firstFade: 3.4, stillAGift: 6.8, lastStand: 9.1 },
      ...over,
    }),
    tag,
  );
const card = (species: readonly Species[], over?: Partial<CareCardInput>) => cardIn('en', species, over);
const cardLead = (...told: Parameters<typeof leadOf>) => {
  const { words } = leadOf(...told);
  return { words: inEnglish(words) };
};
const texts = (c: ReturnType<typeof card>): string => c.lines.map((l) => l.text).join(' ');

test('a lily vase: food by its litres, a change with its date, anthers, and cats first among the cautions', () => {
  const made = card([SHIPPED_SPECIES.byKey('lily-oriental'), SHIPPED_SPECIES.byKey('rose')]);
  expect(texts(made)).toContain('1.5 L');
  expect(made.lines.find((l) => l.key === 'change')?.date).toBe('2026-11-28');
  expect(made.lines.some((l) => l.key === 'anthers')).toBe(true);
  expect(made.cautions[0]).toMatch(/^Cats: oriental lily can kill a cat.*vet at once/);
  // 6.8 days from seven in the morning of the 24th end at two in the night of the first.
  expect(made.dates).toEqual({ firstFade: '2026-11-27', stillAGift: '2026-12-01', lastStand: '2026-12-03' });
});

test('lines never contradict one another, whatever stands in it', () => {
  fc.assert(
    fc.property(
      fc.uniqueArray(fc.constantFrom(...SPECIES), { minLength: 1, maxLength: 7 }),
      fc.constantFrom('vase', 'foam'),
      (species, kind) => {
        const made = card(species, { vessel: { kind, litres: 1 } });
        const text = texts(made);
        expect(made.lines.length).toBeLessThanOrEqual(6);
        expect(new Set(made.lines.map((l) => l.key)).size).toBe(made.lines.length);
        if (kind === 'foam') expect(text).not.toMatch(/cut \d|tip out|fill afresh/i);
        if (species.some((s) => s.sap === 'mucilage') && kind === 'vase')
          expect(text).toContain('not the daffodils');
        if (species.some((s) => (s.chillBelowC ?? -9) > 4)) expect(text).not.toMatch(/cold place at night/);
        if (species.some((s) => s.pets === 'deadly to cats')) expect(made.cautions.join()).toContain('Cats');
        if (species.every((s) => s.key === 'gerbera') && kind === 'vase') expect(made.rescue).toBeNull();
        expect(made.rescue ?? '').not.toMatch(/boil/i);
        expect(made.cautions.join(' ')).not.toMatch(/\bsafe\b/i);
      },
    ),
    { numRuns: 300 },
  );
});

test('the house’s way with nights and length is what the card says; tropicals never go cold', () => {
  const [rose, anthurium] = ['rose', 'anthurium'].map((key) => SPECIES.find((s) => s.key === key));
  const kind = 'vase' as const;
  const text = (one: (typeof SPECIES)[0] | undefined, way: object): string =>
    texts(card(one ? [one] : [], { vessel: { kind, litres: 1 }, ...way }));
  expect(text(rose, { nights: 'fridge' })).toMatch(/fridge at 3 °C or more, no fruit/);
  expect(text(rose, { nights: 'never-fridge' })).toMatch(/Never in a household fridge/);
  expect(text(anthurium, { nights: 'fridge' })).not.toMatch(/Every night in the fridge/);
  expect(text(rose, { stemLength: 'short' })).toMatch(/Keep rose short/);
});

test('whole days are counted from the date, over the end of a month', () => {
  expect(addDays('2026-11-28', 3.9)).toBe('2026-12-01');
});

test('the promise leads, as a day at the shop’s confidence, then the day it most likely lasts to', () => {
  const from = { date: '2026-11-26', hour: 9 };
  expect(cardLead(from, 5.2, 7.4).words).toBe('Lovely until at least Tue 1 Dec, most likely Thu 3 Dec');
  expect(cardLead(from, 0.2, 0.9).words).toBe('Lovely today, most likely Fri 27 Nov');
  expect(cardLead(from, 3, 3.2).words).toBe('Lovely until at least Sun 29 Nov');
  expect(cardLead(from, 12, 40).words).toBe('Lovely until at least Tue 8 Dec, most likely over 40 days');
  expect(cardLead(from, 40, 40).words).toBe('Lovely for more than 40 days');
});

test('told at 23:58 and at 00:00 it is the same day: days are counted from the hour', () => {
  fc.assert(
    fc.property(fc.double({ min: 0.1, max: 39, noNaN: true }), (days) => {
      const before = { date: '2026-11-26', hour: 23 + 58 / 60 };
      const after = { date: '2026-11-27', hour: 0 };
      expect(dayAfter(after, days - 2 / 1440)).toBe(dayAfter(before, days));
    }),
  );
});

test('what is owed stands first, in the order of its days; what buys more follows by its worth, and is not added up in the head', () => {
  const gains = { food: 1, change: 0.6, 'cold-nights': 5.3, 'cool-room': 3.1, 'pull-faded': 0.2 };
  const more = { habits: ['cold-nights', 'cool-room'], bothDays: 7.9 } as const;
  const rose = SHIPPED_SPECIES.byKey('rose');
  const { lines, together } = card([rose], { gains, more });
  expect(lines.map((l) => l.key)).toEqual(['food', 'water', 'change', 'nights', 'place', 'pull']);
  expect(lines.map((l) => l.isOwed)).toEqual([true, true, true, false, false, false]);
  expect(together).toBe('The cold nights and the place by day together: about 8 days.');
  const foyer = card([rose], { gains, more, goesTo: 'public' });
  expect(texts(foyer)).not.toMatch(/night|by day a cool/i);
  expect(foyer.together).toBeNull();
  expect(foyer.lines.find((l) => l.key === 'place')?.gainDays).toBeNull();
});

test('foam’s card speaks of foam; cold nights are for nothing that 5 °C injures or that is stored warmer', () => {
  const foam = card([SHIPPED_SPECIES.byKey('rose')], { vessel: { kind: 'foam', litres: 1.7 } });
  const all = [...foam.lines.map((l) => l.text), ...foam.cautions, foam.rescue].join(' ');
  expect(all).not.toMatch(/vase/i);
  expect(all).toMatch(/soaked in flower food/);
  for (const species of SPECIES) {
    const offers = texts(card([species])).match(/every night/i) !== null;
    const mayNot = (species.chillBelowC ?? -9) > 5 || species.storeMinC > 5;
    if (mayNot) expect(offers).toBe(false);
    else if (species.chillBelowC === null) expect(offers).toBe(true);
  }
});

test('a card in Spanish, and one in US units: every line of it, its cautions and its days', () => {
  const species = ['lily-oriental', 'tulip', 'gerbera', 'rose'].map((key) => SHIPPED_SPECIES.byKey(key));
  const gains = { 'cold-nights': 5.3, 'cool-room': 3.1 };
  const more = { habits: ['cold-nights', 'cool-room'], bothDays: 7.9 } as const;
  const { lead, lines, together, promise, rescue, cautions, skip } = cardIn('es', species, { gains, more });
  const spanish = [
    lead?.words,
    ...lines.map((l) => l.text),
    together,
    promise,
    rescue,
    ...cautions,
    skip,
  ].join(' ');
  expect(spanish).not.toMatch(/\[en\]|\b(the|and|every|with|until|days)\b/i);
  expect(spanish).toMatch(/Gatos: .* puede matar a un gato.*veterinario/);
  expect(cardIn('es', [SHIPPED_SPECIES.byKey('rose')], { gains, more }).lead?.words).toBe(
    'Precioso al menos hasta el dom 29 nov, probablemente hasta el mar 1 dic',
  );
  const us = JSON.stringify(cardIn('en-US', [SHIPPED_SPECIES.byKey('rose')]));
  expect(us).toMatch(/one dose for 1\.6 qt/);
  expect(us).toMatch(/41 to 50 °F/);
  expect(us).toMatch(/Cut ¾ in off every stem/);
  expect(us).not.toMatch(/ (°C|cm|L)\b/);
});
