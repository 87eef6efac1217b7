import { MINUTE_MS } from '../../core/calendar/spans';
import { onePailForUpdate } from '../../data/pails';
import type { Deed } from '../deeds';
import type { Furnished } from '../furnish';
import { hourOfDay, WEEKS } from '../history';
import { DEMO_PAILS, MORE_PAILS } from '../world';
import { fill, wash, type Washed } from './pail-steps';

/** Pails that nothing stands in: those behind the lots', to the last. */
const SPARE = 10;
const WASHED_A_DAY = 3;
const WASHED_FOR_DAYS = WEEKS * 7;
/** Every evening some spare pails are scrubbed, steeped and turned over. */
function eveningsOf(now: Date, spare: readonly string[]): Deed[] {
  const steps: readonly (readonly [to: Washed, hour: number])[] = [
    ['scrubbed', 18.6],
    ['contact', 18.7],
    ['sanitised', 18.9],
  ];
  return Array.from({ length: WASHED_FOR_DAYS }, (_, i) => WASHED_FOR_DAYS - i).flatMap((daysAgo) =>
    Array.from({ length: WASHED_A_DAY }, (_, n) => spare[(daysAgo * WASHED_A_DAY + n) % spare.length] ?? '')
      .filter((pailId) => pailId !== '')
      .flatMap((pailId, n) =>
        steps.map(([to, hour]): Deed => {
          const at = hourOfDay(now, daysAgo, hour + n * 0.02);
          const until = to === 'contact' ? hourOfDay(now, daysAgo, hour + n * 0.02 + 0.18) : null;
          return { at, person: 3, does: (trx, action) => wash(trx, action, pailId, to, until) };
        }),
      ),
  );
}

/** What is begun this morning: two in the solution with their clocks running, one scrubbed, two with water for the van. */
function thisMorning(now: Date, [first = '', second = '', third = '', ...rest]: readonly string[]): Deed[] {
  const minutesAgo = (minutes: number): Date => new Date(now.getTime() - minutes * MINUTE_MS);
  const steeps = (pailId: string, left: number): Deed => ({
    at: minutesAgo(10 - left),
    person: 3,
    does: (trx, action) => wash(trx, action, pailId, 'contact', new Date(now.getTime() + left * MINUTE_MS)),
  });
  const waiting = rest.slice(0, 2).map((pailId): Deed => ({
    at: minutesAgo(20),
    person: 2,
    does: async (trx, action) => {
      const pail = await onePailForUpdate(trx, pailId);
      await fill(trx, action, pail, {
        solution: 'flower-food',
        depth: 'third',
        tempC: 12,
        litres: 3,
        alone: false,
      });
    },
  }));
  return [
    steeps(first, 3),
    steeps(second, 7),
    { at: minutesAgo(6), person: 3, does: (trx, action) => wash(trx, action, third, 'scrubbed', null) },
    ...waiting,
  ];
}

/** Pails in every state, with the washing of eight weeks behind them. */
export function pailDeeds(now: Date, { pails }: Furnished): Deed[] {
  const spare = pails.slice(DEMO_PAILS.length + MORE_PAILS.length - SPARE);
  return [...eveningsOf(now, spare.slice(5)), ...thisMorning(now, spare)];
}
