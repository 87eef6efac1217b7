import { DataError } from '@/data/errors';

/** Lets a costly thing be done by few at once; others wait their turn, and no more than may. */
export class Turns {
  #inside = 0;
  readonly #waiting: (() => void)[] = [];

  constructor(
    readonly atOnce: number,
    readonly mostWaiting: number,
  ) {}

  /** @throws DataError 'unavailable' where too many wait already */
  async run<T>(work: () => Promise<T>): Promise<T> {
    if (this.#inside >= this.atOnce) {
      if (this.#waiting.length >= this.mostWaiting)
        throw new DataError('unavailable', new Error('too many wait their turn'));
      await new Promise<void>((resolve) => this.#waiting.push(resolve));
    } else this.#inside++;
    try {
      return await work();
    } finally {
      const next = this.#waiting.shift();
      if (next) next();
      else this.#inside--;
    }
  }
}
