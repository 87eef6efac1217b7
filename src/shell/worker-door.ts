'use client';
import type { proxy, Remote } from 'comlink';
import { useEffect, useState } from 'react';

/** A worker that is begun when it is first asked, and kept: beginning one costs more than most answers. */
interface WorkerDoor<Door> {
  /** Its door, and what marks a function that it calls back. */
  readonly open: () => Promise<{ readonly door: Remote<Door>; readonly proxy: typeof proxy }>;
  /** Its door where it was begun. */
  readonly held: () => Remote<Door> | null;
  readonly end: () => void;
}

function workerDoor<Door>(begin: () => Worker): WorkerDoor<Door> {
  let worker: Worker | null = null;
  let door: Remote<Door> | null = null;
  return {
    open: async () => {
      worker ??= begin();
      const begun = worker;
      // What speaks with workers is fetched with the first of them, not with the page.
      const { proxy, wrap } = await import('comlink');
      if (worker !== begun) throw new Error('The worker was ended before it was asked.');
      door ??= wrap<Door>(begun);
      return { door, proxy };
    },
    held: () => door,
    end: () => {
      worker?.terminate();
      [worker, door] = [null, null];
    },
  };
}

/** One worker for as long as its page is looked at; ended with it. @param begin makes it, told once */
export function useWorkerDoor<Door>(begin: () => Worker): WorkerDoor<Door> {
  const [held] = useState(() => workerDoor<Door>(begin));
  useEffect(() => held.end, [held]);
  return held;
}
