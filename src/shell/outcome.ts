import type { FieldProblem } from '@/core/errors';

/** What a deed answers: done (perhaps by an earlier tap), or why not and what to do. */
export type Outcome =
  | { readonly ok: true; readonly value: unknown }
  | {
      readonly ok: false;
      readonly why: 'refused' | 'unavailable' | 'signed-out' | 'invalid' | 'broken';
      readonly message: string;
      readonly problems?: readonly FieldProblem[];
    };
