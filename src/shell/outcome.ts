import type { Question } from '@/core/actions/contract';
import type { FieldProblem } from '@/core/errors';

/** What an action answers: done (perhaps by an earlier tap), asked first, or why not and what to do. */
export type Outcome<T = unknown> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly why: 'asked'; readonly question: Question; readonly message: string }
  | {
      readonly ok: false;
      readonly why: 'refused' | 'unavailable' | 'signed-out' | 'invalid' | 'broken';
      readonly message: string;
      readonly problems?: readonly FieldProblem[];
    };
