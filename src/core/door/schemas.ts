import { VESSEL_STARTS } from '../water/vessel-water';
import * as v from 'valibot';
import { drawnOfLines, MOST_STEMS } from '../arrangement/drawn-together';
import { CONSTANT_KEYS, CONSTANTS, type ConstantKey } from '../model/constants';
import { isOwnKey, SHIPPED_SPECIES } from '../species/registry';
import { SOLUTION_KEYS } from '../water/solutions';
import { between, flag, oneOf, strict, whole } from './shapes';
import { ownSpeciesSchema } from './species-schema';

/** Longest time a stay, a count or an event may lie from the start: a year. */
const YEAR_H = 8784;

export const speciesKeySchema = v.pipe(
  v.string('must be the key of a species'),
  v.check(
    (key) => SHIPPED_SPECIES.find(key) !== undefined,
    (issue) => `no species is called ${issue.received}; "species" lists them`,
  ),
);
/** The table's, or one of a shop's own that travels with its input (`overrides.own`). */
const forecastSpeciesSchema = v.pipe(
  v.string('must be the key of a species'),
  v.check(
    (key) => SHIPPED_SPECIES.find(key) !== undefined || isOwnKey(key),
    (issue) => `no species is called ${issue.received}; "species" lists them`,
  ),
);
export const seedSchema = whole(0, Number.MAX_SAFE_INTEGER);

export const arrivalSchema = strict({
  agedDays: between(0, 200),
  stage: between(0, 1.5),
  droop: oneOf(['firm', 'soft', 'hanging']),
  ageErrorSdDays: v.exactOptional(between(0, 10)),
  airShare: v.exactOptional(between(0, 1)),
});

const stayFields = {
  tempC: between(-10, 50),
  humidityPct: between(1, 100),
  ethylenePpm: between(0, 100),
  litHours: between(0, 24),
  wet: flag,
  cutOnReturn: v.exactOptional(flag),
  drinkTempC: v.exactOptional(between(0, 60)),
  night: v.exactOptional(
    strict({
      fromHour: between(0, 24),
      toHour: between(0, 24),
      tempC: between(-10, 50),
      humidityPct: between(1, 100),
    }),
  ),
};

export const staysSchema = v.pipe(
  v.array(strict({ hours: v.nullable(between(0, YEAR_H)), ...stayFields }), 'must be a list of stays'),
  v.minLength(1, 'needs at least one stay'),
  v.maxLength(1000, 'takes at most 1000 stays'),
  v.rawCheck(({ dataset, addIssue }) => {
    if (!dataset.typed) return;
    dataset.value.forEach((stay, at) => {
      const isLast = at === dataset.value.length - 1;
      if (isLast === (stay.hours === null)) return;
      addIssue({
        message: isLast
          ? 'must be null for the last stay, which lasts'
          : 'must be a number: only the last stay lasts',
        path: [
          { type: 'array', origin: 'value', input: dataset.value, key: at, value: stay },
          { type: 'object', origin: 'value', input: { ...stay }, key: 'hours', value: stay.hours },
        ],
      });
    });
  }),
);

const topUpSchema = strict({
  everyHours: v.nullable(whole(1, 720)),
  with: oneOf(['same', 'plain']),
  missed: v.exactOptional(strict({ first: whole(0, 30), of: whole(1, 30) })),
});

export const waterSchema = strict({
  start: oneOf(VESSEL_STARTS),
  solution: oneOf(SOLUTION_KEYS),
  changeEveryDays: v.nullable(between(0.05, 365)),
  recutAtChange: flag,
  leafBelow: between(0, 1),
  topUp: v.exactOptional(topUpSchema),
  depthCm: v.exactOptional(between(0, 100)),
});

const atHour = between(0, YEAR_H);
export const eventsSchema = v.pipe(
  v.array(
    v.variant(
      'type',
      [
        strict({ atHour, type: v.literal('cut'), cm: between(0, 60) }),
        strict({ atHour, type: v.literal('hot-dip') }),
        strict({
          atHour,
          type: v.literal('change'),
          solution: v.exactOptional(oneOf(SOLUTION_KEYS)),
          start: v.exactOptional(oneOf(VESSEL_STARTS)),
        }),
        strict({ atHour, type: v.literal('strip'), leafShare: between(0, 1) }),
      ],
      'must be one of cut, hot-dip, change, strip',
    ),
    'must be a list of events',
  ),
  v.maxLength(1000, 'takes at most 1000 events'),
);

const supplierLifeSchema = strict({ factor: between(0.1, 3), spread: between(0, 1) });

/** A shop's own constant stays within a fifth and five times ours, a share within one. */
function ownConstant(key: ConstantKey) {
  const { value, unit } = CONSTANTS[key];
  if (value <= 0) return between(-30, 15);
  return between(value / 5, unit === 'share' ? Math.min(1, value * 5) : value * 5);
}
const ownConstants = Object.fromEntries(
  CONSTANT_KEYS.map((key) => [key, v.exactOptional(ownConstant(key))]),
) as Record<ConstantKey, v.ExactOptionalSchema<ReturnType<typeof ownConstant>, undefined>>;

