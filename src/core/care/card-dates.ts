import { HORIZON_DAYS } from '../model/constants';
import { addDays } from '../calendar/dates';
import { m, dayNamed, type Message } from '../words/message';

/** A moment in the shop's zone: its calendar day, and how far into it. */
export interface LocalMoment {
  /** ISO date. */
  readonly date: string;
  /** 0 up to 24. */
  readonly hour: number;
}

/** The day on which so many days from a moment end: counted from the hour, said as the calendar has it. */
export const dayAfter = ({ date, hour }: LocalMoment, days: number): string =>
  addDays(date, hour / 24 + days);

/** What leads the card: the promise as a day, and the day it most likely lasts to. */
export interface CardLead {
  /** ISO dates; null where it outlives the forecast. */
  readonly until: string | null;
  readonly likely: string | null;
  readonly words: Message;
}

const isPast = (days: number): boolean => days >= HORIZON_DAYS;

/**
 * The promise as it is said: "Lovely until at least Tue 1 Dec, most likely Thu 3 Dec".
 * @param promised days still a gift at the shop's confidence, from then
 * @param likely days still a gift in the middle
 */
export function cardLead(from: LocalMoment, promised: number, likely: number): CardLead {
  const until = isPast(promised) ? null : dayAfter(from, promised);
  const most = isPast(likely) ? null : dayAfter(from, likely);
  if (until === null) return { until, likely: most, words: m('card.lead.more', { n: HORIZON_DAYS }) };
  const likelyWords =
    most === null
      ? m('card.lead.likely-over', { n: HORIZON_DAYS })
      : m('card.lead.likely', { day: dayNamed(most) });
  const told = { until: dayNamed(until), likely: most === until ? '' : likelyWords };
  return {
    until,
    likely: most,
    words: m(until === from.date ? 'card.lead.today' : 'card.lead.until', told),
  };
}
