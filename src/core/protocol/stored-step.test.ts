import { soundLot } from '../../../tests/support/lot-state';
import { SHIPPED_SPECIES } from '../species/registry';
import { SPECIES } from '../species/species';
import { composeProtocol } from './compose';
import { readStoredStep, StoredStepError } from './stored-step';
import { DEFAULT_WAYS, PURPOSES } from './ways';

const stored = (of: unknown): unknown => JSON.parse(JSON.stringify(of));

test.each(['firm', 'soft', 'hanging'] as const)(
  'every step of every species that came %s is read back as it was laid down',
  (droop) => {
    for (const species of SPECIES)
      for (const purpose of PURPOSES) {
        const plan = composeProtocol(soundLot(species, { droop }), { ...DEFAULT_WAYS, purpose });
        expect(plan.length).toBeGreaterThan(0);
        expect(stored(plan.map((step) => readStoredStep(stored(step))))).toEqual(stored(plan));
      }
  },
);

test('a step that tells less, or a figure that its kind does not take, is refused by its field', () => {
  const [step] = composeProtocol(soundLot(SHIPPED_SPECIES.byKey('rose')), DEFAULT_WAYS);
  const whole = stored(step) as Record<string, unknown>;
  for (const field of Object.keys(whole)) {
    const less = Object.fromEntries(Object.entries(whole).filter(([name]) => name !== field));
    expect(() => readStoredStep(less)).toThrow(StoredStepError);
    expect(() => readStoredStep(less)).toThrow(field);
  }
  expect(() => readStoredStep({ ...whole, params: { kind: 'unknown' } })).toThrow('params');
  expect(() => readStoredStep({ ...whole, waitSeconds: '60' })).toThrow('waitSeconds');
  for (const none of [null, 7, 'cut', []]) expect(() => readStoredStep(none)).toThrow(StoredStepError);
});
