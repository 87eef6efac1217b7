import { SOLUTION_KEYS, SOLUTIONS } from '../water/solutions';
import { whyNotFilled, whyNotWithChlorine } from './dangerous-pairs';

test('chlorine meets no acid on the walls, no vinegar, no ammonia and no hot water; cold tap water and plain walls it may', () => {
  for (const onWalls of SOLUTION_KEYS)
    expect([onWalls, whyNotWithChlorine({ onWalls }) !== null]).toEqual([
      onWalls,
      SOLUTIONS[onWalls].acid > 0,
    ]);
  for (const product of [
    'Household ammonia',
    'white vinegar',
    'Vinagre de vino',
    'descaler',
    'citric rinse',
    'Peracetic acid',
  ])
    expect([product, whyNotWithChlorine({ product })?.message]).toEqual([product, 'danger.chlorine-product']);
  for (const product of [
    'thick household bleach',
    'Lee Shore chlorine tablets',
    'lejía',
    'Hypochlorous acid',
  ])
    expect([product, whyNotWithChlorine({ product })]).toEqual([product, null]);
  expect(whyNotWithChlorine({ tempC: 40 })?.message).toBe('danger.chlorine-hot');
  expect(whyNotWithChlorine({ tempC: 12, onWalls: 'plain', product: 'bleach' })).toBeNull();
  expect(whyNotWithChlorine({})).toBeNull();
});

test('what is filled without chlorine meets whatever it likes', () => {
  expect(whyNotFilled('flower-food', { tempC: 40, onWalls: 'soda' })).toBeNull();
  expect(whyNotFilled('bleach', { tempC: 12, onWalls: 'flower-food' })?.message).toBe('danger.chlorine-acid');
});
