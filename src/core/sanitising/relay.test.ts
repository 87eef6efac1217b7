import fc from 'fast-check';
import type { DirtyPail } from './contact';
import { logReduction } from './contact';
import { dilution, strengthNow, stockMl } from './dilution';
import { DIRT } from './figures';
import { planRelay, relayOf, RELAY_MODES } from './relay';
import type { RelayWays } from './relay-pass';

const WAYS: RelayWays = {
  people: 1,
  taps: 1,
  contactMin: 10,
  handlingMin: 3,
  targetPpm: 200,
  floorPpm: 100,
  percent: 4.5,
};
const some = (n: number, dirt: DirtyPail['dirt'] = 'rinsed', litres = 10): DirtyPail[] =>
  Array.from({ length: n }, () => ({ litres, dirt, isScrubbed: true }));

describe('a dose', () => {
  test('200 ppm in 10 L from a new bottle of 5 %: 40 mL, and 50 from one that stood six months at 20 °C', () => {
    expect(dilution(10, 200, { percent: 5, months: 0, storageC: 20 }).stockMl).toBeCloseTo(40);
    const old = dilution(10, 200, { percent: 5, months: 6, storageC: 20 });
    // A fifth is gone: exp(−0.222) is 0.801.
    expect(old.strengthPercentNow).toBeCloseTo(5 * 0.8009, 3);
    expect(old.stockMl).toBeCloseTo(40 / 0.8009, 2);
  });

  test('six degrees warmer a bottle goes twice as fast', () => {
    const at = (months: number, storageC: number) => strengthNow({ percent: 5, months, storageC });
    expect(at(3, 26)).toBeCloseTo(at(6, 20), 9);
    expect(at(24, 8)).toBeCloseTo(at(6, 20), 9);
  });

  test('a weaker bottle never needs less', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 10, noNaN: true }),
        fc.double({ min: 0, max: 24, noNaN: true }),
        fc.double({ min: 0, max: 40, noNaN: true }),
        (percent, months, storageC) => {
          const dose = dilution(10, 200, { percent, months, storageC }).stockMl;
          const older = dilution(10, 200, { percent, months: months + 1, storageC }).stockMl;
          const weaker = dilution(10, 200, { percent: percent * 0.9, months, storageC }).stockMl;
          return older >= dose && weaker >= dose;
        },
      ),
    );
  });
});

test('200 ppm for ten minutes is eight log10, a quarter of that over slime that was left on', () => {
  expect(logReduction(200, 10)).toBeCloseTo(8);
  expect(logReduction(200, 10, false)).toBeCloseTo(2);
});

describe('a relay', () => {
  test('five rinsed pails come out of one fill, each sanitised and none begun under the floor', () => {
    const relay = relayOf(some(5), 1, WAYS);
    expect(relay.passes.map((p) => p.pails)).toEqual([1, 1, 1, 1, 1]);
    expect(relay.passes.every((p) => p.ppmAtStart >= 100 && p.logReduction >= 3)).toBe(true);
    expect(relay).toMatchObject({ litres: 10, boostMl: 0, minutes: 5 * 13, isSanitised: true });
    expect(relay.stockMl).toBeCloseTo(44.44, 2);
  });

  test('one pass takes what the handbook says: 2.6 % by the clock and 3 ppm by the wall', () => {
    const [first] = relayOf(some(2), 1, WAYS).passes;
    expect(first?.ppmAtEnd).toBeCloseTo(200 * Math.exp(-0.002 * 13) - 3, 9);
  });

  test('slimy pails spend a fill: the third would begin at the floor’s edge, and is brought back', () => {
    // 200, then 145, then under 100: 200·0.974 − 50 = 144.9; 144.9·0.974 − 50 = 91.1.
    const { passes } = relayOf(some(3, 'slimy'), 1, WAYS);
    expect(passes.map((p) => Math.round(p.ppmAtStart))).toEqual([200, 145, 200]);
    expect(passes.map((p) => p.boostMl > 0)).toEqual([false, false, true]);
    expect(passes[2]?.boostMl).toBeCloseTo(stockMl(10, 200 - 91.1, 4.5), 0);
  });

  test('thirty-one pails, one pair of hands and a tap: a quarter of the water of filling all, in step', () => {
    const plan = planRelay(some(31), WAYS, 'relay');
    // Seven can be poured over and turned in three minutes: 31 in five passes, the first by the tap's seven minutes.
    expect(plan).toMatchObject({ startAtOnce: 7, minutes: 5 * 13 + 4, litres: 70, isSanitised: true });
    expect(plan.passes.map((p) => p.pails)).toEqual([7, 7, 7, 7, 3]);
    const all = planRelay(some(31), WAYS, 'all-at-once');
    expect(all).toMatchObject({ startAtOnce: 31, litres: 310 });
    expect(plan.freshEachPass.litres).toBe(310);
  });

  test('overnight is one pass of all, by morning', () => {
    const plan = planRelay(some(12), WAYS, 'overnight');
    expect(plan.passes).toHaveLength(1);
    expect(plan.minutes).toBeGreaterThan(600);
    expect(plan.isSanitised).toBe(true);
  });

  test('slime that is left on is not sanitised by ten minutes of it, and the plan says so', () => {
    const plan = planRelay([{ litres: 10, dirt: 'slimy', isScrubbed: false }], WAYS, 'relay');
    expect(plan.isSanitised).toBe(false);
  });
});

const pailsDrawn = (most: number) =>
  fc.array(
    fc.record({
      litres: fc.constantFrom(5, 7, 10, 12),
      dirt: fc.constantFrom(...DIRT),
      isScrubbed: fc.constant(true),
    }),
    { minLength: 1, maxLength: most },
  );
