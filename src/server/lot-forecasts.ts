import 'server-only';
import { composeProtocol } from '@/core/protocol/compose';
import type { ProtocolStep } from '@/core/protocol/types';
import { speciesByKey } from '@/core/species/species';
import { forecastInputOf } from '@/core/vase-life/lot-history';
import { predictLot } from '@/core/vase-life/predict-lot';
import type { LotForecast, LotInput } from '@/core/vase-life/types';
import type { SolutionKey } from '@/core/water/solutions';
import type { LotRow } from '@/data/lots';
import type { RoomRow } from '@/data/rooms';
import type { StepRow } from '@/data/steps';
import { inZone } from './clock';

const LIST_DRAWS = 80;
const LIST_SEED = 1;
const KEPT = 2000;
const cache = new Map<string, LotForecast>();

/** A forecast kept by its inputs; it is made anew as hours pass and things are done. */
function cachedForecast(input: LotInput): LotForecast {
  const key = JSON.stringify(input);
  const kept = cache.get(key);
  if (kept) return kept;
  const made = predictLot(input);
  if (cache.size >= KEPT) cache.delete(cache.keys().next().value ?? '');
  cache.set(key, made);
  return made;
}

const HOUR_MS = 3_600_000;

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
  const done = (kind: string) =>
    steps.some((s) => s.kind === kind && s.status !== 'waiting' && s.status !== 'skipped');
  const species = speciesByKey(lot.speciesKey);
  return forecastInputOf(
    {
      species,
      arrival: {
        agedDays: lot.agedDays,
        stage: lot.stage,
        droop: lot.droop,
        airShare: lot.airShare,
        ageErrorSdDays: 0.7,
      },
      hoursHere: (at.getTime() - lot.arrivedAt.getTime()) / HOUR_MS,
      wetFromHour: lot.filledAt
        ? Math.max(0, lot.filledAt.getTime() - lot.arrivedAt.getTime()) / HOUR_MS
        : null,
      room: air(room),
      bench: air(bench),
      water: lot.filledAt
        ? {
            start: lot.fillStart ?? 'clean',
            solution: (lot.fillSolution ?? 'plain') as SolutionKey,
            tempC: lot.fillTempC ?? 20,
          }
        : null,
      wasHotDipped: done('hot-dip'),
      isBare: done('strip') && species.foliage.startsWith('bare'),
      startHourOfDay: inZone(lot.arrivedAt, timeZone).hour,
    },
    LIST_SEED,
    LIST_DRAWS,
  );
}

/** Days left in a lot, counted from now on a table at home. */
export function lotForecast(input: LotInput): LotForecast {
  return cachedForecast(input);
}

/** The plan of a lot as it was seen. */
export function planFor(lot: Pick<LotRow, 'speciesKey' | 'stage' | 'droop' | 'packing'>): ProtocolStep[] {
  return composeProtocol({
    species: speciesByKey(lot.speciesKey),
    stage: lot.stage,
    droop: lot.droop,
    packing: lot.packing,
    hoursDry: 0,
  });
}
