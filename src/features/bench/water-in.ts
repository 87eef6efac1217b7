import type { SpeciesRegistry } from '@/core/species/registry';
import { HOUR_MS } from '@/core/calendar/spans';
import type { FlawKind } from '@/core/dock/flaws';
import type { Sharer } from '@/core/water/sharing';
import type { PortionRow } from '@/data/portions';
import { standsNow } from '@/core/protocol/stands-now';
import type { PailWish } from '@/core/protocol/types';
import type { PailRow } from '@/data/pails';

const STANDS_AS_ROOM_MS = 2 * HOUR_MS;
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

/** A portion as those who would share its water see it; `isApart` by its step, or by the water it stands in. */
export function sharerOf(
  portion: PortionRow,
  flaws: readonly FlawKind[],
  isApart: boolean,
  species: SpeciesRegistry,
): Sharer {
  return {
    lotId: portion.lotId,
    species: species.byKey(portion.speciesKey),
    sapRuns: portion.sapOpen,
    droop: standsNow(portion),
    isApart,
    isMouldy: flaws.includes('grey-mould'),
    stage: portion.stage,
    agedDays: portion.agedDays,
  };
}
