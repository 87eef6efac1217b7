import { pailHolds } from './pail-fit';

/** What stands in a pail: so many stems of a thickness. */
export interface InPail {
  readonly stems: number;
  readonly stemMm: number;
}

/** Stems of a thickness for which a pail has room beside what stands in it. */
export function roomLeft(litres: number, standing: readonly InPail[], stemMm: number): number {
  const taken = standing.reduce((share, s) => share + s.stems / pailHolds(litres, s.stemMm), 0);
  return Math.max(0, Math.floor((1 - taken) * pailHolds(litres, stemMm) + 1e-9));
}

/** A pail that stems may go into. */
export interface FreePail {
  readonly id: string;
  readonly litres: number;
}

/**
 * Stems dealt into pails in the order given, each taking what it holds; evenly over those that are
 * needed, so that none is crammed beside one that is half empty.
 * @returns one share a pail; fewer stems in all where the pails do not hold them
 */
export function dealInto(
  stems: number,
  stemMm: number,
  pails: readonly FreePail[],
): { readonly id: string; readonly stems: number }[] {
  const needed: { id: string; holds: number }[] = [];
  let held = 0;
  for (const pail of pails) {
    if (held >= stems) break;
    const holds = pailHolds(pail.litres, stemMm);
    needed.push({ id: pail.id, holds });
    held += holds;
  }
  let left = Math.min(stems, held);
  let room = held;
  return needed.map(({ id, holds }) => {
    const share = Math.min(holds, Math.ceil((left * holds) / room));
    left -= share;
    room -= holds;
    return { id, stems: share };
  });
}
