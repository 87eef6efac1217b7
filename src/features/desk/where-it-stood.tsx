import { Table, TableTbody, TableTd, TableTh, TableThead, TableTr } from '@mantine/core';
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
      <Table aria-label="Where it stood">
        <TableThead>
          <TableTr>
            <TableTh>When</TableTh>
            <TableTh>Place</TableTh>
            <TableTh>Water</TableTh>
          </TableTr>
        </TableThead>
        <TableTbody>
          {stays.map((s) => (
            <TableTr key={`${s.no} ${s.fromAt.getTime()}`}>
              <TableTd>
                {isSplit && <strong>·{s.no} </strong>}
                {when(s.fromAt)}{' '}
                <span className="soft">{s.toAt ? `until ${when(s.toAt)}` : 'until now'}</span>
              </TableTd>
              <TableTd>{s.room}</TableTd>
              <TableTd>
                {s.pailId && (
                  <>
                    <Link href={`/pails/${s.pailId}`}>pail {s.pail}</Link>,{' '}
                  </>
                )}
                {waterWords(s, language)}
              </TableTd>
            </TableTr>
          ))}
        </TableTbody>
      </Table>
    </section>
  );
}
