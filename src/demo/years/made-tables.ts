import { predictArrangement } from '../../core/arrangement/predict-arrangement';
import type { ArrangementInput } from '../../core/arrangement/types';
import { TABLE } from '../../core/vase-life/table';
import { idOf, later, STEMS_A_LINE, upTo, type HistoryTable, type Years } from './years';

const INPUT: ArrangementInput = {
  seed: 1,
  draws: 60,
  confidence: 0.8,
  care: 'mixed',
  vessel: { kind: 'vase', litres: 1.5 },
  stays: [{ hours: null, ...TABLE, wet: true }],
  lines: ['rose', 'gerbera', 'statice'].map((species) => ({
    species,
    stems: 5,
    leafShare: 0.6,
    arrival: { agedDays: 1, stage: 0.2, droop: 'firm' },
  })),
};

/** The cards that went with what was made. */
function cardTable(y: Years): HistoryTable {
  const { shopId } = y.shop;
  return {
    table: 'care_card',
    columns: ['id', 'shop_id', 'arrangement_id', 'issued_at', 'issued_by', 'card'],
    rows: function* () {
      const card = { arrangementName: 'tray', shopName: '', contents: ['5 rose'], card: {} };
      for (const n of upTo(y.sizes.arrangements))
        if (y.hasCard(n))
          yield [
            idOf(11, n, y.madeAt(n)),
            shopId,
            y.arrangement(n),
            later(y.madeAt(n), 1),
            y.person(n),
            card,
          ];
    },
  };
}

/** What was made, and the cards that went with it. */
export function madeTables(y: Years): HistoryTable[] {
  const { shopId, benchId } = y.shop;
  const result = { ...predictArrangement(INPUT), habits: [] };
  const forecast = (n: number): string => idOf(9, n, y.madeAt(n));
  const all = y.sizes.arrangements;
  return [
    {
      table: 'forecast',
      columns: ['id', 'shop_id', 'issued_at', 'model_version', 'input', 'result'],
      rows: function* () {
        for (const n of upTo(all))
          yield [forecast(n), shopId, y.madeAt(n), result.modelVersion, INPUT, result];
      },
    },
    {
      table: 'arrangement',
      columns: 'id shop_id name vessel_kind litres solution made_at made_by forecast_id card_due'.split(' '),
      rows: function* () {
        for (const n of upTo(all)) {
          const made = [y.madeAt(n), y.person(n), forecast(n), !y.hasCard(n)];
          yield [y.arrangement(n), shopId, `tray, ${n}`, 'vase', 1.5, 'flower-food', ...made];
        }
      },
    },
    {
      table: 'arrangement_line',
      columns: ['shop_id', 'arrangement_id', 'lot_id', 'portion_id', 'stems'],
      rows: function* () {
        for (const n of upTo(all))
          for (const lot of y.lotsOf(n))
            yield [shopId, y.arrangement(n), y.lot(lot), y.portion(lot), STEMS_A_LINE];
      },
    },
    {
      table: 'stay',
      columns: 'id shop_id arrangement_id room_id temp_c humidity_pct lit_hours wet from_at'.split(' '),
      rows: function* () {
        for (const n of upTo(all)) {
          const at = y.madeAt(n);
          yield [idOf(10, n, at), shopId, y.arrangement(n), benchId, 18, 60, 12, true, at];
        }
      },
    },
    cardTable(y),
  ];
}
