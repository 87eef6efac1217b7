/**
 * Lets so many requests in at once; others wait their turn, not for ever and not without end. What
 * waits costs no connection to the database, and whoever is turned away is told when to come again.
 */
export class Admission {
  #inside = 0;
  /** @type {{ resolve: Function, timer: NodeJS.Timeout | null }[]} */
  #waiting = [];

  /** @param {{ atOnce: number, mostWaiting: number, longestWaitMs: number }} bounds */
  constructor(bounds) {
    this.bounds = bounds;
  }

  /** How many are being answered, and how many wait. */
  now() {
    return { inside: this.#inside, waiting: this.#waiting.length };
  }

  /**
   * Resolves to what lets the next one in when it is called, or to null where there is no room.
   * @returns {Promise<(() => void) | null>}
   */
  enter() {
    const { atOnce, mostWaiting, longestWaitMs } = this.bounds;
    if (this.#inside < atOnce) return Promise.resolve(this.#letIn());
    if (this.#waiting.length >= mostWaiting) return Promise.resolve(null);
    return new Promise((resolve) => {
      /** @type {{ resolve: Function, timer: NodeJS.Timeout | null }} */
      const one = { resolve, timer: null };
      one.timer = setTimeout(() => {
        this.#waiting = this.#waiting.filter((w) => w !== one);
        resolve(null);
      }, longestWaitMs);
      this.#waiting.push(one);
    });
  }

  #letIn() {
    this.#inside++;
    let isOut = false;
    return () => {
      if (isOut) return;
      isOut = true;
      this.#inside--;
      const next = this.#waiting.shift();
      if (!next) return;
      clearTimeout(next.timer ?? undefined);
      next.resolve(this.#letIn());
    };
  }
}
