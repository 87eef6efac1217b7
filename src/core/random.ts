/** A stream of reproducible random numbers. */
export interface RandomStream {
  /** Uniform in [0, 1). */
  readonly uniform: () => number;
  /** Standard normal. */
  readonly normal: () => number;
}

/**
 * A seeded stream: sfc32 (Doty-Humphrey's small fast counting generator) for the
 * uniforms, Marsaglia's polar method for the normals. Same seeds, same numbers, on every machine.
 * @param seed whole number
 * @param substream whole number; streams of different substreams do not overlap in practice,
 *   which is what lets a rerun with one change keep every other stem's luck
 */
export function randomStream(seed: number, substream = 0): RandomStream {
  let a = seed | 0;
  let b = substream | 0;
  let c = Math.floor(seed / 2 ** 32) ^ 0x9e3779b9;
  let counter = 1;
  const next = (): number => {
    const t = (((a + b) | 0) + counter) | 0;
    counter = (counter + 1) | 0;
    a = b ^ (b >>> 9);
    b = (c + (c << 3)) | 0;
    c = ((c << 21) | (c >>> 11)) + t;
    return t >>> 0;
  };
  for (let i = 0; i < 15; i++) next();
  const uniform = (): number => next() / 4294967296;
  let spare: number | null = null;
  const normal = (): number => {
    if (spare !== null) {
      const kept = spare;
      spare = null;
      return kept;
    }
    for (;;) {
      const u = 2 * uniform() - 1;
      const v = 2 * uniform() - 1;
      const s = u * u + v * v;
      if (s > 0 && s < 1) {
        const m = Math.sqrt((-2 * Math.log(s)) / s);
        spare = v * m;
        return u * m;
      }
    }
  };
  return { uniform, normal };
}
