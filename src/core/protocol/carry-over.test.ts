import fc from 'fast-check';
import { SPECIES } from '../species/species';
import type { StepParams } from '../steps/steps';
import { carriedOver } from './carry-over';
import { ordinaryProtocol } from './compose';

const cut = (cm: number): StepParams => ({
  kind: 'cut',
  cm,
  tool: 'snips',
  where: 'in air',
  angleDeg: 45,
  split: false,
  sliver: false,
});
const rinse: StepParams = { kind: 'rinse' };
const planOf = (...all: StepParams[]) => all.map((params) => ({ params }));
const carried = (plan: StepParams[], older: StepParams[]) => carriedOver(planOf(...plan), older, (of) => of);

test('the very step comes before one of its kind, and none is carried twice', () => {
  expect(carried([cut(2), cut(3)], [cut(3), cut(2)])).toEqual([cut(2), cut(3)]);
  expect(carried([cut(4), cut(3)], [cut(3)])).toEqual([undefined, cut(3)]);
  expect(carried([rinse, cut(4)], [cut(2)])).toEqual([undefined, cut(2)]);
  expect(carried([cut(4), cut(5)], [cut(2)])).toEqual([cut(2), undefined]);
});

test('a plan laid anew as it was keeps every state, in whatever order its parameters were stored', () => {
  fc.assert(
    fc.property(fc.constantFrom(...SPECIES), (species) => {
      const { steps } = ordinaryProtocol(species);
      const stored = steps.map(
        ({ params }) => Object.fromEntries(Object.entries(params).reverse()) as unknown as StepParams,
      );
      expect(carriedOver(steps, stored, (of) => of)).toEqual(stored);
    }),
  );
});
