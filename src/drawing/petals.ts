/** Angles that part a turn evenly, degrees. */
export const around = (n: number, from = 0, to = 360): number[] =>
  Array.from({ length: n }, (_, i) => from + ((to - from) * i) / n);

/** A floret's petals that touch at its middle alone, as one path: a list draws hundreds of them. */
export function floret(petals: number, length: number, width: number): string {
  const points = [
    [-width, -length * 0.35],
    [-width * 0.8, -length],
    [0, -length],
    [width * 0.8, -length],
    [width, -length * 0.35],
    [0, 0],
  ] as const;
  return around(petals)
    .map((turn) => {
      const [cos, sin] = [Math.cos((turn * Math.PI) / 180), Math.sin((turn * Math.PI) / 180)];
      const at = points.map(
        ([x, y]) => `${(x * cos - y * sin).toFixed(1)} ${(x * sin + y * cos).toFixed(1)}`,
      );
      return `M0 0C${at.slice(0, 3).join(' ')}C${at.slice(3).join(' ')}`;
    })
    .join('');
}

/** A circle as a part of a path. */
export const ring = (x: number, y: number, r: number): string => {
  const of = r.toFixed(1);
  return `M${x} ${y}m-${of} 0a${of} ${of} 0 1 0 ${2 * Number(of)} 0a${of} ${of} 0 1 0-${2 * Number(of)} 0`;
};
