import { dockTables } from './dock-tables';
import { madeTables } from './made-tables';
import { recordTables } from './record-tables';
import { stockTables } from './stock-tables';
import { ENTRIES_A_LOT, LOTS_A_DELIVERY, Years, type HistoryTable, type ShopThere } from './years';

/** What a year of a busy shop is made of. */
const A_YEAR = { deliveries: 2000, arrangements: 8000, claims: 600, orders: 300 } as const;

/**
 * Years of a shop behind what is there: all of it used up, settled or sent off, but for what a shop
 * never gets round to (a card in fifty not written, a claim in fifty not sent, orders that never came).
 * @param years 5 makes 10,000 deliveries of 100,000 lots, 1.5 million entries, 40,000 arrangements
 */
export function historyOf(shop: ShopThere, years: number): HistoryTable[] {
  const sizes = {
    deliveries: Math.round(A_YEAR.deliveries * years),
    arrangements: Math.round(A_YEAR.arrangements * years),
    claims: Math.round(A_YEAR.claims * years),
    orders: Math.round(A_YEAR.orders * years),
    days: 365 * years,
  };
  const y = new Years(shop, sizes);
  return [...stockTables(y), ...recordTables(y), ...madeTables(y), ...dockTables(y)];
}

/** How many entries of the record a history has. */
export const entriesOf = (years: number): number =>
  Math.round(A_YEAR.deliveries * years) * LOTS_A_DELIVERY * ENTRIES_A_LOT;
