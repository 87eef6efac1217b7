import { readStoredPlan } from '../core/bench/stored-plan';
import type { BenchPlan } from '../core/bench/tell';
import type { Trx } from './connection';
import type { Action } from './record';

export interface BenchHand {
  readonly personId: string;
  readonly name: string;
}

/** Who stands at the bench; whoever came longer ago than a shift has gone home. */
export async function manyAtBench(trx: Trx): Promise<(BenchHand & { readonly cameAt: Date })[]> {
  return trx('at_bench as b')
    .join('person as p', 'p.id', 'b.person_id')
    .whereNull('b.left_at')
    .where('p.active', true)
    .orderBy(['b.came_at', 'p.name'])
    .select({ personId: 'b.person_id', name: 'p.name', cameAt: 'b.came_at' });
}

/** Those of them who came today: whoever came yesterday has gone home, however late it was. */
export const cameSince = <T extends { readonly cameAt: Date }>(hands: readonly T[], began: Date): T[] =>
  hands.filter((h) => h.cameAt >= began);

/** Comes to the bench or leaves it. */
export async function setAtBench(trx: Trx, action: Action, personId: string, isHere: boolean): Promise<void> {
  await trx('at_bench')
    .insert({
      shop_id: action.shopId,
      person_id: personId,
      came_at: action.at,
      left_at: isHere ? null : action.at,
    })
    .onConflict(['shop_id', 'person_id'])
    .merge(isHere ? ['came_at', 'left_at'] : ['left_at']);
}

/** The plan that stands, the same on every tablet. */
export interface StandingPlan {
  readonly version: number;
  readonly madeAt: Date;
  /** Null where it is kept in a way that is read no more. */
  readonly plan: BenchPlan | null;
}

export async function maybeBenchPlan(trx: Trx): Promise<StandingPlan | undefined> {
  const found = await trx('bench_plan').first<
    (Omit<StandingPlan, 'plan'> & { readonly plan: unknown }) | undefined
  >({ version: 'version', madeAt: 'made_at', plan: 'plan' });
  return found && { ...found, plan: readStoredPlan(found.plan) };
}

/** Puts a plan in the place of the version it was made from; false when another tablet was first. */
export async function replaceBenchPlan(
  trx: Trx,
  action: Action,
  fromVersion: number,
  plan: BenchPlan,
): Promise<boolean> {
  const made = { made_at: action.at, made_by: action.personId, plan: JSON.stringify(plan) };
  if (fromVersion === 0) {
    const put = await trx('bench_plan')
      .insert({ shop_id: action.shopId, version: 1, ...made })
      .onConflict('shop_id')
      .ignore()
      .returning<{ version: number }[]>('version');
    return put.length > 0;
  }
  const changed = await trx('bench_plan')
    .where({ shop_id: action.shopId, version: fromVersion })
    .update({ ...made, version: fromVersion + 1 });
  return changed > 0;
}
