import fc from 'fast-check';
import { waterLosses, type StemsAsStood } from './water-losses';
import { WATER_CAUSES, type LostInWater } from './water-worth';

const NOW = Date.parse('2026-11-24T06:50:00Z');
const DAY = 86_400_000;
const kept = (
  daysAgo: number,
  lost: readonly LostInWater[],
  over: Partial<StemsAsStood> = {},
): StemsAsStood => ({
  lotNumber: 1,
  lotId: 'one',
  product: 'Rose',
  stems: 40,
  unitPrice: 0.5,
  lifeDays: 10,
  arrivedAt: NOW - daysAgo * DAY,
  worth: {
    asKeptDays: 8,
    asShouldDays: 9,
    lost,
    gains: { 'a change every day': 0.25, 'food in every pail': 0, 'every pail scrubbed': 0.5 },
  },
  pailOf: { a: '7', b: '9' },
  filledBy: { a: 'Wen', b: 'Tove' },
  ...over,
});
const lost = (water: string, days: number, fromHour = 0): LostInWater => ({
  water,
  cause: 'pail not sanitised',
  days,
  fromHour,
});

test('half a day of forty stems at 0.50 for ten days is twenty stem-days and one coin, in its week and pail', () => {
  const losses = waterLosses([kept(10, [lost('a', 0.5, 48)])], NOW, 8);
  expect(losses.total).toEqual({ stemDays: 20, money: 1 });
  // Ten days ago and two on: in the week before the last.
  expect(losses.byWeek.map((w) => w.stemDays)).toEqual([0, 0, 0, 0, 0, 0, 20, 0]);
  expect(losses.byWeek[6]).toMatchObject({ of: NOW - 14 * DAY, byCause: { 'pail not sanitised': 20 } });
  expect(losses.byPail).toEqual([{ of: '7', stemDays: 20, money: 1 }]);
  expect(losses.gains[0]).toEqual({ of: 'every pail scrubbed', stemDays: 20, money: 1 });
});

test('no price is no money and is said; a pack’s own water is no pail’s; older faults are in no week', () => {
  const losses = waterLosses(
    [
      kept(3, [lost('pack', 1)], { unitPrice: null }),
      kept(70, [lost('a', 1)]),
      kept(70, [lost('b', 0.1, 69 * 24)]),
    ],
    NOW,
    8,
  );
  expect(losses.total).toEqual({ stemDays: 44, money: expect.closeTo(0.2, 9) as number });
  expect(losses.somePriceless).toBe(true);
  expect(losses.byPail.map((p) => p.of)).toEqual(['9']);
});

test('what was filled unsanitised is whoever filled it’s; water that stood too long is nobody’s alone', () => {
  const late: LostInWater = { ...lost('b', 1), cause: 'water stood too long' };
  const losses = waterLosses([kept(10, [lost('a', 0.5), lost('pack', 1), late])], NOW, 8);
  expect(losses.byPerson).toEqual([{ of: 'Wen', stemDays: 20, money: 1 }]);
  expect(waterLosses([kept(10, [lost('a', 0.5)], { filledBy: {} })], NOW, 8).byPerson).toEqual([]);
});

test('weeks, causes and lots each add up to the whole; pails to no more', () => {
  const lostArb = fc.record({
    water: fc.constantFrom('a', 'b', 'pack'),
    cause: fc.constantFrom(...WATER_CAUSES),
    days: fc.double({ min: 0.01, max: 3, noNaN: true }),
    fromHour: fc.integer({ min: 0, max: 200 }),
  });
  const all = fc.array(fc.tuple(fc.integer({ min: 0, max: 80 }), fc.array(lostArb, { maxLength: 4 })), {
    maxLength: 12,
  });
  fc.assert(
    fc.property(all, (lots) => {
      const losses = waterLosses(
        lots.map(([ago, of], i) => kept(ago, of, { lotNumber: i, lotId: `${i}` })),
        NOW,
        8,
      );
      const sum = (of: readonly { readonly stemDays: number }[]) => of.reduce((s, l) => s + l.stemDays, 0);
      expect(sum(losses.byWeek)).toBeCloseTo(losses.total.stemDays, 6);
      expect(sum(losses.byCause)).toBeCloseTo(losses.total.stemDays, 6);
      expect(sum(losses.byLot)).toBeCloseTo(losses.total.stemDays, 6);
      expect(sum(losses.byPail)).toBeLessThanOrEqual(losses.total.stemDays + 1e-6);
    }),
  );
});
