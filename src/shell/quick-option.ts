import type { ActionName, InputOf } from '@/core/actions/actions';

/** Something a few words may have meant: a page that is gone to, or something that is done once it is confirmed. */
export interface QuickOption {
  readonly id: string;
  readonly words: string;
  readonly note: string;
  readonly href?: string;
  readonly does?: {
    readonly [N in ActionName]: { readonly name: N; readonly body: InputOf<N>; readonly yes: string };
  }[ActionName];
}

export interface QuickAnswer {
  readonly options: readonly QuickOption[];
  /** What is lacking, or was not understood. */
  readonly problem: string | null;
}
