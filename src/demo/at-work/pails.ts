import { MINUTE_MS } from '../../core/calendar/spans';
import { onePailForUpdate } from '../../data/pails';
import type { TimedAction } from '../timed-actions';
import type { Furnished } from '../furnish';
import { hourOfDay, WEEKS } from '../history';
import { DEMO_PAILS, MORE_PAILS } from '../world';
import { washing } from '../first-wash';
import { fill, tipOut, wash } from '../pail-steps';

/** Pails that nothing stands in: those behind the lots', to the last. */
const SPARE = 10;
const WASHED_A_DAY = 3;
const WASHED_FOR_DAYS = WEEKS * 7;
const FLOOR_WATER = { solution: 'flower-food', depth: 'third', tempC: 12, litres: 3, alone: false } as const;

const filling = (pailId: string, at: Date): TimedAction => ({
  at,
  person: 2,
  fills: pailId,
  does: async (trx, action) => {
    await fill(trx, action, await onePailForUpdate(trx, pailId), FLOOR_WATER);
  },
});
const tippingOut = (pailId: string, at: Date): TimedAction => ({
  at,
  person: 3,
  does: async (trx, action) => tipOut(trx, action, await onePailForUpdate(trx, pailId)),
});

/** Some spare pails hold the counter's bunches for a day; in the evening they are tipped out, scrubbed, steeped and turned over. */
function eveningsOf(now: Date, spare: readonly string[]): TimedAction[] {
  return Array.from({ length: WASHED_FOR_DAYS }, (_, i) => WASHED_FOR_DAYS - i).flatMap((daysAgo) =>
    Array.from({ length: WASHED_A_DAY }, (_, n) => spare[(daysAgo * WASHED_A_DAY + n) % spare.length] ?? '')
      .filter((pailId) => pailId !== '')
      .flatMap((pailId, n) => [
        filling(pailId, hourOfDay(now, daysAgo, 8.2 + n * 0.02)),
        tippingOut(pailId, hourOfDay(now, daysAgo, 18.5 + n * 0.02)),
        ...washing(pailId, hourOfDay(now, daysAgo, 18.6 + n * 0.02), 3),
      ]),
  );
}

/** What is begun this morning: two in the solution with their clocks running, one scrubbed, two with water for the van. */
function thisMorning(
  now: Date,
  [first = '', second = '', third = '', ...rest]: readonly string[],
): TimedAction[] {
  const minutesAgo = (minutes: number): Date => new Date(now.getTime() - minutes * MINUTE_MS);
  const usedYesterday = [first, second, third].flatMap((pailId) => [
    filling(pailId, hourOfDay(now, 1, 8.4)),
    tippingOut(pailId, hourOfDay(now, 1, 18.2)),
  ]);
  const scrubs = (pailId: string, ago: number): TimedAction => ({
    at: minutesAgo(ago),
    person: 3,
    does: (trx, action) => wash(trx, action, pailId, 'scrubbed', null),
  });
  const steeps = (pailId: string, left: number): TimedAction[] => [
    scrubs(pailId, 12 - left),
    {
      at: minutesAgo(10 - left),
      person: 3,
      does: (trx, action) => wash(trx, action, pailId, 'contact', new Date(now.getTime() + left * MINUTE_MS)),
    },
  ];
  return [
    ...usedYesterday,
    ...steeps(first, 3),
    ...steeps(second, 7),
    scrubs(third, 2),
    ...rest.slice(0, 2).map((pailId) => filling(pailId, minutesAgo(20))),
  ];
}

/** Pails in every state, with the washing of eight weeks behind them. */
export function pailActions(now: Date, { pails }: Furnished): TimedAction[] {
  const spare = pails.slice(DEMO_PAILS.length + MORE_PAILS.length - SPARE);
  return [...eveningsOf(now, spare.slice(5)), ...thisMorning(now, spare)];
}
