import * as fc from 'fast-check';
import { kindsOf, lotOfKey, paramsOf, stepsOf, ways } from '../../../tests/support/protocol-steps';
import { SHIPPED_SPECIES } from '../species/registry';
import { opensInVase } from '../species/species';
import { hasTrait, isTropical } from '../species/traits';
import { inEnglish } from '../words/say';
import { warmHoursBefore } from './for-purpose';
import { PURPOSES } from './ways';

const anySpecies = fc.constantFrom(...SHIPPED_SPECIES.all);
const event = (eventInDays: number) => ways({ purpose: 'event', eventInDays });

test('to sell today it stands where it is seen, drinks an hour at most, and is not planned to be recut', () => {
  const today = ways({ purpose: 'sell soon' });
  fc.assert(
    fc.property(anySpecies, ({ key, sap }) => {
      expect(paramsOf(key, 'move', today)?.place).toBe('the shop floor');
      expect(kindsOf(key, today)).not.toContain('recut');
      expect(paramsOf(key, 'drink', today)?.hours).toBeLessThanOrEqual(1);
      // Sap is not sold sooner: it soaks first, whoever waits for it.
      if (sap !== 'none') expect(kindsOf(key, today)).toContain('sap-soak');
    }),
    { numRuns: 150 },
  );
  // What came hanging is no flower for today before it stands.
  expect(paramsOf('rose', 'drink', today, { droop: 'hanging' })?.hours).toBe(2);
});

test('to hold: the coldest end of its own range, dark, and never below its chill line', () => {
  const held = ways({ purpose: 'hold' });
  fc.assert(
    fc.property(anySpecies, (species) => {
      const move = paramsOf(species.key, 'move', held);
      const coldest = Math.max(species.storeMinC, species.chillBelowC ?? -5);
      expect(move).toMatchObject({ lowC: coldest, highC: coldest + 1, dark: true });
      expect(move?.place).toBe(isTropical(species) ? 'the tropical shelf' : 'the cold room');
    }),
    { numRuns: 150 },
  );
  expect(paramsOf('rose', 'drink', held)?.solution).toBe('holding');
  // What wants no food gets no holding food either.
  const unfed = SHIPPED_SPECIES.all.find((s) => s.foodKind === 'none');
  if (unfed) expect(paramsOf(unfed.key, 'drink', held)?.solution).toBe('plain');
});

test('to hurry: warm, bright, tepid water, recut every four hours; what bleeds is not cut for it', () => {
  const forced = ways({ purpose: 'force' });
  fc.assert(
    fc.property(anySpecies, (species) => {
      const move = paramsOf(species.key, 'move', forced);
      if (!opensInVase(species)) {
        expect(move?.place).not.toBe('a warm bright shelf');
        return;
      }
      expect(move).toMatchObject({ place: 'a warm bright shelf', lowC: 20, highC: 24, dark: false });
      expect(paramsOf(species.key, 'drink', forced)?.tempC).toBe(24);
      if (species.sap === 'mucilage') expect(paramsOf(species.key, 'recut', forced)?.everyHours).not.toBe(4);
      else expect(paramsOf(species.key, 'recut', forced)?.everyHours).toBe(4);
    }),
    { numRuns: 150 },
  );
});

test('a loose bag opens lilies by their own gas, and nothing else', () => {
  for (const species of SHIPPED_SPECIES.all) {
    const bags = stepsOf(species.key, ways({ purpose: 'force' })).filter(
      (s) => s.params.kind === 'wrap' && s.params.in === 'a loose bag',
    );
    expect([species.key, bags.length]).toEqual([species.key, hasTrait(species, 'lily') ? 1 : 0]);
  }
});

test('for an event: held while there is time, hurried when there is too little, left alone in between', () => {
  // Oriental lilies want six days by the table.
  const lily = SHIPPED_SPECIES.byKey('lily-oriental');
  expect(lily.leadDays).toBe(6);
  expect(paramsOf('lily-oriental', 'move', event(9))?.dark).toBe(true);
  expect(paramsOf('lily-oriental', 'move', event(2))?.place).toBe('a warm bright shelf');
  expect(stepsOf('lily-oriental', event(6))).toEqual(stepsOf('lily-oriental'));
  // Carnations open at room temperature, the cold keeps them shut.
  expect(kindsOf('carnation', event(1))).toContain('recut');
});

test('what opens no further is held for its day, and said to stay as it came', () => {
  const said = (key: string, days: number): string =>
    stepsOf(key, event(days))
      .filter((s) => s.kind === 'move')
      .flatMap((s) => s.changes.map((c) => inEnglish(c.says)))
      .join();
  expect(said('chrysanthemum-spray', 4)).toContain('stays at the stage it came in');
  expect(said('chrysanthemum-spray', 1)).toContain('stays at the stage it came in');
  expect(paramsOf('chrysanthemum-spray', 'move', event(4))?.dark).toBe(true);
});

test('warmth before an event: tighter heads want more of it, and never more than there is', () => {
  const openers = SHIPPED_SPECIES.all.filter((s) => opensInVase(s) && s.openDays20C > 0);
  fc.assert(
    fc.property(
      fc.constantFrom(...openers),
      fc.double({ min: 0, max: 0.7, noNaN: true }),
      fc.double({ min: 0, max: 0.3, noNaN: true }),
      fc.integer({ min: 1, max: 12 }),
      (species, stage, tighter, days) => {
        const hours = warmHoursBefore(lotOfKey(species.key, { stage }), days);
        const more = warmHoursBefore(lotOfKey(species.key, { stage: stage - tighter }), days);
        expect(hours).toBeGreaterThanOrEqual(0);
        expect(hours).toBeLessThanOrEqual(days * 24);
        expect(more).toBeGreaterThanOrEqual(hours);
      },
    ),
    { numRuns: 200 },
  );
  // Already as open as an event wants it: none.
  expect(warmHoursBefore(lotOfKey('rose', { stage: 0.7 }), 3)).toBe(0);
});

test('for drying: no water, hung apart and dark for a fortnight; what does not dry well is told so and drinks', () => {
  const dry = ways({ purpose: 'dry' });
  for (const species of SHIPPED_SPECIES.all) {
    const kinds = kindsOf(species.key, dry);
    const dries = hasTrait(species, 'dries well');
    expect([species.key, kinds.includes('dry-hang'), kinds.includes('drink')]).toEqual([
      species.key,
      dries,
      !dries,
    ]);
  }
  expect(paramsOf('statice', 'dry-hang', dry)).toMatchObject({ days: 14 });
  expect(paramsOf('statice', 'move', dry)).toMatchObject({ place: 'a dry dark loft', dark: true });
});

test('whatever it is for, what a purpose changed says that it was the purpose, and nothing else is touched', () => {
  fc.assert(
    fc.property(anySpecies, fc.constantFrom(...PURPOSES), fc.nat(12), ({ key }, purpose, eventInDays) => {
      const plain = new Map(stepsOf(key).map((s) => [s.kind, JSON.stringify(s.params)]));
      for (const step of stepsOf(key, ways({ purpose, eventInDays })))
        if (plain.get(step.kind) !== JSON.stringify(step.params))
          expect(step.changes.map((c) => c.because)).toContain('purpose');
    }),
    { numRuns: 300 },
  );
});
