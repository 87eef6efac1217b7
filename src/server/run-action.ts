import 'server-only';
import { HOUR_MS } from '@/core/calendar/spans';
import { setTimeout as wait } from 'node:timers/promises';
import * as v from 'valibot';
import { specOf, type ActionName } from '@/core/actions/actions';
import type { ActionSpec, Question, Role } from '@/core/actions/contract';
import { unkeepableText } from '@/core/actions/text';
import { problemsOf } from '@/core/door/check';
import type { FieldProblem } from '@/core/errors';
import { hashOf, insertAction, isKeyOfOlderEntry, maybeActionOnce } from '@/data/actions-done';
import { keepChanges } from '@/data/changes';
import type { Trx } from '@/data/connection';
import { DataError, RefusedError } from '@/data/errors';
import { maybeLastLoggedAt, type Action } from '@/data/record';
import type { Outcome } from '@/shell/outcome';
import { LockedTooLateError, lockAll, type Locked } from './action-locks';
import { now } from './clock';
import { AskedError, type Handler, type Handlers } from './handler';
import { log } from './log';
import { outcomeOf } from './outcome-of';
import { maybeInMyShop, type SignedIn } from './session';

/** One tap as it reached the server. */
export interface Tap {
  readonly key: string;
  readonly body: unknown;
  /** When it was made, where it waited on its tablet: milliseconds of the shop's clock. */
  readonly tappedAt: number | null;
  /** Where it came from, as the front door saw it. */
  readonly address?: string;
  /** Says that whoever tapped waits no longer. */
  readonly signal?: AbortSignal;
  /** What was asked before and answered with yes. */
  readonly sure: readonly Question[];
}

const UNCERTAIN =
  'The shop’s memory went away just then: it is not known yet whether it was done. Tap again to ask; it is done once.';
/** What somebody is told who may not do a thing, by who they are. */
const NOT_YOURS: Readonly<Record<Role, string>> = {
  owner: 'That is not yours to do. Nothing was changed.',
  manager: 'That is the owner’s to do. Nothing was changed; ask them.',
  hand: 'That is the manager’s to do. Nothing was changed; ask them.',
  auditor: 'You look the books over and change nothing here. Nothing was changed.',
};
const LONGEST_WAIT_MS = 24 * HOUR_MS;
const TRIES = 6;

const invalid = (problems: readonly FieldProblem[]): Outcome => ({
  ok: false,
  why: 'invalid',
  message: problems.map((p) => `${p.field}: ${p.message}`).join('. '),
  problems,
});

/** The last time anything of what is locked was entered: nothing is done before it. */
async function lastDoneTo(trx: Trx, locked: Locked): Promise<number> {
  const ids = [...locked.lot, ...locked.pail, ...locked.arrangement];
  if (ids.length === 0) return 0;
  const { rows } = await trx.raw<{ rows: { at: Date | null }[] }>(
    'select max(at) as at from record_entry where subject_id = any(?::uuid[])',
    [ids],
  );
  return rows[0]?.at?.getTime() ?? 0;
}

/** When an action is entered, and when it was done: a clock that was set back breaks neither. */
async function timesOf(trx: Trx, tap: Tap, locked: Locked): Promise<{ at: Date; loggedAt: Date }> {
  const last = (await maybeLastLoggedAt(trx))?.getTime() ?? 0;
  const loggedMs = Math.max(now().getTime(), last);
  const loggedAt = new Date(loggedMs);
  if (tap.tappedAt === null) return { at: loggedAt, loggedAt };
  const made = Math.min(loggedMs, Math.max(tap.tappedAt, loggedMs - LONGEST_WAIT_MS));
  return { at: new Date(Math.min(loggedMs, Math.max(made, await lastDoneTo(trx, locked)))), loggedAt };
}

interface Running {
  readonly name: ActionName;
  readonly spec: ActionSpec;
  readonly handler: Handler<ActionName>;
  readonly input: never;
  readonly tap: Tap;
  readonly ready: unknown;
}

/** A tap's body by what is kept of it: no secret, not even in a hash. */
function hashOfTap(name: ActionName, body: unknown): string {
  const { secrets = [] } = specOf(name);
  if (secrets.length === 0 || typeof body !== 'object' || body === null) return hashOf(name, body);
  return hashOf(name, Object.fromEntries(Object.entries(body).filter(([key]) => !secrets.includes(key))));
}

/**
 * What the tap was answered before; null where it is new. Waits for one that is being done just now.
 * @throws RefusedError when its key belongs to another person, action or body
 */
async function answeredBefore(
  trx: Trx,
  me: SignedIn,
  { name, tap }: Pick<Running, 'name' | 'tap'>,
): Promise<{ readonly result: unknown } | null> {
  const done = await maybeActionOnce(trx, tap.key);
  if (!done) return (await isKeyOfOlderEntry(trx, tap.key)) ? { result: null } : null;
  if (done.personId === me.personId && done.name === name && done.bodyHash === hashOfTap(name, tap.body))
    return done;
  throw new RefusedError('That tap’s key was used for something else already. Nothing was done; tap again.');
}

