import 'server-only';
import * as v from 'valibot';
import { hoursSinceCut } from '@/core/dock/first-guess';
import { journeyByLogger, loggerInWords } from '@/core/logger/journey-by-logger';
import { readLogger } from '@/core/logger/read-logger';
import { speciesByKey } from '@/core/species/species';
import { arrivalFromJourney, droopOf, isWetPacked, routeNamed } from '@/core/vase-life/journey';
import { RefusedError } from '@/data/errors';
import { changeLot, manyLotsInStock, type LotRow } from '@/data/lots';
import { writeEntry } from '@/data/record';
import { actionKind, type ActionContext } from '@/server/actions';
import { shopOverrides } from '@/server/own-figures';
import { replan } from '@/server/replan';

const HOUR_MS = 3_600_000;
const UNNAMED_ROUTE = 'glasshouse by road';

/** Gives one lot the age and air of its logged journey; its droop too, where nobody has looked yet. */
async function applyJourney(
  context: ActionContext,
  lot: LotRow,
  file: ReturnType<typeof readLogger>,
  overrides: Awaited<ReturnType<typeof shopOverrides>>,
) {
  const { trx } = context;
  const species = speciesByKey(lot.speciesKey);
  const arrivedMs = lot.arrivedAt.getTime();
  const { outcome } = journeyByLogger(file, {
    species,
    arrivedMs,
    cutMs: arrivedMs - hoursSinceCut(lot.cutDate, lot.arrivedAt) * HOUR_MS,
    wet: isWetPacked(lot.packing),
    route: routeNamed(lot.origin ?? '') ?? UNNAMED_ROUTE,
    overrides: overrides ?? undefined,
  });
  const droop = lot.lookedAt ? lot.droop : droopOf(outcome.waterContent);
  const arrival = arrivalFromJourney(species, outcome, lot.stage, droop);
  const plan_no = droop === lot.droop ? lot.planNo : await replan(context, { ...lot, droop });
  await changeLot(trx, lot.id, {
    aged_days: arrival.agedDays,
    air_share: arrival.airShare ?? 0,
    droop,
    plan_no,
  });
  return { lotId: lot.id, aged_days: lot.agedDays, air_share: lot.airShare, droop: lot.droop };
}

/** Reads the logger that travelled with a delivery: every lot of it ages by what it really went through. */
const logger = actionKind(
  v.object({
    deliveryId: v.pipe(v.string(), v.uuid()),
    csv: v.pipe(v.string(), v.minLength(1), v.maxLength(1_500_000, 'is larger than a logger’s file')),
  }),
  async (context, { deliveryId, csv }) => {
    const { trx, action } = context;
    const lots = (await manyLotsInStock(trx)).filter((l) => l.deliveryId === deliveryId);
    const [first] = lots;
    if (!first) throw new RefusedError('Nothing of that delivery is in stock any more. Nothing was changed.');
    const file = readLogger(csv);
    const covers = file.readings.some(
      (r) => r.atMs < first.arrivedAt.getTime() && r.atMs > first.arrivedAt.getTime() - 60 * 24 * HOUR_MS,
    );
    if (!covers)
      throw new RefusedError(
        'That logger did not travel before this delivery came: its readings are of another time. Nothing was changed.',
      );
    const overrides = await shopOverrides(trx);
    const before = [];
    for (const lot of lots) before.push(await applyJourney(context, lot, file, overrides));
    await writeEntry(trx, action, {
      kind: 'logger',
      subjectKind: 'delivery',
      subjectId: deliveryId,
      words: `Logger of ${first.deliveryRef} read: ${loggerInWords(file)}`,
      detail: { before },
    });
  },
);

export const loggerActions = { logger };
