import 'server-only';
import type { LocalMoment } from '@/core/care/card-dates';
import { MINUTE_MS } from '@/core/calendar/spans';
import { performance } from 'node:perf_hooks';
import { LRUCache } from 'lru-cache';
import { dayBeganMs, momentIn, type ZonedMoment } from '@/core/calendar/zones';

/**
 * How far the shop's clock is from the machine's. The start command works it out once for every
 * process; a process started by itself counts from its own beginning, the same in every bundle of it.
 */
function offsetMs(): number {
  const told = Number(process.env.HUSH_PAIL_CLOCK_OFFSET_MS ?? NaN);
  if (Number.isFinite(told)) return told;
  const setTo = Date.parse(process.env.HUSH_PAIL_NOW ?? '');
  return Number.isNaN(setTo) ? 0 : setTo - Math.round(performance.timeOrigin);
}

/** The shop's time. HUSH_PAIL_NOW sets it when the shop is started; it runs on from there. */
export function now(): Date {
  return new Date(Date.now() + offsetMs());
}

const moments = new LRUCache<string, ZonedMoment>({ max: 5000 });

/** Calendar date, hour of day and clock of a moment in the shop's zone; a page asks of few minutes, many times. */
export function inZone(at: Date, timeZone: string): ZonedMoment {
  const minute = Math.floor(at.getTime() / MINUTE_MS);
  const key = `${minute} ${timeZone}`;
  const known = moments.get(key);
  if (known) return known;
  const moment = momentIn(minute * MINUTE_MS, timeZone);
  moments.set(key, moment);
  return moment;
}

/** The shop's own clock as if it were the world's, ms: what days are counted from that are only shown. */
export const wallClockMs = (at: Date, timeZone: string): number => {
  const { date, clock } = inZone(at, timeZone);
  return Date.parse(`${date}T${clock}:00Z`);
};

/** The same as its day and how far into it, to the minute. */
export function localMoment(at: Date, timeZone: string): LocalMoment {
  const { date, clock } = inZone(at, timeZone);
  const [hours = 0, minutes = 0] = clock.split(':').map(Number);
  return { date, hour: hours + minutes / 60 };
}

/** When the day of a moment began in the shop's zone. */
export const dayBegan = (at: Date, timeZone: string): Date => new Date(dayBeganMs(at.getTime(), timeZone));
