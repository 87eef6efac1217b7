import 'server-only';
import { HOUR_MS } from '@/core/calendar/spans';
import { readAsNow } from '@/core/record/entry-details';
import { eventsOf, type HeldAgainst, type Seen } from '@/core/water/water-seen';
import type { WaterEvent } from '@/core/water/water-events';

/** An entry about a pail's water, its detail as it was written. */
export interface WaterEntry {
  readonly kind: 'water-look' | 'water-reading' | 'top-up' | 'fouled';
  readonly at: Date;
  readonly detailVersion: number;
  readonly detail: unknown;
}

/** What an entry tells, at an hour of the water's; none where nothing of it can be read. */
export function seenOf({ kind, detailVersion, detail }: WaterEntry, atHour: number): Seen[] {
  if (kind === 'fouled') return [{ atHour, kind }];
  if (kind === 'water-look') {
    const told = readAsNow(kind, detailVersion, detail);
    return told ? [{ atHour, kind: 'look', look: told.look }] : [];
  }
  if (kind === 'top-up') {
    const told = readAsNow(kind, detailVersion, detail);
    return told ? [{ atHour, kind, litres: told.litres }] : [];
  }
  const told = readAsNow(kind, detailVersion, detail);
  if (!told) return [];
  const { ph, us, chlorinePpm } = told;
  return [{ atHour, kind: 'reading', ph, us, chlorinePpm }];
}

/** What the water's law makes of the entries about one water, by the hour since it was filled. */
export const waterEvents = (
  entries: readonly WaterEntry[],
  filledAt: Date,
  against: HeldAgainst,
): WaterEvent[] =>
  eventsOf(
    entries.flatMap((e) => seenOf(e, (e.at.getTime() - filledAt.getTime()) / HOUR_MS)),
    against,
  );
