import * as fc from 'fast-check';
import { SHIPPED_SPECIES } from '../species/registry';
import type { Species } from '../species/species';
import type { Stay } from '../vase-life/types';
import { HABITS, type Habit, type HabitKey, type HabitSetting, type Keeping } from './habits';

const table = (over: Partial<Stay> = {}): Stay => ({
  hours: null,
  tempC: 21,
  humidityPct: 60,
  ethylenePpm: 0,
  litHours: 14,
  wet: true,
  ...over,
});
const KEEPING: Keeping = {
  stays: [table()],
  water: { start: 'clean', solution: 'plain', changeEveryDays: null, recutAtChange: false, leafBelow: 0 },
  changes: [],
  careEvents: [],
  leafFactor: 1,
  pullsEnded: false,
};
const settingOf = (species: readonly Species[], over: Partial<HabitSetting> = {}): HabitSetting => ({
  species,
  food: 'flower-food',
  vessel: 'vase',
  countFromHour: 0,
  horizonHours: 960,
  ...over,
});
const of = (...keys: string[]): readonly Species[] => keys.map((k) => SHIPPED_SPECIES.byKey(k));
const habit = (key: HabitKey): Habit => {
  const found = HABITS.find((h) => h.key === key);
  if (!found) throw new Error(`no habit is called ${key}`);
  return found;
};

const keepings: fc.Arbitrary<Keeping> = fc.record({
  stays: fc
    .tuple(fc.boolean(), fc.integer({ min: 2, max: 30 }), fc.integer({ min: 20, max: 90 }))
    .chain(([dryFirst, tempC, humidityPct]) =>
      fc
        .constantFrom(0, 0.3)
        .map((ethylenePpm) => [
          ...(dryFirst ? [table({ hours: 5, wet: false })] : []),
          table({ tempC, humidityPct, ethylenePpm }),
        ]),
    ),
  water: fc.record({
    start: fc.constantFrom('clean' as const, 'rinsed' as const, 'reused' as const),
    solution: fc.constantFrom('plain' as const, 'flower-food' as const, 'copper' as const),
    changeEveryDays: fc.constantFrom(null, 2, 4),
    recutAtChange: fc.boolean(),
    leafBelow: fc.constant(0),
  }),
  changes: fc.constantFrom(
    [],
    [{ atHour: 48, type: 'change' as const, solution: 'plain' as const }],
    [{ atHour: 96, type: 'change' as const }],
  ),
  careEvents: fc.constantFrom([], [{ atHour: 30, type: 'cut' as const, cm: 2 }]),
  leafFactor: fc.constantFrom(0.4, 1),
  pullsEnded: fc.boolean(),
});
const settings = fc
  .tuple(
    fc.uniqueArray(fc.constantFrom(...SHIPPED_SPECIES.all), { minLength: 1, maxLength: 4 }),
    fc.constantFrom('vase' as const, 'foam' as const, 'lot' as const),
    fc.constantFrom(0, 24),
  )
  .map(([species, vessel, countFromHour]) => settingOf(species, { vessel, countFromHour }));

test('a keeping that takes a habit up has it, and one that drops it has it not', () => {
  fc.assert(
    fc.property(fc.constantFrom(...HABITS), keepings, settings, (h, keeping, setting) => {
      if (!h.applies(setting, keeping)) return;
      // Recutting needs a change to come with, or days of its own: asked of what is counted from.
      const withIt = h.add(keeping, setting);
      const without = h.drop(keeping, setting);
      expect([h.key, h.isObserved(withIt, setting)]).toEqual([h.key, true]);
      expect([h.key, h.isObserved(without, setting)]).toEqual([h.key, false]);
    }),
    { numRuns: 800 },
  );
});

test('taking a habit up twice is taking it up once, and so with dropping it', () => {
  fc.assert(
    fc.property(fc.constantFrom(...HABITS), keepings, settings, (h, keeping, setting) => {
      // Cuts are events of their own where no change brings them: once there they stay.
      if (!h.applies(setting, keeping) || h.key === 'recut' || h.key === 'change') return;
      const once = h.add(keeping, setting);
      expect(h.add(once, setting)).toEqual(once);
      const dropped = h.drop(keeping, setting);
      expect(h.drop(dropped, setting)).toEqual(dropped);
    }),
    { numRuns: 400 },
  );
});

