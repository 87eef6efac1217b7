import 'server-only';
import { setImmediate } from 'node:timers/promises';
import { predictInSlices } from '@/core/arrangement/predict-arrangement';
import type { ArrangementForecast, ArrangementInput } from '@/core/arrangement/types';
import { waitingInput } from '@/core/arrangement/waiting';
import type { ArrangementRow } from '@/data/arrangements';
import type { Trx } from '@/data/connection';
import { RefusedError } from '@/data/errors';
import { manyStays, type StayRow } from '@/data/stays';

const HOUR_MS = 3_600_000;
const KEPT = 40;
const cache = new Map<string, ArrangementForecast>();

/** The stays of one that waits, read with what else is read of it. */
export const staysOfArrangement = (trx: Trx, { id }: Pick<ArrangementRow, 'id'>): Promise<StayRow[]> =>
  manyStays(trx, [id]);

/** What its forecast is made from by now: what it was made with, after the hours it has stood here. */
export function waitedInput(row: ArrangementRow, stays: readonly StayRow[], at: Date): ArrangementInput {
  return waitingInput(
    row.input as ArrangementInput,
    stays
      .filter((s) => s.fromAt < at)
      .map((s) => ({
        hours: ((s.toAt && s.toAt < at ? s.toAt : at).getTime() - s.fromAt.getTime()) / HOUR_MS,
        air: { tempC: s.tempC, humidityPct: s.humidityPct, litHours: s.litHours, ethylenePpm: s.ethylenePpm },
      })),
  );
}

/** Days from now of an arrangement that has waited, by its own stays here; by the hour, and kept. */
export async function forecastWaiting(
  row: ArrangementRow,
  stays: readonly StayRow[],
  at: Date,
): Promise<ArrangementForecast> {
  const input = waitedInput(row, stays, at);
  if (input === row.input) return row.result as ArrangementForecast;
  const key = JSON.stringify(input);
  const kept = cache.get(key);
  if (kept) return kept;
  const made = await predictInSlices(input, { pause: () => setImmediate() });
  if (!made) throw new RefusedError('Its forecast was given up. Nothing was done; try again.');
  if (cache.size >= KEPT) cache.delete(cache.keys().next().value ?? '');
  cache.set(key, made);
  return made;
}
