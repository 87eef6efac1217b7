import type { Species } from '@/core/species/species';
import 'server-only';
import { HOUR_MS } from '@/core/calendar/spans';
import { FLAW_KINDS, type FlawKind } from '@/core/dock/flaws';
import { carriedOver } from '@/core/protocol/carry-over';
import { composeProtocol } from '@/core/protocol/compose';
import type { ProtocolStep } from '@/core/protocol/types';
import type { Ways } from '@/core/protocol/ways';
import { manyFlaws, type FlawRow } from '@/data/claims';
import { changePortion, manyPortionsOfLot, type PortionRow } from '@/data/portions';
import { insertPlan, manyStepsOfPortion, nextPlanNo } from '@/data/steps';
import type { ActionContext } from './handler';
import { houseOf, waysFor } from './house';

type Seen = Pick<PortionRow, 'stage' | 'droop' | 'packing' | 'arrivedAt' | 'isWet' | 'purpose' | 'eventOn'>;

/** Kinds of flaws that were counted and are there. */
export function flawKindsIn(rows: readonly FlawRow[]): FlawKind[] {
  return FLAW_KINDS.filter((kind) => rows.some((r) => r.kind === kind && r.seen > 0));
}

/** The plan of a lot as it was seen, with the house's ways for it. */
export function planFor(
  lot: Seen,
  species: Species,
  flaws: readonly FlawKind[],
  ways: Ways,
  at: Date,
): ProtocolStep[] {
  return composeProtocol(
    {
      species,
      stage: lot.stage,
      droop: lot.droop,
      packing: lot.packing,
      hoursDry: lot.isWet ? 0 : Math.max(0, (at.getTime() - lot.arrivedAt.getTime()) / HOUR_MS),
      flaws,
    },
    ways,
  );
}

/**
 * Lays a portion's plan anew as it now is seen, what was done staying done.
 * @param flawedLotId the lot whose flaws it has: of what was just split off, the one it came from
 */
export async function replan(
  { trx, action, me }: ActionContext,
  portion: PortionRow,
  flawedLotId: string = portion.lotId,
): Promise<void> {
  const ways = waysFor(await houseOf(trx), portion, action.at, me.shop.timeZone);
  const flaws = flawKindsIn(await manyFlaws(trx, [flawedLotId]));
  const steps = await manyStepsOfPortion(trx, portion.id, portion.planNo);
  const planNo = await nextPlanNo(trx, portion.id);
  const plan = planFor(portion, me.species.byKey(portion.speciesKey), flaws, ways, action.at);
  const begun = steps.filter((s) => s.status !== 'waiting');
  const carried = carriedOver(plan, begun, (s) => s.step.params);
  await insertPlan(trx, action.shopId, portion.id, planNo, plan, carried);
  await changePortion(trx, portion.id, { plan_no: planNo });
}

/** The same for every portion of a lot, as the lot was seen. */
export async function replanLot(context: ActionContext, lotId: string): Promise<void> {
  for (const portion of await manyPortionsOfLot(context.trx, lotId)) await replan(context, portion);
}
