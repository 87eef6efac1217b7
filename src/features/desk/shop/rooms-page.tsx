import { mayManage } from '@/core/actions/contract';
import { manyPails, manyRetiredPails } from '@/data/pails';
import { manyRooms } from '@/data/rooms';
import { once } from '@/server/once';
import { inMyShop } from '@/server/session';
import { DeskTabs } from '../desk-tabs';
import { PailsTable } from './pails-table';
import { RoomsTable } from './rooms-table';

/** What flowers stand in: the shop's rooms and its pails. */
export async function RoomsPage() {
  const { me, rooms, pails } = await inMyShop(async (from, me) => {
    const [rooms, pails, retired] = await Promise.all([
      once(from, manyRooms),
      once(from, manyPails),
      once(from, manyRetiredPails),
    ]);
    return { me, rooms, pails: [...pails, ...retired] };
  });
  const mayChange = mayManage(me.role);
  return (
    <section className="narrow stack">
      <DeskTabs here="/desk/rooms" />
      <h1>Rooms and pails</h1>
      <p className="soft">
        Forecasts take these figures for what stands in a room. A change holds from now: what stood there
        before stood in the air as it was.{mayChange ? '' : ' A manager changes it.'}
      </p>
      <RoomsTable rooms={rooms} mayChange={mayChange} />
      <h2>Pails</h2>
      <p className="soft">
        A retired pail keeps its history and its number. New ones begin unwashed; their labels are printed
        from the pails.
      </p>
      <PailsTable
        pails={pails.map((p) => ({
          id: p.id,
          name: p.name,
          litres: p.sizeL,
          ...{ heightCm: p.heightCm, form: p.form, colour: p.colour, roomId: p.roomId },
          isRetired: p.retiredAt !== null,
        }))}
        rooms={rooms.map(({ id, name }) => ({ id, name }))}
        mayChange={mayChange}
      />
    </section>
  );
}
