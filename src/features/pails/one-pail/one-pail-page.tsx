import { Stack } from '@mantine/core';
import { PlainTable } from '@/shell/plain-table';
import { notFound } from 'next/navigation';
import { formatDate } from '@/core/calendar/format-date';
import { measured } from '@/core/units/measures';
import { localeOf, unitsOf } from '@/core/words/catalogues';
import { inMyShop } from '@/server/session';
import { Feedback } from '@/shell/feedback';
import { ShopLink as Link } from '@/shell/shop-link';
import { CountChart } from './count-chart';
import { HISTORY_DAYS, pailHistory, type FillShown } from './history';

const STATE = {
  dirty: 'to be scrubbed',
  scrubbed: 'scrubbed, not sanitised yet',
  contact: 'in the solution',
  sanitised: 'clean, upside down',
  filled: 'with water',
} as const;

type When = (at: number) => string;

function FillRow({ fill, when, litres }: { fill: FillShown; when: When; litres: string }) {
  return (
    <tr>
      <td>
        {when(fill.filledAt)}
        <br />
        <span className="soft">
          {fill.emptiedAt === null ? 'stands now' : `until ${when(fill.emptiedAt)}`}
        </span>
      </td>
      <td>
        {litres}, {fill.solution.toLowerCase()}
        {!fill.isClean && (
          <>
            <br />
            <strong>filled unsanitised</strong>
            {fill.reason && <span className="soft">: {fill.reason}</span>}
          </>
        )}
      </td>
      <td>
        {fill.lots.length === 0 && <span className="soft">nothing</span>}
        {fill.lots.map((l) => (
          <div key={`${l.words} ${l.from}`}>
            <Link href={`/dock?lot=${l.lotId}`}>{l.words}</Link>
            {l.from > fill.filledAt && <span className="soft"> from {when(l.from)}</span>}
            {l.to !== null && l.to !== fill.emptiedAt && <span className="soft"> until {when(l.to)}</span>}
          </div>
        ))}
      </td>
    </tr>
  );
}

/** A pail: what stood in it since when, its washes and what was seen in it, its predicted count over time. */
export async function OnePailPage({ pailId }: { pailId: string }) {
  const { history, me, at } = await inMyShop(async (from, me, at) => ({
    history: await pailHistory(await from.trx(), me, at, pailId),
    me,
    at,
  }));
  if (!history) notFound();
  const { pail, fills, done } = history;
  const [units, locale] = [unitsOf(me.language), localeOf(me.language)];
  const when: When = (ms) => formatDate(ms, me.shop.timeZone, 'day and clock', locale);
  const told = (litres: number): string => measured('litres', litres, units, locale);
  return (
    <Stack component="section" gap="1.25rem">
      <p>
        <Link href={`/pails?pail=${pail.id}`}>Back to the pails</Link>
      </p>
      <h1>Pail {pail.name}</h1>
      <p>
        {told(pail.sizeL)}, {measured('cm', pail.heightCm, units, locale)} tall;{' '}
        {pail.retiredAt ? `retired ${when(pail.retiredAt.getTime())}` : STATE[pail.state]}. The last{' '}
        {HISTORY_DAYS} days.
      </p>
      {fills.length === 0 && done.length === 0 ? (
        <Feedback isNote>Nothing stood in it, and nothing was done to it.</Feedback>
      ) : (
        <div>
          <CountChart history={history} now={at.getTime()} timeZone={me.shop.timeZone} locale={locale} />
          <p className="soft">
            Its predicted count. A full dot: sanitised; an empty one: looked at; a line in rust: filled
            unsanitised.
          </p>
        </div>
      )}
      {fills.length > 0 && (
        <section aria-label="What stood in it">
          <h2>What stood in it</h2>
          <PlainTable aria-label="What stood in it">
            <thead>
              <tr>
                <th>When</th>
                <th>Water</th>
                <th>Stems</th>
              </tr>
            </thead>
            <tbody>
              {fills.map((f) => (
                <FillRow key={f.id} fill={f} when={when} litres={told(f.litres)} />
              ))}
            </tbody>
          </PlainTable>
        </section>
      )}
      {done.length > 0 && (
        <section aria-label="Washed and looked at">
          <h2>Washed and looked at</h2>
          <PlainTable aria-label="Washed and looked at">
            <tbody>
              {done.map((d) => (
                <tr key={`${d.at} ${d.what}`}>
                  <td>{when(d.at)}</td>
                  <td>{d.what}</td>
                  <td>{d.who}</td>
                </tr>
              ))}
            </tbody>
          </PlainTable>
        </section>
      )}
    </Stack>
  );
}
