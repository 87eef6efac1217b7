import fc from 'fast-check';
import { SeededStream } from '../random';
import { MOST_READINGS, sortReadings } from './device-readings';
import { doserNow, simulatedDoser } from './doser';
import { simulatedStripReader } from './strip-reader';

const NOW = Date.parse('2026-11-24T06:50:00Z');
const at = (minutesAgo: number): string => new Date(NOW - minutesAgo * 60_000).toISOString();
const dose = (seq: number, over: object = {}) => ({
  seq,
  at: at(5),
  kind: 'dose',
  strokes: 2,
  ml: 30,
  ...over,
});
const stream = (seed: number): SeededStream => {
  const random = new SeededStream();
  random.begin(seed, 1);
  return random;
};
/** A doser that is used so often, two strokes at a time, as its readings tell it. */
function used(make: Partial<Parameters<typeof simulatedDoser>[0]>, times: number, seed = 1) {
  const doser = simulatedDoser(
    { mlAStroke: 15, driftPerThousand: 0, scatter: 0.05, bottleMl: 1e6, ...make },
    stream(seed),
  );
  return Array.from({ length: times }, () => ({ strokes: 2, ml: doser.give(2).ml }));
}

test('a batch keeps what it can, each number once, and says of the rest which and why', () => {
  const { kept, refused } = sortReadings(
    [
      dose(1),
      dose(1, { ml: 99 }),
      dose(2, { ml: -1 }),
      dose(3, { at: at(-60) }),
      dose(4, { at: at(60 * 24 * 8) }),
      { seq: 5, at: at(1), kind: 'strip', pail: '%P12K' },
      { seq: 6, at: at(1), kind: 'strip', pail: '%P12K', ph: 5.5 },
      { kind: 'weather' },
      'nonsense',
    ],
    NOW,
  );
  expect(kept.map((r) => r.seq)).toEqual([1, 6]);
  expect(kept[0]).toMatchObject({ ml: 30 });
  expect(refused.map((r) => r.seq)).toEqual([2, 3, 4, 5, null, null]);
  expect(refused.map((r) => r.why)).toEqual([
    expect.stringMatching(/^ml:/),
    expect.stringMatching(/clock/),
    expect.stringMatching(/week/),
    expect.stringMatching(/nothing/),
    expect.any(String),
    expect.any(String),
  ]);
});

test('whatever comes is kept or refused, never lost, doubled or thrown up', () => {
  fc.assert(
    fc.property(
      fc.array(
        fc.oneof(
          fc.anything(),
          fc.nat().map((n) => dose(1 + (n % 20))),
        ),
        { maxLength: 40 },
      ),
      (all) => {
        const { kept, refused } = sortReadings(all, NOW);
        expect(new Set(kept.map((r) => r.seq)).size).toBe(kept.length);
        expect(kept.length + refused.length).toBeLessThanOrEqual(all.length);
      },
    ),
  );
  expect(MOST_READINGS).toBe(200);
});

test('a doser is told by what its last strokes gave, its wear against its first, and not by one stroke', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 1e6 }),
      fc.double({ min: -0.3, max: 0.3, noNaN: true }),
      (seed, drift) => {
        const doses = used({ driftPerThousand: drift }, 500, seed);
        const found = doserNow(doses);
        // A thousand strokes: the last twenty of them give 15 mL and nearly all of the drift.
        expect(found?.mlAStroke).toBeCloseTo(15 * (1 + drift * 0.99), 0);
        expect(found?.drift).toBeCloseTo(drift, 1);
        expect(found?.isEmpty).toBe(false);
      },
    ),
  );
});

test('a bottle that runs empty is told as that, and does not count for what a stroke gives', () => {
  const doses = used({ bottleMl: 15 * 61 }, 31);
  expect(doserNow(doses)).toMatchObject({ isEmpty: true });
  expect(doserNow(doses)?.mlAStroke).toBeCloseTo(15, 0);
  expect(doserNow(doses.slice(0, 29))?.isEmpty).toBe(false);
  expect(doses.reduce((sum, d) => sum + d.ml, 0)).toBeCloseTo(15 * 61, 6);
  expect(doserNow([])).toBeNull();
});

test('a strip tells pH to half a unit and chlorine to a quarter of its value', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 1e6 }),
      fc.double({ min: 3, max: 9, noNaN: true }),
      fc.double({ min: 0, max: 400, noNaN: true }),
      (seed, ph, chlorinePpm) => {
        const told = simulatedStripReader(stream(seed)).read({ ph, chlorinePpm });
        expect(Math.abs((told.ph ?? 99) - ph)).toBeLessThanOrEqual(0.25 + 1e-9);
        expect(Math.abs((told.chlorinePpm ?? 999) - chlorinePpm)).toBeLessThanOrEqual(
          0.25 * chlorinePpm + 2.5 + 1e-9,
        );
      },
    ),
  );
});
