import { FLAW_KINDS, type FlawKind } from '../dock/flaws';
import { SPECIES, idealArrivalStage, speciesByKey } from '../species/species';
import { composeProtocol } from './compose';
import type { ProtocolStep } from './types';

const plan = (key: string, flaws: readonly FlawKind[] = []): ProtocolStep[] => {
  const species = speciesByKey(key);
  return composeProtocol({
    species,
    stage: idealArrivalStage(species),
    droop: 'firm',
    packing: 'dry box',
    hoursDry: 4,
    flaws,
  });
};
const titles = (key: string, flaws: readonly FlawKind[]): string =>
  plan(key, flaws)
    .map((s) => s.title)
    .join('\n');

test.each<[FlawKind, string, RegExp]>([
  ['soil', 'rose', /Rinse soil/],
  ['nectar', 'eucalyptus', /Float the heads/],
  ['grey-mould', 'rose', /Bin what is soft/],
  ['broken', 'rose', /Shorten at the break/],
  ['brown-buds', 'lily-oriental', /Pinch off brown buds/],
  ['yellow-leaves', 'alstroemeria', /every yellow leaf/],
  ['cut-dry', 'rose', /under water/],
  ['chilled', 'anthurium', /look again tomorrow/],
  ['blown', 'tulip', /sell today/],
  ['too-tight', 'chrysanthemum-spray', /to open/],
  ['bruised-outer', 'rose', /guard petals on/],
])('%s in %s changes what is done', (flaw, key, expected) => {
  expect(titles(key, [])).not.toMatch(expected);
  expect(titles(key, [flaw])).toMatch(expected);
  expect(plan(key, [flaw]).some((s) => s.because === 'state')).toBe(true);
});

test('mould is kept apart and dry: its own pail, and no misting', () => {
  const mouldy = plan('hydrangea', ['grey-mould']);
  expect(mouldy.some((s) => s.kind === 'mist')).toBe(false);
  expect(mouldy.find((s) => s.kind === 'drink')?.pail?.alone).toBe(true);
});

test('whatever was found, every kind still drinks, is looked back at, and is put in its place last', () => {
  for (const species of SPECIES) {
    const steps = plan(species.key, FLAW_KINDS);
    expect(steps.filter((s) => s.kind === 'drink')).toHaveLength(1);
    expect(steps.some((s) => s.kind === 'look-back')).toBe(true);
    expect(steps.at(-1)?.kind).toBe('move');
  }
});
