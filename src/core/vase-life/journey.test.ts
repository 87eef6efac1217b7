import { SHIPPED_SPECIES } from '../species/registry';
import { firstGuess } from '../dock/first-guess';
import { ROUTES, isWetPacked, journeyStays, stepJourney } from './journey';
import { airHalfLifeH } from './line-hours';

test('a journey fills exactly the hours since the cut, leg by leg', () => {
  for (const route of ROUTES)
    for (const hours of [3, 12, 30, 140])
      expect(journeyStays(route, hours, false).reduce((n, s) => n + (s.hours ?? 0), 0)).toBe(hours);
  expect(journeyStays('highland farms by air', 40, false).map((s) => [s.hours, s.tempC])).toEqual([
    [12, 4],
    [6, 16],
    [10, 6],
    [12, 4],
  ]);
});

test('the warm apron ages a rose more than as many hours in the cold, and dry hours leave air behind', () => {
  const rose = SHIPPED_SPECIES.byKey('rose');
  const air = stepJourney(rose, journeyStays('highland farms by air', 72, false));
  const road = stepJourney(rose, journeyStays('glasshouse by road', 72, false));
  expect(air.agedDays).toBeGreaterThan(road.agedDays);
  expect(air.airShare).toBeGreaterThan(0);
  const wet = stepJourney(rose, journeyStays('highland farms by air', 72, true));
  expect(wet.airShare).toBe(0);
  expect(wet.waterContent).toBeGreaterThan(air.waterContent);
});

test('a lot of six days by air is guessed limp, its plan to match', () => {
  const guess = firstGuess({
    species: SHIPPED_SPECIES.byKey('rose'),
    origin: 'highland farms by air',
    packing: 'dry box',
    hoursSinceCut: 140,
  });
  expect(guess.droop).toBe('soft');
  expect(guess.plan.find((s) => s.kind === 'drink')?.because).toBe('state');
});

test('wet packs and caps stand in water, boxes and crates do not', () => {
  expect(['wet pack', 'capped', 'dry box', 'dry crate', 'sleeve'].map(isWetPacked)).toEqual([
    true,
    true,
    false,
    false,
    false,
  ]);
});

test('air clears faster in warmer water, straight between the figures', () => {
  expect([0, 5, 12.5, 20, 30, 40, 60].map((t) => airHalfLifeH(t))).toEqual([10, 10, 8, 6, 3.75, 1.5, 1.5]);
});
