import { typedDay } from '@/core/calendar/typed-day';
import { manyStaysOfLot } from '@/data/pail-history';
import { manyActivePeople } from '@/data/people';
import { manyEntriesAsked } from '@/data/record-asked';
import { inZone } from '@/server/clock';
import { once } from '@/server/once';
import { inMyShop } from '@/server/session';
import { DeskTabs } from './desk-tabs';
import { addressOf, askedRecord, type Search } from './record-address';
import { RecordForm } from './record-form';
import { understood } from './record-question';
import { recordRows } from './record-rows';
import { RecordTable } from './record-table';
import { WhereItStood } from './where-it-stood';

/** A screen and a half: what is older is a page further. */
const SHOWN = 30;

/** The desk: the record, and what it is asked. */
export async function DeskPage({ search }: { search: Search }) {
  const beyond = typeof search.beyond === 'string' && /^\d{1,15}$/.test(search.beyond) ? search.beyond : null;
  const asked = askedRecord(search);
  const { entries, nothing, people, stood, day, me, at } = await inMyShop(
    async (from, me, at) => {
      const { timeZone } = me.shop;
      const today = inZone(at, timeZone).date;
      const means = await understood(from, asked, today, timeZone);
      return {
        me,
        at,
        // Told as somebody says it, "yesterday"; the form has it as a day.
        day: (asked.day === '' ? null : typedDay(asked.day, today)) ?? '',
        nothing: 'nothing' in means ? means.nothing : null,
        people: await once(from, manyActivePeople),
        stood:
          'nothing' in means || !means.question.lot
            ? []
            : await once(from, manyStaysOfLot, means.question.lot.id),
        entries:
          'nothing' in means
            ? []
            : await once(from, manyEntriesAsked, means.question, {
                limit: SHOWN,
                order: asked.order === 'oldest' ? 'oldest' : 'newest',
                beyondId: beyond === null ? undefined : Number(beyond),
              }),
      };
    },
    [manyActivePeople],
  );
  return (
    <section className="narrow stack">
      <DeskTabs here="/desk" />
      <h1>The record</h1>
      <p className="soft">
        Everything done. An entry is never changed: a slip is taken back by another entry. Only the name of
        whoever worked here can be erased from it.
      </p>
      <RecordForm
        key={addressOf(asked)}
        asked={{ ...asked, day }}
        people={people.map(({ id, name }) => ({ id, name }))}
      />
      <RecordTable
        asked={asked}
        rows={recordRows(entries, me, at)}
        empty={
          nothing ?? (beyond === null ? 'The record has nothing of that.' : 'Nothing was done beyond that.')
        }
        isLater={beyond !== null}
        hasMore={entries.length === SHOWN}
      />
      {stood.length > 0 && (
        <WhereItStood lot={asked.lot} stays={stood} timeZone={me.shop.timeZone} language={me.language} />
      )}
    </section>
  );
}
