import 'server-only';
import type { ActionName, CheckedOf, ResultOf } from '@/core/actions/actions';
import type { Question } from '@/core/actions/contract';
import type { Trx } from '@/data/connection';
import type { Action } from '@/data/record';
import type { SignedIn } from './session';

/** An action as it is being done: who, when, in which transaction. */
export interface ActionContext {
  readonly trx: Trx;
  readonly action: Action;
  readonly me: SignedIn;
  /** Asks before it goes on; does nothing once that was answered. @throws AskedError */
  readonly ask: (question: Question, words: string) => void;
  /** Says which action it takes back. */
  readonly takesBack: (actionKey: string) => void;
}

/** Somebody is asked first: nothing was done, and the same tap with the answer does it. */
export class AskedError extends Error {
  override readonly name = 'AskedError';
  constructor(
    readonly question: Question,
    message: string,
  ) {
    super(message);
  }
}

/** What is read and worked out before an action's own transaction, which is to be short. */
export interface ReadContext {
  readonly trx: Trx;
  readonly me: SignedIn;
  readonly at: Date;
  /** Where the tap came from. */
  readonly address: string;
}

/** How one action is done. */
export interface Handler<N extends ActionName, Ready = unknown> {
  /** What takes long: worked out without a lock. Null where what it needs is not there. */
  readonly prepare?: (
    input: CheckedOf<N>,
    read: <T>(work: (context: ReadContext) => Promise<T>) => Promise<T>,
    /** Ends what is being worked out once nobody waits for it any more. */
    signal?: AbortSignal,
  ) => Promise<Ready>;
  readonly work: (context: ActionContext, input: CheckedOf<N>, ready: Ready) => Promise<ResultOf<N>>;
}

/** Handlers for every one of some actions: one that is missing does not compile. */
export type Handlers<N extends ActionName> = { readonly [K in N]: Handler<K> };

/** Holds a handler that prepares to the type of what it prepares. */
export function preparing<N extends ActionName, Ready>(handler: Handler<N, Ready>): Handler<N> {
  return handler as unknown as Handler<N>;
}
