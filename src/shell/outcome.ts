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
      /** Of what was not answered in time: known not to have been done. Else it is not known yet. */
      readonly isNotDone?: boolean;
    };

/**
 * What is said where something that does not wait on the tablet came to nothing.
 * @param done what was to be: "made", "booked in"
 * @param kept what stays meanwhile
 */
export function notDoneWords(
  outcome: Exclude<Outcome, { readonly ok: true }>,
  done: string,
  kept: string,
): string {
  if (outcome.why !== 'unavailable') return outcome.message;
  return outcome.isNotDone
    ? `${outcome.message} Nothing was ${done}; ${kept}. Try again in a moment.`
    : `No answer came: it is not known yet whether it was ${done}. Tap again to ask; it is ${done} once, however often you tap. Meanwhile ${kept}.`;
}
