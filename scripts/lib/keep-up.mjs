import { setTimeout as sleep } from 'node:timers/promises';

/**
 * Keeps a part of the shop up: starts it, and starts it again whenever it ends by itself, each time
 * a little later while it does not last. What happens is said in one plain line.
 * @param {{ what: string, start: () => Promise<{ child: import('node:child_process').ChildProcess, stop: () => Promise<void> }>,
 *   say?: (line: string) => void, firstWaitMs?: number, longestWaitMs?: number, steadyMs?: number }} part
 */
export async function keepUp({
  what,
  start,
  say = console.error,
  firstWaitMs = 400,
  longestWaitMs = 30_000,
  steadyMs = 60_000,
}) {
  /** @type {{ child: import('node:child_process').ChildProcess, stop: () => Promise<void> } | null} */
  let running = null;
  let isStopping = false;
  let waitMs = firstWaitMs;
  let restarts = 0;
  let since = 0;

  function watch() {
    since = Date.now();
    if (running === null) return;
    const { child } = running;
    const ended = (/** @type {number | null} */ code, /** @type {NodeJS.Signals | null} */ signal) => {
      running = null;
      if (isStopping) return;
      if (Date.now() - since > steadyMs) waitMs = firstWaitMs;
      say(
        `${what} ended by itself (${signal ?? `code ${code}`}); starting it again. What is tapped now is kept on the tablets.`,
      );
      void again();
    };
    if (child.exitCode !== null || child.signalCode !== null) ended(child.exitCode, child.signalCode);
    else child.once('exit', ended);
  }

  async function again() {
    while (!isStopping) {
      await sleep(waitMs);
      waitMs = Math.min(longestWaitMs, waitMs * 2);
      if (isStopping) return;
      try {
        running = await start();
        restarts++;
        if (isStopping) return void (await running.stop());
        say(`${what} is up again.`);
        return watch();
      } catch (error) {
        say(
          `${what} did not start: ${String(error instanceof Error ? error.message : error).split('\n')[0]} Trying again in ${Math.round(waitMs / 1000)} s.`,
        );
      }
    }
  }

  running = await start();
  watch();
  return {
    /** @returns {import('node:child_process').ChildProcess | null} */
    get child() {
      return running?.child ?? null;
    },
    get restarts() {
      return restarts;
    },
    async stop() {
      isStopping = true;
      await running?.stop();
    },
  };
}
