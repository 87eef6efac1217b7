import { partsOf, type CareLine } from '@/core/care/compose-card';
import type { IssuedCard } from '@/core/care/card-for';
import { dayWords, gainWords, sentenceDate } from '@/core/care/card-words';
import css from './send-off.module.css';

function Lines({ lines, start }: { lines: readonly CareLine[]; start: number }) {
  if (lines.length === 0) return null;
  return (
    <ol className={css.lines} start={start}>
      {lines.map((l) => (
        <li key={l.key}>
          {l.date && <strong>{dayWords(l.date)}: </strong>}
          {l.text}
          {gainWords(l.gainDays) && <em className={css.gain}> {gainWords(l.gainDays)}</em>}
        </li>
      ))}
    </ol>
  );
}

/** The care card, one A6 side, as it prints. */
export function CardSheet({ issued }: { issued: IssuedCard }) {
  const { card } = issued;
  const { owed, more } = partsOf(card);
  return (
    <article className={css.card}>
      <header>
        <p className={css.shop}>{issued.shopName}</p>
        <h2>{issued.arrangementName}</h2>
        <p className={css.contents}>{issued.contents.join(', ')}</p>
      </header>
      {card.lead && <p className={css.lead}>{card.lead.words}</p>}
      <Lines lines={owed} start={1} />
      {more.length > 0 && <p className={css.more}>For longer still</p>}
      <Lines lines={more} start={owed.length + 1} />
      {card.together && <p className={css.gain}>{card.together}</p>}
      <dl className={css.cardDates}>
        <div>
          <dt>Something to pull</dt>
          <dd>{dayWords(card.dates.firstFade)}</dd>
        </div>
        <div>
          <dt>{card.lead ? 'Most likely a gift until' : 'Still a gift until'}</dt>
          <dd>{dayWords(card.dates.stillAGift)}</dd>
        </div>
        <div>
          <dt>Last stand</dt>
          <dd>{dayWords(card.dates.lastStand)}</dd>
        </div>
      </dl>
      {card.rescue && (
        <p className={css.rescue}>
          {card.rescue} {card.skip}
        </p>
      )}
      <ul className={css.cautions}>
        {card.cautions.map((c) => (
          <li key={c}>{c}</li>
        ))}
      </ul>
      <footer>
        We promise {card.promise} from {sentenceDate(issued.date)}. Not veterinary or medical advice.
      </footer>
    </article>
  );
}
