import type { TimedAction } from '../timed-actions';
import type { Furnished } from '../furnish';
import { hourOfDay, pastVans, WEEKS } from '../history';
import { demoVan } from '../world';
import { arrangementsOfHistory, arrangementsOfLastDays } from './arrangements';
import { claimsOf } from './claims';
import { pailActions } from './pails';
import { toolActions } from './tools';
import { STOCK_DAYS, stockActions } from './stock';

const CLAIMED_BY = 2;

/**
 * A shop at work: eight weeks of vans, arrangements, claims and washing, the last days' stems in
 * their pails at every age, and all that is begun and not yet ended this morning.
 */
export function lastDays(now: Date, made: Furnished): TimedAction[] {
  const claims: TimedAction[] = [];
  const lotsOf = new Map<number, readonly string[]>();
  const vans = pastVans(now, STOCK_DAYS, made.rooms.get('bench') ?? '', (daysAgo, lotIds) => {
    lotsOf.set(daysAgo, lotIds);
  });
  const known = (daysAgo: number) => () => lotsOf.get(daysAgo) ?? [];
  for (let daysAgo = WEEKS * 7; daysAgo > 0; daysAgo--) {
    const came = hourOfDay(now, daysAgo, 0);
    claims.push(...claimsOf(demoVan(came), daysAgo, CLAIMED_BY, now, known(daysAgo)));
  }
  return [
    ...vans,
    ...stockActions(now, made, (daysAgo, lotIds) => lotsOf.set(daysAgo, lotIds)),
    ...arrangementsOfHistory(now, made),
    ...arrangementsOfLastDays(now, made),
    ...claims,
    ...pailActions(now, made),
    ...toolActions(now),
  ];
}
