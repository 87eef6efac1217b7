import type { Overrides } from '../model/figures';
import { idealArrivalStage, type Species } from '../species/species';
import { isTropical } from '../species/traits';
import { medianDaysLeft } from '../vase-life/predict-lot';
import type { LotInput, Night, Stay } from '../vase-life/types';
import { rightSolution } from '../water/solutions';
import { composeProtocol } from './compose';
import type { ParamsOf, StepKind } from '../steps/steps';
import { questionOf, type QuestionKey } from './schools';
import { DEFAULT_WAYS, type Ways } from './ways';

/**
 * Questions on which the model puts days; of the others it knows nothing, and says nothing. A first
 * drink's warmth only warms the water in it for a while: that is no answer to which firms a stem.
 */
export const WORTH_KNOWN: readonly QuestionKey[] = ['foliage', 'remedy', 'water-change', 'cold-nights'];

/** What a school of a question is worth to a middling stem, against the default. */
export interface SchoolWorth {
  readonly school: string;
  /** Days, median of the draws; 0 for the default itself. */
  readonly days: number;
}

const DRAWS = 240;
const SEED = 1;
const DRY_H = 5;
const HERE_H = 36;
const BENCH = { tempC: 18, humidityPct: 60, litHours: 12, ethylenePpm: 0 } as const;
const COLD = { tempC: 4, humidityPct: 88, litHours: 2, ethylenePpm: 0 } as const;
const WARM = { tempC: 15, humidityPct: 80, litHours: 10, ethylenePpm: 0 } as const;
const TABLE = { tempC: 21, humidityPct: 60, litHours: 14, ethylenePpm: 0 } as const;
const NIGHTS: Readonly<Record<string, Night>> = {
  'cool-place': { fromHour: 22, toHour: 8, tempC: 7, humidityPct: 75 },
  // Without fruit in it: the model has no gas by night alone.
  fridge: { fromHour: 22, toHour: 8, tempC: 4, humidityPct: 45 },
};

/** Its hours here and then at home, in the air its kind is kept in. */
function staysFor(s: Species, drinkTempC: number, key: QuestionKey, school: string): Stay[] {
  const isWarm = isTropical(s);
  const night = key === 'cold-nights' && !isWarm ? NIGHTS[school] : undefined;
  return [
    { hours: DRY_H, ...BENCH, wet: false },
    { hours: HERE_H, ...(isWarm ? WARM : COLD), wet: true, drinkTempC: Math.min(60, drinkTempC) },
    { hours: null, ...TABLE, wet: true, ...(night ? { night } : {}) },
  ];
}

function inputFor(s: Species, key: QuestionKey, school: string, overrides: Overrides | undefined): LotInput {
  const ways: Ways = { ...DEFAULT_WAYS, schools: { house: { [key]: school }, exceptions: {} } };
  const stage = idealArrivalStage(s);
  const steps = composeProtocol({ species: s, stage, droop: 'soft', packing: '', hoursDry: 0 }, ways);
  const paramsOf = <K extends StepKind>(kind: K): ParamsOf<K> | undefined =>
    steps.find((step) => step.kind === kind)?.params as ParamsOf<K> | undefined;
  const drink = paramsOf('drink');
  const strip = paramsOf('strip');
  const change = paramsOf('recut');
  return {
    species: s.key,
    seed: SEED,
    draws: DRAWS,
    startHourOfDay: 7,
    leafShare: strip?.keepsShare ?? 1,
    arrival: { agedDays: 1, stage, droop: 'soft' },
    stays: staysFor(s, drink?.tempC ?? 20, key, school),
    countFromHour: DRY_H,
    water: {
      start: 'clean',
      solution: drink?.solution ?? rightSolution(s.foodKind),
      changeEveryDays: change ? change.everyHours / 24 : null,
      recutAtChange: change !== undefined && change.cm > 0,
      leafBelow: 0,
    },
    ...(overrides ? { overrides } : {}),
  };
}

/**
 * What each school of a question is worth in days of vase life against the default, for a lot of the
 * species that came soft: the same draws with the one thing changed. Null where the model cannot tell.
 */
export function schoolWorth(
  species: Species,
  key: QuestionKey,
  overrides?: Overrides,
): readonly SchoolWorth[] | null {
  if (!WORTH_KNOWN.includes(key)) return null;
  const { schools } = questionOf(key);
  const days = schools.map(({ key: school }) => medianDaysLeft(inputFor(species, key, school, overrides)));
  return schools.map(({ key: school }, i) => ({ school, days: (days[i] ?? 0) - (days[0] ?? 0) }));
}
