import { DAY_MS } from '../../core/calendar/spans';
import {
  idOf,
  later,
  LOTS_A_DELIVERY,
  STEMS_A_LOT,
  STEPS_A_LOT,
  SUPPLIERS,
  upTo,
  type HistoryTable,
  type Years,
} from './years';

function deliveryTable(y: Years): HistoryTable {
  const { shopId } = y.shop;
  return {
    table: 'delivery',
    columns: ['id', 'shop_id', 'supplier', 'delivery_ref', 'booked_at', 'booked_by'],
    rows: function* () {
      for (const d of upTo(y.sizes.deliveries))
        yield [y.delivery(d), shopId, SUPPLIERS[d % 3] ?? '', `H-${d}`, y.deliveryAt(d), y.person(d)];
    },
  };
}

function lotTable(y: Years): HistoryTable {
  const { shopId, firstLot } = y.shop;
  return {
    table: 'lot',
    columns:
      'id shop_id number delivery_id line species_key variety stems_booked stems_left cut_date packing arrived_at aged_days stage droop looked_at'.split(
        ' ',
      ),
    rows: function* () {
      for (const n of upTo(y.lots)) {
        const at = y.lotAt(n);
        const line = (n % LOTS_A_DELIVERY) + 1;
        const cut = new Date(at.getTime() - 2 * DAY_MS).toISOString().slice(0, 10);
        const whose = y.delivery(Math.floor(n / LOTS_A_DELIVERY));
        const state = n % 7 === 0 ? 'soft' : 'firm';
        const head = [y.lot(n), shopId, firstLot + n, whose, line, y.species(n), `No. ${n % 40}`];
        yield [...head, STEMS_A_LOT, 0, cut, 'dry crate', at, 1.4, 0.2, state, later(at, 1)];
      }
    },
  };
}

function portionTable(y: Years): HistoryTable {
  const { shopId } = y.shop;
  return {
    table: 'portion',
    columns: ['id', 'shop_id', 'lot_id', 'no', 'stems'],
    rows: function* () {
      for (const n of upTo(y.lots)) yield [y.portion(n), shopId, y.lot(n), 1, 0];
    },
  };
}

function stepTable(y: Years): HistoryTable {
  const { shopId, step } = y.shop;
  return {
    table: 'protocol_step',
    columns:
      'id shop_id portion_id plan_no position kind step status started_at due_at ended_at is_live'.split(' '),
    rows: function* () {
      for (const n of upTo(y.lots * STEPS_A_LOT)) {
        const [lot, position] = [Math.floor(n / STEPS_A_LOT), n % STEPS_A_LOT];
        const at = y.lotAt(lot);
        // The last change of water was begun and never came: the stems were sold before.
        const status = position === STEPS_A_LOT - 1 ? 'running' : 'done';
        const kind = position === STEPS_A_LOT - 1 ? 'recut' : 'cut';
        const times =
          status === 'running' ? [later(at, 2), later(at, 72), null] : [later(at, 1), null, later(at, 1)];
        yield [idOf(4, n, at), shopId, y.portion(lot), 1, position, kind, step, status, ...times, false];
      }
    },
  };
}

function fillTable(y: Years): HistoryTable {
  const { shopId, pails } = y.shop;
  return {
    table: 'pail_fill',
    columns: 'id shop_id pail_id filled_at litres solution temp_c depth start emptied_at'.split(' '),
    rows: function* () {
      for (const d of upTo(y.sizes.deliveries)) {
        const at = y.deliveryAt(d);
        const pail = pails[d % pails.length] ?? '';
        yield [idOf(5, d, at), shopId, pail, later(at, 1), 4, 'plain', 18, 'normal', 'clean', later(at, 70)];
      }
    },
  };
}

function stayTable(y: Years): HistoryTable {
  const { shopId, benchId } = y.shop;
  return {
    table: 'stay',
    columns:
      'id shop_id portion_id room_id temp_c humidity_pct lit_hours wet fill_id from_at to_at follows'.split(
        ' ',
      ),
    rows: function* () {
      for (const n of upTo(y.lots)) {
        const at = y.lotAt(n);
        const d = Math.floor(n / LOTS_A_DELIVERY);
        const fill = idOf(5, d, y.deliveryAt(d));
        const place = [y.portion(n), benchId, 17, 65, 10];
        yield [idOf(7, 2 * n, at), shopId, ...place, false, null, at, later(at, 1), null];
        yield [
          idOf(7, 2 * n + 1, at),
          shopId,
          ...place,
          true,
          fill,
          later(at, 1),
          later(at, 70),
          later(at, 1),
        ];
      }
    },
  };
}

/** Deliveries with their lots, steps, water and stays: all of it used up. */
export const stockTables = (y: Years): HistoryTable[] =>
  [deliveryTable, lotTable, portionTable, stepTable, fillTable, stayTable].map((of) => of(y));
