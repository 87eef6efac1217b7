import 'server-only';
import { HOUR_MS } from '@/core/calendar/spans';
import { LRUCache } from 'lru-cache';
import * as v from 'valibot';
import type { ArrangementForecast, ArrangementInput } from '@/core/arrangement/types';
import { readStoredForecast } from '@/core/arrangement/stored-forecast';
import { waitingInput } from '@/core/arrangement/waiting';
import { arrangementInputSchema } from '@/core/door/schemas';
import type { WholeArrangement } from '@/data/arrangements';
import { RefusedError } from '@/data/errors';
import type { StayRow } from '@/data/stays';
import { inWorker } from '@/server/pool/pool';

const KEPT = 40;
const cache = new LRUCache<string, ArrangementForecast>({ max: KEPT });

/** One made before its sap was asked about was made of what had been soaked. */
function knowingItsSap(input: ArrangementInput): ArrangementInput {
  const isTold = input.lines.every((l) => l.sapSealed !== undefined || l.aloneHours !== undefined);
  return isTold ? input : { ...input, lines: input.lines.map((l) => ({ sapSealed: true, ...l })) };
}

/** What it was made with, as it was stored. @throws RefusedError where no version there is now reads it */
function storedInput({ input }: WholeArrangement): ArrangementInput {
  const read = v.safeParse(arrangementInputSchema, input);
  if (!read.success)
    throw new RefusedError(
      'Its days were worked out by an older version and cannot be worked out anew. Nothing was changed; take it apart and make it again.',
    );
  return read.output;
}

/** What its forecast is made from by now: what it was made with, after the hours it has stood here. */
export function waitedInput(row: WholeArrangement, stays: readonly StayRow[], at: Date): ArrangementInput {
  return waitingInput(
    knowingItsSap(storedInput(row)),
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
  row: WholeArrangement,
  stays: readonly StayRow[],
  at: Date,
): Promise<ArrangementForecast> {
  const input = waitedInput(row, stays, at);
  const hasWaited = input.stays.length > storedInput(row).stays.length;
  const asMade = hasWaited ? null : readStoredForecast(row.result);
  if (asMade) return asMade;
  const key = JSON.stringify(input);
  const known = cache.get(key);
  if (known) return known;
  const forecast = await inWorker('arrangement', input);
  cache.set(key, forecast);
  return forecast;
}
