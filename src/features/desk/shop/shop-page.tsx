import { mayManage } from '@/core/actions/contract';
import { FOODS } from '@/core/water/food';
import { solutionWords } from '@/core/water/solution-words';
import { say } from '@/core/words/say';
import { lastBackupJob } from '@/data/jobs';
import { manyPails, manyRetiredPails } from '@/data/pails';
import { manyRooms } from '@/data/rooms';
import { shopDetails, shopPrinting } from '@/data/shops';
import { maybeTap } from '@/data/tap';
import { backupsHere } from '@/server/backups';
import { foodsOf } from '@/server/foods';
import { sanitiserOf } from '@/server/sanitiser';
import { inMyShop } from '@/server/session';
import { DeskTabs } from '../desk-tabs';
import css from '../desk.module.css';
import { BackupsTold } from './backups-told';
import { DetailsForm } from './details-form';
import { PailsTable } from './pails-table';
import { DevicesForm } from './devices-form';
import { deviceViews } from './devices-view';
import { FoodForm } from './food-form';
import { SanitiserForm } from './sanitiser-form';
import { PrintersForm } from './printers-form';
import { RoomsTable } from './rooms-table';
import { TapForm } from './tap-form';

/** What the shop is: what stands on its cards, its rooms and its pails. */
export async function ShopPage() {
  const { me, details, rooms, pails, retired, sanitiser, foods, job, printing, tap, devices } =
    await inMyShop(async (trx, me) => {
      const [details, rooms, pails, retired, sanitiser, foods, job, printing, tap, devices] =
        await Promise.all([
          shopDetails(trx),
          manyRooms(trx),
          manyPails(trx),
          manyRetiredPails(trx),
          sanitiserOf(trx),
          foodsOf(trx),
          lastBackupJob(trx),
          shopPrinting(trx),
          maybeTap(trx),
          deviceViews(trx, me),
        ]);
      return { me, details, rooms, pails, retired, sanitiser, foods, job, printing, tap, devices };
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
      <h2>What pails are sanitised with</h2>
      <p className="soft">
        Doses are worked out from it, for the bottle as old as it is. Its label and local rules come first.
      </p>
      <SanitiserForm sanitiser={sanitiser} currency={details.currency} mayChange={mayChange} />
      <h2>What flowers are fed with</h2>
      <p className="soft">
        By the label: how much goes into a pail is told wherever one is filled, in sachets or in a scoop that
        was weighed once. A sachet is never parted.
      </p>
      <FoodForm
        foods={foods}
        offered={FOODS.map((key) => ({ value: key, words: say(solutionWords(key), me.language) }))}
        mayChange={mayChange}
      />
      <h2>What the tap gives</h2>
      <p className="soft">
        A strip’s pH and a meter’s conductivity say how much food is in a pail by what they are over or under
        the tap’s own. {tap ? '' : 'A town’s usual water is taken until somebody measures yours.'}
      </p>
      <TapForm tap={tap} mayChange={mayChange} />
      <h2>What reads by itself</h2>
      <p className="soft">
        A doser that counts its strokes, a reader of strips: what it reads counts for the pail it was held
        into.
      </p>
      <DevicesForm devices={devices} mayChange={mayChange} />
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
        pails={[...pails, ...retired].map((p) => ({
          id: p.id,
          name: p.name,
          litres: p.sizeL,
          heightCm: p.heightCm,
          isRetired: p.retiredAt !== null,
        }))}
        mayChange={mayChange}
      />
    </section>
  );
}
