import Link from 'next/link';
import {
  manyArrangementLines,
  manyArrangements,
  manyNewestCards,
  maybeArrangement,
} from '@/data/arrangements';
import { inZone } from '@/server/clock';
import { houseOf } from '@/server/house';
import { inMyShop } from '@/server/session';
import { CardSheet } from './card-sheet';
import { cardFor } from './card-for';
import { IssueButton } from './issue-button';
import css from './send-off.module.css';
import { forecastWaiting, staysOfArrangement } from './waiting-forecast';

/** When it was made, as somebody at the counter says it. */
function madeWords(madeAt: Date, at: Date, timeZone: string): string {
  const [made, today] = [inZone(madeAt, timeZone), inZone(at, timeZone)];
  return made.date === today.date ? `at ${made.clock}` : `on ${made.date.slice(5)} at ${made.clock}`;
}

/** What do we tell the customer: the card itself, as it will print. */
export async function SendOffPage({ search }: { search: Record<string, string | string[] | undefined> }) {
  const asked =
    typeof search.arrangement === 'string' && /^[0-9a-f-]{36}$/.test(search.arrangement)
      ? search.arrangement
      : null;
  const { made, cards, chosen, about } = await inMyShop(async (trx, me, at) => {
    const made = await manyArrangements(trx, 30);
    const chosen =
      (asked ? await maybeArrangement(trx, asked) : undefined) ??
      made.find((a) => !a.cardId) ??
      made[0] ??
      null;
    const cards = await manyNewestCards(trx, 12);
    const about = chosen && {
      lines: await manyArrangementLines(trx, chosen.id),
      stays: await staysOfArrangement(trx, chosen),
      schools: (await houseOf(trx)).schools,
      shop: me.shop,
      at,
    };
    return { made, cards, chosen, about };
  });
  // Worked out once nothing is held any more: a forecast takes longer than a page may keep a connection.
  const draft =
    chosen &&
    about &&
    cardFor(
      chosen,
      about.lines,
      await forecastWaiting(chosen, about.stays, about.at),
      about.shop,
      about.at,
      about.schools,
    );
  if (!chosen || !draft)
    return (
      <section>
        <h1>Nothing has been made yet</h1>
        <p style={{ margin: '14px 0 24px' }}>
          A card is written for an arrangement: for its stems, its vessel and its days.
        </p>
        <Link className="plain" href="/make">
          Make one
        </Link>
      </section>
    );
  const issued = cards.find((c) => c.id === chosen.cardId);
  return (
    <div className={css.sendOff}>
      <section aria-label="Made">
        <h2>Made</h2>
        <ul className="rowlist">
          {made.map((a) => (
            <li key={a.id}>
              <Link
                className={css.row}
                href={`/send-off?arrangement=${a.id}`}
                aria-current={a.id === chosen.id ? 'true' : undefined}
              >
                <strong>{a.name}</strong>
                <span className={a.cardId ? 'soft' : css.todo}>
                  {a.cardId ? 'card issued' : 'no card yet'}
                </span>
                <span className="soft">
                  {a.stems} stems, {a.vesselKind}, made {madeWords(a.madeAt, about.at, about.shop.timeZone)}
                </span>
              </Link>
            </li>
          ))}
        </ul>
      </section>
      <section aria-label="The card" className={css.cardSide}>
        <CardSheet issued={issued?.card ?? draft} />
        {issued ? (
          <div className={css.actions}>
            <Link className="deed" href={`/card/${issued.id}`}>
              Print it
            </Link>
            <a className="plain" href={`/card/${issued.id}/pdf`}>
              A6 PDF
            </a>
            <IssueButton arrangementId={chosen.id} again />
          </div>
        ) : (
          <IssueButton arrangementId={chosen.id} again={false} />
        )}
        <p className="soft">
          {issued ? 'Kept as it was issued; print it again at will.' : 'A draft, as it would print today.'}
        </p>
      </section>
    </div>
  );
}
