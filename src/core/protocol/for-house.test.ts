import * as fc from 'fast-check';
import { house, kindsOf, paramsOf, stepsOf, ways } from '../../../tests/support/protocol-steps';
import { SHIPPED_SPECIES } from '../species/registry';
import { hasTrait } from '../species/traits';
import { inEnglish } from '../words/say';
import { QUESTIONS } from './questions';
import { DEFAULT_WAYS } from './ways';

const anySpecies = fc.constantFrom(...SHIPPED_SPECIES.all);

/** Of each disputed question: whose way, which flower, which step, and what that step is then done with. */
const SAID: readonly (readonly [
  question: string,
  school: string,
  species: string,
  kind: Parameters<typeof paramsOf>[1],
  params: Readonly<Record<string, unknown>>,
])[] = [
  // First drink: cold 2 to 8 °C, warm 38 to 43, hot for roses 45 to 50 and for roses alone.
  ['first-drink', 'cold', 'rose', 'drink', { tempC: 6 }],
  ['first-drink', 'warm', 'tulip', 'drink', { tempC: 40 }],
  ['first-drink', 'hot-roses', 'rose', 'drink', { tempC: 48 }],
  ['first-drink', 'hot-roses', 'spray-rose', 'drink', { tempC: 48 }],
  ['foliage', 'bare', 'snapdragon', 'strip', { to: 'bare', keepsShare: 0 }],
  ['foliage', 'waterline', 'lisianthus', 'strip', { to: 'waterline', keepsShare: 1 }],
  ['foliage', 'keep-50', 'rose', 'strip', { to: 'share', keepsShare: 0.5 }],
  ['foliage', 'keep-25', 'rose', 'strip', { to: 'share', keepsShare: 0.25 }],
  ['thorns', 'strip', 'rose', 'thorns', { extent: 'all' }],
  ['thorns', 'leave', 'rose', 'thorns', { extent: 'leave' }],
  ['thorns', 'to-the-hand', 'rose', 'thorns', { extent: 'to the hand' }],
  ['tool', 'snips', 'rose', 'cut', { tool: 'snips' }],
  ['cut-place', 'under-water', 'rose', 'cut', { where: 'under water' }],
  ['cut-place', 'in-air', 'peony', 'cut', { where: 'in air' }],
  ['remedy', 'plain', 'rose', 'drink', { solution: 'plain' }],
  ['remedy', 'copper', 'carnation', 'drink', { solution: 'copper' }],
  ['remedy', 'aspirin', 'stock', 'drink', { solution: 'aspirin' }],
  ['water-change', 'daily', 'rose', 'recut', { everyHours: 24 }],
  ['water-change', 'two-days', 'rose', 'recut', { everyHours: 48 }],
  ['depth', 'third', 'snapdragon', 'drink', {}],
  ['pollen', 'into-water', 'lily-oriental', 'de-pollen', { how: 'into the water' }],
  ['pollen', 'remove', 'lily-oriental', 'de-pollen', { how: 'bin' }],
  ['sap-soak', 'overnight', 'hyacinth', 'sap-soak', { hours: 12, company: 'alone' }],
  ['resting', 'at-once', 'carnation', 'drink', { hours: 0 }],
  ['resting', 'two-hours', 'carnation', 'drink', { hours: 2 }],
  ['resting', 'overnight', 'carnation', 'drink', { hours: 12 }],
];

test.each(SAID)('%s by “%s”: %s at its %s', (question, school, species, kind, params) => {
  expect(paramsOf(species, kind, house({ [question]: school }))).toMatchObject(params);
});

test('every school of every question is one that some step, pail or card asks', () => {
  for (const { key, schools } of QUESTIONS) {
    expect(schools.length).toBeGreaterThanOrEqual(2);
    expect([key, new Set(schools.map((s) => s.key)).size]).toEqual([key, schools.length]);
  }
});

test('the default school of every question leaves the plain protocol as it is', () => {
  fc.assert(
    fc.property(anySpecies, ({ key }) => {
      const asked = house(Object.fromEntries(QUESTIONS.map((q) => [q.key, q.schools[0].key])));
      expect(stepsOf(key, asked)).toEqual(stepsOf(key, DEFAULT_WAYS));
    }),
    { numRuns: 200 },
  );
});

test('an answer nobody has heard of is the default’s', () => {
  expect(stepsOf('rose', house({ foliage: 'chewed', tool: 'teeth' }))).toEqual(stepsOf('rose'));
});

test('no school chills what is harmed by cold water: it drinks at its own limit, and the card says so', () => {
  fc.assert(
    fc.property(anySpecies, (species) => {
      const drink = paramsOf(species.key, 'drink', house({ 'first-drink': 'cold' }));
      expect(drink?.tempC).toBeGreaterThanOrEqual(species.chillBelowC ?? -5);
    }),
    { numRuns: 200 },
  );
  // Anthurium is injured under 12 °C or so: the table's figure is where its water stops.
  const anthurium = SHIPPED_SPECIES.byKey('anthurium');
  const cold = stepsOf('anthurium', house({ 'first-drink': 'cold' })).find((s) => s.kind === 'drink');
  expect(anthurium.chillBelowC).toBeGreaterThan(6);
  expect(cold?.params).toMatchObject({ tempC: anthurium.chillBelowC });
  expect(cold?.changes.map((c) => inEnglish(c.says)).join()).toContain(`${anthurium.chillBelowC}`);
});

