import { say } from '@/core/words/say';
import { saidDate } from '@/core/calendar/said-dates';
import { ShopLink as Link } from '@/shell/shop-link';
import { manyNewestEntries } from '@/data/record';
import { inMyShop } from '@/server/session';
import { DeskTabs } from './desk-tabs';
import css from './desk.module.css';

const SHOWN = 60;
/** An entry that reached the record so long after it was made is said to have waited. */
const SENT_LATE_MS = 60_000;

/** The desk: today only the record; the rest is said plainly as not built. */
export async function DeskPage({ search }: { search: Record<string, string | string[] | undefined> }) {
  const before = typeof search.before === 'string' && /^\d{1,15}$/.test(search.before) ? search.before : null;
  const { entries, me } = await inMyShop(async (trx, me) => ({
    entries: await manyNewestEntries(trx, SHOWN, before === null ? undefined : Number(before)),
    me,
  }));
  const form = before === null ? 'weekday and clock' : 'date and clock';
  const when = (at: Date): string => saidDate(at.getTime(), me.shop.timeZone, form);
  return (
    <section className={css.desk}>
      <DeskTabs here="/desk" />
      <h1>The record</h1>
      <p className="soft">
        Everything done, newest first. An entry is never changed: a slip is taken back by another entry.
        Losses, claims, promises kept, suppliers and trials will stand here later; they are not built yet.
      </p>
      {entries.length === 0 ? (
        <p>{before === null ? 'Nothing has been done yet.' : 'Nothing was done before that.'}</p>
      ) : (
        <ul className="rowlist">
          {entries.map((e) => (
            <li key={e.id} className={css.entry}>
              <span className="soft">{when(e.at)}</span>
              <span>
                {e.corrected ? <s>{say(e.words, me.language)}</s> : say(e.words, me.language)}
                {e.corrected && <span className="soft"> (taken back)</span>}
                {e.loggedAt.getTime() - e.at.getTime() > SENT_LATE_MS && (
                  <span className="soft"> waited on its tablet until {when(e.loggedAt)}</span>
                )}
              </span>
              <span>
                <strong>{e.handsName ?? e.personName}</strong>
                {e.handsName && <span className="soft"> tapped by {e.personName}</span>}
              </span>
            </li>
          ))}
        </ul>
      )}
      <nav className={css.pages} aria-label="Pages of the record">
        {before !== null && (
          <Link className="plain" href="/desk">
            Newest
          </Link>
        )}
        {entries.length === SHOWN && (
          <Link className="plain" href={`/desk?before=${entries.at(-1)?.id}`}>
            Earlier
          </Link>
        )}
      </nav>
    </section>
  );
}
