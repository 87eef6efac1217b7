import { mayManage } from '@/core/actions/contract';
import { mayRule } from '@/core/people/who-rules';
import { formatDate } from '@/core/calendar/format-date';
import { manyPeople, type PersonRow } from '@/data/people';
import { manyWithFactor } from '@/data/second-factors';
import { manyOpenSessions, type SessionRow } from '@/data/sessions';
import { manyLocked } from '@/data/sign-in-tries';
import { A_LONG_SHIFT_S, inMyShop, type SignedIn } from '@/server/session';
import { DeskTabs } from '../desk-tabs';
import { AddPerson } from './add-person';
import { PeopleTable } from './people-table';
import type { PersonView } from './person-view';
import { once } from '@/server/once';

interface Known {
  readonly me: SignedIn;
  readonly sessions: readonly SessionRow[];
  readonly withFactor: readonly string[];
  readonly locked: readonly { readonly who: string; readonly until: Date }[];
}

function viewOf(person: PersonRow, { me, sessions, withFactor, locked }: Known): PersonView {
  const { timeZone } = me.shop;
  const out = locked.find((l) => l.who === person.id || l.who === person.login);
  return {
    id: person.id,
    name: person.name,
    role: person.role,
    login: person.login,
    isHere: person.active,
    isMe: person.id === me.personId,
    mayRule: mayRule(me.role, person.role),
    hasFactor: withFactor.includes(person.id),
    sessions: sessions
      .filter((s) => s.personId === person.id)
      .map((s) => ({
        id: s.id,
        words: `A ${s.device}, since ${formatDate(s.beganAt.getTime(), timeZone, 'weekday and clock')} (${s.address})`,
      })),
    lockedUntil: out ? formatDate(out.until.getTime(), timeZone, 'clock') : null,
  };
}

/** Who works here, where they are signed in, and what they sign in with. */
export async function PeoplePage() {
  const { me, people } = await inMyShop(async (from, me, at) => {
    const trx = await from.trx();
    const [people, sessions, locked, withFactor] = await Promise.all([
      once(from, manyPeople),
      manyOpenSessions(trx, new Date(at.getTime() - A_LONG_SHIFT_S * 1000)),
      manyLocked(trx, at),
      manyWithFactor(trx),
    ]);
    return {
      me,
      people: people
        .filter((p) => p.erased_at === null)
        .map((p) => viewOf(p, { me, sessions, withFactor, locked })),
    };
  });
  return (
    <section className="narrow stack">
      <DeskTabs here="/desk/people" />
      <h1>People</h1>
      <p className="soft">
        Who works here and what they sign in with. Whoever is retired signs in no more; what they did stays
        theirs in the record.
      </p>
      <PeopleTable people={people} />
      {mayManage(me.role) && <AddPerson isOwner={me.role === 'owner'} />}
    </section>
  );
}
