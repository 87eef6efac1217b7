import 'server-only';
import { FLAWS, type FlawKind } from '@/core/dock/flaws';
import { againstUsual, usualInWords, type PastLot } from '@/core/dock/supplier-usual';
import { speciesByKey } from '@/core/species/species';
import type { Droop } from '@/core/vase-life/types';
import { manyLotsOfSupplier } from '@/data/supplier-history';
import type { Trx } from '@/data/connection';
import { manyRooms } from '@/data/rooms';
import { lotInputNow, lotNow } from '@/server/lot-forecasts';
import { shopOverrides } from '@/server/own-figures';
import { planFor } from '@/server/replan';
import type { SignedIn } from '@/server/session';
import type { StockLot } from '@/server/stock';
import { outlookKey, type Outlook } from './outlook';
import { STAGES } from './words';

const WEEKS_BACK = 12;
const DROOPS: readonly Droop[] = ['firm', 'soft', 'hanging'];

async function pastLots(trx: Trx, { lot }: StockLot, at: Date): Promise<PastLot[]> {
  const since = new Date(at.getTime() - WEEKS_BACK * 7 * 86_400_000);
  const rows = await manyLotsOfSupplier(trx, lot.supplier, since, lot.deliveryId);
  return rows.map((row) => ({
    speciesKey: row.speciesKey,
    lifeUsed: row.agedDays / speciesByKey(row.speciesKey).lifeDays20C,
    wasFirm: row.droop === 'firm',
    wasFlawed: row.flaws.some((f) => Object.hasOwn(FLAWS, f) && FLAWS[f as FlawKind].claim),
    wasShort: row.stemsShort > 0,
  }));
}

/**
 * What a lot means for every way it can be seen, worked out before anybody touches the drawing: the
 * life line and the plan then follow the finger at once.
 */
export async function outlooksOf(
  trx: Trx,
  me: SignedIn,
  at: Date,
  stock: StockLot,
  flaws: readonly FlawKind[],
): Promise<Record<string, Outlook>> {
  const { lot, steps } = stock;
  const [rooms, overrides, past] = [
    await manyRooms(trx),
    await shopOverrides(trx),
    await pastLots(trx, stock, at),
  ];
  const species = speciesByKey(lot.speciesKey);
  const outlooks: Record<string, Outlook> = {};
  const stages = [...new Set([lot.stage, ...STAGES.map((s) => s.stage)])];
  for (const stage of stages)
    for (const droop of DROOPS) {
      const seen = { ...lot, stage, droop };
      const input = lotInputNow(seen, steps, rooms, at, me.shop.timeZone);
      const { forecast, arrival } = lotNow(overrides ? { ...input, overrides } : input);
      const lifeUsed = arrival.agedDays / species.lifeDays20C;
      const usual = againstUsual({ speciesKey: lot.speciesKey, lifeUsed }, past);
      outlooks[outlookKey(stage, droop)] = {
        daysLeft: forecast.daysLeft,
        shareByDay: forecast.presentableShareByDay,
        lifeUsed,
        usual: usual && usualInWords(lot.supplier, species.name, usual),
        changes: planFor(seen, flaws)
          .filter((s) => s.because === 'state')
          .map((s) => s.title),
      };
    }
  return outlooks;
}
