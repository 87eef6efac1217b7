import type { KeptTap, NewKeptTap, TapStore } from './kept-taps';
import type { Outcome } from './outcome';

/** Runs work while no other tab of this tablet does; answers undefined where another has the turn. */
export type InTurn = <T>(work: () => Promise<T>) => Promise<T | undefined>;

export interface QueueParts {
  readonly store: TapStore;
  readonly post: (tap: NewKeptTap, isKept: boolean) => Promise<Outcome>;
  readonly inTurn: InTurn;
  /** Tells every tab that what is kept has changed. */
  readonly changed: () => void;
  /** Asks whoever is there; true where they are sure. */
  readonly ask: (tap: NewKeptTap, message: string) => Promise<boolean>;
}

export const isUnanswered = (outcome: Outcome): boolean =>
  !outcome.ok && (outcome.why === 'unavailable' || outcome.why === 'signed-out');

const LEFT_AS_IT_WAS: Outcome = { ok: false, why: 'refused', message: 'Left as it was: nothing was done.' };

/** Sends a tap, and what it asks is answered by whoever is there. */
async function sendAndAsk(parts: QueueParts, tap: NewKeptTap, isKept: boolean): Promise<Outcome> {
  let sure = tap.sure;
  for (;;) {
    const outcome = await parts.post({ ...tap, sure }, isKept);
    if (outcome.ok || outcome.why !== 'asked') return outcome;
    if (sure.includes(outcome.question) || !(await parts.ask(tap, outcome.message))) return LEFT_AS_IT_WAS;
    sure = [...sure, outcome.question];
  }
}

/**
 * Sends a tap; one that gets no answer is kept if it may wait. Taps go in the order they were made:
 * behind one that waits, the next waits too.
 */
export async function sendTap(parts: QueueParts, tap: NewKeptTap, mayWait: boolean): Promise<Outcome> {
  const waiting = mayWait && (await parts.store.all()).some((k) => k.personId === tap.personId);
  const outcome: Outcome = waiting
    ? { ok: false, why: 'unavailable', message: 'Earlier taps still wait to be sent.' }
    : await sendAndAsk(parts, tap, false);
  if (mayWait && isUnanswered(outcome)) {
    await parts.store.keep(tap);
    parts.changed();
  }
  return outcome;
}

/** Sends what somebody's taps wait for, one after the other, until one gets no answer. */
export async function drainTaps(
  parts: QueueParts,
  personId: string,
  onAnswered: (tap: KeptTap, outcome: Outcome) => void,
): Promise<void> {
  await parts.inTurn(async () => {
    for (;;) {
      const first = (await parts.store.all()).find((k) => k.personId === personId);
      if (!first) return;
      const outcome = await sendAndAsk(parts, first, true);
      if (isUnanswered(outcome)) return;
      await parts.store.drop(first.order);
      parts.changed();
      onAnswered(first, outcome);
    }
  });
}

/** One tab at a time by the browser's own locks; where it has none, one at a time in this tab: keys keep it once. */
export function inTurnOfTabs(name: string): InTurn {
  let isBusy = false;
  return async (work) => {
    if (isBusy) return undefined;
    isBusy = true;
    try {
      if (!('locks' in navigator)) return await work();
      return await navigator.locks.request(name, { ifAvailable: true }, async (lock) =>
        lock ? await work() : undefined,
      );
    } finally {
      isBusy = false;
    }
  };
}
