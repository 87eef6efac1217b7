import { DAY_MS } from '../calendar/spans';

/** How long a pail that stands clean and upside down stays so, days: dust and splashes (estimate; a house's own wins). */
export const READY_DAYS = 1;

/** Whether a sanitised pail has stood so long that it counts as rinsed alone. */
export const hasStoodTooLong = (sanitisedAt: Date | null, at: Date, readyDays: number): boolean =>
  sanitisedAt !== null && at.getTime() - sanitisedAt.getTime() > readyDays * DAY_MS;
