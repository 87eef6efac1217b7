import { SHIPPED_SPECIES } from '../species/registry';
import { SPECIES } from '../species/species';
import { afterLook, recutSteps } from './aftercare';
import { composeProtocol } from './compose';
import { isSealed, outOfOrder, type StepState } from './in-order';
import { DEFAULT_WAYS } from './ways';
import { inEnglish } from '../words/say';

const steps = (key: string, done: readonly string[] = []): StepState[] =>
  composeProtocol({
    species: SHIPPED_SPECIES.byKey(key),
    stage: 0.2,
    droop: 'firm',
    packing: '',
    hoursDry: 0,
  }).map((s) => ({
    ...s,
    status: done.includes(s.kind) ? 'done' : 'waiting',
  }));
const at = (list: readonly StepState[], kind: string): number => list.findIndex((s) => s.kind === kind);
const kinds = (outcome: 'upright' | 'recovering' | 'hanging', round: number, key: string): string[] =>
  afterLook(outcome, round, SHIPPED_SPECIES.byKey(key), DEFAULT_WAYS).steps.map((s) => s.kind);

test('a look goes on, comes again, rescues, waits for the morning, and gives up', () => {
  expect(kinds('upright', 0, 'rose')).toEqual([]);
  expect(kinds('recovering', 0, 'rose')).toEqual(['look-back']);
  expect(kinds('hanging', 0, 'rose')).toEqual(['hot-dip', 'cut', 'drink', 'look-back']);
  expect(kinds('hanging', 0, 'lisianthus')).toEqual(['cut', 'hot-dip', 'drink', 'look-back']);
  expect(kinds('hanging', 0, 'hydrangea')).toEqual(['plunge', 'cut', 'drink', 'look-back']);
  const morning = afterLook('hanging', 1, SHIPPED_SPECIES.byKey('rose'), DEFAULT_WAYS).steps[0];
  expect(morning).toMatchObject({ kind: 'look-back', waitSeconds: 12 * 3600, params: { round: 2 } });
  expect(kinds('hanging', 2, 'rose')).toEqual(['discard']);
  expect(kinds('hanging', 0, 'gerbera')).toEqual(['discard']);
});

test('every rescue stands alone, is bounded by what the shop has, and never leaves sap to run among others', () => {
  for (const species of SPECIES) {
    const { steps: way } = afterLook('hanging', 0, species, { ...DEFAULT_WAYS, has: [] });
    expect(way.some((s) => s.kind === 'hot-dip')).toBe(false);
    for (const s of way) if (s.pail) expect(s.pail.alone).toBe(true);
    if (species.sap !== 'none' && way.some((s) => s.kind === 'cut'))
      expect(way.findIndex((s) => s.kind === 'sap-soak')).toBeGreaterThan(
        way.findIndex((s) => s.kind === 'cut'),
      );
  }
});

test('sap is shut in once it has soaked or was dabbed, until it is cut again', () => {
  const tweedia = SHIPPED_SPECIES.byKey('tweedia');
  expect(isSealed(SHIPPED_SPECIES.byKey('rose'), [])).toBe(true);
  expect(isSealed(tweedia, steps('tweedia', ['cut']))).toBe(false);
  expect(isSealed(tweedia, steps('tweedia', ['cut', 'sap-dab']))).toBe(true);
  const daffodil = steps('daffodil', ['sap-soak']);
  expect(isSealed(SHIPPED_SPECIES.byKey('daffodil'), daffodil)).toBe(true);
  const cut = { ...(steps('rose', ['cut']).find((s) => s.kind === 'cut') as StepState) };
  expect(isSealed(SHIPPED_SPECIES.byKey('daffodil'), [...daffodil, cut])).toBe(false);
  expect(recutSteps(SHIPPED_SPECIES.byKey('daffodil'), 2).map((s) => s.kind)).toEqual(['cut', 'sap-soak']);
  expect(recutSteps(SHIPPED_SPECIES.byKey('rose'), 2)).toMatchObject([{ kind: 'cut', params: { cm: 2 } }]);
});

test('out of turn is told where it matters, and sap is not let run among others', () => {
  const rose = steps('rose', ['unpack']);
  expect(outOfOrder(SHIPPED_SPECIES.byKey('rose'), rose, at(rose, 'strip'))).toBeNull();
  expect(outOfOrder(SHIPPED_SPECIES.byKey('rose'), rose, at(rose, 'drink'))).toMatchObject({ level: 'warn' });
  const daffodil = steps('daffodil', ['unpack']);
  expect(outOfOrder(SHIPPED_SPECIES.byKey('daffodil'), daffodil, at(daffodil, 'drink'))).toMatchObject({
    level: 'stop',
  });
  const soaked: StepState[] = [
    ...steps('daffodil', ['unpack', 'sap-soak']),
    ...steps('rose').filter((s) => s.kind === 'cut'),
  ];
  expect(
    inEnglish(outOfOrder(SHIPPED_SPECIES.byKey('daffodil'), soaked, soaked.length - 1)?.says ?? ''),
  ).toContain('opens the wound');
});
