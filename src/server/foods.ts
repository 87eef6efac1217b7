import 'server-only';
import type { Foods } from '@/core/water/food';
import type { Trx } from '@/data/connection';
import { manyFoods } from '@/data/food';

/** What the shop feeds with, by solution; nothing of what it has not told. */
export async function foodsOf(trx: Trx): Promise<Foods> {
  const rows = await manyFoods(trx);
  return Object.fromEntries(rows.map(({ solution, ...food }) => [solution, food]));
}
