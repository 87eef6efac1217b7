import { idOf, later, LOTS_A_DELIVERY, SUPPLIERS, upTo, type HistoryTable, type Years } from './years';

/** Claims, orders that never came, suppliers' words and weighings. */
export function dockTables(y: Years): HistoryTable[] {
  const { shopId, firstClaim } = y.shop;
  const lotOf = (n: number, count: number): number => Math.floor((n * y.lots) / count);
  return [
    {
      table: 'claim',
      columns:
        'id shop_id number delivery_id lot_id kind words stems value currency state opened_at opened_by due_at settled_value moved_at'.split(
          ' ',
        ),
      rows: function* () {
        for (const n of upTo(y.sizes.claims)) {
          const lot = lotOf(n, y.sizes.claims);
          const at = later(y.lotAt(lot), 2);
          const state = n % 50 === 0 ? 'open' : n % 3 === 0 ? 'refused' : 'credited';
          const moved = state === 'open' ? at : later(at, 100);
          const what = [y.lot(lot), 'broken', 'broken: 4 of 20', 5, 4.5, 'EUR', state, at, y.person(n)];
          const where = [
            idOf(12, n, at),
            shopId,
            firstClaim + n,
            y.delivery(Math.floor(lot / LOTS_A_DELIVERY)),
          ];
          yield [...where, ...what, later(at, 24), state === 'credited' ? 4 : null, moved];
        }
      },
    },
    {
      table: 'expected_delivery',
      columns: 'id shop_id supplier order_ref due_on state placed_at placed_by'.split(' '),
      rows: function* () {
        // Orders that never came and that nobody called off.
        for (const n of upTo(y.sizes.orders)) {
          const at = y.at(n, y.sizes.orders);
          const due = later(at, 24).toISOString().slice(0, 10);
          yield [idOf(13, n, at), shopId, SUPPLIERS[n % 3] ?? '', `O-${n}`, due, 'expected', at, y.person(n)];
        }
      },
    },
    {
      table: 'supplier_word',
      columns: ['shop_id', 'supplier', 'words', 'species_key', 'chosen_at'],
      rows: function* () {
        for (const n of upTo(y.sizes.claims))
          yield [shopId, SUPPLIERS[n % 3] ?? '', `made up word ${n}`, y.species(n), y.at(n, y.sizes.claims)];
      },
    },
    {
      table: 'bunch_weighing',
      columns: 'id shop_id lot_id species_key length_cm stems grams weighed_at weighed_by'.split(' '),
      rows: function* () {
        for (const n of upTo(y.sizes.claims)) {
          const lot = lotOf(n, y.sizes.claims);
          const at = y.lotAt(lot);
          const weighed = [y.species(lot), 60, 10, 380 + (n % 40), at, y.person(n)];
          yield [idOf(14, n, at), shopId, y.lot(lot), ...weighed];
        }
      },
    },
  ];
}
