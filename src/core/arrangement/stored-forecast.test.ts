import * as fc from 'fast-check';
import { arrangementOf } from '../../../tests/support/bench-inputs';
import { arrangementInput } from '../../../tests/support/lot-inputs';
import { whatADayCosts } from '../habits/what-a-day-costs';
import { predictArrangement } from './predict-arrangement';
import { readStoredForecast, readStoredWorth } from './stored-forecast';

/** As it comes back from where it was kept. */
const stored = (of: unknown): unknown => JSON.parse(JSON.stringify(of));

test('whatever is forecast is read back as it was', () => {
  fc.assert(
    fc.property(arrangementInput, (input) => {
      const forecast = predictArrangement(input);
      expect(readStoredForecast(stored(forecast))).toEqual(stored(forecast));
    }),
    { numRuns: 40 },
  );
});

test('with what habits were worth kept beside it, both are read', () => {
  const input = arrangementOf(20, 'mixed');
  const forecast = predictArrangement(input);
  const { habits, interaction } = whatADayCosts(input);
  const kept = stored({ ...forecast, habits, more: interaction });
  expect(readStoredForecast(kept)).toEqual(stored(forecast));
  const worth = readStoredWorth(kept);
  expect(worth.habits?.map((h) => h.medianGainDays)).toEqual(habits.map((h) => h.medianGainDays));
  expect(worth.more?.bothDays).toBe(interaction?.bothDays);
});

test('one of an older version, which told less, is no forecast of today’s', () => {
  const whole = stored(predictArrangement(arrangementOf(10))) as Record<string, unknown>;
  for (const field of Object.keys(whole)) {
    const less = Object.fromEntries(Object.entries(whole).filter(([name]) => name !== field));
    expect([field, readStoredForecast(less)]).toEqual([field, null]);
  }
});

test('what is none at all is read as none, and its worth as unknown', () => {
  for (const odd of [null, undefined, 3, 'forecast', [], {}, { lines: 'none' }]) {
    expect(readStoredForecast(odd)).toBeNull();
    expect(readStoredWorth(odd).habits).toBeUndefined();
    expect(readStoredWorth(odd).more ?? null).toBeNull();
  }
  expect(readStoredWorth({ habits: [{ habit: 'no such habit', medianGainDays: 1 }] }).habits).toBeUndefined();
});
