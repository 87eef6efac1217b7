import { manyNewestEntries } from '@/data/record';
import { inMyShop } from '@/server/session';

const SHOWN = 60;

/** The desk: today only the record; the rest is said plainly as not built. */
export async function DeskPage() {
  const { entries, me } = await inMyShop(async (trx, me) => ({
    entries: await manyNewestEntries(trx, SHOWN),
    me,
  }));
  const when = new Intl.DateTimeFormat('en-GB', {
    timeZone: me.shop.timeZone,
    weekday: 'short',
    hour: '2-digit',
    minute: '2-digit',
  });
  return (
    <section style={{ maxWidth: 860 }}>
      <h1>The record</h1>
      <p style={{ margin: '14px 0 22px' }} className="soft">
        Everything done, newest first. An entry is never changed: a slip is taken back by another entry.
        Losses, claims, promises kept, suppliers and trials will stand here later; they are not built yet.
      </p>
      {entries.length === 0 ? (
        <p>Nothing has been done yet.</p>
      ) : (
        <ul className="rowlist">
          {entries.map((e) => (
            <li
              key={e.id}
              style={{
                display: 'grid',
                gridTemplateColumns: '96px minmax(0,1fr) auto',
                gap: 14,
                padding: '12px 0',
              }}
            >
              <span className="soft">{when.format(e.at)}</span>
              <span>
                {e.corrected ? <s>{e.words}</s> : e.words}
                {e.corrected && <span className="soft"> (taken back)</span>}
              </span>
              <strong>{e.personName}</strong>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
