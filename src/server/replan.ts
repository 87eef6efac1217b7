import 'server-only';
import { FLAW_KINDS, type FlawKind } from '@/core/dock/flaws';
import { composeProtocol } from '@/core/protocol/compose';
import type { ProtocolStep } from '@/core/protocol/types';
import { speciesByKey } from '@/core/species/species';
import { manyFlaws, type FlawRow } from '@/data/claims';
import type { Trx } from '@/data/connection';
import type { LotRow } from '@/data/lots';
import { insertPlan, manyStepsOfLot } from '@/data/steps';

type Seen = Pick<LotRow, 'speciesKey' | 'stage' | 'droop' | 'packing'>;

/** Kinds of flaws that were counted and are there. */
export function flawKindsIn(rows: readonly FlawRow[]): FlawKind[] {
  return FLAW_KINDS.filter((kind) => rows.some((r) => r.kind === kind && r.seen > 0));
}

/** The plan of a lot as it was seen. */
export function planFor(lot: Seen, flaws: readonly FlawKind[]): ProtocolStep[] {
  return composeProtocol({
    species: speciesByKey(lot.speciesKey),
    stage: lot.stage,
    droop: lot.droop,
    packing: lot.packing,
    hoursDry: 0,
    flaws,
  });
}

/** Lays a lot's plan anew as it now is seen, what was done staying done; answers the plan's number. */
export async function replan(
  trx: Trx,
  shopId: string,
  lot: Seen & Pick<LotRow, 'id' | 'planNo'>,
): Promise<number> {
  const plan = planFor(lot, flawKindsIn(await manyFlaws(trx, [lot.id])));
  const steps = await manyStepsOfLot(trx, lot.id, lot.planNo);
  await insertPlan(trx, shopId, lot.id, lot.planNo + 1, plan, steps);
  return lot.planNo + 1;
}
