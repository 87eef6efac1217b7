import 'server-only';
import { speciesByKey } from '@/core/species/species';
import { MODEL } from '@/core/model/constants';
import { isWetPacked } from '@/core/vase-life/journey';
import { arrivalNow, forecastInputOf } from '@/core/vase-life/lot-history';
import { predictLot } from '@/core/vase-life/predict-lot';
import type { Arrival, LotForecast, LotInput } from '@/core/vase-life/types';
import type { SolutionKey } from '@/core/water/solutions';
import type { LotRow } from '@/data/lots';
import type { RoomRow } from '@/data/rooms';
import type { StepRow } from '@/data/steps';
import { inZone } from './clock';

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

/** When the lot first stood in water here; a wet pack stands in it from the door. Null while it is dry. */
export function wetSince(lot: LotRow, steps: readonly StepRow[]): Date | null {
  if (isWetPacked(lot.packing)) return lot.arrivedAt;
  if (!lot.filledAt) return null;
  const drinks = steps.flatMap((s) => (s.step.pail && s.startedAt ? [s.startedAt.getTime()] : []));
  return new Date(Math.min(lot.filledAt.getTime(), ...drinks));
}

/** What a lot's forecast starts from: its state on arrival and its hours here. */
export function lotInputNow(
  lot: LotRow,
  steps: readonly StepRow[],
  rooms: readonly RoomRow[],
  at: Date,
  timeZone: string,
): LotInput {
  const room = rooms.find((r) => r.id === lot.roomId);
  const bench = rooms.find((r) => r.kind === 'bench');
  const air = (r: RoomRow | undefined) => ({
    tempC: r?.tempC ?? 18,
    humidityPct: r?.humidityPct ?? 60,
    litHours: r?.litHours ?? 12,
  });
  const hourOf = (when: Date): number => Math.max(0, when.getTime() - lot.arrivedAt.getTime()) / HOUR_MS;
  const wetFrom = wetSince(lot, steps);
  const done = (kind: string) =>
    steps.some((s) => s.kind === kind && s.status !== 'waiting' && s.status !== 'skipped');
  const species = speciesByKey(lot.speciesKey);
  const inPack = { start: 'rinsed', solution: 'plain', tempC: air(bench).tempC } as const;
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
      hoursHere: hourOf(at),
      wetFromHour: wetFrom && hourOf(wetFrom),
      changedAtHour: wetFrom && lot.filledAt && lot.filledAt > wetFrom ? hourOf(lot.filledAt) : null,
      room: air(room),
      bench: air(bench),
      water: lot.filledAt
        ? {
            start: lot.fillStart ?? 'clean',
            solution: (lot.fillSolution ?? 'plain') as SolutionKey,
            tempC: lot.fillTempC ?? 20,
          }
        : wetFrom && inPack,
      wasHotDipped: done('hot-dip'),
      isBare: done('strip') && species.foliage.startsWith('bare'),
      startHourOfDay: inZone(lot.arrivedAt, timeZone).hour,
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
export function isForLater(lot: Pick<LotRow, 'forDay'>, at: Date, timeZone: string): boolean {
  return lot.forDay !== null && lot.forDay > inZone(at, timeZone).date;
}
