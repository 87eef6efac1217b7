import { changeWater, freshWater, hoursUntilDue, waterAnHourLater } from './vessel-water';

test('a clean pail at 20 °C is due after about four days in plain water and a week with food', () => {
  const plain = hoursUntilDue(freshWater('clean', 'plain'), 20, 0) ?? 0;
  const fed = hoursUntilDue(freshWater('clean', 'flower-food'), 20, 0) ?? 0;
  expect(plain / 24).toBeGreaterThan(3.3);
  expect(plain / 24).toBeLessThan(5);
  expect(fed / 24).toBeGreaterThan(6);
  expect(fed / 24).toBeLessThan(10);
});

test('leaf under the water and a pail only rinsed bring it sooner; the cold holds it off', () => {
  const clean = hoursUntilDue(freshWater('clean', 'plain'), 20, 0) ?? 0;
  expect(hoursUntilDue(freshWater('clean', 'plain'), 20, 1)).toBeLessThan(0.6 * clean);
  expect(hoursUntilDue(freshWater('rinsed', 'plain'), 20, 0)).toBeLessThan(0.6 * clean);
  expect(hoursUntilDue(freshWater('clean', 'plain'), 2, 0) ?? 9999).toBeGreaterThan(4 * clean);
});

test('a change takes one and a half log away, never below a clean vessel, and brings fresh food', () => {
  expect(
    changeWater(
      { bacteriaLog10: 7, biocide: 0, solution: 'plain', dose: 1, freeChlorinePpm: 0 },
      'flower-food',
    ),
  ).toMatchObject({ bacteriaLog10: 5.5, biocide: 1 });
  expect(changeWater(freshWater('clean', 'plain'), 'plain').bacteriaLog10).toBe(3.3);
});

test('food fades by half in ten days at 20 °C, chlorine within the hour', () => {
  let water = freshWater('clean', 'flower-food', 2);
  for (let h = 0; h < 240; h++) water = waterAnHourLater(water, 20, 0);
  expect(water.biocide).toBeCloseTo(0.5, 6);
  expect(waterAnHourLater(freshWater('clean', 'plain', 2), 20, 0).freeChlorinePpm).toBe(0.5);
});
