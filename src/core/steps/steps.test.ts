import fc from 'fast-check';
import * as v from 'valibot';
import { SPECIES } from '../species/species';
import { resourcesOf, saidOf, someParamsSchema, STEP_KINDS, stepOf, stepParamsSchema } from './steps';
import { inEnglish } from '../words/say';

/** Parameters of a kind as its own schema has them: numbers within bounds, each word it knows. */
function someOf(schema: v.GenericSchema): fc.Arbitrary<unknown> {
  const { type, options, pipe } = schema as {
    type: string;
    options?: readonly string[];
    pipe?: readonly { type: string; requirement?: number }[];
  };
  const bound = (kind: string): number => pipe?.find((p) => p.type === kind)?.requirement ?? 0;
  if (options) return fc.constantFrom(...options);
  if (type === 'boolean') return fc.boolean();
  if (type === 'array') return fc.constant([]);
  if (pipe?.some((p) => p.type === 'integer'))
    return fc.integer({ min: bound('min_value'), max: bound('max_value') });
  return fc.double({ min: bound('min_value') || 0, max: bound('max_value') || 3, noNaN: true });
}

test('every kind follows kinds that there are, and measures what it has', () => {
  for (const kind of STEP_KINDS) {
    const { follows, measured, params, hands } = stepOf(kind);
    for (const before of follows) expect(STEP_KINDS).toContain(before.kind);
    for (const measure of measured) expect(Object.keys(params)).toContain(measure);
    expect('aStemS' in hands ? hands.aStemS : hands.aBatchS / hands.batch).toBeGreaterThanOrEqual(0);
  }
});

test('whatever its parameters, a kind is said, and its schema takes it and nothing else', () => {
  for (const kind of STEP_KINDS) {
    const arb = fc.record(
      Object.fromEntries(Object.entries(stepOf(kind).params).map(([key, of]) => [key, someOf(of)])),
    );
    fc.assert(
      fc.property(arb, fc.constantFrom(...SPECIES), fc.integer({ min: 0, max: 20 }), (of, species, depth) => {
        const params = v.parse(stepParamsSchema, { kind, ...of });
        const said = saidOf(params, species, depth);
        expect(inEnglish(said.title).length).toBeGreaterThan(3);
        expect(inEnglish(said.doneWord).length).toBeGreaterThan(1);
        expect(said.waitSeconds ?? 0).toBeGreaterThanOrEqual(0);
        for (const resource of resourcesOf(params)) expect(['sink', 'kettle']).toContain(resource);
        expect(v.safeParse(stepParamsSchema, { ...params, more: 1 }).success).toBe(false);
        expect(v.safeParse(someParamsSchema(kind), of).success).toBe(true);
      }),
      { numRuns: 20 },
    );
  }
});

test('hot water beyond the tap wants the kettle, cuts under water the sink', () => {
  const dip = { kind: 'hot-dip', seconds: 30, depthCm: 3, untilCool: false } as const;
  expect(resourcesOf({ ...dip, tempC: 80 })).toEqual(['kettle']);
  expect(resourcesOf({ ...dip, tempC: 50 })).toEqual([]);
  const cut = { kind: 'cut', cm: 2, tool: 'snips', angleDeg: 45, split: false, sliver: false } as const;
  expect(resourcesOf({ ...cut, where: 'under water' })).toEqual(['sink']);
  expect(resourcesOf({ ...cut, where: 'in air' })).toEqual([]);
});
