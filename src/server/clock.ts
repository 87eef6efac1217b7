import 'server-only';

const startedAt = Date.now();
const setTo = process.env.HUSH_PAIL_NOW ? Date.parse(process.env.HUSH_PAIL_NOW) : NaN;
const offsetMs = Number.isNaN(setTo) ? 0 : setTo - startedAt;

/** The shop's time. HUSH_PAIL_NOW sets it when the server starts; it runs on from there. */
export function now(): Date {
  return new Date(Date.now() + offsetMs);
}

/** Calendar date, hour of day and clock of a moment in the shop's zone. */
export function inZone(at: Date, timeZone: string): { date: string; hour: number; clock: string } {
  const parts = new Intl.DateTimeFormat('en-CA', {
    timeZone,
    hourCycle: 'h23',
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
  }).formatToParts(at);
  const of = (type: string): string => parts.find((p) => p.type === type)?.value ?? '';
  return {
    date: `${of('year')}-${of('month')}-${of('day')}`,
    hour: Number(of('hour')),
    clock: `${of('hour')}:${of('minute')}`,
  };
}
