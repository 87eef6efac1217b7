import { SPECIES, idealArrivalStage, speciesByKey } from '../species/species';
import { composeProtocol } from './compose';
import type { LotState } from './types';

const state = (key: string, over: Partial<LotState> = {}): LotState => {
  const species = speciesByKey(key);
  return {
    species,
    stage: idealArrivalStage(species),
    droop: 'firm',
    packing: 'dry box',
    hoursDry: 10,
    ...over,
  };
};
const kinds = (key: string, over?: Partial<LotState>): string[] =>
  composeProtocol(state(key, over)).map((s) => s.kind);

test('every species in every state has a protocol that ends in water and in a place, each step with its reason', () => {
  for (const species of SPECIES)
    for (const droop of ['firm', 'soft', 'hanging'] as const) {
      const steps = composeProtocol(state(species.key, { droop }));
      expect(steps[0]?.kind).toBe('unpack');
      expect(steps.at(-1)?.kind).toBe('move');
      expect(steps.filter((s) => s.kind === 'drink')).toHaveLength(1);
      expect(steps.every((s) => s.reason.length > 10 && s.doneWord.length > 0)).toBe(true);
    }
});

test.each([
  ['daffodil', ['sap-soak'], ['cut', 'hot-dip', 'strip']],
  ['hydrangea', ['cut', 'hot-dip', 'quick-dip', 'mist'], []],
  ['amaryllis', ['fill-stem', 'wrap'], ['strip']],
  ['bird-of-paradise', ['plunge', 'lift-florets'], ['strip']],
  ['gerbera', ['grid'], ['strip']],
  ['tulip', ['rinse', 'strip', 'wrap'], []],
  ['lily-oriental', ['de-pollen'], []],
  ['tweedia', ['cut', 'sap-dab', 'sap-soak'], []],
  ['mimosa', ['wrap'], ['mist']],
  ['rose', ['thorns'], ['mist']],
])('%s asks for %j and never for %j', (key, wanted, never) => {
  const steps = kinds(key);
  for (const kind of wanted) expect(steps).toContain(kind);
  for (const kind of never) expect(steps).not.toContain(kind);
});

test('a calla loses a sliver, a peony is cut under water, wood is split', () => {
  const cut = (key: string): string => composeProtocol(state(key)).find((s) => s.kind === 'cut')?.title ?? '';
  expect(cut('calla')).toContain('sliver');
  expect(cut('peony')).toContain('under water');
  expect(cut('lilac')).toContain('up the middle');
});

test('mucilage and latex soak before they drink, and alone', () => {
  for (const key of ['daffodil', 'hyacinth', 'tweedia', 'euphorbia']) {
    const steps = composeProtocol(state(key));
    const soak = steps.findIndex((s) => s.kind === 'sap-soak');
    expect(soak).toBeGreaterThan(0);
    expect(soak).toBeLessThan(steps.findIndex((s) => s.kind === 'drink'));
    expect(steps[soak]?.pail?.alone).toBe(true);
  }
});

test('a hanging rose is cut under water, warmed, and drinks alone for the night', () => {
  const steps = composeProtocol(state('rose', { droop: 'hanging' }));
  expect(steps.find((s) => s.kind === 'hot-dip')).toMatchObject({ because: 'state' });
  expect(steps.find((s) => s.kind === 'hot-dip')?.caution).toContain('never glass');
  expect(steps.find((s) => s.kind === 'drink')).toMatchObject({
    waitSeconds: 12 * 3600,
    pail: { alone: true, depth: 'deep' },
  });
});

test('tropicals never go to the cold room', () => {
  for (const species of SPECIES.filter((s) => (s.chillBelowC ?? 0) > 4))
    expect(composeProtocol(state(species.key)).at(-1)?.title).not.toContain('cold');
});
