import { tenths } from '@/core/numbers/tenths';
import type { LotView } from '@/server/stock';

/** What of a lot in stock an arrangement is made by: it goes to every tablet that makes one, for every lot. */
const SHOWN = [
  ...(['id', 'portionId', 'label', 'name', 'variety', 'colour', 'pail', 'decision', 'forDay'] as const),
  ...(['stemsLeft', 'speciesKey', 'habit', 'sapOpen', 'stands', 'stage', 'agedDays', 'arrival'] as const),
  ...(['daysSinceCut', 'daysSinceArrival', 'daysLeft', 'shareByDay'] as const),
];
export type MakeLot = Pick<LotView, (typeof SHOWN)[number]>;

/** The days behind it as its line draws them; what it is told and forecast from as it is. */
export function makeLot(lot: LotView): MakeLot {
  const shown = Object.fromEntries(SHOWN.map((key) => [key, lot[key]])) as unknown as MakeLot;
  return {
    ...shown,
    daysSinceCut: tenths(lot.daysSinceCut),
    daysSinceArrival: tenths(lot.daysSinceArrival),
  };
}
