import type { TapWater } from '../core/water/dose-reading';
import type { Trx } from './connection';

/** What the shop's tap gives, where somebody has measured it. */
export async function maybeTap(trx: Trx): Promise<TapWater | null> {
  const row = await trx('shop').first<{ ph: number | null; us: number | null }>({
    ph: 'tap_ph',
    us: 'tap_us',
  });
  return row.ph === null || row.us === null ? null : { ph: row.ph, us: row.us };
}

export async function setTap(trx: Trx, shopId: string, tap: TapWater | null): Promise<void> {
  await trx('shop')
    .where({ id: shopId })
    .update({ tap_ph: tap?.ph ?? null, tap_us: tap?.us ?? null });
}
