import type { SpeciesRegistry } from '@/core/species/registry';
import 'server-only';
import { HOUR_MS } from '@/core/calendar/spans';
import { LRUCache } from 'lru-cache';
import { MODEL } from '@/core/model/constants';
import type { Overrides } from '@/core/model/figures';
import { forecastInputOf, PACK_WATER, type LotHistory, type StayHere } from '@/core/vase-life/lot-history';
import type { LotInput } from '@/core/vase-life/types';
import { solutionOf } from '@/core/water/solutions';
import type { LotFacts } from '@/data/lots';
import type { PortionRow } from '@/data/portions';
import type { StayRow } from '@/data/stays';
import type { StepRow } from '@/data/steps';
import { inZone } from './clock';
import { overridesFor } from './own-figures';
import type { LotNow } from './pool/jobs';
import { inWorkers } from './pool/pool';

const LIST_DRAWS = 200;
const LIST_SEED = 1;
const KEPT = 2000;
const cache = new LRUCache<string, LotNow>({ max: KEPT });

/** Where stems were since they came, hour by hour, up to that moment. */
export function staysHere(stays: readonly StayRow[], arrivedAt: Date, at: Date): StayHere[] {
  const hourOf = (when: Date): number => Math.max(0, when.getTime() - arrivedAt.getTime()) / HOUR_MS;
  return stays
    .filter((s) => s.fromAt <= at)
    .map((s) => {
      const { tempC, humidityPct, litHours, ethylenePpm } = s;
      // A pack's own water: nobody sanitised it, and it is as warm as where it stands.
      const pack = { name: PACK_WATER, start: 'rinsed', solution: 'plain', tempC } as const;
      const fill = s.fillId && {
        name: s.fillId,
        start: s.fillStart ?? 'clean',
        solution: solutionOf(s.fillSolution),
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
  readonly lot: Pick<LotFacts, 'speciesKey' | 'arrivedAt' | 'agedDays' | 'stage' | 'droop' | 'airShare'> &
    Pick<PortionRow, 'stemsLeft'>;
  readonly stays: readonly StayRow[];
  readonly steps: readonly Pick<StepRow, 'kind' | 'status'>[];
}

interface ShopOf {
  readonly timeZone: string;
  readonly species: SpeciesRegistry;
}

/** What is known of a lot's stems, as the model takes it: their state on arrival, their stays here, what was done. */
export function historyOf(
  {
    lot,
    stays,
    wasHotDipped,
    isStripped,
  }: Omit<Known, 'steps' | 'lot'> & {
    readonly lot: Omit<Known['lot'], 'stemsLeft'>;
    readonly wasHotDipped: boolean;
    readonly isStripped: boolean;
  },
  overrides: Overrides | null,
  at: Date,
  { timeZone, species: registry }: ShopOf,
): LotHistory {
  const species = registry.byKey(lot.speciesKey);
  const needed = overridesFor(overrides, [species.key]);
  return {
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
    wasHotDipped,
    isBare: isStripped && species.foliage.startsWith('bare'),
    startHourOfDay: inZone(lot.arrivedAt, timeZone).hour,
    ...(needed ? { overrides: needed } : {}),
  };
}

/** What a lot's forecast starts from. */
export function lotInputNow(
  { lot, stays, steps }: Known,
  overrides: Overrides | null,
  at: Date,
  shop: ShopOf,
): LotInput {
  const done = (kind: string) =>
    steps.some((s) => s.kind === kind && s.status !== 'waiting' && s.status !== 'skipped');
  const of = { lot, stays, wasHotDipped: done('hot-dip'), isStripped: done('strip') };
  const input = forecastInputOf(historyOf(of, overrides, at, shop), LIST_SEED, LIST_DRAWS);
  // Half of a few stems ends less surely than half of many: the lot's own band goes by what is left of it.
  return lot.stemsLeft > 0 ? { ...input, stems: lot.stemsLeft } : input;
}

/** Works out in workers what is not kept. */
async function makeMissing(inputs: ReadonlyMap<string, LotInput>): Promise<Map<string, LotNow>> {
  const answers = await inWorkers('lots-now', [...inputs.values()]);
  const made = new Map([...inputs.keys()].flatMap((key, at) => (answers[at] ? [[key, answers[at]]] : [])));
  for (const [key, now] of made) cache.set(key, now);
  return made;
}

/** Each with its lot as it stands now, in that order: kept by its input, made anew as hours pass and things are done. */
export async function lotsNow<T>(
  of: readonly T[],
  inputOf: (one: T) => LotInput,
): Promise<{ readonly one: T; readonly now: LotNow }[]> {
  const asked = of.map((one) => {
    const input = inputOf(one);
    const key = JSON.stringify(input);
    return { one, input, key, kept: cache.get(key) };
  });
  const made = await makeMissing(new Map(asked.flatMap((a) => (a.kept ? [] : [[a.key, a.input]]))));
  return asked.map(({ one, key, kept }) => {
    const now = kept ?? made.get(key);
    if (!now) throw new Error('a worker answered for fewer lots than it was asked');
    return { one, now };
  });
}

/** Whether a box is set aside for a day that has not come in the shop's zone. */
export function isForLater(lot: Pick<LotFacts, 'forDay'>, at: Date, timeZone: string): boolean {
  return lot.forDay !== null && lot.forDay > inZone(at, timeZone).date;
}

/** Shares as a line draws them: to half a hundredth, and none after the last that shows. */
export function drawnShares(shares: readonly number[]): number[] {
  const last = shares.findLastIndex((s) => s > 0.005);
  return shares.slice(0, last + 2).map((s) => Math.round(200 * s) / 200);
}
