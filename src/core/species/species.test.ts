import { SHIPPED_SPECIES } from './registry';
import { SPECIES, idealArrivalStage, opensInVase } from './species';

test('the table holds 66 species, each once, every figure within reason', () => {
  expect(new Set(SPECIES.map((s) => s.key)).size).toBe(66);
  for (const s of SPECIES) {
    expect(s.lifeDays20C).toBeGreaterThan(0);
    expect(s.q10).toBeGreaterThan(1);
    expect([0, 1, 2, 3]).toContain(s.ethylene);
    expect(s.storeMinC).toBeLessThanOrEqual(s.storeMaxC);
    expect((s.hotDipC === null) === (s.hotDipS === null)).toBe(true);
    expect(s.dryHours).toBeGreaterThan(0);
  }
});

test('figures stand as the table has them', () => {
  expect(SHIPPED_SPECIES.byKey('hydrangea')).toMatchObject({
    dryHours: 3,
    leafiness: 3,
    hotDipC: 80,
    hotDipS: 30,
    firstDrink: 'hot-dip',
  });
  expect(SHIPPED_SPECIES.byKey('bird-of-paradise').chillBelowC).toBe(10);
  expect(SHIPPED_SPECIES.byKey('mimosa').gramsPerStem).toBe(55);
});

test('stems that open arrive nearly shut, the others as they stay', () => {
  expect(idealArrivalStage(SHIPPED_SPECIES.byKey('rose'))).toBe(0.2);
  expect(idealArrivalStage(SHIPPED_SPECIES.byKey('gerbera'))).toBe(0.9);
  expect(opensInVase(SHIPPED_SPECIES.byKey('chrysanthemum-spray'))).toBe(false);
});
