import 'server-only';
import * as v from 'valibot';
import { problemsOf } from '@/core/door/check';
import { BrokenContractError } from '@/core/errors';
import type { Trx } from '@/data/connection';
import { DataError, RefusedError, type DataFault } from '@/data/errors';
import { maybeSubjectDone, type Action } from '@/data/record';
import { now } from './clock';
import type { Outcome } from '@/shell/outcome';
import { log } from './log';
import { maybeInMyShop, type SignedIn } from './session';

export interface ActionContext {
  readonly trx: Trx;
  readonly action: Action;
  readonly me: SignedIn;
}

/** One thing that can be done, with the shape of what it is told. */
export interface ActionKind {
  readonly run: (actionKey: string, body: unknown) => Promise<Outcome>;
}

const SAID: Partial<Record<DataFault, string>> = {
  'already-booked': 'This delivery is booked in already. Nothing was booked twice; its lots are on the dock.',
  'already-corrected': 'That entry was taken back already.',
  'not-enough-stems': 'There are not that many stems left. Nothing was taken.',
  'pail-not-clean':
    'That pail is not sanitised. Nothing was filled; choose one that stands upside down, or give a reason.',
  'sap-runs':
    'Its sap still runs, or that of a lot in there: they share no water. Nothing was changed; give it a pail of its own.',
  'pail-in-use': 'Somebody has just filled that pail. Nothing was changed; choose another.',
};
export const UNAVAILABLE = 'The shop’s memory is not answering.';

function outcomeOf(error: unknown): Outcome {
  if (error instanceof RefusedError) return { ok: false, why: 'refused', message: error.message };
  if (error instanceof BrokenContractError)
    return { ok: false, why: 'invalid', message: error.message, problems: error.problems };
  if (error instanceof DataError) {
    if (error.fault === 'already-done') return { ok: true, value: null };
    if (error.fault === 'unavailable') return { ok: false, why: 'unavailable', message: UNAVAILABLE };
    const said = SAID[error.fault];
    if (said) return { ok: false, why: 'refused', message: said };
  }
  log.error({ err: error }, 'an action failed');
  return {
    ok: false,
    why: 'broken',
    message: 'Something is wrong on our side. Nothing was changed; try once more, then tell the manager.',
  };
}

/**
 * An action: its input checked, done for whoever is signed in, in one transaction, once for each
 * action key however often it is sent.
 */
export function actionKind<TSchema extends v.GenericSchema>(
  schema: TSchema,
  work: (context: ActionContext, input: v.InferOutput<TSchema>) => Promise<unknown>,
): ActionKind {
  return {
    run: async (actionKey, body) => {
      const input = v.safeParse(schema, body);
      if (!input.success) {
        const problems = problemsOf(input.issues);
        return {
          ok: false,
          why: 'invalid',
          message: problems.map((p) => `${p.field}: ${p.message}`).join('. '),
          problems,
        };
      }
      try {
        const done = await maybeInMyShop(async (trx, me) => {
          const action: Action = { shopId: me.shop.id, personId: me.personId, actionKey, at: now() };
          const subjectId = await maybeSubjectDone(trx, action);
          if (subjectId) return { value: { subjectId } };
          return { value: (await work({ trx, action, me }, input.output)) ?? null };
        });
        if (!done)
          return {
            ok: false,
            why: 'signed-out',
            message: 'Nobody is signed in on this tablet any more. Sign in; what you tapped is kept.',
          };
        return { ok: true, value: done.value };
      } catch (error) {
        return outcomeOf(error);
      }
    },
  };
}
