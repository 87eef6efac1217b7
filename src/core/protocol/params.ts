import * as v from 'valibot';
import { SOLUTION_KEYS } from '../water/solutions';

const numberIn = (low: number, high: number) =>
  v.pipe(
    v.number(`must be a number from ${low} to ${high}`),
    v.finite(`must be a number from ${low} to ${high}`),
    v.minValue(low, `must be from ${low} to ${high}`),
    v.maxValue(high, `must be from ${low} to ${high}`),
  );
const flag = v.boolean('must be true or false');
const words = (most: number) =>
  v.pipe(v.string('must be words'), v.trim(), v.minLength(1, 'is empty'), v.maxLength(most, 'is too long'));
const oneOf = <const T extends readonly string[]>(options: T) =>
  v.picklist(options, `must be one of ${options.join(', ')}`);

const tempC = numberIn(0, 100);
const depthCm = numberIn(0, 60);
const cm = numberIn(0, 30);

/** What may be taken off when a bunch is unpacked. */
export const WRAPPINGS = ['paper', 'sleeve', 'mesh', 'bands', 'ties', 'water caps', 'bract'] as const;
export const TOOLS = ['knife or snips', 'knife', 'snips', 'secateurs', 'scissors'] as const;
export type Tool = (typeof TOOLS)[number];
export const PLACES = [
  'the cold room',
  'the coolest corner',
  'the tropical shelf',
  'the shop floor',
  'a warm bright shelf',
  'the bench',
  'a dry dark loft',
] as const;
export type KeepingPlace = (typeof PLACES)[number];

/** Each kind of step with its own parameters; units are in the names. */
const KINDS = {
  unpack: { off: v.pipe(v.array(oneOf(WRAPPINGS)), v.maxLength(7)), keepsSleeve: flag },
  count: { by: oneOf(['bunches', 'weight', 'heads']) },
  inspect: { checks: v.pipe(v.array(words(60)), v.maxLength(12)) },
  discard: { what: oneOf(['mould', 'broken', 'brown buds', 'dropped necks', 'done for', 'lowest florets']) },
  rinse: {},
  strip: {
    to: oneOf(['waterline', 'lower-two', 'bare', 'wings', 'share', 'yellow', 'all but the head']),
    /** Share of the leaves above the waterline that stay. */
    keepsShare: numberIn(0, 1),
    snipped: flag,
  },
  thorns: { extent: oneOf(['leave', 'to the hand', 'all']) },
  cut: {
    cm,
    tool: oneOf(TOOLS),
    where: oneOf(['in air', 'under water']),
    angleDeg: numberIn(0, 90),
    split: flag,
    sliver: flag,
  },
  'hot-dip': { tempC, seconds: numberIn(1, 7200), depthCm, untilCool: flag },
  'hydrating-dip': { in: oneOf(['alum or hydrating acid']), seconds: numberIn(1, 60) },
  'fill-stem': { plug: flag },
  'sap-soak': { company: oneOf(['alone', 'its own kind']), hours: numberIn(0.1, 48), depthCm, tempC },
  'sap-dab': {},
  plunge: { part: oneOf(['pods', 'heads', 'whole heads']), tempC, minutes: numberIn(1, 240) },
  'lift-florets': {},
  drink: {
    solution: oneOf(SOLUTION_KEYS),
    tempC,
    depthCm,
    hours: numberIn(0, 72),
    alone: flag,
    addsAcid: flag,
  },
  grid: {},
  collar: {},
  mist: { when: oneOf(['now', 'if the room is very dry']) },
  'anti-transpirant': {},
  wrap: { in: oneOf(['paper', 'its damp sleeve', 'tape at the foot', 'a loose bag']) },
  'guard-petals': {},
  'de-pollen': { how: oneOf(['bin', 'into the water']) },
  recut: { everyHours: numberIn(0.5, 336), cm, newWater: flag },
  'look-back': { afterHours: numberIn(0, 72), round: v.pipe(numberIn(0, 3), v.integer()) },
  move: { place: oneOf(PLACES), lowC: numberIn(-5, 30), highC: numberIn(-5, 35), dark: flag },
  'dry-hang': { days: numberIn(1, 60) },
} as const;

export type StepKind = keyof typeof KINDS;
export const STEP_KINDS = Object.keys(KINDS) as StepKind[];

type Entries = typeof KINDS;
/** A kind with its parameters. */
export type StepParams = {
  [K in StepKind]: { readonly kind: K } & {
    readonly [F in keyof Entries[K]]: Entries[K][F] extends v.GenericSchema
      ? v.InferOutput<Entries[K][F]>
      : never;
  };
}[StepKind];
export type ParamsOf<K extends StepKind> = Extract<StepParams, { kind: K }>;

const isField = (issue: v.StrictObjectIssue): string =>
  issue.expected === 'never'
    ? 'is not a parameter of this step'
    : issue.received === 'undefined'
      ? 'is missing'
      : 'must be an object';

const wholeOf = (kind: StepKind) => v.strictObject({ kind: v.literal(kind), ...KINDS[kind] }, isField);
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
  return v.partial(v.strictObject(KINDS[kind], isField));
}