test('no habit changes the keeping it is asked of', () => {
  fc.assert(
    fc.property(fc.constantFrom(...HABITS), keepings, settings, (h, keeping, setting) => {
      const before = JSON.stringify(keeping);
      h.add(keeping, setting);
      h.drop(keeping, setting);
      expect(JSON.stringify(keeping)).toBe(before);
    }),
    { numRuns: 200 },
  );
});

test('each is kept to its own: the room’s habits leave the water, the water’s leave the room', () => {
  const setting = settingOf(of('rose'));
  for (const key of ['cool-room', 'cold-nights', 'no-fruit', 'out-of-dry-air'] as const)
    expect([key, habit(key).drop(KEEPING, setting).water]).toEqual([key, KEEPING.water]);
  for (const key of ['clean-vessel', 'food', 'change', 'recut', 'top-up'] as const)
    expect([key, habit(key).add(KEEPING, setting).stays]).toEqual([key, KEEPING.stays]);
});

test('only the last stay, where the flowers are kept, is cooled or freed of fruit', () => {
  const journey: Keeping = {
    ...KEEPING,
    stays: [
      table({ hours: 9, tempC: 30, wet: false, ethylenePpm: 1 }),
      table({ tempC: 24, ethylenePpm: 0.3 }),
    ],
  };
  const setting = settingOf(of('rose'));
  expect(habit('cool-room').add(journey, setting).stays).toMatchObject([{ tempC: 30 }, { tempC: 18 }]);
  expect(habit('no-fruit').add(journey, setting).stays).toMatchObject([
    { ethylenePpm: 1 },
    { ethylenePpm: 0 },
  ]);
});

test('whom a habit is for: no cold nights for tropicals, no fruit for the indifferent, no recut in foam', () => {
  const applies = (key: HabitKey, species: readonly Species[], over?: Partial<HabitSetting>): boolean =>
    habit(key).applies(settingOf(species, over), KEEPING);
  expect(applies('cold-nights', of('rose'))).toBe(true);
  expect(applies('cold-nights', of('anthurium'))).toBe(false);
  // One tropical among them keeps all of them out of the cold.
  expect(applies('cold-nights', of('rose', 'bird-of-paradise'))).toBe(false);
  expect(applies('no-fruit', of('carnation'))).toBe(true);
  expect(applies('recut', of('rose'), { vessel: 'foam' })).toBe(false);
  expect(applies('change', of('rose'), { vessel: 'foam' })).toBe(false);
  expect(applies('change', of('rose'), { vessel: 'lot' })).toBe(true);
  expect(applies('top-up', of('rose'), { vessel: 'lot' })).toBe(false);
  expect(applies('food', of('rose'), { food: 'plain' })).toBe(false);
});

test('a fresh cut after dry hours is worth asking where there were dry hours before water', () => {
  const { applies } = habit('cut-on-return');
  const stays = (...wet: boolean[]): Keeping => ({ ...KEEPING, stays: wet.map((w) => table({ wet: w })) });
  const setting = settingOf(of('rose'));
  expect(applies(setting, stays(false, true))).toBe(true);
  expect(applies(setting, stays(true))).toBe(false);
  expect(applies(setting, stays(true, false))).toBe(false);
});

test('what went before days are counted is past changing: a cut then is no habit', () => {
  const cutBefore: Keeping = { ...KEEPING, careEvents: [{ atHour: 10, type: 'cut', cm: 2 }] };
  expect(habit('recut').isObserved(cutBefore, settingOf(of('rose'), { countFromHour: 24 }))).toBe(false);
  expect(habit('recut').isObserved(cutBefore, settingOf(of('rose'), { countFromHour: 0 }))).toBe(true);
  const dropped = habit('recut').drop(cutBefore, settingOf(of('rose'), { countFromHour: 24 }));
  expect(dropped.careEvents).toEqual(cutBefore.careEvents);
});
