'use client';
import dynamic from 'next/dynamic';
import type { Role } from '@/core/actions/contract';
import { DeskTable, useOpenRow, type DeskColumn } from '@/shell/desk-table';
import type { PersonView } from './person-view';

// What opens under a row is fetched as it is first opened.
const PersonUnder = dynamic(() => import('./person-under').then((m) => m.PersonUnder), { ssr: false });

const ROLE_WORDS: Readonly<Record<Role, string>> = {
  owner: 'owner',
  manager: 'manager',
  hand: 'at the bench',
  auditor: 'looks the books over',
};

const COLUMNS: DeskColumn<PersonView>[] = [
  {
    accessor: 'name',
    title: 'Who',
    render: ({ name, isMe, isHere, lockedUntil }) => (
      <>
        <strong>{name}</strong>
        {isMe && <span className="soft">, you</span>}
        {!isHere && <span className="says late">works here no longer</span>}
        {lockedUntil && <span className="says late">locked out until {lockedUntil}</span>}
      </>
    ),
  },
  { accessor: 'role', title: 'Does', width: '10rem', render: ({ role }) => ROLE_WORDS[role] },
  {
    accessor: 'login',
    title: 'Signs in with',
    width: '11rem',
    visibleFrom: 'xs',
    render: ({ login }) => (
      <span className="soft">{login === null ? 'a PIN' : `“${login}”, a password`}</span>
    ),
  },
  {
    accessor: 'sessions',
    title: 'Signed in',
    width: '8rem',
    visibleFrom: 'xs',
    render: ({ sessions }) => (
      <span className="soft">
        {sessions.length === 0 ? 'nowhere' : sessions.length === 1 ? 'on one' : `on ${sessions.length}`}
      </span>
    ),
  },
];

/** Everybody, a row each; what can be done about somebody opens under theirs. */
export function PeopleTable({ people }: { people: readonly PersonView[] }) {
  const { openId, shut, column } = useOpenRow<PersonView>('Change', ({ name }) => name);
  const maySomething = people.some((p) => p.mayRule || p.isMe);
  return (
    <DeskTable
      label="People"
      columns={maySomething ? [...COLUMNS, column] : COLUMNS}
      records={people}
      empty="Nobody works here."
      openId={openId}
      under={(person) => <PersonUnder key={person.id} person={person} onSet={shut} />}
    />
  );
}
