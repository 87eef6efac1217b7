import { standsMm } from '@/core/bench/pail-fit';
import { m, type Words } from '@/core/words/message';
import 'server-only';
import { roomLeft } from '@/core/bench/pail-room';
import type { PailWish } from '@/core/protocol/types';
import { depthWord, litresFor } from '@/core/water/pail-shape';
import { APART_WORDS, whyNotInto } from '@/core/water/sharing';
import { manyFlaws } from '@/data/claims';
import { RefusedError } from '@/data/errors';
import { onePailForUpdate, type PailRow } from '@/data/pails';
import { lotWords, manyPortionsInFill, type PortionRow } from '@/data/portions';
import { moveStay } from '@/data/stays';
import { askIfKept } from '@/server/ask-if-kept';
import { pourInto } from '@/server/fill-pail';
import type { ActionContext } from '@/server/handler';
import { flawKindsIn } from '@/server/replan';
import { sharerOf, waterIn } from './water-in';

/** Where somebody chose to pour; litres by the pail's shape where they are not told. */
export interface Pouring {
  readonly pailId: string;
  readonly litres: number | undefined;
  readonly overrideReason: string | null;
}

export interface Poured {
  readonly pail: string;
  readonly fillId: string;
  readonly portionId: string;
  readonly stems: number;
  readonly litres: number | null;
}

/** More than a pail holds of such stems: somebody is asked, since a hand may know better. */
function askIfCrowded(
  { ask, me: { species } }: ActionContext,
  portion: PortionRow,
  pail: PailRow,
  mates: readonly PortionRow[],
): void {
  const stemMm = standsMm(species.byKey(portion.speciesKey));
  const standing = mates.map((m) => ({ stems: m.stemsLeft, stemMm: standsMm(species.byKey(m.speciesKey)) }));
  const room = roomLeft(pail.sizeL, standing, stemMm);
  if (portion.stemsLeft > room)
    ask(
      'crowded',
      `Pail ${pail.name} has room for about ${room} such stems; ${portion.stemsLeft} would go in. Crowded stems bruise and foul their water. Put them all in?`,
    );
}

async function joinWater(
  context: ActionContext,
  portion: PortionRow,
  wish: PailWish,
  pail: PailRow,
  water: PailWish,
): Promise<Poured> {
  const { trx, action, me } = context;
  const fillId = pail.fillId ?? '';
  const mates = (await manyPortionsInFill(trx, fillId)).filter((m) => m.id !== portion.id);
  const flaws = await manyFlaws(trx, [...new Set([portion, ...mates].map((p) => p.lotId))]);
  const flawsOf = (p: PortionRow) => flawKindsIn(flaws.filter((f) => f.lotId === p.lotId));
  const why = whyNotInto(
    sharerOf(portion, flawsOf(portion), wish.alone, me.species),
    wish,
    water,
    mates.map((mate) => sharerOf(mate, flawsOf(mate), water.alone, me.species)),
  );
  if (why)
    throw new RefusedError(
      `${lotWords(portion)} may not go into the water in pail ${pail.name}: ${APART_WORDS[why]}. Nothing was changed; choose a clean pail.`,
    );
  askIfCrowded(context, portion, pail, mates);
  await moveStay(
    trx,
    action.shopId,
    'portion_id',
    portion.id,
    { roomId: pail.roomId, wet: true, fillId },
    action.at,
  );
  return { pail: pail.name, fillId, portionId: portion.id, stems: portion.stemsLeft, litres: null };
}

/**
 * Puts a portion into a pail: into the water that stands in it if they get along, else a fresh fill,
 * the pail being carried to where the stems are. Who may share is decided in `core/water/sharing`.
 * @throws RefusedError when the water does not suit
 */
export async function standIn(
  context: ActionContext,
  portion: PortionRow,
  asked: PailWish,
  { pailId, litres: told, overrideReason }: Pouring,
): Promise<Poured> {
  const { trx, action } = context;
  const wish = portion.sapOpen ? { ...asked, alone: true } : asked;
  const pail = await onePailForUpdate(trx, pailId);
  const water = waterIn(pail, action.at);
  if (pail.fillId && water) return joinWater(context, portion, wish, pail, water);
  askIfKept(context.ask, pail);
  askIfCrowded(context, portion, pail, []);
  const shape = { litres: pail.sizeL, heightCm: pail.heightCm, form: pail.form };
  const litres = told ?? litresFor(shape, wish.depth);
  const depth = told === undefined ? wish.depth : depthWord(shape, told, wish.depth);
  const filling = { ...wish, depth, litres, overrideReason };
  const fillId = await pourInto(trx, action, pail, filling);
  await moveStay(trx, action.shopId, 'pail_id', pail.id, { roomId: portion.roomId }, action.at);
  await moveStay(trx, action.shopId, 'portion_id', portion.id, { wet: true, fillId }, action.at);
  return { pail: pail.name, fillId, portionId: portion.id, stems: portion.stemsLeft, litres };
}

/** Into which pails a portion went, in words. */
export function pouredWords(poured: readonly Poured[]): Words {
  const [first] = poured;
  if (!first) return '';
  if (poured.length > 1) return m('record.into-pails', { pails: poured.map((p) => p.pail).join(', ') });
  const { pail, litres } = first;
  return litres === null ? m('record.into-water-of', { pail }) : m('record.into-pail', { pail, litres });
}
