import type { ActionName, InputOf } from '@/core/actions/actions';

/** Does something with the pail in hand, and says there what was in its way. */
export type DoIt = <N extends ActionName>(name: N, body: InputOf<N>, words: string) => Promise<void>;