export const overridesSchema = strict({
  /** Species of the shop's own, whole: nothing else needs to know them. */
  own: v.exactOptional(v.pipe(v.array(ownSpeciesSchema), v.maxLength(200))),
  constants: v.exactOptional(strict(ownConstants)),
  species: v.exactOptional(
    v.record(
      forecastSpeciesSchema,
      strict({
        lifeDays20C: v.exactOptional(between(0.5, 100)),
        lifeSpread: v.exactOptional(between(0, 1)),
        foodGain: v.exactOptional(between(0.2, 5)),
        q10: v.exactOptional(between(1, 6)),
        ethylene: v.exactOptional(whole(0, 3)),
        chillBelowC: v.exactOptional(between(-50, 20)),
        dryHours: v.exactOptional(between(0.2, 200)),
        leafiness: v.exactOptional(between(0, 6)),
        plug: v.exactOptional(between(0.05, 5)),
        openDays20C: v.exactOptional(between(0, 40)),
      }),
    ),
  ),
  solutions: v.exactOptional(
    v.record(
      oneOf(SOLUTION_KEYS),
      strict({
        sugar: v.exactOptional(between(0, 3)),
        biocide: v.exactOptional(between(0, 1)),
        acid: v.exactOptional(between(0, 3)),
        harm: v.exactOptional(between(0, 3)),
      }),
    ),
  ),
});

export const lotInputSchema = strict({
  species: forecastSpeciesSchema,
  seed: seedSchema,
  draws: whole(1, 20_000),
  startHourOfDay: v.exactOptional(v.pipe(between(0, 23.999))),
  stems: v.exactOptional(whole(1, 100_000)),
  leafShare: between(0, 1),
  arrival: arrivalSchema,
  stays: staysSchema,
  countFromHour: v.exactOptional(between(0, YEAR_H)),
  water: waterSchema,
  events: v.exactOptional(eventsSchema),
  supplierLife: v.exactOptional(supplierLifeSchema),
  overrides: v.exactOptional(overridesSchema),
});

/** Stems a forecast may draw in all: beyond it, it would take minutes. */
const MOST_STEMS_DRAWN = 1_000_000;
type Lines = readonly { readonly stems: number }[];
const stemsOf = (lines: Lines): number[] => lines.map((l) => l.stems);
const sum = (of: readonly number[]): number => of.reduce((a, b) => a + b, 0);

export const arrangementInputSchema = v.pipe(
  strict({
    seed: seedSchema,
    draws: whole(1, 5_000),
    lines: v.pipe(
      v.array(
        strict({
          species: forecastSpeciesSchema,
          stems: whole(1, MOST_STEMS),
          arrival: arrivalSchema,
          leafShare: between(0, 1),
          events: v.exactOptional(eventsSchema),
          aloneHours: v.exactOptional(between(0, 240)),
          sapSealed: v.exactOptional(flag),
          supplierLife: v.exactOptional(supplierLifeSchema),
        }),
        'must be a list of lines',
      ),
      v.minLength(1, 'needs at least one line'),
      v.maxLength(60, 'takes at most 60 lines'),
    ),
    vessel: strict({
      kind: oneOf(['vase', 'foam']),
      litres: between(0.05, 200),
      depthCm: v.exactOptional(between(0, 100)),
    }),
    stays: staysSchema,
    startHourOfDay: v.exactOptional(between(0, 23.999)),
    countFromHour: v.exactOptional(between(0, YEAR_H)),
    confidence: between(0.5, 0.999),
    water: v.exactOptional(waterSchema),
    care: v.exactOptional(oneOf(['careful', 'usual', 'careless', 'mixed'])),
    pullsEnded: v.exactOptional(flag),
    overrides: v.exactOptional(overridesSchema),
  }),
  v.forward(
    v.check(
      ({ water, care }) => (water === undefined) !== (care === undefined),
      'give either water or care, not both and not neither',
    ),
    ['water'],
  ),
  v.forward(
    v.check(
      ({ lines }) => sum(stemsOf(lines)) <= MOST_STEMS,
      `an arrangement takes at most ${MOST_STEMS} stems in all`,
    ),
    ['lines'],
  ),
  v.forward(
    v.check(
      ({ draws, lines }) => draws * sum(drawnOfLines(stemsOf(lines))) <= MOST_STEMS_DRAWN,
      `draws times stems (of large lots some sixty) must be ${MOST_STEMS_DRAWN} or less`,
    ),
    ['draws'],
  ),
);

/** A count of stems looked at in a lot, and of those with a flaw. */
export const sampleSchema = v.pipe(
  strict({
    seen: whole(0, 1_000_000),
    sample: whole(1, 1_000_000),
    lot: whole(1, 1_000_000),
    confidence: between(0.5, 0.999),
  }),
  v.forward(
    v.check(({ seen, sample }) => seen <= sample, 'cannot be more than the sample'),
    ['seen'],
  ),
  v.forward(
    v.check(({ sample, lot }) => sample <= lot, 'cannot be more than the lot'),
    ['sample'],
  ),
);
