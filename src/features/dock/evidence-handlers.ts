import 'server-only';
import type { evidenceActions } from '@/core/actions/dock-evidence';
import { hoursSinceCut } from '@/core/dock/first-guess';
import { boxTemperature, packWaterTemperature } from '@/core/dock/temperatures';
import { journeyByLogger, loggerInWords } from '@/core/logger/journey-by-logger';
import { readLogger } from '@/core/logger/read-logger';
import { stripJpeg } from '@/core/photo/strip-jpeg';
import { speciesByKey } from '@/core/species/species';
import { arrivalFromJourney, droopOf, isWetPacked, routeNamed } from '@/core/vase-life/journey';
import { RefusedError } from '@/data/errors';
import {
  insertPhoto,
  insertTemperature,
  insertWeighing,
  manyPhotos,
  manyTemperatures,
  withdrawPhoto,
} from '@/data/evidence';
import { changeLot, manyLotsInStock, oneLotForUpdate, type LotRow } from '@/data/lots';
import { changePortion, manyPortionsOfLot } from '@/data/portions';
import { writeEntry } from '@/data/record';
import type { ActionContext, Handlers } from '@/server/handler';
import { overridesFor, shopOverrides } from '@/server/own-figures';
import { replanLot } from '@/server/replan';

const MOST_PHOTO_BYTES = 400_000;
const LONGEST_SIDE_PX = 1600;
const HOUR_MS = 3_600_000;
const UNNAMED_ROUTE = 'glasshouse by road';

/** The stems that were more or fewer than booked, in whichever heap of the lot is the largest. */
async function countInto({ trx }: ActionContext, lot: LotRow, stems: number): Promise<void> {
  const more = stems - lot.stemsBooked;
  const [largest] = [...(await manyPortionsOfLot(trx, lot.id))].sort((a, b) => b.stemsLeft - a.stemsLeft);
  if (more === 0 || !largest) return;
  if (largest.stemsLeft + more < 1)
    throw new RefusedError(
      `Lot ${lot.number} stands in several pails: count it there, and bin what is not. Nothing was changed.`,
    );
  await changePortion(trx, largest.id, { stems: largest.stemsLeft + more });
}

/** Gives one lot the age and air of its logged journey; its droop too, where nobody has looked yet. */
async function applyJourney(
  context: ActionContext,
  lot: LotRow,
  file: ReturnType<typeof readLogger>,
  overrides: Awaited<ReturnType<typeof shopOverrides>>,
): Promise<{ lotId: string; agedDays: number; was: number }> {
  const { trx } = context;
  const species = speciesByKey(lot.speciesKey);
  const arrivedMs = lot.arrivedAt.getTime();
  const { outcome } = journeyByLogger(file, {
    species,
    arrivedMs,
    cutMs: arrivedMs - hoursSinceCut(lot.cutDate, lot.arrivedAt) * HOUR_MS,
    wet: isWetPacked(lot.packing),
    route: routeNamed(lot.origin ?? '') ?? UNNAMED_ROUTE,
    overrides: overridesFor(overrides, [species.key]) ?? undefined,
  });
  const droop = lot.lookedAt ? lot.droop : droopOf(outcome.waterContent);
  const arrival = arrivalFromJourney(species, outcome, lot.stage, droop);
  await changeLot(trx, lot.id, { aged_days: arrival.agedDays, air_share: arrival.airShare ?? 0, droop });
  if (droop !== lot.droop) await replanLot(context, lot.id);
  return { lotId: lot.id, agedDays: arrival.agedDays, was: lot.agedDays };
}

