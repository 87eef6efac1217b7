import 'server-only';
import { MODEL } from '@/core/model/constants';
import type { Overrides } from '@/core/model/figures';
import { speciesByKey } from '@/core/species/species';
import { arrivalNow, forecastInputOf, type StayHere } from '@/core/vase-life/lot-history';
import { predictLot } from '@/core/vase-life/predict-lot';
import type { Arrival, LotForecast, LotInput } from '@/core/vase-life/types';
import type { SolutionKey } from '@/core/water/solutions';
import type { LotFacts } from '@/data/lots';
import type { StayRow } from '@/data/stays';
import type { StepRow } from '@/data/steps';
import { inZone } from './clock';
import { overridesFor } from './own-figures';

const LIST_DRAWS = 200;
const LIST_SEED = 1;
const KEPT = 2000;
/** A lot's days left from now, and how it stands now. */
export interface LotNow {
  readonly forecast: LotForecast;
  readonly arrival: Arrival;
}

const cache = new Map<string, LotNow>();
const HOUR_MS = 3_600_000;

/** Where stems were since they came, hour by hour, up to that moment. */
export function staysHere(stays: readonly StayRow[], arrivedAt: Date, at: Date): StayHere[] {
  const hourOf = (when: Date): number => Math.max(0, when.getTime() - arrivedAt.getTime()) / HOUR_MS;
  return stays
    .filter((s) => s.fromAt <= at)
    .map((s) => {
      const { tempC, humidityPct, litHours, ethylenePpm } = s;
      // A pack's own water: nobody sanitised it, and it is as warm as where it stands.
      const pack = { name: 'pack', start: 'rinsed', solution: 'plain', tempC } as const;
      const fill = s.fillId && {
        name: s.fillId,
        start: s.fillStart ?? 'clean',
        solution: (s.fillSolution ?? 'plain') as SolutionKey,
        tempC: s.fillTempC,
      };
      return {
        fromHour: hourOf(s.fromAt),
        toHour: hourOf(s.toAt && s.toAt < at ? s.toAt : at),
        air: { tempC, humidityPct, litHours, ethylenePpm },
        water: s.wet ? fill || pack : null,
      };
    });
}

/** What is known of stems that a forecast starts from. */
export interface Known {
  readonly lot: Pick<LotFacts, 'speciesKey' | 'arrivedAt' | 'agedDays' | 'stage' | 'droop' | 'airShare'>;
  readonly stays: readonly StayRow[];
  readonly steps: readonly Pick<StepRow, 'kind' | 'status'>[];
}

/** What a lot's forecast starts from: its state on arrival and its stays here. */
export function lotInputNow(
  { lot, stays, steps }: Known,
  overrides: Overrides | null,
  at: Date,
  timeZone: string,
): LotInput {
  const done = (kind: string) =>
    steps.some((s) => s.kind === kind && s.status !== 'waiting' && s.status !== 'skipped');
  const species = speciesByKey(lot.speciesKey);
  const needed = overridesFor(overrides, [species.key]);
  return forecastInputOf(
    {
      species,
      arrival: {
        agedDays: lot.agedDays,
        stage: lot.stage,
        droop: lot.droop,
        airShare: lot.airShare,
        ageErrorSdDays: MODEL.cutDateErrorSdDays,
      },
      hoursHere: Math.max(0, at.getTime() - lot.arrivedAt.getTime()) / HOUR_MS,
      stays: staysHere(stays, lot.arrivedAt, at),
      wasHotDipped: done('hot-dip'),
      isBare: done('strip') && species.foliage.startsWith('bare'),
      startHourOfDay: inZone(lot.arrivedAt, timeZone).hour,
      ...(needed ? { overrides: needed } : {}),
    },
    LIST_SEED,
    LIST_DRAWS,
  );
}

/** The lot by its inputs: kept, and made anew as hours pass and things are done. */
export function lotNow(input: LotInput): LotNow {
  const key = JSON.stringify(input);
  const kept = cache.get(key);
  if (kept) return kept;
  const made = { forecast: predictLot(input), arrival: arrivalNow(input) };
  if (cache.size >= KEPT) cache.delete(cache.keys().next().value ?? '');
  cache.set(key, made);
  return made;
}

/** Whether a box is set aside for a day that has not come in the shop's zone. */
export function isForLater(lot: Pick<LotFacts, 'forDay'>, at: Date, timeZone: string): boolean {
  return lot.forDay !== null && lot.forDay > inZone(at, timeZone).date;
}
