import { normalQuantile } from './normal-quantile';
import type { RandomStream } from './random';

/** Normals dealt out evenly: of n asked for, one comes from each nth of the distribution, in random order. */
export class EvenNormals {
  readonly #order: Int32Array;
  #next = 0;

  constructor(size: number) {
    this.#order = Int32Array.from({ length: size }, (_, i) => i);
  }

  /** Shuffles the parts for the next draw (Fisher and Yates). */
  shuffle(luck: RandomStream): void {
    const order = this.#order;
    for (let i = order.length - 1; i > 0; i--) {
      const j = Math.floor(luck.uniform() * (i + 1));
      const kept = order[i] as number;
      order[i] = order[j] as number;
      order[j] = kept;
    }
    this.#next = 0;
  }

  normal(luck: RandomStream): number {
    const part = this.#order[this.#next++] as number;
    // Never at the very ends, where the quantile is infinite.
    return normalQuantile((part + Math.min(0.999999, Math.max(1e-6, luck.uniform()))) / this.#order.length);
  }
}

/** The three normals of each stem of a line (its life, its ease of plugging, its wilting point), dealt evenly. */
export class EvenStems implements RandomStream {
  readonly #columns: readonly EvenNormals[];
  #luck: RandomStream | null = null;
  #asked = 0;

  constructor(size: number) {
    this.#columns = [0, 1, 2].map(() => new EvenNormals(size));
  }

  /** Begins a draw of the line with this luck. */
  begin(luck: RandomStream): void {
    this.#luck = luck;
    this.#asked = 0;
    for (const column of this.#columns) column.shuffle(luck);
  }

  uniform(): number {
    return this.#luck?.uniform() ?? 0;
  }

  /** The next normal: a stem asks for its three in the same order as its like. */
  normal(): number {
    const column = this.#columns[this.#asked++ % 3];
    return this.#luck && column ? column.normal(this.#luck) : 0;
  }
}
