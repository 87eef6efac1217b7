import { lotOf } from '../../../tests/support/bench-inputs';
import { checked } from '../door/check';
import { lotInputSchema } from '../door/schemas';
import { predictLot } from '../vase-life/predict-lot';
import { CONSTANTS } from './constants';
import { figuresWith, SHIPPED } from './figures';

const rose = lotOf('rose', 200, 'flower-food');

test('every constant has a value, a unit, a basis and says what it does', () => {
  for (const figure of Object.values(CONSTANTS)) {
    expect(Number.isFinite(figure.value)).toBe(true);
    expect(figure.unit).not.toBe('');
    expect(figure.says.length).toBeGreaterThan(8);
  }
});

test('a shop’s own figures stand in the place of ours, and nowhere else', () => {
  const own = figuresWith({
    constants: { thirstGain: 3 },
    species: { rose: { lifeDays20C: 14 } },
    solutions: { bleach: { harm: 0.1 } },
  });
  expect(own.constants).toEqual({ ...SHIPPED.constants, thirstGain: 3 });
  expect(own.speciesOf('rose').lifeDays20C).toBe(14);
  expect(own.speciesOf('tulip')).toBe(SHIPPED.speciesOf('tulip'));
  expect(own.solutions.bleach).toEqual({ ...SHIPPED.solutions.bleach, harm: 0.1 });
  expect(own.solutions.plain).toBe(SHIPPED.solutions.plain);
});

test('they bear on the forecast as they should, and what is none leaves it as it was', () => {
  const days = (overrides: NonNullable<typeof rose.overrides>) =>
    predictLot({ ...rose, overrides }).daysLeft.p50;
  const shipped = predictLot(rose).daysLeft.p50;
  expect(days({})).toBe(shipped);
  expect(days({ species: { rose: { lifeDays20C: 14 } } })).toBeGreaterThan(shipped + 2);
  expect(days({ species: { tulip: { lifeDays20C: 14 } } })).toBe(shipped);
  expect(days({ constants: { plugByBacteriaPerHour: 0.05 } })).toBeLessThanOrEqual(shipped);
  expect(days({ solutions: { 'flower-food': { harm: 0.5 } } })).toBeLessThan(shipped - 1);
});

test('a supplier’s factor moves the middle and its spread the width', () => {
  const lots = { ...rose, draws: 2000 };
  const plain = predictLot(lots).daysLeft;
  const poor = predictLot({ ...lots, supplierLife: { factor: 0.8, spread: 0.1 } }).daysLeft;
  const sure = predictLot({ ...lots, supplierLife: { factor: 1, spread: 0 } }).daysLeft;
  expect(poor.p50 / plain.p50).toBeGreaterThan(0.74);
  expect(poor.p50 / plain.p50).toBeLessThan(0.84);
  expect(sure.p90 - sure.p10).toBeLessThan(plain.p90 - plain.p10);
});

test.each([
  [{ constants: { thirstGain: 900 } }, 'overrides.constants.thirstGain'],
  [{ constants: { gravity: 9.8 } }, 'overrides.constants.gravity'],
  [{ species: { rosa: { q10: 2 } } }, 'overrides.species'],
  [{ species: { rose: { q10: 0 } } }, 'overrides.species.rose.q10'],
  [{ solutions: { wine: { sugar: 1 } } }, 'overrides.solutions'],
])('%j is refused by name', (overrides, field) => {
  expect(() => checked(lotInputSchema, { ...rose, overrides })).toThrow(field);
});
