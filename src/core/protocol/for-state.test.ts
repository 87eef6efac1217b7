import { SHIPPED_SPECIES } from '../species/registry';
import { FLAW_KINDS, type FlawKind } from '../dock/flaws';
import { SPECIES, idealArrivalStage } from '../species/species';
import { composeProtocol } from './compose';
import type { ProtocolStep } from './types';
import { inEnglish } from '../words/say';

const plan = (key: string, flaws: readonly FlawKind[] = []): ProtocolStep[] => {
  const species = SHIPPED_SPECIES.byKey(key);
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
    .map((s) => `${inEnglish(s.title)} ${inEnglish(s.reason)}`)
    .join('\n');

test.each<[FlawKind, string, RegExp]>([
  ['soil', 'rose', /Rinse soil/],
  ['nectar', 'eucalyptus', /Float the heads/],
  ['grey-mould', 'rose', /Bin what is soft/],
  ['broken', 'rose', /Shorten at the break/],
  ['brown-buds', 'lily-oriental', /Pinch off brown buds/],
  ['yellow-leaves', 'alstroemeria', /every yellow leaf/],
  ['cut-dry', 'rose', /, under water/],
  ['chilled', 'anthurium', /look again tomorrow/],
  ['blown', 'tulip', /today’s flower/],
  ['too-tight', 'rose', /bring it on/],
  ['bruised-outer', 'carnation', /guard petals on/],
])('%s in %s changes what is done', (flaw, key, expected) => {
  expect(titles(key, [])).not.toMatch(expected);
  expect(titles(key, [flaw])).toMatch(expected);
  expect(plan(key, [flaw]).some((s) => s.because === 'state')).toBe(true);
});

test('what does not open after cutting is not set to open', () => {
  const tight = titles('chrysanthemum-spray', ['too-tight']);
  expect(tight).not.toMatch(/bring it on|warm bright/);
  expect(tight).toMatch(/does not go on opening once it is cut/);
});

test('mould is kept apart and dry: its own pail, and no misting', () => {
  const mouldy = plan('hydrangea', ['grey-mould']);
  expect(mouldy.some((s) => s.kind === 'mist')).toBe(false);
  expect(mouldy.find((s) => s.kind === 'drink')?.pail?.alone).toBe(true);
});

test('whatever was found, every kind still drinks, is looked back at, and is put in its place before its water is next due', () => {
  for (const species of SPECIES) {
    const steps = plan(species.key, FLAW_KINDS);
    expect(steps.filter((s) => s.kind === 'drink')).toHaveLength(1);
    expect(steps.some((s) => s.kind === 'look-back')).toBe(true);
    expect(steps.slice(-2).map((s) => s.kind)).toEqual(['move', 'recut']);
  }
});
