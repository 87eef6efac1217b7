import type { PailWish } from '@/core/protocol/types';
import type { PailRow } from '@/data/pails';

const STANDS_AS_ROOM_MS = 2 * 3_600_000;
const ROOM_C = 20;

/** The water that stands in a pail, as it is by now: an old fill has come to the room's warmth. */
export function waterIn(pail: PailRow, at: Date): PailWish | null {
  if (!pail.fillId || !pail.filledAt) return null;
  const isOld = at.getTime() - pail.filledAt.getTime() > STANDS_AS_ROOM_MS;
  return {
    solution: pail.solution,
    tempC: isOld ? ROOM_C : pail.fillTempC,
    depth: pail.depth,
    depthCm: 0,
    alone: pail.alone,
  } as PailWish;
}
