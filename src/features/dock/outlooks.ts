import 'server-only';
import { FLAWS, type FlawKind } from '@/core/dock/flaws';
import { againstUsual, usualInWords, type PastLot } from '@/core/dock/supplier-usual';
import { speciesByKey } from '@/core/species/species';
import type { Droop } from '@/core/vase-life/types';
import { manyLotsOfSupplier } from '@/data/supplier-history';
import type { Trx } from '@/data/connection';
import type { PortionRow } from '@/data/portions';
import type { StayRow } from '@/data/stays';
import type { StepRow } from '@/data/steps';
import { houseOf, waysFor } from '@/server/house';
import { planFor } from '@/server/replan';
import type { Forecaster } from '@/server/stock';
import { outlookKey, type Outlook } from './outlook';
import { nearestStage, STAGES } from './words';

const WEEKS_BACK = 12;
const DROOPS: readonly Droop[] = ['firm', 'soft', 'hanging'];

interface Known {
  readonly lot: PortionRow;
  readonly steps: readonly StepRow[];
  readonly stays: readonly StayRow[];
  readonly forecast: Forecaster;
}

/** Shares as a line draws them: to half a hundredth, and none after the last that shows. */
function drawn(shares: readonly number[]): number[] {
  const last = shares.findLastIndex((s) => s > 0.005);
  return shares.slice(0, last + 2).map((s) => Math.round(200 * s) / 200);
}

async function pastLots(trx: Trx, lot: PortionRow, at: Date): Promise<PastLot[]> {
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
  at: Date,
  { lot, steps, stays, forecast }: Known,
  flaws: readonly FlawKind[],
  timeZone: string,
): Promise<Record<string, Outlook>> {
  const past = await pastLots(trx, lot, at);
  const species = speciesByKey(lot.speciesKey);
  const outlooks: Record<string, Outlook> = {};
  const ways = waysFor(await houseOf(trx), lot, at, timeZone);
  // At the stage it stands at, untouched, a lot is logged at just that and not at the nearest word's.
  const stages = STAGES.map((s, i) => (i === nearestStage(lot.stage) ? lot.stage : s.stage));
  for (const stage of stages)
    for (const droop of DROOPS) {
      const seen = { ...lot, stage, droop };
      const { forecast: left, arrival } = forecast(seen, steps, stays);
      const lifeUsed = arrival.agedDays / species.lifeDays20C;
      const usual = againstUsual({ speciesKey: lot.speciesKey, lifeUsed }, past);
      outlooks[outlookKey(stage, droop)] = {
        daysLeft: left.daysLeft,
        shareByDay: drawn(left.presentableShareByDay),
        lifeUsed,
        usual: usual && usualInWords(lot.supplier, species.name, usual),
        changes: planFor(seen, flaws, ways, at)
          .filter((s) => s.because === 'state')
          .map((s) => s.title),
      };
    }
  return outlooks;
}
