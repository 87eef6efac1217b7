import { pailHolds } from './pail-fit';
import { dealInto, type FreePail } from './pail-room';

/** Where no pail stands clean, further ones are reckoned as this size, litres. */
const USUAL_L = 10;

export interface PailsForOrder {
  /** Pails that it fills, each line in its own. */
  readonly needed: number;
  /** Those of them that do not stand clean yet. */
  readonly short: number;
  /** Those that stand clean and would be used, the fullest lines first. */
  readonly pailIds: readonly string[];
}

/**
 * How many pails an order will need of those that stand clean: each line goes into the smallest that
 * holds all of it, else into the largest there are. Lines that could share a water are not put
 * together, so it is rather too many than too few.
 * @param lines stems of each and their thickness in mm
 */
export function pailsForOrder(
  lines: readonly { readonly stems: number; readonly stemMm: number }[],
  ready: readonly FreePail[],
): PailsForOrder {
  const free = [...ready].sort((a, b) => b.litres - a.litres || a.id.localeCompare(b.id));
  const largest = free[0]?.litres ?? USUAL_L;
  let [needed, short] = [0, 0];
  const pailIds: string[] = [];
  const byRoom = [...lines].sort((a, b) => b.stems * b.stemMm - a.stems * a.stemMm);
  for (const { stems, stemMm } of byRoom) {
    const whole = free.findLast((p) => pailHolds(p.litres, stemMm) >= stems);
    const dealt = dealInto(stems, stemMm, whole ? [whole] : free);
    for (const { id } of dealt) {
      free.splice(
        free.findIndex((p) => p.id === id),
        1,
      );
      pailIds.push(id);
    }
    const left = stems - dealt.reduce((n, d) => n + d.stems, 0);
    const more = Math.ceil(left / pailHolds(largest, stemMm));
    needed += dealt.length + more;
    short += more;
  }
  return { needed, short, pailIds };
}
