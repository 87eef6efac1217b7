import { mayManage } from '@/core/actions/contract';
import { lastBackupJob } from '@/data/jobs';
import { manyPails, manyRetiredPails } from '@/data/pails';
import { manyRooms } from '@/data/rooms';
import { shopDetails, shopPrinting } from '@/data/shops';
import { backupsHere } from '@/server/backups';
import { inMyShop } from '@/server/session';
import { DeskTabs } from '../desk-tabs';
import css from '../desk.module.css';
import { BackupsTold } from './backups-told';
import { DetailsForm } from './details-form';
import { PailsTable } from './pails-table';
import { PrintersForm } from './printers-form';
import { RoomsTable } from './rooms-table';
import { WaterKept, waterKept } from './water-kept';

/** What the shop is: what stands on its cards, its rooms and its pails. */
export async function ShopPage() {
  const { me, details, rooms, pails, job, printing, water } = await inMyShop(async (trx, me) => {
    const [details, rooms, pails, retired, job, printing, water] = await Promise.all([
      shopDetails(trx),
      manyRooms(trx),
      manyPails(trx),
      manyRetiredPails(trx),
      lastBackupJob(trx),
      shopPrinting(trx),
      waterKept(trx, me),
    ]);
    return { me, details, rooms, pails: [...pails, ...retired], job, printing, water };
  });
  const backups = await backupsHere();
  const mayChange = mayManage(me.role);
  return (
    <section className={css.desk}>
      <DeskTabs here="/desk/shop" />
      <h1>The shop</h1>
      <p className="soft">
        What stands on its cards, how sure its promises are, and what flowers stand in.
        {mayChange ? '' : ' A manager changes it.'}
      </p>
      <DetailsForm details={details} mayChange={mayChange} />
      <WaterKept {...water} currency={details.currency} language={me.language} mayChange={mayChange} />
      <h2>Rooms</h2>
      <p className="soft">
        Forecasts take these figures for what stands in a room. A change holds from now: what stood there
        before stood in the air as it was.
      </p>
      <RoomsTable rooms={rooms} mayChange={mayChange} />
      <h2>Printers</h2>
      <p className="soft">
        What they hold. Labels go one to a page where they come on a roll: choose that printer as you print.
      </p>
      <PrintersForm printing={printing} mayChange={mayChange} />
      <h2>Backups</h2>
      <BackupsTold backups={backups} job={job} isDemo={me.shop.demo} timeZone={me.shop.timeZone} />
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
