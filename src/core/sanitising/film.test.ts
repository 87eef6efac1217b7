import { filmSum } from './film';

test('the handbook’s sum: 15 mL of 200 ppm in 5 L is 0.6 ppm and may stay; in 2 L it may not', () => {
  expect(filmSum(5)).toMatchObject({ ppm: 0.6, isUnderLimit: true });
  expect(filmSum(2)).toMatchObject({ ppm: 1.5, isUnderLimit: false });
  expect(filmSum(5, 20, 1000).ppm).toBeCloseTo(4);
});
