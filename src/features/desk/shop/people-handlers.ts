import 'server-only';
import { mayManage, type Role } from '@/core/actions/contract';
import type { shopActions } from '@/core/actions/shop';
import { secretOf } from '@/core/people/person-fields';
import { mayRule } from '@/core/people/who-rules';
import { m } from '@/core/words/message';
import type { Trx } from '@/data/connection';
import { RefusedError } from '@/data/errors';
import { shopDetails } from '@/data/shops';
import {
  eraseName,
  insertPeople,
  isTaken,
  maybePerson,
  setActive,
  setSecretHash,
  type PersonRow,
} from '@/data/people';
import { writeEntry } from '@/data/record';
import { dropFactor, insertFactor } from '@/data/second-factors';
import { endSessions } from '@/data/sessions';
import { forgetTries } from '@/data/sign-in-tries';
import { preparing, type ActionContext, type Handlers } from '@/server/handler';
import { offeredTo, stepOfCode } from '@/server/second-factor';
import { hashOf } from '@/server/secrets';
import { trySecret } from '@/server/secret-tries';
import type { SignedIn } from '@/server/session';
import * as v from 'valibot';

type PeopleAction = Extract<
  keyof typeof shopActions,
  | 'shop/add-person'
  | 'shop/retire'
  | 'shop/erase-name'
  | 'shop/set-secret'
  | 'shop/second-factor'
  | 'shop/end-second-factor'
  | 'shop/unlock'
  | 'shop/end-sessions'
>;

async function onePerson(trx: Trx, personId: string): Promise<PersonRow> {
  const person = await maybePerson(trx, personId);
  if (!person) throw new RefusedError('Nobody of that name works here. Nothing was changed.', 'personId');
  if (person.erased_at)
    throw new RefusedError('That name was erased: nothing is known of them any more. Nothing was changed.');
  return person;
}

/** Refuses what somebody may not do to a person in that role. */
function refuseUnlessRules(me: SignedIn, over: Role): void {
  if (mayRule(me.role, over)) return;
  throw new RefusedError(
    mayManage(me.role)
      ? 'Only the owner does that for them. Nothing was changed; ask the owner.'
      : 'Only a manager does that for somebody else. Nothing was changed; ask one.',
  );
}

type Done =
  | `added-${Role}`
  | 'retired'
  | 'back'
  | 'erased'
  | 'secret'
  | 'factor'
  | 'no-factor'
  | 'unlocked'
  | 'signed-out';

/** Enters into the record what was done about somebody. */
async function enter(
  { trx, action }: ActionContext,
  person: Pick<PersonRow, 'id' | 'name'>,
  what: Done,
  wasHere: boolean | null = null,
): Promise<void> {
  await writeEntry(trx, action, {
    kind: 'person',
    subjectKind: 'person',
    subjectId: person.id,
    says: m(`record.person.${what}`, { name: person.name }),
    detail: { personId: person.id, wasHere },
  });
}

interface NewSecret {
  readonly hash: string | null;
  /** Why it may not be set; null where it may. */
  readonly refused: RefusedError | null;
}
const refusedFor = (message: string, field: string): NewSecret => ({
  hash: null,
  refused: new RefusedError(`${message} Nothing was changed.`, field),
});