/** Does it once for its key, everything it touches being locked before anything is looked at. */
async function doOnce(trx: Trx, me: SignedIn, running: Running): Promise<unknown> {
  const { name, spec, handler, input, tap } = running;
  const before = await answeredBefore(trx, me, running);
  if (before) return before.result;
  if (!spec.roles.includes(me.role)) {
    log.info({ action: name, person: me.personId, role: me.role }, 'an action was refused to a role');
    throw new RefusedError(NOT_YOURS[me.role]);
  }
  const locked = await lockAll(trx, me.shop.id, spec.locks(input));
  if (typeof spec.takenBack === 'string' && spec.takenBack !== 'undone') await keepChanges(trx, tap.key);
  const times = await timesOf(trx, tap, locked);
  const told = input as { readonly handsId?: string };
  const action: Action = {
    shopId: me.shop.id,
    personId: me.personId,
    actionKey: tap.key,
    ...times,
    handsId: told.handsId ?? null,
  };
  const ask = (question: Question, words: string): void => {
    if (!tap.sure.includes(question)) throw new AskedError(question, words);
  };
  let takesBack: string | null = null;
  const context = { trx, action, me, ask, takesBack: (key: string) => void (takesBack = key) };
  const result: unknown = await handler.work(context, input, running.ready);
  await insertAction(trx, action, {
    name,
    bodyHash: hashOfTap(name, tap.body),
    // Only what may be taken back is ever done again.
    input: typeof spec.takenBack === 'string' ? tap.body : null,
    result,
    takesBack,
  });
  return result;
}

/** Whether trying again may help: two actions were in each other's way, and neither was done. */
function isConflict(error: unknown): boolean {
  return error instanceof LockedTooLateError || (error instanceof DataError && error.fault === 'conflict');
}

class SignedOutError extends Error {}
/** Nobody knows whether it was done: the same tap, sent again, is told. */
class UncertainError extends Error {
  constructor(cause: unknown) {
    super('not known whether it was done', { cause });
  }
}
export const SIGNED_OUT: Outcome = {
  ok: false,
  why: 'signed-out',
  message: 'Nobody is signed in on this tablet any more. Sign in; what you tapped is kept.',
};

/** Runs work for whoever is signed in, in a transaction of its own. @throws SignedOutError */
async function forMe<T>(work: (trx: Trx, me: SignedIn) => Promise<T>): Promise<T> {
  const answer = await maybeInMyShop(async (trx, me) => ({ value: await work(trx, me) }));
  if (!answer) throw new SignedOutError();
  return answer.value;
}

/** Prepares what takes long without a lock, then does it in one short transaction. */
async function doOneTap(running: Omit<Running, 'ready'>): Promise<unknown> {
  const { handler, input } = running;
  // What was made is not worked out again, nor refused for want of the stems it took.
  const before = handler.prepare && (await forMe((trx, me) => answeredBefore(trx, me, running)));
  if (before) return before.result;
  const ready = await handler.prepare?.(
    input,
    (work) => forMe((trx, me) => work({ trx, me, at: now(), address: running.tap.address ?? 'unknown' })),
    running.tap.signal,
  );
  const progress: { isCommitting: boolean } = { isCommitting: false };
  try {
    return await forMe(async (trx, me) => {
      const result = await doOnce(trx, me, { ...running, ready });
      progress.isCommitting = true;
      return result;
    });
  } catch (error) {
    // Lost between the last word and its answer: whether it was committed is not known here.
    throw progress.isCommitting && error instanceof DataError && error.fault === 'unavailable'
      ? new UncertainError(error)
      : error;
  }
}

/**
 * Does one tap: its input checked, for whoever is signed in, in one transaction, once for its key
 * however often it is sent. What was in another's way is tried again in silence.
 */
export async function runAction(
  handlers: Handlers<ActionName>,
  name: ActionName,
  tap: Tap,
): Promise<Outcome> {
  const bad = unkeepableText(tap.body);
  if (bad.length > 0) return invalid(bad);
  const spec = specOf(name);
  const input = v.safeParse(spec.input, tap.body);
  if (!input.success) return invalid(problemsOf(input.issues));
  const handler = handlers[name] as unknown as Handler<ActionName>;
  const checked = input.output as never;
  try {
    for (let tries = 1; ; tries++) {
      try {
        return { ok: true, value: await doOneTap({ name, spec, handler, input: checked, tap }) };
      } catch (error) {
        if (!isConflict(error)) throw error;
        if (tries >= TRIES) throw new DataError('unavailable', error);
        await wait(Math.random() * 30 * 2 ** tries);
      }
    }
  } catch (error) {
    if (error instanceof SignedOutError) return SIGNED_OUT;
    if (error instanceof UncertainError) return { ok: false, why: 'unavailable', message: UNCERTAIN };
    return outcomeOf(error);
  }
}