const waysDrawn = fc.record({
  people: fc.integer({ min: 1, max: 3 }),
  taps: fc.integer({ min: 1, max: 3 }),
  contactMin: fc.integer({ min: 5, max: 20 }),
  handlingMin: fc.integer({ min: 0, max: 6 }),
  targetPpm: fc.integer({ min: 150, max: 400 }),
  floorPpm: fc.integer({ min: 50, max: 150 }),
  percent: fc.double({ min: 1, max: 8, noNaN: true }),
});

test('chlorine never rises without a dose, litres made are litres drained, every pail is in one pass', () => {
  fc.assert(
    fc.property(pailsDrawn(40), waysDrawn, fc.constantFrom(...RELAY_MODES), (pails, ways, mode) => {
      const plan = planRelay(pails, ways, mode);
      plan.passes.forEach((pass, i) => {
        const before = plan.passes[i - 1];
        expect(pass.ppmAtEnd).toBeLessThan(pass.ppmAtStart);
        if (before && pass.boostMl === 0) expect(pass.ppmAtStart).toBe(before.ppmAtEnd);
        if (before && pass.boostMl > 0) expect(pass.ppmAtStart).toBeGreaterThan(before.ppmAtEnd);
        expect(pass.ppmAtStart).toBeGreaterThanOrEqual(Math.min(ways.floorPpm, ways.targetPpm));
      });
      const largest = [...pails].sort((a, b) => b.litres - a.litres).slice(0, plan.startAtOnce);
      const made = largest.reduce((sum, p) => sum + p.litres, 0);
      expect(plan.litres).toBeCloseTo(made, 9);
      expect(plan.drained.litres).toBeCloseTo(made, 9);
      expect(plan.passes.reduce((sum, p) => sum + p.pails, 0)).toBe(pails.length);
      expect(plan.alternatives.map((a) => a.startAtOnce)).toEqual(pails.map((_, i) => i + 1));
      // Chlorine: what was dosed is what the walls and the clock took, and what was drained.
      const dosedMg = plan.stockMl * ways.percent * 10;
      expect(dosedMg).toBeGreaterThanOrEqual(plan.drained.ppm * plan.drained.litres - 1e-6);
    }),
  );
});

test('one pail more never takes less time, nor one pair of hands more or one tap more a minute longer', () => {
  fc.assert(
    fc.property(
      pailsDrawn(40),
      pailsDrawn(1),
      waysDrawn,
      fc.constantFrom(...RELAY_MODES),
      (pails, more, ways, mode) => {
        const { minutes } = planRelay(pails, ways, mode);
        expect(planRelay([...pails, ...more], ways, mode).minutes).toBeGreaterThanOrEqual(minutes - 1e-9);
        for (const helped of [
          { ...ways, people: ways.people + 1 },
          { ...ways, taps: ways.taps + 1 },
        ])
          expect(planRelay(pails, helped, mode).minutes).toBeLessThanOrEqual(minutes + 1e-9);
      },
    ),
  );
});

/** All orders of a short list. */
function orders<T>(of: readonly T[]): T[][] {
  if (of.length < 2) return [[...of]];
  return of.flatMap((one, i) => orders(of.filter((_, k) => k !== i)).map((rest) => [one, ...rest]));
}

test('no order and no number started at once, of those hands keep in step, is sooner done or takes less product', () => {
  fc.assert(
    fc.property(
      fc.array(fc.constantFrom(...DIRT), { minLength: 1, maxLength: 6 }),
      waysDrawn,
      (dirts, ways) => {
        const pails = dirts.map((dirt) => ({ litres: 10, dirt, isScrubbed: true }));
        const plan = planRelay(pails, ways, 'relay');
        const step = Math.max(1, Math.floor((ways.people * ways.handlingMin * 60) / 25));
        const most = Math.min(step, Math.ceil(pails.length / 2));
        for (const order of orders(pails))
          for (let s = 1; s <= most; s++) {
            const other = relayOf(order, s, ways);
            expect(plan.minutes).toBeLessThanOrEqual(other.minutes + 1e-9);
            if (s === plan.startAtOnce) expect(plan.stockMl).toBeLessThanOrEqual(other.stockMl + 1e-6);
          }
      },
    ),
    { numRuns: 60 },
  );
});

test('in a tub nothing is made but the tub: pails go in by what lies in it, their dirt shared by all of it', () => {
  const tubs = { count: 1, litres: 60, holds: 4 };
  const ways = { ...WAYS, tubs };
  const pails = Array.from({ length: 9 }, () => ({ litres: 10, dirt: 'scummed' as const, isScrubbed: true }));
  const plan = planRelay(pails, ways, 'tubs');
  expect(plan.passes.map((p) => p.pails)).toEqual([4, 4, 1]);
  expect(plan.litres).toBe(60);
  // By hand: four walls of 150 mg in 60 L take 10 ppm off what daylight leaves.
  const [first] = plan.passes;
  expect(first?.ppmAtEnd).toBeCloseTo(WAYS.targetPpm * Math.exp(-0.002 * (first?.minutes ?? 0)) - 10, 6);
  // Filled all at once, the same pails take 90 L.
  expect(plan.alternatives.at(-1)?.litres).toBe(90);
  expect(plan.freshEachPass.litres).toBe(180);
  // A second tub halves the passes and never makes the walls take more of each litre.
  const two = planRelay(pails, { ...ways, tubs: { ...tubs, count: 2 } }, 'tubs');
  expect(two.passes.map((p) => p.pails)).toEqual([8, 1]);
  expect(two.litres).toBe(120);
  expect(two.minutes).toBeLessThan(plan.minutes);
});
