import { MINUTE_MS } from '../../core/calendar/spans';
import type { Trx } from '../../data/connection';
import { changePail, fillPail, onePailForUpdate } from '../../data/pails';
import { writeEntry, type Action } from '../../data/record';
import type { Deed } from '../deeds';
import type { Furnished } from '../furnish';
import { hourOfDay } from '../history';
import { DEMO_PAILS, MORE_PAILS } from '../world';

/** Pails that nothing stands in: those behind the lots', to the last. */
const SPARE = 10;
const WASHED_A_DAY = 3;
const WASHED_FOR_DAYS = 56;
type Washed = 'scrubbed' | 'contact' | 'sanitised';

/** One step of washing a pail, as whoever did it logged it. */
async function wash(trx: Trx, action: Action, pailId: string, to: Washed, until: Date | null): Promise<void> {
  const pail = await onePailForUpdate(trx, pailId);
  await changePail(trx, pailId, {
    state: to,
    contact_until: until,
    ...(to === 'sanitised' ? { sanitised_at: action.at } : {}),
  });
  await writeEntry(trx, action, {
    kind: 'wash',
    subjectKind: 'pail',
    subjectId: pailId,
    says: { message: 'record.wash', with: { pail: pail.name, wash: { message: `record.wash.${to}` } } },
    detail: { from: pail.state, to },
  });
}

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
      const filling = { solution: 'flower-food', depth: 'third', tempC: 12, litres: 3 } as const;
      const fillId = await fillPail(
        trx,
        action.shopId,
        pail,
        { ...filling, alone: false, overrideReason: null },
        action.at,
      );
      await writeEntry(trx, action, {
        kind: 'fill',
        subjectKind: 'pail',
        subjectId: pailId,
        says: {
          message: 'record.filled',
          with: {
            pail: pail.name,
            litres: filling.litres,
            tempC: filling.tempC,
            solution: { message: 'solution.flower-food', low: true },
          },
        },
        detail: { fillId, litres: filling.litres },
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
