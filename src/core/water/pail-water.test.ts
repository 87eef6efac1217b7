import fc from 'fast-check';
import { looksLike } from './count-filter';
import { longestUseHours, pailWater, standingWater, waterThisHour, type FilledPail } from './pail-water';

const DAYS = { plainDays: 2, foodDays: 4, lilyDays: 3 };
const PAIL: FilledPail = {
  ...{ tempC: 18, solution: 'flower-food', start: 'clean', litres: 5, events: [] },
  ...{ ageHours: 30, holdsLilies: false, longestUse: DAYS },
};

test('an eye sees it go from clear to hazy to cloudy', () => {
  expect([3.3, 6.2, 6.4, 7.1, 7.2, 8].map(looksLike)).toEqual([
    ...['clear', 'clear', 'hazy', 'hazy', 'cloudy', 'cloudy'],
  ]);
});

test('the house changes plain water after its days, food after its own, lilies’ after theirs', () => {
  expect([
    longestUseHours('plain', true, DAYS),
    longestUseHours('flower-food', false, DAYS),
    longestUseHours('bulb-food', true, DAYS),
    longestUseHours('plain', false, { ...DAYS, plainDays: 1.5 }),
    // The stricter wins: lilies in plain water by their own limit where that is the shorter, and never longer.
    longestUseHours('plain', true, { ...DAYS, lilyDays: 1 }),
    longestUseHours('flower-food', true, { ...DAYS, lilyDays: 6 }),
    // What is no food is changed as plain water is.
    longestUseHours('soda', false, DAYS),
  ]).toEqual([48, 96, 72, 36, 24, 96, 48]);
});

test('the stricter of the two wins, and says which it was', () => {
  expect(pailWater(PAIL)).toMatchObject({ looks: 'clear', dueInHours: 66, because: 'house' });
  const unwashed = pailWater({ ...PAIL, start: 'reused', ageHours: 0 });
  expect(unwashed).toMatchObject({ looks: 'hazy', dueInHours: 0, because: 'count' });
});

test('a pail filled unsanitised begins at its own count: rinsed is not clean, and unwashed is hazy at once', () => {
  const at = (start: FilledPail['start']) => pailWater({ ...PAIL, start, ageHours: 0 }).count.p50;
  expect([at('clean'), at('rinsed'), at('reused')]).toEqual([3.3, 5, 6.5]);
});

test('a cloudy look brings the change to now, and the course bears it', () => {
  const seen = pailWater({ ...PAIL, events: [{ atHour: 29.7, kind: 'look', look: 'cloudy' }] });
  expect(seen.count.p50).toBeGreaterThan(pailWater(PAIL).count.p50 + 0.8);
  expect(seen.dueInHours).toBeLessThanOrEqual(pailWater(PAIL).dueInHours);
  expect(seen.course.find((c) => c.atHour === 30)?.p50).toBe(seen.count.p50);
});

test('a course goes from the fill to four days ahead, in few points, the present one among them', () => {
  const { course } = pailWater({ ...PAIL, ageHours: 77.6 });
  expect(course[0]?.atHour).toBe(0);
  expect(course.at(-1)?.atHour).toBeGreaterThan(77 + 88);
  expect(course.length).toBeLessThanOrEqual(26);
  expect(course.some((c) => c.atHour === 77)).toBe(true);
});

test('what one reading told of two things is one thing that was told: without it the water stands as poured', () => {
  const dose = { mean: 0.4, sd: 0.1 };
  const told = [
    { atHour: 20, kind: 'dose' as const, dose },
    { atHour: 20, kind: 'dose' as const, dose: { ...dose, sd: 0.2 } },
  ];
  const read = pailWater({ ...PAIL, events: told });
  expect(read.dose).toBeLessThan(0.8);
  expect(read.without?.dose).toBe(1);
  expect(pailWater(PAIL).without).toBeNull();
});

test('what is kept of a pail at one minute of an hour tells the same as working it out at any other', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 200 }),
      fc.double({ min: 0, max: 0.999, noNaN: true }),
      fc.double({ min: 0, max: 0.999, noNaN: true }),
      fc.constantFrom('clear', 'hazy', 'cloudy'),
      (hour, minute, later, look) => {
        const at = (ageHours: number): FilledPail => ({
          ...{ ...PAIL, ageHours, events: [{ atHour: hour / 2, kind: 'look', look }] },
        });
        const kept = waterThisHour(standingWater(at(hour + minute)));
        expect(pailWater(at(hour + later), kept)).toEqual(pailWater(at(hour + later)));
      },
    ),
    { numRuns: 40 },
  );
});
