import fc from 'fast-check';
import {
  chlorineByStrip,
  doseByConductivity,
  doseByPh,
  together,
  USUAL_TAP,
  type Belief,
} from './dose-reading';

const belief: fc.Arbitrary<Belief> = fc.record({
  mean: fc.double({ min: -5, max: 5, noNaN: true }),
  sd: fc.double({ min: 0.01, max: 3, noNaN: true }),
});

test('two things known of one quantity: between them, nearer the surer, surer than either, in whatever order', () => {
  fc.assert(
    fc.property(belief, belief, (a, b) => {
      const both = together(a, b);
      expect(both.sd).toBeLessThanOrEqual(Math.min(a.sd, b.sd) + 1e-12);
      expect(both.mean).toBeGreaterThanOrEqual(Math.min(a.mean, b.mean) - 1e-9);
      expect(both.mean).toBeLessThanOrEqual(Math.max(a.mean, b.mean) + 1e-9);
      const surer = a.sd <= b.sd ? a : b;
      const other = a.sd <= b.sd ? b : a;
      expect(Math.abs(both.mean - surer.mean)).toBeLessThanOrEqual(Math.abs(both.mean - other.mean) + 1e-9);
      const turned = together(b, a);
      expect(turned.mean).toBeCloseTo(both.mean, 9);
    }),
  );
  // By hand: 1 ± 0.15 and 0.5 ± 0.1 come to 0.654 ± 0.083.
  expect(together({ mean: 1, sd: 0.15 }, { mean: 0.5, sd: 0.1 })).toEqual({
    mean: expect.closeTo(0.6538, 4) as number,
    sd: expect.closeTo(0.0832, 4) as number,
  });
});

test('a pH over 5 says how much is short, in proportion; at 5 and under the dose is full', () => {
  const tap = { ph: 7.5, us: 300 };
  expect(doseByPh(7.5, tap)?.mean).toBe(0);
  expect(doseByPh(6.25, tap)?.mean).toBeCloseTo(0.5, 12);
  for (const ph of [5, 4.2, 3.5, 2]) expect(doseByPh(ph, tap)?.mean).toBe(1);
  expect(doseByPh(9, tap)?.mean).toBe(0);
  // Rain and softened well water are that sour by themselves.
  expect(doseByPh(4, { ph: 5.6, us: 20 })).toBeNull();
});

test('a conductivity is held against the product’s own step over the tap’s', () => {
  expect(doseByConductivity(USUAL_TAP.us, USUAL_TAP, 600).mean).toBe(0);
  expect(doseByConductivity(USUAL_TAP.us + 300, USUAL_TAP, 600).mean).toBeCloseTo(0.5, 12);
  expect(doseByConductivity(USUAL_TAP.us + 900, USUAL_TAP, 600).mean).toBeCloseTo(1.5, 12);
  expect(doseByConductivity(10, USUAL_TAP, 600).mean).toBe(0);
});

test('a strip is known to a quarter of what it says, and a clear one not to nothing', () => {
  expect(chlorineByStrip(200)).toEqual({ mean: 200, sd: 50 });
  expect(chlorineByStrip(0).sd).toBeGreaterThan(0);
});
