import { Stack, VisuallyHidden } from '@mantine/core';
import { manyRooms } from '@/data/rooms';
import { once } from '@/server/once';
import { inMyShop } from '@/server/session';
import { readStock, STOCK_READS, stockNow } from '@/server/stock';
import { RoomShelf } from './room-shelf';
import { shelvesOf } from './shelves';

/** Where is it, how warm, what is ageing fastest: each room a shelf, its lots as life lines on one scale. */
export async function RoomsPage({ search }: { search: Record<string, string | string[] | undefined> }) {
  const { from, stock, rooms, reader } = await inMyShop(
    async (from, me, at) => {
      const [stock, rooms] = await Promise.all([readStock(from, me, at), once(from, manyRooms)]);
      return { from, stock, rooms, reader: me };
    },
    [...STOCK_READS, manyRooms],
  );
  const { at, overrides } = stock;
  const shelves = await from.made('rooms', [reader.language], at, async () =>
    shelvesOf(rooms, await stockNow(stock), { reader, overrides, at }),
  );
  const lots = shelves.flatMap((s) => s.lots);
  const scale = {
    pastDays: Math.max(3, ...lots.map((l) => Math.ceil(l.daysSinceCut))),
    aheadDays: Math.min(28, Math.max(8, ...lots.map((l) => Math.ceil(l.daysLeft.p90)))),
  };
  // The fullest shelf first: what stands in it is most of what there is to see to.
  const fullFirst = [...shelves].sort((a, b) => b.lots.length - a.lots.length);
  return (
    <Stack gap="xl">
      <VisuallyHidden component="h1">Rooms</VisuallyHidden>
      {fullFirst.map((shelf, i) => (
        <RoomShelf
          key={shelf.room.id}
          shelf={shelf}
          scale={scale}
          language={reader.language}
          isOnTop={i === 0}
          isWhole={search.room === shelf.room.id}
        />
      ))}
    </Stack>
  );
}
