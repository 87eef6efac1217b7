import 'server-only';
import { FLAW_KINDS, type FlawKind } from '@/core/dock/flaws';
import { composeProtocol } from '@/core/protocol/compose';
import type { ProtocolStep } from '@/core/protocol/types';
import type { Ways } from '@/core/protocol/ways';
import { speciesByKey } from '@/core/species/species';
import { isWetPacked } from '@/core/vase-life/journey';
import { manyFlaws, type FlawRow } from '@/data/claims';
import type { LotRow } from '@/data/lots';
import { insertPlan, manyStepsOfLot, nextPlanNo } from '@/data/steps';
import type { ActionContext } from './actions';
import { houseOf, waysFor } from './house';

type Seen = Pick<
  LotRow,
  'speciesKey' | 'stage' | 'droop' | 'packing' | 'arrivedAt' | 'fillId' | 'purpose' | 'eventOn'
>;
const HOUR_MS = 3_600_000;

/** Kinds of flaws that were counted and are there. */
export function flawKindsIn(rows: readonly FlawRow[]): FlawKind[] {
  return FLAW_KINDS.filter((kind) => rows.some((r) => r.kind === kind && r.seen > 0));
}

/** The plan of a lot as it was seen, with the house's ways for it. */
export function planFor(lot: Seen, flaws: readonly FlawKind[], ways: Ways, at: Date): ProtocolStep[] {
  const isDry = lot.fillId === null && !isWetPacked(lot.packing);
  return composeProtocol(
    {
      species: speciesByKey(lot.speciesKey),
      stage: lot.stage,
      droop: lot.droop,
      packing: lot.packing,
      hoursDry: isDry ? Math.max(0, (at.getTime() - lot.arrivedAt.getTime()) / HOUR_MS) : 0,
      flaws,
    },
    ways,
  );
}

/** Lays a lot's plan anew as it now is seen, what was done staying done; answers the plan's number. */
export async function replan(
  { trx, action, me }: ActionContext,
  lot: Seen & Pick<LotRow, 'id' | 'planNo'>,
): Promise<number> {
  const ways = waysFor(await houseOf(trx), lot, action.at, me.shop.timeZone);
  const plan = planFor(lot, flawKindsIn(await manyFlaws(trx, [lot.id])), ways, action.at);
  const steps = await manyStepsOfLot(trx, lot.id, lot.planNo);
  const planNo = await nextPlanNo(trx, lot.id);
  await insertPlan(trx, action.shopId, lot.id, planNo, plan, steps);
  return planNo;
}
