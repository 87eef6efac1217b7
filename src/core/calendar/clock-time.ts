/** Minutes of a day. */
const DAY_MIN = 24 * 60;

/** A time of the day. */
export interface ClockTime {
  /** Minutes since midnight, 0 to 1439. */
  readonly minutes: number;
}

const WRITTEN = /^(\d{1,2})(?:[:.h]?(\d{2}))?\s*(am|pm)?$/i;

/** Hour and minute as they are written, with which half of the day where that is said; null where it is no time. */
function writtenIn(text: string): { hour: number; minute: number; half: string | null } | null {
  const short = /^(\d)(\d{2})$/.exec(text);
  if (short) return { hour: Number(short[1]), minute: Number(short[2]), half: null };
  const found = WRITTEN.exec(text);
  return found && { hour: Number(found[1]), minute: Number(found[2] ?? 0), half: found[3] ?? null };
}

/**
 * A time of the day as somebody types it: "06:40", "6.40", "640", "6h40", "6:40 pm", "7".
 * @returns null where it is none
 */
export function typedClock(text: string): ClockTime | null {
  const said = writtenIn(text.trim().toLowerCase().replace(/\s+/g, ' '));
  if (said === null || said.minute > 59) return null;
  const { hour, minute, half } = said;
  if (half === null) return hour > 23 ? null : { minutes: hour * 60 + minute };
  if (hour < 1 || hour > 12) return null;
  return { minutes: ((hour % 12) + (half === 'pm' ? 12 : 0)) * 60 + minute };
}

/** The same as it stands on a wall: "06:40". */
export const clockTold = ({ minutes }: ClockTime): string =>
  `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;

/**
 * When something must begin that is to be ready by then, in whole minutes and rather too early.
 * @param takesMin minutes, 0 and up
 * @returns the time of day, with how many days before that is
 */
export function beginBy(ready: ClockTime, takesMin: number): { at: ClockTime; daysBefore: number } {
  const begins = ready.minutes - Math.ceil(takesMin);
  const daysBefore = begins >= 0 ? 0 : Math.ceil(-begins / DAY_MIN);
  return { at: { minutes: begins + daysBefore * DAY_MIN }, daysBefore };
}
