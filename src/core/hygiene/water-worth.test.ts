import fc from 'fast-check';
import { SPECIES } from '../species/species';
import { SHIPPED_SPECIES } from '../species/registry';
import type { LotHistory, StayHere } from '../vase-life/lot-history';
import type { SolutionKey } from '../water/solutions';
import type { VesselStart } from '../water/vessel-water';
import { waterWorth } from './water-worth';

const USE = { plainDays: 2, foodDays: 4, lilyDays: 3 };
const AIR = { tempC: 20, humidityPct: 60, litHours: 12, ethylenePpm: 0 };
const DRAWS = 60;

const stay = (
  fromHour: number,
  toHour: number,
  name: string | null,
  start: VesselStart = 'clean',
  solution: SolutionKey = 'flower-food',
): StayHere => ({
  fromHour,
  toHour,
  air: AIR,
  water: name === null ? null : { name, start, solution, tempC: 20 },
});
const history = (stays: readonly StayHere[], species = 'rose'): LotHistory => ({
  species: SHIPPED_SPECIES.byKey(species),
  arrival: { agedDays: 1, stage: 0.2, droop: 'firm' },
  hoursHere: Math.max(...stays.map((s) => s.toHour)),
  stays,
  wasHotDipped: false,
  isBare: false,
  startHourOfDay: 7,
});
const lostOf = (of: LotHistory) => waterWorth(of, USE, DRAWS).lost;
const daysOf = (lost: readonly { readonly days: number }[]) => lost.reduce((sum, l) => sum + l.days, 0);

test('clean pails changed in time cost nothing, whatever the species', () => {
  for (const { key } of SPECIES)
    expect(lostOf(history([stay(0, 1, null), stay(1, 40, 'a'), stay(40, 80, 'b')], key))).toEqual([]);
});

test('a pail that was not sanitised costs roses days, and it is that pail that did', () => {
  const worth = waterWorth(history([stay(0, 1, null), stay(1, 60, 'dirty', 'reused', 'plain')]), USE, DRAWS);
  expect(worth.lost.map((l) => [l.water, l.cause])).toEqual([
    ['dirty', 'pail not sanitised'],
    // Plain water stands two days at most, in a clean pail as well.
    ['dirty', 'water stood too long'],
  ]);
  expect(worth.lost[0]?.days).toBeGreaterThan(0.2);
  expect(worth.lost[0]?.fromHour).toBe(1);
  expect(worth.asShouldDays - worth.asKeptDays).toBeCloseTo(daysOf(worth.lost), 6);
  expect(worth.gains['every pail scrubbed']).toBeCloseTo(worth.lost[0]?.days ?? 0, 9);
  // Half as dirty costs less; and a second pail that is dirty counts as the first does.
  const rinsed = lostOf(history([stay(0, 1, null), stay(1, 60, 'dirty', 'rinsed', 'plain')]))[0]?.days ?? 0;
  expect(rinsed).toBeLessThan(worth.lost[0]?.days ?? 0);
  const second = lostOf(
    history([stay(0, 1, null), stay(1, 30, 'a', 'clean', 'plain'), stay(30, 70, 'b', 'reused', 'plain')]),
  );
  expect(second.map((l) => [l.water, l.cause])).toEqual([['b', 'pail not sanitised']]);
});

test('water that stood too long costs from the hour it was due; longer costs more', () => {
  const days = [3, 5, 8].map((d) => lostOf(history([stay(0, d * 24, 'old', 'clean', 'plain')])));
  for (const lost of days)
    expect(lost.map((l) => [l.cause, l.fromHour])).toEqual([['water stood too long', 48]]);
  const [three = 0, five = 0, eight = 0] = days.map(daysOf);
  expect(three).toBeGreaterThan(0);
  expect(five).toBeGreaterThan(three);
  expect(eight).toBeGreaterThan(five);
  // Lilies in food: the house's own three days, not its four.
  const lily = lostOf(history([stay(0, 200, 'old')], 'lily-oriental'));
  for (const { fromHour } of lily) expect(fromHour).toBe(72);
});

test('two pails at fault share what it cost by their hours; what more care would bring is told beside it', () => {
  const of = history([stay(0, 20, 'a', 'reused', 'plain'), stay(20, 40, 'b', 'reused', 'plain')]);
  const { lost, gains } = waterWorth(of, USE, DRAWS);
  const [a, b] = lost.filter((l) => l.cause === 'pail not sanitised');
  expect(a?.days).toBeCloseTo(b?.days ?? NaN, 9);
  expect(gains['food in every pail']).toBeGreaterThan(0);
  expect(waterWorth(history([stay(0, 40, 'a')]), USE, DRAWS).gains['food in every pail']).toBe(0);
  // What a pack brings along is no pail of the shop's.
  expect(lostOf(history([stay(0, 30, 'pack', 'rinsed', 'plain'), stay(30, 50, 'a')]))).toEqual([]);
  // Dry all the while: no water did anything.
  expect(waterWorth(history([stay(0, 20, null)]), USE, DRAWS)).toMatchObject({
    lost: [],
    gains: { 'a change every day': 0, 'every pail scrubbed': 0 },
  });
});

const historyArb = fc
  .record({
    species: fc.constantFrom(...SPECIES.map((s) => s.key)),
    tempC: fc.constantFrom(4, 12, 20, 26),
    pails: fc.array(
      fc.record({
        hours: fc.integer({ min: 2, max: 200 }),
        start: fc.constantFrom('clean', 'rinsed', 'reused'),
        solution: fc.constantFrom('plain', 'flower-food', 'holding'),
      }),
      { minLength: 1, maxLength: 4 },
    ),
  })
  .map(({ species, tempC, pails }) => {
    let at = 1;
    const stays = [stay(0, 1, null)];
    for (const [i, { hours, start, solution }] of pails.entries()) {
      stays.push({
        ...stay(at, at + hours, `${i}`, start, solution),
        air: { ...AIR, tempC },
      });
      at += hours;
    }
    return history(stays, species);
  });

test('cleaner and fresher is never worse; what was lost is what should have been less what was', () => {
  fc.assert(
    fc.property(historyArb, (of) => {
      const { asKeptDays, asShouldDays, lost, gains } = waterWorth(of, USE, 25);
      expect(asShouldDays).toBeGreaterThanOrEqual(asKeptDays - 1e-9);
      expect(daysOf(lost)).toBeLessThanOrEqual(asShouldDays - asKeptDays + 1e-9);
      expect(asShouldDays - asKeptDays - daysOf(lost)).toBeLessThan(0.011);
      for (const l of lost) expect(l.days).toBeGreaterThan(0);
      for (const days of Object.values(gains)) expect(days).toBeGreaterThanOrEqual(0);
    }),
    { numRuns: 60 },
  );
});
