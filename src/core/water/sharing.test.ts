import { SHIPPED_SPECIES } from '../species/registry';
import fc from 'fast-check';
import { SPECIES } from '../species/species';
import { givesGas, waterName, whyNotBeside, whyNotInto, whyNotOneWater, type Sharer } from './sharing';

const firm = (key: string, over: Partial<Sharer> = {}): Sharer => ({
  lotId: `${key} lot`,
  species: SHIPPED_SPECIES.byKey(key),
  sapRuns: false,
  droop: 'firm',
  isApart: false,
  isMouldy: false,
  stage: 0.2,
  agedDays: 1,
  ...over,
});
const fed = { solution: 'flower-food', depth: 'normal', tempC: 22, depthCm: 13, alone: false } as const;

const sharerArb = fc.record({
  lotId: fc.constantFrom('a', 'b', 'c'),
  species: fc.constantFrom(...SPECIES),
  sapRuns: fc.boolean(),
  droop: fc.constantFrom('firm' as const, 'soft' as const, 'hanging' as const),
  isApart: fc.boolean(),
  isMouldy: fc.boolean(),
  stage: fc.double({ min: 0, max: 1.4, noNaN: true }),
  agedDays: fc.double({ min: 0, max: 30, noNaN: true }),
});

test('by the handbook: daffodils unsoaked with nothing but daffodils, soaked with tulips', () => {
  const running = firm('daffodil', { sapRuns: true, isApart: true });
  expect(whyNotBeside(running, firm('tulip'))).toBe('sap');
  expect(whyNotBeside(running, firm('daffodil', { lotId: 'other' }))).toBe('sap');
  expect(whyNotBeside(running, { ...running, lotId: 'other' })).toBeNull();
  expect(whyNotBeside(firm('daffodil'), firm('tulip'))).toBeNull();
});

test('what hangs stands with its own kind that hangs, mould with nobody, an open lily not with carnations', () => {
  const hangs = firm('rose', { droop: 'hanging', isApart: true });
  expect(whyNotBeside(hangs, firm('rose', { lotId: 'other' }))).toBe('hanging');
  expect(whyNotBeside(hangs, { ...hangs, lotId: 'other' })).toBeNull();
  expect(whyNotBeside(hangs, firm('hydrangea', { droop: 'hanging', isApart: true }))).toBe('hanging');
  expect(whyNotBeside(firm('rose', { isMouldy: true }), firm('rose', { lotId: 'other' }))).toBe('mould');
  const over = firm('lily-oriental', { stage: 1.1 });
  expect([givesGas(over), whyNotBeside(over, firm('carnation'))]).toEqual([true, 'gas']);
  expect(whyNotBeside(over, firm('gerbera'))).toBeNull();
  expect(whyNotBeside(over, firm('lily-oriental', { lotId: 'other' }))).toBeNull();
});

test('waters are one when what is in them, their depth and their warmth are; the name says the same', () => {
  expect(whyNotOneWater(fed, { ...fed, solution: 'bulb-food' })).toBe('solution');
  expect(whyNotOneWater(fed, { ...fed, depth: 'shallow' })).toBe('depth');
  expect(whyNotOneWater(fed, { ...fed, tempC: 6 })).toBe('warmth');
  expect(whyNotOneWater(fed, { ...fed, tempC: 20 })).toBeNull();
  const waterArb = fc.record({
    solution: fc.constantFrom('flower-food' as const, 'bulb-food' as const),
    depth: fc.constantFrom('shallow' as const, 'normal' as const),
    tempC: fc.integer({ min: 1, max: 60 }),
  });
  fc.assert(
    fc.property(waterArb, waterArb, (a, b) => {
      expect(whyNotOneWater(a, b) === null).toBe(waterName(a) === waterName(b));
    }),
  );
});

test('whoever is asked first, the answer is the same; a lot always gets along with itself', () => {
  fc.assert(
    fc.property(sharerArb, sharerArb, (a, b) => {
      expect(whyNotBeside(a, b)).toBe(whyNotBeside(b, a));
      if (a.lotId === b.lotId) expect(whyNotBeside(a, b)).toBeNull();
    }),
  );
});

test('into water that stands: as beside every one in it; reserved water without any takes nobody', () => {
  fc.assert(
    fc.property(sharerArb, fc.array(sharerArb, { maxLength: 3 }), fc.boolean(), (one, mates, alone) => {
      const why = whyNotInto(one, fed, { ...fed, alone }, mates);
      const apart = mates.map((m) => whyNotBeside(one, m)).find((w) => w !== null) ?? null;
      expect(why).toBe(mates.length === 0 && alone ? 'reserved' : apart);
    }),
  );
  const colder = { ...fed, tempC: 6 };
  expect(whyNotInto(firm('rose'), fed, colder, [firm('gerbera')])).toBe('warmth');
  expect(whyNotInto(firm('rose'), fed, colder, [firm('rose')])).toBeNull();
});
