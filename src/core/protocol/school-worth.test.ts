import { SHIPPED_SPECIES } from '../species/registry';
import { SPECIES } from '../species/species';
import { QUESTIONS } from './questions';
import { schoolWorth } from './school-worth';

const worth = (species: string, key: Parameters<typeof schoolWorth>[1], school: string): number =>
  schoolWorth(SHIPPED_SPECIES.byKey(species), key)?.find((w) => w.school === school)?.days ?? NaN;

test('food beats plain water, cold nights beat a warm room, and what the model does not know it does not say', () => {
  expect(worth('carnation', 'remedy', 'flower-food')).toBe(0);
  expect(worth('carnation', 'remedy', 'plain')).toBeLessThan(-1);
  expect(worth('carnation', 'remedy', 'sugar-vinegar')).toBeLessThan(-1);
  expect(worth('rose', 'cold-nights', 'never-fridge')).toBeLessThan(-0.5);
  expect(schoolWorth(SHIPPED_SPECIES.byKey('rose'), 'thorns')).toBeNull();
  expect(schoolWorth(SHIPPED_SPECIES.byKey('rose'), 'tool')).toBeNull();
});

test('every default is worth nothing against itself, and a tropical gains nothing from a night it must not have', () => {
  for (const species of SPECIES.filter((_, i) => i % 11 === 0))
    for (const { key, schools } of QUESTIONS)
      expect(schoolWorth(species, key)?.find((w) => w.school === schools[0].key)?.days ?? 0).toBe(0);
  expect(worth('anthurium', 'cold-nights', 'fridge')).toBe(0);
});
