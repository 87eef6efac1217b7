import { ENTRIES_A_LOT, idOf, later, STEMS_A_LOT, upTo, type HistoryTable, type Years } from './years';

/** What was entered, and the actions it was entered by. */
export function recordTables(y: Years): HistoryTable[] {
  const { shopId } = y.shop;
  const entryAt = (n: number): Date =>
    later(y.lotAt(Math.floor(n / ENTRIES_A_LOT)), (n % ENTRIES_A_LOT) / 10);
  const key = (n: number): string => idOf(8, n, entryAt(n));
  const binned = (lot: number) => {
    const stems = STEMS_A_LOT - y.madeOf(lot);
    return { stems, reason: 'past it', from: [{ portionId: y.portion(lot), stems }] };
  };
  return [
    {
      table: 'record_entry',
      columns: 'id shop_id action_key at person_id kind subject_kind subject_id words detail detail_v'.split(
        ' ',
      ),
      rows: function* () {
        for (const n of upTo(y.lots * ENTRIES_A_LOT)) {
          const lot = Math.floor(n / ENTRIES_A_LOT);
          const head = [n + 1, shopId, key(n), entryAt(n), y.person(n)];
          const words = `Lot ${y.shop.firstLot + lot}: protocol done`;
          if (n % ENTRIES_A_LOT < ENTRIES_A_LOT - 1)
            yield [...head, 'processed', 'lot', y.lot(lot), words, {}, 1];
          else yield [...head, 'bin', 'lot', y.lot(lot), 'What was left binned', binned(lot), 2];
        }
      },
    },
    {
      table: 'action',
      columns: 'seq shop_id key name person_id body_hash at logged_at'.split(' '),
      rows: function* () {
        for (const n of upTo(y.lots * ENTRIES_A_LOT)) {
          const at = entryAt(n);
          yield [n + 1, shopId, key(n), 'bench/done', y.person(n), '0'.repeat(64), at, at];
        }
      },
    },
  ];
}
