import 'server-only';
import { setTimeout as wait } from 'node:timers/promises';
import * as v from 'valibot';
import { specOf, type ActionName } from '@/core/actions/actions';
import type { ActionSpec, Question } from '@/core/actions/contract';
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
import { outcomeOf } from './outcome-of';
import { maybeInMyShop, type SignedIn } from './session';

/** One tap as it reached the server. */
export interface Tap {
  readonly key: string;
  readonly body: unknown;
  /** When it was made, where it waited on its tablet: milliseconds of the shop's clock. */
  readonly tappedAt: number | null;
  /** What was asked before and answered with yes. */
  readonly sure: readonly Question[];
}

const LONGEST_WAIT_MS = 24 * 3_600_000;
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

/** Does it once for its key, everything it touches being locked before anything is looked at. */
async function doOnce(trx: Trx, me: SignedIn, running: Running): Promise<unknown> {
  const { name, spec, handler, input, tap } = running;
  const bodyHash = hashOf(name, tap.body);
  const done = await maybeActionOnce(trx, tap.key);
  if (done) {
    if (done.personId === me.personId && done.name === name && done.bodyHash === bodyHash) return done.result;
    throw new RefusedError(
      'That tap’s key was used for something else already. Nothing was done; tap again.',
    );
  }
  if (await isKeyOfOlderEntry(trx, tap.key)) return null;
  if (!spec.roles.includes(me.role))
    throw new RefusedError('That is the manager’s to do. Nothing was changed; ask them.');
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
  await insertAction(trx, action, { name, bodyHash, input: tap.body, result, takesBack });
  return result;
}

/** Whether trying again may help: two actions were in each other's way, and neither was done. */
function isConflict(error: unknown): boolean {
  return error instanceof LockedTooLateError || (error instanceof DataError && error.fault === 'conflict');
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
        const ready = await handler.prepare?.(checked, async (work) => {
          const read = await maybeInMyShop(async (trx, me) => ({
            value: await work({ trx, me, at: now() }),
          }));
          if (!read) throw new SignedOutError();
          return read.value;
        });
        const done = await maybeInMyShop(async (trx, me) => ({
          value: await doOnce(trx, me, { name, spec, handler, input: checked, tap, ready }),
        }));
        if (!done) throw new SignedOutError();
        return { ok: true, value: done.value };
      } catch (error) {
        if (!isConflict(error)) throw error;
        if (tries >= TRIES) throw new DataError('unavailable', error);
        await wait(Math.random() * 30 * 2 ** tries);
      }
    }
  } catch (error) {
    if (error instanceof SignedOutError)
      return {
        ok: false,
        why: 'signed-out',
        message: 'Nobody is signed in on this tablet any more. Sign in; what you tapped is kept.',
      };
    return outcomeOf(error);
  }
}

class SignedOutError extends Error {}
