/** A stream of reproducible random numbers. */
export interface RandomStream {
  /** Uniform in [0, 1). */
  uniform(): number;
  /** Standard normal. */
  normal(): number;
}

/** A stream that can be set to the beginning of another, so that thousands need no object each. */
export class SeededStream implements RandomStream {
  #a = 0;
  #b = 0;
  #c = 0;
  #counter = 1;
  #spare = NaN;

  /** Begins the stream of that seed and substream. */
  begin(seed: number, substream: number): void {
    this.#a = seed | 0;
    this.#b = substream | 0;
    this.#c = Math.floor(seed / 2 ** 32) ^ 0x9e3779b9;
    this.#counter = 1;
    this.#spare = NaN;
    for (let i = 0; i < 15; i++) this.#next();
  }

  #next(): number {
    const t = (((this.#a + this.#b) | 0) + this.#counter) | 0;
    this.#counter = (this.#counter + 1) | 0;
    this.#a = this.#b ^ (this.#b >>> 9);
    this.#b = (this.#c + (this.#c << 3)) | 0;
    this.#c = (((this.#c << 21) | (this.#c >>> 11)) + t) | 0;
    return t >>> 0;
  }

  uniform(): number {
    return this.#next() / 4294967296;
  }

  normal(): number {
    if (!Number.isNaN(this.#spare)) {
      const kept = this.#spare;
      this.#spare = NaN;
      return kept;
    }
    for (;;) {
      const u = 2 * this.uniform() - 1;
      const v = 2 * this.uniform() - 1;
      const s = u * u + v * v;
      if (s > 0 && s < 1) {
        const m = Math.sqrt((-2 * Math.log(s)) / s);
        this.#spare = v * m;
        return u * m;
      }
    }
  }
}

/**
 * A seeded stream: sfc32 (Doty-Humphrey's small fast counting generator) for the
 * uniforms, Marsaglia's polar method for the normals. Same seeds, same numbers, on every machine.
 * @param seed whole number
 * @param substream whole number; streams of different substreams do not overlap in practice,
 *   which is what lets a rerun with one change keep every other stem's luck
 */
export function randomStream(seed: number, substream = 0): RandomStream {
  const stream = new SeededStream();
  stream.begin(seed, substream);
  return stream;
}
