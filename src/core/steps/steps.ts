import * as v from 'valibot';
import type { Species } from '../species/species';
import { AFTERWARDS } from './afterwards';
import type { ParamsIn, Said, StepDescriptor } from './descriptor';
import { RECEIVING } from './receiving';
import { STEMS } from './stems';
import { WATERS } from './waters';

/** Every kind of step, as a plan may have them. A new kind is one more descriptor in one of these. */
export const STEPS = { ...RECEIVING, ...STEMS, ...WATERS, ...AFTERWARDS } as const;

export type StepKind = keyof typeof STEPS;
export const STEP_KINDS = Object.keys(STEPS) as StepKind[];

/** A kind with its parameters. */
export type StepParams = {
  [K in StepKind]: { readonly kind: K } & ParamsIn<(typeof STEPS)[K]['params']>;
}[StepKind];
export type ParamsOf<K extends StepKind> = Extract<StepParams, { kind: K }>;

/** What is known of a kind, whichever it is. */
export type AnyStep = Omit<
  StepDescriptor<Record<string, v.GenericSchema>>,
  'uses' | 'says' | 'drinksMeanwhile'
>;
export const stepOf = (kind: StepKind): AnyStep => STEPS[kind];

/** What of the bench a step takes up. */
export function resourcesOf(params: StepParams) {
  return (STEPS[params.kind].uses as (p: StepParams) => readonly ('sink' | 'kettle')[])(params);
}

/** Whether stems drink while the step's clock runs, though they stand in no pail yet. */
export function drinksMeanwhile(params: StepParams): boolean {
  return (STEPS[params.kind].drinksMeanwhile as (p: StepParams) => boolean)(params);
}

/** Whether two steps are one: of a kind, with the same parameters. */
export function sameParams(a: StepParams, b: StepParams): boolean {
  const told = (of: StepParams): string =>
    JSON.stringify(Object.entries(of).sort(([one], [other]) => (one < other ? -1 : 1)));
  return told(a) === told(b);
}

/** A step's words, figures and needs, from its parameters. */
export function saidOf(params: StepParams, species: Species, depthCm: number): Said {
  return (STEPS[params.kind].says as (p: StepParams, s: Species, d: number) => Said)(
    params,
    species,
    depthCm,
  );
}

const isField = (issue: v.StrictObjectIssue): string =>
  issue.expected === 'never'
    ? 'is not a parameter of this step'
    : issue.received === 'undefined'
      ? 'is missing'
      : 'must be an object';

const wholeOf = (kind: StepKind) =>
  v.strictObject({ kind: v.literal(kind), ...stepOf(kind).params }, isField);
/** A step's kind and every parameter it has. */
export const stepParamsSchema = v.variant(
  'kind',
  STEP_KINDS.map(wholeOf) as unknown as [
    v.StrictObjectSchema<{ kind: v.LiteralSchema<'cut', undefined> }, undefined>,
  ],
  `must be one of ${STEP_KINDS.join(', ')}`,
) as unknown as v.GenericSchema<StepParams>;

/** Some of a kind's parameters, for changing a step that is there. */
export function someParamsSchema(kind: StepKind): v.GenericSchema<Readonly<Record<string, unknown>>> {
  return v.partial(v.strictObject(stepOf(kind).params, isField));
}
