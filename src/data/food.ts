import type { FoodKey, FoodProduct } from '../core/water/food';
import type { Trx } from './connection';

/** One of the shop's foods. */
export interface FoodRow extends FoodProduct {
  readonly solution: FoodKey;
}

/** What the shop says it feeds with. */
export async function manyFoods(trx: Trx): Promise<FoodRow[]> {
  const rows: (Omit<FoodRow, 'cup'> & { cupName: string | null; cupHolds: number | null })[] = await trx(
    'food',
  ).select({
    solution: 'solution',
    name: 'name',
    aLitre: 'a_litre',
    unit: 'unit',
    sachetL: 'sachet_l',
    cupName: 'cup_name',
    cupHolds: 'cup_holds',
    stepUs: 'step_us',
  });
  return rows.map(({ cupName, cupHolds, ...food }) => ({
    ...food,
    cup: cupName === null || cupHolds === null ? null : { name: cupName, ml: cupHolds },
  }));
}

/** Sets what one solution is made with; with null the shop says nothing of it any more. */
export async function setFood(
  trx: Trx,
  shopId: string,
  solution: FoodKey,
  food: FoodProduct | null,
): Promise<void> {
  if (food === null) {
    await trx('food').where({ solution }).delete();
    return;
  }
  await trx('food')
    .insert({
      shop_id: shopId,
      solution,
      name: food.name,
      a_litre: food.aLitre,
      unit: food.unit,
      sachet_l: food.sachetL,
      cup_name: food.cup?.name ?? null,
      cup_holds: food.cup?.ml ?? null,
      step_us: food.stepUs ?? null,
    })
    .onConflict(['shop_id', 'solution'])
    .merge();
}
