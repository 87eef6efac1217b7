import fc from 'fast-check';
import { afterLook, LOOKS, sdAfter, startSd, type CountBelief } from './count-filter';
import { forecastWater, type WaterAsked } from './water-forecast';
import { waterAnHourLater, freshWater } from './vessel-water';

/** Bayes by adding up thin slices: the same figures by another road. */
function bySlices({ mean, sd }: CountBelief, likely: (log10: number) => number): CountBelief {
  let [weight, sum, squares] = [0, 0, 0];
  for (let x = mean - 8 * sd; x <= mean + 8 * sd; x += sd / 50) {
    const w = Math.exp(-(((x - mean) / sd) ** 2) / 2) * likely(x);
    [weight, sum, squares] = [weight + w, sum + w * x, squares + w * x * x];
  }
  const middle = sum / weight;
  return { mean: middle, sd: Math.sqrt(squares / weight - middle ** 2) };
}
/** Share of eyes that see nothing at a count: half at 6.3, spread 0.4. */
const seesNothing = (log10: number): number => {
  let share = 0;
  const dx = 0.01;
  for (let e = -3; e < 6.3 - log10 && e < 3; e += dx) share += Math.exp(-((e / 0.4) ** 2) / 2) * dx;
  return share / (0.4 * Math.sqrt(2 * Math.PI));
};

test.each([
  [6, 0.5],
  [6.8, 0.7],
  [5, 0.4],
])('a clear look at %s ± %s is what adding up all counts that may be says', (mean, sd) => {
  const [ours, theirs] = [afterLook({ mean, sd }, 'clear'), bySlices({ mean, sd }, seesNothing)];
  expect(ours.mean).toBeCloseTo(theirs.mean, 2);
  expect(ours.sd).toBeCloseTo(theirs.sd, 2);
});

test.each([
  ['hazy', 6.8],
  ['cloudy', 7.5],
  ['smells', 8],
] as const)('a %s look is put together with what was predicted, each by its spread', (look, seen) => {
  const [mean, sd] = [6, 0.5];
  const ours = afterLook({ mean, sd }, look);
  // Weights are one over the squared spreads: 4 and 6.25.
  expect(ours.mean).toBeCloseTo((mean * 4 + seen * 6.25) / 10.25, 9);
  expect(ours.sd).toBeCloseTo(Math.sqrt(1 / 10.25), 9);
});

test('a look never makes it less well known, and moves it toward what was seen', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.5, max: 8.3, noNaN: true }),
      fc.double({ min: 0.05, max: 3, noNaN: true }),
      fc.constantFrom(...LOOKS),
      (mean, sd, look) => {
        const after = afterLook({ mean, sd }, look);
        expect(after.sd).toBeLessThanOrEqual(sd + 1e-9);
        if (look === 'clear') expect(after.mean).toBeLessThanOrEqual(mean);
      },
    ),
  );
});

test('a clear look at water that is nearly surely clear says nearly nothing', () => {
  const after = afterLook({ mean: 3.3, sd: 0.3 }, 'clear');
  expect(after.mean).toBeCloseTo(3.3, 6);
  expect(after.sd).toBeCloseTo(0.3, 6);
});

test('it is known to 0.3 after a wash, and each day adds 0.15', () => {
  expect([startSd('clean'), startSd('rinsed'), startSd('reused')]).toEqual([0.3, 0.5, 0.6]);
  expect(sdAfter(0.3, 48)).toBeCloseTo(0.6, 9);
});

const ASKED: WaterAsked = {
  ...{ tempC: 20, solution: 'plain', start: 'clean', leafBelow: 0.2 },
  ...{ hours: 240, looks: [], topUpLitresPerDay: 0, litres: 5 },
};

test('without a look it is the forecast’s own law, hour by hour', () => {
  const { log10ByHour } = forecastWater(ASKED);
  let water = freshWater('clean', 'plain');
  log10ByHour.forEach(({ p50 }, hour) => {
    if (hour > 0) water = waterAnHourLater(water, 20, 0.2);
    expect(p50).toBeCloseTo(water.bacteriaLog10, 9);
  });
  expect(log10ByHour).toHaveLength(241);
});

test('the hour it passes 6.5 is the first it stays over it; cold water with food does not in ten days', () => {
  const { log10ByHour, passesLimitAtHour } = forecastWater(ASKED);
  expect(log10ByHour[(passesLimitAtHour ?? 0) - 1]?.p50).toBeLessThan(6.5);
  expect(log10ByHour[passesLimitAtHour ?? 0]?.p50).toBeGreaterThanOrEqual(6.5);
  expect(forecastWater({ ...ASKED, tempC: 4, solution: 'holding' }).passesLimitAtHour).toBeNull();
  expect(forecastWater({ ...ASKED, start: 'reused' }).passesLimitAtHour).toBe(0);
});

test('cloudy sooner than predicted brings the change forward, clear for longer puts it off', () => {
  const plain = forecastWater(ASKED).passesLimitAtHour ?? 0;
  const seen = (kind: (typeof LOOKS)[number], atHour: number) =>
    forecastWater({ ...ASKED, looks: [{ atHour, kind }] }).passesLimitAtHour ?? Infinity;
  expect(seen('cloudy', plain - 24)).toBeLessThan(plain);
  expect(seen('clear', plain + 6)).toBeGreaterThan(plain + 6);
});

test('topping up with plain water thins food, and water with thinner food goes sooner', () => {
  const food = { ...ASKED, solution: 'flower-food' as const, hours: 1000 };
  const due = (topUpLitresPerDay: number) =>
    forecastWater({ ...food, topUpLitresPerDay }).passesLimitAtHour ?? Infinity;
  expect(due(0.5)).toBeLessThan(due(0));
  expect(due(2)).toBeLessThanOrEqual(due(0.5));
});
