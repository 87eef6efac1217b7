import * as v from 'valibot';
import { factorCode, LONGEST_PASSWORD, login, password, personName, pin } from '../people/person-fields';
import { BY_PASSWORD, defineAction, HOUSE, lock, MANAGER, ROLES } from './contract';
import { id } from './fields';

const aSecret = v.pipe(v.string(), v.maxLength(LONGEST_PASSWORD));

/** Somebody who is to work here: hands with a PIN, all others with a name and a password to sign in with. */
const personInput = v.variant('role', [
  v.object({ role: v.literal('hand'), name: personName('Whose PIN is it?'), pin }),
  v.object({
    role: v.picklist(['owner', 'manager', 'auditor']),
    name: personName('What are they called?'),
    login,
    password,
  }),
]);

/** The people of a shop. */
export const peopleActions = {
  'shop/add-person': defineAction({
    input: personInput,
    result: v.object({ personId: v.string() }),
    roles: MANAGER,
    secrets: ['pin', 'password'],
    mayWait: false,
    entries: ['person'],
    takenBack: { not: 'Somebody who was added is retired under People.' },
    locks: () => [HOUSE],
  }),
  'shop/retire': defineAction({
    /** Or, with `isHere`, brings somebody back. */
    input: v.object({ personId: id, isHere: v.boolean() }),
    result: v.null(),
    roles: MANAGER,
    mayWait: false,
    entries: ['person'],
    takenBack: 'undone',
    locks: ({ personId }) => [HOUSE, lock('person', 'personId', personId)],
  }),
  'shop/erase-name': defineAction({
    /** Of whoever works here no longer. */
    input: v.object({ personId: id }),
    result: v.null(),
    roles: MANAGER,
    mayWait: false,
    entries: ['person'],
    takenBack: { not: 'A name that was erased is kept nowhere.' },
    locks: ({ personId }) => [HOUSE, lock('person', 'personId', personId)],
  }),
  'shop/set-secret': defineAction({
    /** `current` is theirs, where they set their own; a manager who sets a hand's knows none. */
    input: v.object({ personId: id, secret: aSecret, current: v.nullable(aSecret) }),
    result: v.null(),
    roles: ROLES,
    secrets: ['secret', 'current'],
    mayWait: false,
    entries: ['person'],
    takenBack: { not: 'A PIN or password is set again; the old one is kept nowhere.' },
    locks: ({ personId }) => [lock('person', 'personId', personId)],
  }),
  'shop/second-factor': defineAction({
    /** Takes up what their page offered, with a code of it. */
    input: v.object({ sealed: v.pipe(v.string(), v.maxLength(2000)), code: factorCode }),
    result: v.null(),
    roles: BY_PASSWORD,
    secrets: ['sealed', 'code'],
    mayWait: false,
    entries: ['person'],
    takenBack: { not: 'A second factor is given up under People.' },
    locks: () => [HOUSE],
  }),
  'shop/end-second-factor': defineAction({
    input: v.object({ personId: id }),
    result: v.null(),
    roles: ROLES,
    mayWait: false,
    entries: ['person'],
    takenBack: { not: 'A second factor is set up anew, by whoever is to have it.' },
    locks: ({ personId }) => [lock('person', 'personId', personId)],
  }),
  'shop/unlock': defineAction({
    input: v.object({ personId: id }),
    result: v.null(),
    roles: MANAGER,
    mayWait: false,
    entries: ['person'],
    takenBack: { not: 'Whoever was let try again may.' },
    locks: ({ personId }) => [lock('person', 'personId', personId)],
  }),
  'shop/end-sessions': defineAction({
    /** One of theirs, or with null all. */
    input: v.object({ personId: id, sessionId: v.nullable(id) }),
    result: v.null(),
    roles: ROLES,
    mayWait: false,
    entries: ['person'],
    takenBack: { not: 'They sign in again.' },
    locks: ({ personId }) => [lock('person', 'personId', personId)],
  }),
} as const;
