import { Group } from '@mantine/core';
import { say } from '@/core/words/say';
import { saidDate } from '@/core/calendar/said-dates';
import { LinkButton } from '@/shell/link-button';
import { manyActivePeople } from '@/data/people';
import { manyEntriesAsked } from '@/data/record-asked';
import { inZone } from '@/server/clock';
import { once } from '@/server/once';
import { inMyShop } from '@/server/session';
import { DeskTabs } from './desk-tabs';
import css from './desk.module.css';
import { addressOf, askedRecord } from './record-address';
import { RecordForm } from './record-form';
import { understood } from './record-question';

const SHOWN = 60;
/** An entry that reached the record so long after it was made is said to have waited. */
const SENT_LATE_MS = 60_000;

/** The desk: the record, and what it is asked. */
export async function DeskPage({ search }: { search: Record<string, string | string[] | undefined> }) {
  const before = typeof search.before === 'string' && /^\d{1,15}$/.test(search.before) ? search.before : null;
  const asked = askedRecord(search);
  const { entries, nothing, people, me } = await inMyShop(
    async (trx, me, at) => {
      const { timeZone } = me.shop;
      const means = await understood(trx, asked, inZone(at, timeZone).date, timeZone);
      return {
        me,
        nothing: 'nothing' in means ? means.nothing : null,
        people: await once(trx, manyActivePeople),
        entries:
          'nothing' in means
            ? []
            : await manyEntriesAsked(
                trx,
                means.question,
                SHOWN,
                before === null ? undefined : Number(before),
              ),
      };
    },
    [manyActivePeople],
  );
  const form = before === null ? 'weekday and clock' : 'date and clock';
  const when = (at: Date): string => saidDate(at.getTime(), me.shop.timeZone, form);
  return (
    <section className={css.desk}>
      <DeskTabs here="/desk" />
      <h1>The record</h1>
      <p className="soft">
        Everything done, newest first. An entry is never changed: a slip is taken back by another entry.
      </p>
      <RecordForm
        key={addressOf(asked)}
        asked={asked}
        people={people.map(({ id, name }) => ({ id, name }))}
      />
      {entries.length === 0 ? (
        <p>
          {nothing ?? (before === null ? 'The record has nothing of that.' : 'Nothing was done before that.')}
        </p>
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
      <Group component="nav" gap="0.625rem" align="stretch" mt="0.875rem" aria-label="Pages of the record">
        {before !== null && <LinkButton href={addressOf(asked)}>Newest</LinkButton>}
        {entries.length === SHOWN && (
          <LinkButton href={addressOf(asked, entries.at(-1)?.id)}>Earlier</LinkButton>
        )}
      </Group>
    </section>
  );
}