test('no school drowns a shallow drinker: gerbera, calla and tulip keep their few centimetres', () => {
  fc.assert(
    fc.property(anySpecies, fc.constantFrom('deep', 'third'), (species, school) => {
      const plain = paramsOf(species.key, 'drink')?.depthCm ?? 0;
      const asked = paramsOf(species.key, 'drink', house({ depth: school }))?.depthCm ?? 0;
      if (species.depth === 'shallow') expect(asked).toBe(plain);
      else if (school === 'deep') expect(asked).toBeGreaterThanOrEqual(20);
    }),
    { numRuns: 300 },
  );
});

test('no school leaves water longer than the house’s own limit: two days plain, four with food, three of lilies', () => {
  fc.assert(
    fc.property(
      anySpecies,
      fc.constantFrom('by-model', 'daily', 'two-days', 'three-four', 'top-up'),
      fc.constantFrom('flower-food', 'plain', 'copper'),
      fc.record({
        plainDays: fc.integer({ min: 1, max: 3 }),
        foodDays: fc.integer({ min: 1, max: 6 }),
        lilyDays: fc.integer({ min: 1, max: 4 }),
      }),
      (species, change, remedy, limits) => {
        const way = { ...house({ 'water-change': change, remedy }), limits };
        const every = paramsOf(species.key, 'recut', way)?.everyHours ?? 0;
        const solution = paramsOf(species.key, 'drink', way)?.solution;
        const isFood = solution === 'flower-food' || solution === 'bulb-food' || solution === 'holding';
        const most = isFood ? limits.foodDays : limits.plainDays;
        const ofLilies = hasTrait(species, 'lily') ? Math.min(most, limits.lilyDays) : most;
        expect(every).toBeGreaterThan(0);
        expect(every).toBeLessThanOrEqual(24 * ofLilies);
      },
    ),
    { numRuns: 400 },
  );
});

test('acid is never added to chlorine, whoever asks for both', () => {
  fc.assert(
    fc.property(anySpecies, ({ key }) => {
      const drink = paramsOf(key, 'drink', house({ acid: 'add-acid', remedy: 'bleach' }));
      if (drink?.solution === 'bleach') expect(drink.addsAcid).toBe(false);
    }),
    { numRuns: 100 },
  );
  expect(paramsOf('rose', 'drink', house({ acid: 'add-acid' }))).toMatchObject({ addsAcid: true });
});

test('misting: everything but roses, or roses most of all, or none; and nothing mouldy is wetted', () => {
  expect(kindsOf('hydrangea')).toContain('mist');
  expect(kindsOf('rose')).not.toContain('mist');
  expect(paramsOf('rose', 'mist', house({ misting: 'roses-most' }))).toMatchObject({
    when: 'if the room is very dry',
  });
  expect(kindsOf('hydrangea', house({ misting: 'none' }))).not.toContain('mist');
  expect(kindsOf('rose', house({ misting: 'roses-most' }), { flaws: ['grey-mould'] })).not.toContain('mist');
});

test('wood is cut with secateurs whatever tool the house prefers', () => {
  for (const tool of ['knife', 'snips'])
    for (const { key, build } of SHIPPED_SPECIES.all)
      if (build === 'woody' && paramsOf(key, 'cut')?.tool === 'secateurs')
        expect([key, paramsOf(key, 'cut', house({ tool }))?.tool]).toEqual([key, 'secateurs']);
});

test('what came limp rests as its state asks, whatever the house does with sound stems', () => {
  const atOnce = house({ resting: 'at-once' });
  expect(paramsOf('rose', 'drink', atOnce, { droop: 'firm' })?.hours).toBe(0);
  expect(paramsOf('rose', 'drink', atOnce, { droop: 'hanging' })?.hours).toBe(2);
  expect(paramsOf('rose', 'drink', house({ resting: 'overnight' }), { droop: 'hanging' })?.hours).toBe(12);
});

test('an exception of one species bears on that species alone', () => {
  const way = house({ 'first-drink': 'cold' }, { rose: { 'first-drink': 'warm' } });
  expect(paramsOf('rose', 'drink', way)?.tempC).toBe(40);
  expect(paramsOf('spray-rose', 'drink', way)?.tempC).toBe(6);
  // Names of what every object has are no species' exceptions.
  const odd = ways({ schools: { house: {}, exceptions: { toString: { 'first-drink': 'cold' } } } });
  expect(stepsOf('rose', odd)).toEqual(stepsOf('rose'));
});

test('whatever a house asks of whatever comes, each step it changed says that it was the house', () => {
  const answers = fc
    .tuple(...QUESTIONS.map((q) => fc.constantFrom(...q.schools.map((s) => s.key))))
    .map((picks) => Object.fromEntries(QUESTIONS.map((q, i) => [q.key, picks[i] ?? ''])));
  fc.assert(
    fc.property(anySpecies, answers, ({ key }, asked) => {
      const plain = new Map(stepsOf(key).map((s) => [s.kind, JSON.stringify(s.params)]));
      for (const step of stepsOf(key, house(asked)))
        if (plain.get(step.kind) !== JSON.stringify(step.params))
          expect([key, step.kind, step.changes.some((c) => c.because === 'house')]).toEqual([
            key,
            step.kind,
            true,
          ]);
    }),
    { numRuns: 300 },
  );
});