/** What is measured and photographed of lots, and loggers read. */
export const dockEvidenceHandlers: Handlers<keyof typeof evidenceActions> = {
  'dock/count': {
    // What was really in the box; a bunch that was weighed as well teaches what a stem of it weighs.
    work: async (context, { lotId, stems, weighed }) => {
      const { trx, action } = context;
      const lot = await oneLotForUpdate(trx, lotId);
      const noted = lot.stemsBooked + lot.stemsShort;
      const used = lot.stemsBooked - lot.stemsLeft;
      if (stems < used)
        throw new RefusedError(
          `${used} stems of lot ${lot.number} are used or binned already: it held more than ${stems}. Nothing was changed; count again.`,
          'stems',
        );
      if (lot.stemsLeft === 0 && stems !== lot.stemsBooked)
        throw new RefusedError(`Nothing of lot ${lot.number} is left to count. Nothing was changed.`);
      if (lot.stemsLeft > 0 && stems === used)
        throw new RefusedError(
          `Lot ${lot.number} has stems left. Nothing was changed; bin what is not there.`,
          'stems',
        );
      const { speciesKey, lengthCm } = lot;
      const weighingId =
        weighed && (await insertWeighing(trx, action, lot.id, { speciesKey, lengthCm, ...weighed }));
      const short = noted - stems;
      await changeLot(trx, lot.id, { stems_booked: stems, stems_short: short });
      await countInto(context, lot, stems);
      const against =
        short === 0
          ? 'as the note says'
          : short > 0
            ? `${short} short of the note`
            : `${-short} over the note`;
      await writeEntry(trx, action, {
        kind: 'count',
        subjectKind: 'lot',
        subjectId: lot.id,
        words: `Lot ${lot.number} counted: ${stems}, ${against}${weighed ? `; ${weighed.stems} weigh ${weighed.grams} g` : ''}`,
        detail: { stems, was: lot.stemsBooked, short, weighingId },
      });
      return null;
    },
  },
  'dock/temperature': {
    work: async ({ trx, action }, { lotId, place, tempC }) => {
      const lot = await oneLotForUpdate(trx, lotId);
      const before = (await manyTemperatures(trx, [lot.id])).find((t) => t.place === place)?.tempC ?? null;
      await insertTemperature(trx, action, lot.id, place, tempC);
      const said =
        place === 'box' ? boxTemperature(speciesByKey(lot.speciesKey), tempC) : packWaterTemperature(tempC);
      await writeEntry(trx, action, {
        kind: 'temperature',
        subjectKind: 'lot',
        subjectId: lot.id,
        words: `Lot ${lot.number}: ${said.words}`.slice(0, 300),
        detail: { place, before },
      });
      return null;
    },
  },
  'dock/photo': {
    // A photograph, without where it was taken.
    work: async ({ trx, action }, { lotId, jpeg }) => {
      const lot = await oneLotForUpdate(trx, lotId);
      const picture = stripJpeg(Buffer.from(jpeg, 'base64'));
      if (
        picture.bytes.length > MOST_PHOTO_BYTES ||
        Math.max(picture.widthPx, picture.heightPx) > LONGEST_SIDE_PX
      )
        throw new RefusedError(
          'That picture is larger than is kept. Nothing was kept; take it with this page’s own button.',
          'jpeg',
        );
      const photoId = await insertPhoto(trx, action, lot.id, picture);
      await writeEntry(trx, action, {
        kind: 'photo',
        subjectKind: 'lot',
        subjectId: lot.id,
        words: `Photograph of lot ${lot.number}, ${picture.widthPx} × ${picture.heightPx}`,
        detail: { photoId },
      });
      return { photoId };
    },
  },
  'dock/photo-away': {
    work: async ({ trx, action }, { lotId, photoId }) => {
      const lot = await oneLotForUpdate(trx, lotId);
      if (!(await manyPhotos(trx, [lot.id])).some((p) => p.id === photoId.toLowerCase()))
        throw new RefusedError('That photograph was taken away already. Nothing was changed.', 'photoId');
      await withdrawPhoto(trx, photoId, action.at);
      await writeEntry(trx, action, {
        kind: 'photo-away',
        subjectKind: 'lot',
        subjectId: lot.id,
        words: `Photograph of lot ${lot.number} taken away`,
        detail: { photoId },
      });
      return null;
    },
  },
  'dock/logger': {
    // The logger that travelled with a delivery: every lot of it ages by what it really went through.
    work: async (context, { deliveryId, csv }) => {
      const { trx, action, me } = context;
      const lots = (await manyLotsInStock(trx)).filter((l) => l.deliveryId === deliveryId.toLowerCase());
      const [first] = lots;
      if (!first)
        throw new RefusedError(
          'Nothing of that delivery is in stock any more. Nothing was changed.',
          'deliveryId',
        );
      const file = readLogger(csv, me.shop.timeZone);
      const covers = file.readings.some(
        (r) => r.atMs < first.arrivedAt.getTime() && r.atMs > first.arrivedAt.getTime() - 60 * 24 * HOUR_MS,
      );
      if (!covers)
        throw new RefusedError(
          'That logger did not travel before this delivery came: its readings are of another time. Nothing was changed.',
          'csv',
        );
      const overrides = await shopOverrides(trx);
      const aged = [];
      for (const lot of lots) aged.push(await applyJourney(context, lot, file, overrides));
      await writeEntry(trx, action, {
        kind: 'logger',
        subjectKind: 'delivery',
        subjectId: first.deliveryId,
        words: `Logger of ${first.deliveryRef} read: ${loggerInWords(file)}`,
        detail: { lots: aged },
      });
      return null;
    },
  },
};
