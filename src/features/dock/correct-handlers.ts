import { m, saidSpecies } from '@/core/words/message';
import 'server-only';
import type { DockCorrectAction } from '@/core/actions/dock-correct';
import { correctDelivery, isBooked, oneDelivery } from '@/data/deliveries';
import { RefusedError } from '@/data/errors';
import { changeLot, oneLotForUpdate } from '@/data/lots';
import { changePortion, manyPortionsOfLot } from '@/data/portions';
import { writeEntry } from '@/data/record';
import type { Handlers } from '@/server/handler';
import { replanLot } from '@/server/replan';
import { bookingOf, newLot } from './booking-handlers';

/** What was booked wrongly, put right: a lot's flower and cut, a delivery's supplier and number. */
export const dockCorrectHandlers: Handlers<DockCorrectAction> = {
  'dock/correct-lot': {
    work: async (context, { lotId, speciesKey, variety, cutDate, reason }) => {
      const { trx, action, me } = context;
      const lot = await oneLotForUpdate(trx, lotId);
      if (lot.speciesKey === speciesKey && lot.cutDate === cutDate && lot.variety === variety)
        throw new RefusedError(`Lot ${lot.number} is booked so already. Nothing was changed.`, 'speciesKey');
      const line = { ...lot, stems: lot.stemsBooked, speciesKey, cutDate };
      const booked = newLot(line, await bookingOf(trx, me, lot.arrivedAt));
      await changeLot(trx, lot.id, {
        species_key: speciesKey,
        variety,
        cut_date: cutDate,
        aged_days: booked.agedDays,
        air_share: booked.airShare,
        // What somebody has seen of it stands; what was guessed is guessed anew.
        ...(lot.lookedAt === null ? { stage: booked.stage, droop: booked.droop } : {}),
      });
      if (lot.lookedAt === null)
        for (const portion of await manyPortionsOfLot(trx, lot.id))
          await changePortion(trx, portion.id, { droop: booked.droop });
      await replanLot(context, lot.id);
      await writeEntry(trx, action, {
        kind: 'lot-corrected',
        subjectKind: 'lot',
        subjectId: lot.id,
        says: m('record.lot-corrected', {
          lot: String(lot.number),
          species: saidSpecies(me.species.byKey(speciesKey)),
          cut: cutDate,
          was: saidSpecies(me.species.byKey(lot.speciesKey)),
          wasCut: lot.cutDate,
          reason,
        }),
        detail: {
          was: { speciesKey: lot.speciesKey, variety: lot.variety, cutDate: lot.cutDate },
          reason,
        },
      });
      return null;
    },
  },
  'dock/correct-delivery': {
    work: async ({ trx, action }, { deliveryId, supplier, deliveryRef, reason }) => {
      const was = await oneDelivery(trx, deliveryId);
      if (await isBooked(trx, supplier, deliveryRef))
        throw new RefusedError(
          was.supplier === supplier && was.deliveryRef === deliveryRef
            ? 'It is booked under just that. Nothing was changed.'
            : `${deliveryRef} from ${supplier} is booked in already. Nothing was changed.`,
          'deliveryRef',
        );
      await correctDelivery(trx, deliveryId, { supplier, deliveryRef });
      await writeEntry(trx, action, {
        kind: 'delivery-corrected',
        subjectKind: 'delivery',
        subjectId: deliveryId,
        says: m('record.delivery-corrected', {
          was: `${was.deliveryRef}, ${was.supplier}`,
          delivery: deliveryRef,
          supplier,
          reason,
        }),
        detail: { was, reason },
      });
      return null;
    },
  },
};
