import { tenths } from '@/core/numbers/tenths';
import type { Overrides } from '@/core/model/figures';
import { inARoom, type InARoom } from '@/core/stock/in-a-room';
import { byWhatGoesFirst } from '@/core/stock/goes-first';
import type { RoomRow } from '@/data/rooms';
import { lotView, type LotView, type Reader, type StockLot } from '@/server/stock';
import type { ShelfRow } from './shelf-row';

const HEAD = 8;

/** A room as a shelf: its lots, soonest to fade first. */
export interface Shelf {
  readonly room: RoomRow;
  readonly lots: readonly ShelfRow[];
  /** As many of them as are seen at once; the rest when they are asked for. */
  readonly head: readonly ShelfRow[];
  /** What ages fastest there; null where nothing stands in it. */
  readonly fastest: ShelfRow | null;
}

/** What its row shows of a lot: it goes to every tablet that looks. */
const rowOf = (view: LotView, air: InARoom): ShelfRow => {
  const { id, portionId, label, name, variety, pail, stemsLeft, decision, daysLeft, shareByDay } = view;
  const { daysSinceCut, daysSinceArrival } = view;
  return {
    ...{ id, portionId, label, name, variety, pail, stemsLeft, decision, daysLeft, shareByDay, ...air },
    ...{ daysSinceCut: tenths(daysSinceCut), daysSinceArrival: tenths(daysSinceArrival) },
  };
};

/** Each room with what stands in it. */
export function shelvesOf(
  rooms: readonly RoomRow[],
  stock: readonly StockLot[],
  { reader, overrides, at }: { reader: Reader; overrides: Overrides | null; at: Date },
): Shelf[] {
  const q10Of = (speciesKey: string): number =>
    overrides?.species?.[speciesKey]?.q10 ?? reader.species.byKey(speciesKey).q10;
  return rooms.map((room) => {
    const lots = stock
      .filter(({ lot }) => lot.roomId === room.id)
      .map((one) => lotView(one, at, reader))
      .sort(byWhatGoesFirst)
      .map((view): ShelfRow => {
        const { chillBelowC } = reader.species.byKey(view.speciesKey);
        return rowOf(view, inARoom({ chillBelowC, q10: q10Of(view.speciesKey) }, room.tempC));
      });
    const fastest = lots.reduce<ShelfRow | null>(
      (most, l) => (most === null || l.daysADay > most.daysADay ? l : most),
      null,
    );
    return { room, lots, head: lots.slice(0, HEAD), fastest };
  });
}
