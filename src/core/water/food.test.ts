import * as fc from 'fast-check';
import { amountTold, fillsTo, foodDose, type FoodProduct, type Foods } from './food';
import { SOLUTION_KEYS, SOLUTIONS } from './solutions';

const LOOSE: FoodProduct = {
  name: 'Quayside food',
  aLitre: 10,
  unit: 'mL',
  sachetL: null,
  cup: { name: 'scoop', ml: 20 },
};
const SACHETS: FoodProduct = { name: 'Bulb sachets', aLitre: 5, unit: 'g', sachetL: 2, cup: null };
const FOODS: Foods = { 'flower-food': LOOSE, 'bulb-food': SACHETS };

test('a dose by the litre, in the shop’s own scoop to a quarter', () => {
  expect(foodDose('flower-food', 4, FOODS)).toEqual({
    product: 'Quayside food',
    amount: 40,
    unit: 'mL',
    inMeasure: '2 × scoop',
    sachets: null,
  });
  expect(foodDose('flower-food', 3.5, FOODS)?.inMeasure).toBe('1¾ × scoop');
});

test('a half dose is half of the same product', () => {
  expect(foodDose('flower-food-half', 4, FOODS)).toMatchObject({ amount: 20, inMeasure: '1 × scoop' });
});

test.each([
  // Litres, sachets of two litres each, and what to fill to where that is another.
  [2, 1, null],
  [4, 2, null],
  [4.2, 2, null],
  [3, 2, 4],
  [1, 1, 2],
  [0.5, 1, 2],
  [5, 3, 6],
  [6.9, 3, 6],
])('%d L take %d sachets, filled to %j', (litres, n, to) => {
  const dose = foodDose('bulb-food', litres, FOODS);
  expect(dose?.sachets?.n).toBe(n);
  expect(dose && fillsTo(dose, litres)).toBe(to);
});

test('half a dose from sachets: one of them for twice its litres, never a part of one', () => {
  const half = foodDose('flower-food-half', 4, { 'flower-food': { ...SACHETS } });
  expect(half).toMatchObject({ amount: 10, sachets: { n: 1, fillsL: 4 } });
});

test('what is no food, or what the shop has said nothing of, has no dose', () => {
  for (const key of SOLUTION_KEYS)
    if (!SOLUTIONS[key].isFood) expect([key, foodDose(key, 4, FOODS)]).toEqual([key, null]);
  expect(foodDose('holding', 4, FOODS)).toBeNull();
  expect(foodDose('flower-food', 0, FOODS)).toBeNull();
  expect(foodDose('flower-food', NaN, FOODS)).toBeNull();
});

test('more water never takes less, twice the water twice as much, and sachets always come to whole litres of theirs', () => {
  const litres = fc.double({ min: 0.2, max: 100, noNaN: true });
  fc.assert(
    fc.property(litres, litres, fc.double({ min: 0.5, max: 10, noNaN: true }), (a, b, sachetL) => {
      const foods: Foods = { 'flower-food': { ...LOOSE, sachetL } };
      const [one, other] = [foodDose('flower-food', a, foods), foodDose('flower-food', b, foods)];
      if (!one || !other) throw new Error('it is food');
      // Litres a rounding apart may take the same.
      expect(Math.sign(one.amount - other.amount) * Math.sign(a - b)).not.toBe(-1);
      expect(foodDose('flower-food', 2 * a, foods)?.amount).toBeCloseTo(2 * one.amount, 6);
      expect(one.sachets?.fillsL).toBeCloseTo((one.sachets?.n ?? 0) * sachetL, 9);
      // No other whole number of sachets comes nearer.
      const off = Math.abs((one.sachets?.fillsL ?? 0) - a);
      for (const n of [1, (one.sachets?.n ?? 1) + 1, (one.sachets?.n ?? 1) - 1].filter((x) => x >= 1))
        expect(off).toBeLessThanOrEqual(Math.abs(n * sachetL - a) + 1e-9);
      expect(one.amount / a).toBeCloseTo(other.amount / b, 6);
    }),
  );
});

test('an amount is told as it is poured', () => {
  expect([0.4, 3.3, 9.8, 10.2, 47.6].map(amountTold)).toEqual([0.5, 3.5, 10, 10, 48]);
});
