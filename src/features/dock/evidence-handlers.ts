import { m } from '@/core/words/message';
import type { SpeciesRegistry } from '@/core/species/registry';
import 'server-only';
import { HOUR_MS } from '@/core/calendar/spans';
import type { evidenceActions } from '@/core/actions/dock-evidence';
import { hoursSinceCut } from '@/core/dock/first-guess';
import { boxTemperature, packWaterTemperature } from '@/core/dock/temperatures';
import type { JourneyOf } from '@/core/logger/journey-by-logger';
import type { Overrides } from '@/core/model/figures';
import { stripJpeg } from '@/core/photo/strip-jpeg';
import {
  arrivalFromJourney,
  droopOf,
  isWetPacked,
  routeNamed,
  type JourneyOutcome,
} from '@/core/vase-life/journey';
import type { Trx } from '@/data/connection';
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
import { preparing, type ActionContext, type Handlers } from '@/server/handler';
import { overridesFor, shopOverrides } from '@/server/own-figures';
import { inWorker } from '@/server/pool/pool';
import { replanLot } from '@/server/replan';

const MOST_PHOTO_BYTES = 400_000;
const LONGEST_SIDE_PX = 1600;
const UNNAMED_ROUTE = 'glasshouse by road';

/** A logger that tells of less of a journey may be another delivery's. */
const LEAST_SHARE_MET = 0.5;

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

/** A lot's journey as it is known of it, to be read off its logger. */
function journeyOf(lot: LotRow, all: Overrides | null, registry: SpeciesRegistry): JourneyOf {
  const species = registry.byKey(lot.speciesKey);
  const arrivedMs = lot.arrivedAt.getTime();
  return {
    species,
    arrivedMs,
    cutMs: arrivedMs - hoursSinceCut(lot.cutDate, lot.arrivedAt) * HOUR_MS,
    wet: isWetPacked(lot.packing),
    route: routeNamed(lot.origin ?? '') ?? UNNAMED_ROUTE,
    overrides: overridesFor(all, [species.key]) ?? undefined,
  };
}

/** Gives one lot the age and air of its logged journey; its droop too, where nobody has looked yet. */
async function applyJourney(
  context: ActionContext,
  lot: LotRow,
  outcome: JourneyOutcome,
): Promise<{ lotId: string; agedDays: number; was: number }> {
  const { trx, me } = context;
  const droop = lot.lookedAt ? lot.droop : droopOf(outcome.waterContent);
  const arrival = arrivalFromJourney(me.species.byKey(lot.speciesKey), outcome, lot.stage, droop);
  await changeLot(trx, lot.id, { aged_days: arrival.agedDays, air_share: arrival.airShare ?? 0, droop });
  if (droop !== lot.droop) await replanLot(context, lot.id);
  return { lotId: lot.id, agedDays: arrival.agedDays, was: lot.agedDays };
}

const lotsOfDelivery = async (trx: Trx, deliveryId: string): Promise<LotRow[]> =>
  (await manyLotsInStock(trx)).filter((l) => l.deliveryId === deliveryId.toLowerCase());

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
          ? m('record.as-noted')
          : m(short > 0 ? 'record.short' : 'record.over', { n: Math.abs(short) });
      const counted = { lot: String(lot.number), n: stems, against };
      await writeEntry(trx, action, {
        kind: 'count',
        subjectKind: 'lot',
        subjectId: lot.id,
        says: weighed
          ? m('record.counted-weighed', { ...counted, stems: weighed.stems, grams: weighed.grams })
          : m('record.counted', counted),
        detail: { stems, was: lot.stemsBooked, short, weighingId },
      });
      return null;
    },
  },
  'dock/temperature': {
    work: async ({ trx, action, me }, { lotId, place, tempC }) => {
      const lot = await oneLotForUpdate(trx, lotId);
      const before = (await manyTemperatures(trx, [lot.id])).find((t) => t.place === place)?.tempC ?? null;
      await insertTemperature(trx, action, lot.id, place, tempC);
      const said =
        place === 'box'
          ? boxTemperature(me.species.byKey(lot.speciesKey), tempC)
          : packWaterTemperature(tempC);
      await writeEntry(trx, action, {
        kind: 'temperature',
        subjectKind: 'lot',
        subjectId: lot.id,
        says: m('record.of-lot', { lot: String(lot.number), says: said.words }),
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
        says: m('record.photo', {
          lot: String(lot.number),
          size: `${picture.widthPx} × ${picture.heightPx}`,
        }),
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
        says: m('record.photo-away', { lot: String(lot.number) }),
        detail: { photoId },
      });
      return null;
    },
  },
  'dock/logger': preparing({
    // The logger that travelled with a delivery: every lot of it ages by what it really went through.
    prepare: async ({ deliveryId, csv }, read) => {
      const { lots, overrides, timeZone, species } = await read(async ({ trx, me }) => ({
        lots: await lotsOfDelivery(trx, deliveryId),
        overrides: await shopOverrides(trx),
        timeZone: me.shop.timeZone,
        species: me.species,
      }));
      return inWorker('journeys', {
        csv,
        timeZone,
        lots: lots.map((lot) => journeyOf(lot, overrides, species)),
      }).then(({ outcomes, ...told }) => ({
        ...told,
        outcomeOf: new Map(lots.map((lot, i) => [lot.id, outcomes[i]])),
      }));
    },
    work: async (context, { deliveryId }, { words, covers, loggedHours, hours, outcomeOf }) => {
      const { trx, action, ask } = context;
      const lots = await lotsOfDelivery(trx, deliveryId);
      const [first] = lots;
      if (!first)
        throw new RefusedError(
          'Nothing of that delivery is in stock any more. Nothing was changed.',
          'deliveryId',
        );
      if (!covers)
        throw new RefusedError(
          'That logger did not travel before this delivery came: its readings are of another time. Nothing was changed.',
          'csv',
        );
      if (loggedHours < hours * LEAST_SHARE_MET)
        ask(
          'other hours',
          `Of the ${Math.round(hours)} hours from the cut to the door this logger tells of ${Math.round(loggedHours)}. Is it this delivery’s, and to be used?`,
        );
      const aged = [];
      for (const lot of lots) {
        const outcome = outcomeOf.get(lot.id);
        if (!outcome)
          throw new RefusedError(
            'Lots of that delivery were split meanwhile. Nothing was changed; tap again.',
          );
        aged.push(await applyJourney(context, lot, outcome));
      }
      await writeEntry(trx, action, {
        kind: 'logger',
        subjectKind: 'delivery',
        subjectId: first.deliveryId,
        says: m('record.logger', { delivery: first.deliveryRef, says: words }),
        detail: { lots: aged },
      });
      return null;
    },
  }),
};
