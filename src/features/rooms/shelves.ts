import type { Overrides } from '@/core/model/figures';
import { inARoom } from '@/core/stock/in-a-room';
import { byWhatGoesFirst } from '@/core/stock/goes-first';
import type { RoomRow } from '@/data/rooms';
import { lotView, type LotView, type Reader, type StockLot } from '@/server/stock';

/** A portion as it stands on a shelf. */
export interface ShelfLot {
  readonly view: LotView;
  /** Days of life at 20 °C it spends in a day there. */
  readonly daysADay: number;
  readonly isTooCold: boolean;
}

/** A room as a shelf: its lots, soonest to fade first. */
export interface Shelf {
  readonly room: RoomRow;
  readonly lots: readonly ShelfLot[];
  /** What ages fastest there; null where nothing stands in it. */
  readonly fastest: ShelfLot | null;
}

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
      .map((one): ShelfLot => {
        const species = reader.species.byKey(one.lot.speciesKey);
        const air = inARoom({ ...species, q10: q10Of(species.key) }, room.tempC);
        return { view: lotView(one, at, reader), ...air };
      })
      .sort((a, b) => byWhatGoesFirst(a.view, b.view));
    const fastest = lots.reduce<ShelfLot | null>(
      (most, l) => (most === null || l.daysADay > most.daysADay ? l : most),
      null,
    );
    return { room, lots, fastest };
  });
}
