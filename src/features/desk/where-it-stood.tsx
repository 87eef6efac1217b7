import { PlainTable } from '@/shell/plain-table';
import { formatDate } from '@/core/calendar/format-date';
import { solutionInSentence } from '@/core/water/solution-words';
import { localeOf, type LanguageTag } from '@/core/words/catalogues';
import { say } from '@/core/words/say';
import type { LotStay } from '@/data/pail-history';
import { ShopLink as Link } from '@/shell/shop-link';

interface Props {
  readonly lot: string;
  readonly stays: readonly LotStay[];
  readonly timeZone: string;
  readonly language: LanguageTag;
}

function waterWords({ wet, solution, start }: LotStay, language: LanguageTag): string {
  if (solution === null) return wet ? 'the water it came in' : 'dry';
  return `${say(solutionInSentence(solution), language)}${start === 'clean' ? '' : ', filled unsanitised'}`;
}

/** Where a lot's stems were since they came: place, pail and water, one line after the other. */
export function WhereItStood({ lot, stays, timeZone, language }: Props) {
  const when = (at: Date): string => formatDate(at.getTime(), timeZone, 'day and clock', localeOf(language));
  const isSplit = stays.some((s) => s.no > 1);
  return (
    <section aria-label="Where it stood">
      <h2>Where lot {lot} stood</h2>
      <PlainTable aria-label="Where it stood">
        <thead>
          <tr>
            <th>When</th>
            <th>Place</th>
            <th>Water</th>
          </tr>
        </thead>
        <tbody>
          {stays.map((s) => (
            <tr key={`${s.no} ${s.fromAt.getTime()}`}>
              <td>
                {isSplit && <strong>·{s.no} </strong>}
                {when(s.fromAt)}{' '}
                <span className="soft">{s.toAt ? `until ${when(s.toAt)}` : 'until now'}</span>
              </td>
              <td>{s.room}</td>
              <td>
                {s.pailId && (
                  <>
                    <Link href={`/pails/${s.pailId}`}>pail {s.pail}</Link>,{' '}
                  </>
                )}
                {waterWords(s, language)}
              </td>
            </tr>
          ))}
        </tbody>
      </PlainTable>
    </section>
  );
}
