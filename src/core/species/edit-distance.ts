/** Edit distance that also counts swapped neighbours as one slip (optimal string alignment). */
export function editDistance(a: string, b: string): number {
  const rows: number[][] = Array.from({ length: a.length + 1 }, (_, i) => [i]);
  for (let j = 1; j <= b.length; j++) (rows[0] as number[])[j] = j;
  const at = (i: number, j: number): number => rows[i]?.[j] ?? Infinity;
  for (let i = 1; i <= a.length; i++)
    for (let j = 1; j <= b.length; j++) {
      const cost = a[i - 1] === b[j - 1] ? 0 : 1;
      let least = Math.min(at(i - 1, j) + 1, at(i, j - 1) + 1, at(i - 1, j - 1) + cost);
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1])
        least = Math.min(least, at(i - 2, j - 2) + 1);
      (rows[i] as number[])[j] = least;
    }
  return at(a.length, b.length);
}
