import 'server-only';
import * as v from 'valibot';
import { recutSteps } from '@/core/protocol/aftercare';
import { PURPOSES } from '@/core/protocol/ways';
import { speciesByKey } from '@/core/species/species';
import { RefusedError } from '@/data/errors';
import { changeLot, oneLotForUpdate } from '@/data/lots';
import { writeEntry } from '@/data/record';
import { changeStep, insertBranch, manyStepsOfLot } from '@/data/steps';
import { inZone } from '@/server/clock';
import { actionKind } from '@/server/actions';
import { replan } from '@/server/replan';

const id = v.pipe(v.string(), v.uuid());

/** A cut out of turn: what bleeds is open again, leaves the water it shares, and soaks anew. */
const recut = actionKind(
  v.object({
    lotId: id,
    cm: v.pipe(v.number(), v.minValue(0.1, 'cuts nothing'), v.maxValue(30)),
    handsId: v.optional(id),
  }),
  async ({ trx, action }, { lotId, cm, handsId }) => {
    const lot = await oneLotForUpdate(trx, lotId);
    const species = speciesByKey(lot.speciesKey);
    const steps = await manyStepsOfLot(trx, lot.id, lot.planNo);
    const [cut, ...soak] = recutSteps(species, cm);
    if (!cut) throw new RefusedError('This lot has nothing to cut. Nothing was logged.');
    if (soak.length > 0) await changeLot(trx, lot.id, { fill_id: null });
    const after = steps.findLastIndex((s) => s.status !== 'waiting');
    const planNo = await insertBranch(trx, action.shopId, lot.id, lot.planNo, steps[after]?.id ?? null, [
      cut,
      ...soak,
    ]);
    const made = (await manyStepsOfLot(trx, lot.id, planNo))[after + 1];
    if (made)
      await changeStep(trx, made.id, {
        status: 'done',
        started_at: action.at,
        ended_at: action.at,
        hands_id: handsId ?? action.personId,
      });
    await writeEntry(trx, action, {
      kind: 'recut',
      subjectKind: 'lot',
      subjectId: lot.id,
      words: `Lot ${lot.number}, cut ${cm} cm again${soak.length > 0 ? ': its sap runs, it soaks anew' : ''}`,
      detail: { lotWas: { plan_no: lot.planNo, fill_id: lot.fillId } },
    });
  },
);

/** What a lot is for: its plan is laid anew for it. */
const purpose = actionKind(
  v.object({
    lotId: id,
    purpose: v.picklist(PURPOSES),
    eventOn: v.optional(v.nullable(v.pipe(v.string(), v.isoDate('is not a date'))), null),
  }),
  async (context, { lotId, purpose: wanted, eventOn }) => {
    const { trx, action, me } = context;
    const lot = await oneLotForUpdate(trx, lotId);
    if ((wanted === 'event') !== (eventOn !== null))
      throw new RefusedError('An event has a day, and nothing else has. Nothing was changed.');
    if (eventOn !== null && eventOn < inZone(action.at, me.shop.timeZone).date)
      throw new RefusedError('That day is over. Nothing was changed; choose one to come.');
    const change = { purpose: wanted, event_on: eventOn };
    await changeLot(trx, lotId, change);
    const planNo = await replan(context, { ...lot, purpose: wanted, eventOn });
    await changeLot(trx, lotId, { plan_no: planNo });
    await writeEntry(trx, action, {
      kind: 'purpose',
      subjectKind: 'lot',
      subjectId: lotId,
      words: `Lot ${lot.number} is for: ${wanted}${eventOn ? ` on ${eventOn}` : ''}`,
      detail: { lotWas: { purpose: lot.purpose, event_on: lot.eventOn, plan_no: lot.planNo } },
    });
  },
);

export const lotActions = { recut, purpose };