/** How the people of a shop are added, retired, let in and sent out. */
export const peopleHandlers: Handlers<PeopleAction> = {
  'shop/add-person': preparing({
    prepare: (told) => hashOf(told.role === 'hand' ? told.pin : told.password),
    work: async (context, told, secretHash: string) => {
      const { trx, action, me } = context;
      refuseUnlessRules(me, told.role);
      const login = told.role === 'hand' ? null : told.login;
      if (await isTaken(trx, { name: told.name }))
        throw new RefusedError(
          'Somebody here goes by that name, or did. Nobody was added; bring them back, or add a letter.',
          'name',
        );
      if (login !== null && (await isTaken(trx, { login })))
        throw new RefusedError('Somebody signs in by that already. Nobody was added.', 'login');
      const person = { name: told.name, role: told.role, login, secretHash };
      const [personId = ''] = await insertPeople(
        trx,
        action.shopId,
        [person],
        (await shopDetails(trx)).language,
      );
      await enter(context, { id: personId, name: told.name }, `added-${told.role}`);
      return { personId };
    },
  }),
  'shop/retire': {
    work: async (context, { personId, isHere }) => {
      const { trx, me, action } = context;
      const person = await onePerson(trx, personId);
      refuseUnlessRules(me, person.role);
      if (person.id === me.personId)
        throw new RefusedError('Nobody retires themselves. Nothing was changed; ask another owner.');
      if (person.active === isHere)
        throw new RefusedError(
          `${person.name} ${isHere ? 'works here already' : 'is retired already'}. Nothing was changed.`,
        );
      await setActive(trx, person.id, isHere, action.at);
      if (!isHere) await endSessions(trx, person.id, null, action.at);
      await enter(context, person, isHere ? 'back' : 'retired', person.active);
      return null;
    },
  },
  'shop/erase-name': {
    work: async (context, { personId }) => {
      const { trx, me, action } = context;
      const person = await onePerson(trx, personId);
      refuseUnlessRules(me, person.role);
      if (person.active)
        throw new RefusedError(
          `${person.name} works here. Nothing was changed; a name is erased once somebody is retired.`,
        );
      context.ask(
        'for good',
        `${person.name}’s name leaves the record, their sign-in and their sessions; what they did stands, under no name. It cannot be taken back, and backups from before it still have it.`,
      );
      const name = await eraseName(trx, person.id, action.at);
      if (name === null) throw new RefusedError('That name was erased meanwhile. Nothing was changed.');
      await enter(context, { id: person.id, name }, 'erased');
      return null;
    },
  },
  'shop/set-secret': preparing({
    prepare: async ({ personId, secret, current }, read): Promise<NewSecret> => {
      const { person, me, at, address } = await read(async ({ trx, me, at, address }) => ({
        person: await onePerson(trx, personId),
        me,
        at,
        address,
      }));
      const isOwn = me.personId === person.id;
      if (!isOwn) refuseUnlessRules(me, person.role);
      const fits = v.safeParse(secretOf(person.role), secret);
      if (!fits.success) return refusedFor(fits.issues[0].message, 'secret');
      if (isOwn) {
        const tried = await trySecret(
          {
            shopId: me.shop.id,
            inside: (work) => read(({ trx }) => work(trx)),
            by: { id: person.id },
            secret: current ?? '',
            address,
            at,
            isFor: () => true,
          },
          () => Promise.resolve(),
        );
        if ('lockedMinutes' in tried)
          return refusedFor(`Too many wrong tries; in ${tried.lockedMinutes} min again.`, 'current');
        if (!('person' in tried && tried.person))
          return refusedFor('That is not the one you have now.', 'current');
      }
      return { hash: await hashOf(secret), refused: null };
    },
    work: async (context, { personId }, { hash, refused }: NewSecret) => {
      if (refused || hash === null) throw refused ?? new RefusedError('Nothing was changed.');
      const { trx, me, action } = context;
      const person = await onePerson(trx, personId);
      if (person.id !== me.personId) refuseUnlessRules(me, person.role);
      await setSecretHash(trx, person.id, hash);
      await endSessions(trx, person.id, null, action.at);
      await enter(context, person, 'secret');
      return null;
    },
  }),
  'shop/second-factor': preparing({
    prepare: async ({ sealed }, read) =>
      offeredTo(sealed, await read(({ me }) => Promise.resolve(me.personId))),
    work: async (context, { code }, secret: string | null) => {
      const { trx, me, action } = context;
      const step = secret === null ? null : stepOfCode(secret, code, action.at);
      if (secret === null)
        throw new RefusedError('That was offered too long ago. Nothing was changed; begin anew.', 'sealed');
      if (step === null)
        throw new RefusedError(
          'That is not the code of now. Nothing was changed; take the next one.',
          'code',
        );
      const person = await onePerson(trx, me.personId);
      if (!(await insertFactor(trx, action.shopId, { personId: person.id, secret }, step, action.at)))
        throw new RefusedError('You sign in with a code already. Nothing was changed.');
      await enter(context, person, 'factor');
      return null;
    },
  }),
  'shop/end-second-factor': {
    work: async (context, { personId }) => {
      const { trx, me } = context;
      const person = await onePerson(trx, personId);
      if (person.id !== me.personId) refuseUnlessRules(me, person.role);
      if (!(await dropFactor(trx, person.id)))
        throw new RefusedError(`${person.name} signs in without a code already. Nothing was changed.`);
      await enter(context, person, 'no-factor');
      return null;
    },
  },
  'shop/unlock': {
    work: async (context, { personId }) => {
      const { trx, me } = context;
      const person = await onePerson(trx, personId);
      refuseUnlessRules(me, person.role);
      await forgetTries(trx, person.id);
      if (person.login !== null) await forgetTries(trx, person.login);
      await enter(context, person, 'unlocked');
      return null;
    },
  },
  'shop/end-sessions': {
    work: async (context, { personId, sessionId }) => {
      const { trx, me, action } = context;
      const person = await onePerson(trx, personId);
      if (person.id !== me.personId) refuseUnlessRules(me, person.role);
      if ((await endSessions(trx, person.id, sessionId, action.at)) === 0)
        throw new RefusedError(`${person.name} is signed in nowhere any more. Nothing was changed.`);
      await enter(context, person, 'signed-out');
      return null;
    },
  },
};
