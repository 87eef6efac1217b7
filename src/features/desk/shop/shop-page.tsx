import { mayManage } from '@/core/actions/contract';
import { lastBackupJob } from '@/data/jobs';
import { shopDetails, shopPrinting } from '@/data/shops';
import { backupsHere } from '@/server/backups';
import { once } from '@/server/once';
import { inMyShop } from '@/server/session';
import { DeskTabs } from '../desk-tabs';
import { BackupsTold } from './backups-told';
import { DetailsForm } from './details-form';
import { PrintersForm } from './printers-form';

/** What the shop is: what stands on its cards, what it prints on, what is kept of it. */
export async function ShopPage() {
  const { me, details, job, printing } = await inMyShop(async (from, me) => {
    const [details, job, printing] = await Promise.all([
      once(from, shopDetails),
      lastBackupJob(await from.trx()),
      once(from, shopPrinting),
    ]);
    return { me, details, job, printing };
  });
  const backups = await backupsHere();
  const mayChange = mayManage(me.role);
  return (
    <section className="narrow stack">
      <DeskTabs here="/desk/shop" />
      <h1>The shop</h1>
      <p className="soft">
        What stands on its cards, and how sure its promises are.
        {mayChange ? '' : ' A manager changes it.'}
      </p>
      <DetailsForm details={details} mayChange={mayChange} />
      <h2>Printers</h2>
      <p className="soft">
        What they hold. Labels go one to a page where they come on a roll: choose that printer as you print.
      </p>
      <PrintersForm printing={printing} mayChange={mayChange} />
      <h2>Backups</h2>
      <BackupsTold backups={backups} job={job} isDemo={me.shop.demo} timeZone={me.shop.timeZone} />
    </section>
  );
}
