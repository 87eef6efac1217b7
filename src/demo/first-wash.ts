import { MINUTE_MS } from '../core/calendar/spans';
import type { TimedAction } from './timed-actions';
import { hourOfDay } from './history';
import { wash } from './pail-steps';
import type { DemoPail } from './world';

const EVENING_H = 18;
const SCRUB_MS = MINUTE_MS;
const CONTACT_MS = 10 * MINUTE_MS;

/** A dirty pail scrubbed, steeped for its ten minutes and turned over, from that moment on. */
export function washing(
  pailId: string,
  from: Date,
  person: number,
  onClean: () => void = () => {},
): TimedAction[] {
  const [contact, out] = [from.getTime() + SCRUB_MS, from.getTime() + SCRUB_MS + CONTACT_MS];
  return [
    { at: from, person, does: (trx, action) => wash(trx, action, pailId, 'scrubbed', null) },
    {
      at: new Date(contact),
      person,
      does: (trx, action) => wash(trx, action, pailId, 'contact', new Date(out)),
    },
    {
      at: new Date(out),
      person,
      does: async (trx, action) => {
        await wash(trx, action, pailId, 'sanitised', null);
        onClean();
      },
    },
  ];
}

/**
 * Pails come into the record dirty. Those that are to be clean are washed the evening before they are first
 * filled, or last evening where nothing fills them; those that are to stand scrubbed are scrubbed last evening.
 */
export function firstWashes(
  timedActions: readonly TimedAction[],
  pails: readonly { readonly id: string; readonly is: DemoPail['state'] }[],
  now: Date,
): TimedAction[] {
  const filledAt = new Map<string, Date>();
  for (const { fills, at } of timedActions)
    if (fills && !(at > (filledAt.get(fills) ?? at))) filledAt.set(fills, at);
  const person = 3;
  return pails.flatMap(({ id, is }, i): TimedAction[] => {
    if (is === 'dirty') return [];
    const evening = hourOfDay(filledAt.get(id) ?? now, 1, EVENING_H);
    const at = new Date(evening.getTime() + (i % 12) * MINUTE_MS);
    return is === 'sanitised'
      ? washing(id, at, person)
      : [{ at, person, does: (trx, action) => wash(trx, action, id, 'scrubbed', null) }];
  });
}
