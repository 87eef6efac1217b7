import { SHIPPED_SPECIES } from '../species/registry';
import fc from 'fast-check';
import { SPECIES, type Species } from '../species/species';
import { addDays } from '../calendar/dates';
import { composeCard, type CareCardInput } from './compose-card';

const card = (species: readonly Species[], over: Partial<CareCardInput> = {}) =>
  composeCard({
    vessel: { kind: 'vase', litres: 1.5 },
    species,
    solution: 'flower-food',
    changeEveryDays: 4,
    date: '2026-11-24',
    promiseDays: 5,
    firstToFade: 'Gerbera',
    daysTo: { firstFade: 3.4, stillAGift: 6.8, lastStand: 9.1 },
    ...over,
  });
const texts = (c: ReturnType<typeof card>): string => c.lines.map((l) => l.text).join(' ');

test('a lily vase: food by its litres, a change with its date, anthers, and cats first among the cautions', () => {
  const made = card([SHIPPED_SPECIES.byKey('lily-oriental'), SHIPPED_SPECIES.byKey('rose')]);
  expect(texts(made)).toContain('1.5 L');
  expect(made.lines.find((l) => l.key === 'change')?.date).toBe('2026-11-28');
  expect(made.lines.some((l) => l.key === 'anthers')).toBe(true);
  expect(made.cautions[0]).toMatch(/^Cats: Oriental lily can kill a cat.*vet at once/);
  expect(made.dates).toEqual({ firstFade: '2026-11-27', stillAGift: '2026-11-30', lastStand: '2026-12-03' });
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
