import { dayWords } from '@/core/calendar/format-date';
import { partsOf, type SpokenCard } from '@/core/care/compose-card';
import type { IssuedCard } from '@/core/care/card-for';
import { gainWords, sentenceDate } from '@/core/care/card-words';
import { languageOf, localeOf, type LanguageTag } from '@/core/words/catalogues';
import { m } from '@/core/words/message';
import { say } from '@/core/words/say';
import css from './send-off.module.css';

interface LinesProps {
  readonly lines: SpokenCard['lines'];
  readonly start: number;
  readonly tag: LanguageTag;
}

function Lines({ lines, start, tag }: LinesProps) {
  if (lines.length === 0) return null;
  return (
    <ol className={css.lines} start={start}>
      {lines.map((l) => {
        const gain = gainWords(l.gainDays);
        return (
          <li key={l.key}>
            {l.date && <strong>{dayWords(l.date, localeOf(tag))}: </strong>}
            {l.text}
            {gain && <em className={css.gain}> {say(gain, tag)}</em>}
          </li>
        );
      })}
    </ol>
  );
}

/** The care card, in the language it was written in. */
export function CardSheet({ issued }: { issued: IssuedCard }) {
  const { card } = issued;
  const { owed, more } = partsOf(card);
  const tag = issued.language ?? 'en';
  const locale = localeOf(tag);
  const foot = { promise: card.promise, date: sentenceDate(issued.date, locale) };
  return (
    <article className={css.card} lang={languageOf(tag)}>
      <header>
        <p className={`soft ${css.small}`}>{issued.shopName}</p>
        <h2>{issued.arrangementName}</h2>
        <p className={`soft ${css.small}`}>{issued.contents.join(', ')}</p>
      </header>
      {card.lead && <p className={css.lead}>{card.lead.words}</p>}
      <Lines lines={owed} start={1} tag={tag} />
      {more.length > 0 && <p className="soft">{say(m('card.more'), tag)}</p>}
      <Lines lines={more} start={owed.length + 1} tag={tag} />
      {card.together && <p className={css.gain}>{card.together}</p>}
      <dl className={`abreast ${css.dates}`}>
        <div>
          <dt>{say(m('card.first-fade'), tag)}</dt>
          <dd>{dayWords(card.dates.firstFade, locale)}</dd>
        </div>
        <div>
          <dt>{say(m(card.lead ? 'card.likely-gift' : 'card.still-gift'), tag)}</dt>
          <dd>{dayWords(card.dates.stillAGift, locale)}</dd>
        </div>
        <div>
          <dt>{say(m('card.last-stand'), tag)}</dt>
          <dd>{dayWords(card.dates.lastStand, locale)}</dd>
        </div>
      </dl>
      {card.rescue && (
        <p className={`soft ${css.small}`}>
          {card.rescue} {card.skip}
        </p>
      )}
      <ul className={`bare late ${css.small}`}>
        {card.cautions.map((c) => (
          <li key={c}>
            <span aria-hidden="true">△ </span>
            {c}
          </li>
        ))}
      </ul>
      <footer className={`soft ${css.small}`}>
        {issued.contact && <>{issued.contact}. </>}
        {say(m('card.foot', foot), tag)}
      </footer>
    </article>
  );
}
