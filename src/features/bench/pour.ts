import 'server-only';
import { mayShareWater } from '@/core/protocol/compose';
import type { PailWish } from '@/core/protocol/types';
import { RefusedError } from '@/data/errors';
import { changeLot, type LotRow } from '@/data/lots';
import { fillPail, manyLotsByFill, onePailForUpdate, type PailRow } from '@/data/pails';
import type { ActionContext } from '@/server/actions';

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

/** What somebody chose to pour into. */
export interface Pouring {
  readonly pailId: string;
  readonly litres: number;
  readonly overrideReason: string | null;
}

export interface Poured {
  readonly fillId: string;
  readonly opened: boolean;
  readonly pailWas: Record<string, unknown>;
  readonly words: string;
}

/**
 * Puts a lot into a pail: into the water that stands in it if they get along, else a fresh fill.
 * What bleeds shares with its own kind alone, whatever the step says.
 * @throws RefusedError when the water does not suit
 */
export async function standIn(
  { trx, action }: ActionContext,
  lot: LotRow,
  asked: PailWish,
  { pailId, litres, overrideReason }: Pouring,
): Promise<Poured> {
  const wish = lot.sapOpen ? { ...asked, alone: true } : asked;
  const pail = await onePailForUpdate(trx, pailId);
  const pailWas = { state: pail.state, contact_until: pail.contactUntil };
  const inIt = waterIn(pail, action.at);
  if (pail.fillId && inIt) {
    const mates = (await manyLotsByFill(trx)).filter((l) => l.fillId === pail.fillId && l.lotId !== lot.id);
    const isOwnKind = lot.sapOpen && mates.length > 0 && mates.every((l) => l.speciesKey === lot.speciesKey);
    if (!isOwnKind && !mayShareWater(inIt, wish))
      throw new RefusedError(
        lot.sapOpen
          ? `The sap of lot ${lot.number} still runs: it shares no water. Nothing was changed; choose a clean pail.`
          : `Pail ${pail.name} holds water that does not suit this lot. Nothing was changed; choose a clean pail.`,
      );
    await changeLot(trx, lot.id, { fill_id: pail.fillId });
    return { fillId: pail.fillId, opened: false, pailWas, words: `into pail ${pail.name}` };
  }
  const fillId = await fillPail(trx, action.shopId, pail, { ...wish, litres, overrideReason }, action.at);
  await changeLot(trx, lot.id, { fill_id: fillId });
  return {
    fillId,
    opened: true,
    pailWas: { ...pailWas, id: pail.id },
    words: `into pail ${pail.name}, ${litres} L`,
  };
}
